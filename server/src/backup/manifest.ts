/** What stands beside a backup: of which schema, how many rows, and the file's hash. */
import { momentSchema, wholeSchema } from '@amber-gauge/contract';
import { createHash } from 'node:crypto';
import { createReadStream, existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import { BackupRefusal } from './tools.js';

export const MANIFEST_FORMAT = 'amber-gauge-backup';

const manifestSchema = z.object({
  format: z.literal(MANIFEST_FORMAT),
  madeAt: momentSchema,
  /** Migrations that the schema had been through, in order. */
  migrations: z.array(z.string().max(100)).min(1).max(1000),
  /** Rows by table. */
  counts: z.record(z.string().max(100), wholeSchema),
  bytes: z.number().int().positive(),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});
export type Manifest = z.infer<typeof manifestSchema>;

export const manifestPath = (file: string): string => `${file}.json`;

/** The manifest of a backup; null where there is none (a backup of an early version). Throws when it is damaged. */
export async function manifestOf(file: string): Promise<Manifest | null> {
  const path = manifestPath(file);
  if (!existsSync(path)) return null;
  const text = await readFile(path, 'utf8');
  const read = manifestSchema.safeParse(safeJson(text));
  if (!read.success) throw new BackupRefusal(`${path} is damaged or no manifest of ours. Restore another backup.`);
  return read.data;
}

function safeJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** SHA-256 of a file, hexadecimal, read in pieces. */
export async function hashOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file)) hash.update(chunk as Buffer);
  return hash.digest('hex');
}
