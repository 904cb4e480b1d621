/** Backups as Set-up shows them. */
import { z } from 'zod';

/** A backup as it stands in the list: name, when, size, lines. */
export const backupBriefSchema = z.object({
  name: z.string(),
  madeAt: z.iso.datetime(),
  bytes: z.number().int(),
  jobs: z.number().int(),
  lines: z.number().int(),
});
/** See {@link backupBriefSchema}. */
export type BackupBrief = z.infer<typeof backupBriefSchema>;

/** All backups, and what the last try came to. */
export const backupStateSchema = z.object({
  /** The newest whole one; null when there is none. */
  newest: backupBriefSchema.nullable(),
  kept: z.number().int(),
  /** What the last try of the newest one said since the server was started. */
  drill: z.object({ name: z.string(), at: z.iso.datetime(), trouble: z.string().nullable() }).nullable(),
  /** What went wrong with the last one that was to be made; null when nothing did. */
  trouble: z.string().nullable(),
  /** A backup or a try is under way. */
  busy: z.boolean(),
});
/** See {@link backupStateSchema}. */
export type BackupState = z.infer<typeof backupStateSchema>;
