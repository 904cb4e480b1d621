/** A job as an open file: JSON with everything it holds. See docs/job-bundle.md. */
import { z } from 'zod';
import { eventSchema } from './events.js';
import { jobSchema } from './jobs.js';
import { newRunSchema } from './runs.js';
import { keySchema, momentSchema } from './stored.js';
import { say } from '@amber-gauge/core/words';

/** What the file calls itself. */
export const BUNDLE_FORMAT = 'amber-gauge-job';
/** The version that is written and read here. */
export const BUNDLE_VERSION = 1;
/** Largest bundle that is read, bytes. */
export const BUNDLE_MOST_BYTES = 48e6;

const photoSchema = z.object({
  id: keySchema,
  mediaType: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  base64: z.base64(),
});

const soundSchema = z.object({ id: keySchema, sha256: z.string().regex(/^[0-9a-f]{64}$/), base64: z.base64() });

/** Everything of one job. Readings, runs with their series, pictures; recordings kept beside runs stay where they are. */
export const bundleSchema = z.object({
  format: z.literal(BUNDLE_FORMAT),
  version: z.literal(BUNDLE_VERSION),
  madeAt: momentSchema,
  job: jobSchema.omit({ demo: true, version: true }),
  events: z.array(eventSchema).max(100_000),
  runs: z.array(newRunSchema).max(1000),
  photos: z.array(photoSchema).max(300),
  /** Sounds of clips, WAV; bundles made before they were kept have none. */
  clips: z.array(soundSchema).max(100).default([]),
});
/** See {@link bundleSchema}. */
export type Bundle = z.infer<typeof bundleSchema>;

/** What came of an import. */
export const importedSchema = z.object({
  id: z.uuid(),
  number: z.number().int().positive(),
  /** The job was here already: only what was missing was added. */
  known: z.boolean(),
  lines: z.number().int().nonnegative(),
  runs: z.number().int().nonnegative(),
  photos: z.number().int().nonnegative(),
  clips: z.number().int().nonnegative(),
});

/** Why a text is no bundle that can be read here, in words with what to do; null when it may be one. */
export function bundleProblem(value: unknown): string | null {
  if (typeof value !== 'object' || value === null || !('format' in value) || value.format !== BUNDLE_FORMAT)
    return say`This is no job bundle: choose a file that was exported from a job here.`;
  const version = 'version' in value ? value.version : undefined;
  if (version !== BUNDLE_VERSION)
    return say`This bundle is of version ${String(version).slice(0, 20)}; version ${BUNDLE_VERSION} is read here.
      Export it again with a bench of that version.`;
  return null;
}
