/** Speed runs: the figures of one measuring with its series, and the recording's hash. */
import {
  AXIS_UNITS,
  SOUND_LINES,
  SPEED_WARNINGS,
  type AxisUnit,
  type SpeedRun,
  type SpeedWarning,
} from '@amber-gauge/core/speed';
import { z } from 'zod';
import { keySchema, momentSchema, singleSchema } from './stored.js';

const finite = z.number().refine(Number.isFinite);
const count = z.number().int().nonnegative();
const row = z.array(singleSchema).max(6000);

/** A line of the flutter spectrum: hertz, peak in percent of the mean speed. */
export const lineSchema = z.object({ frequencyHz: finite, peakPercent: finite });

/** A named part of the uncertainty, a standard uncertainty in percent. */
export const uncertaintyPartSchema = z.object({
  name: z.enum(['noise', 'clock', 'reference', 'counting', 'reaction', 'scale', 'wander']),
  standardPercent: finite,
  why: z.string().max(400),
});

const flutterSchema = z.object({
  unweightedPeakPercent: finite,
  unweightedRmsPercent: finite,
  weighted2SigmaPercent: finite,
  weightedQuasiPeakPercent: finite,
  weightedRmsPercent: finite,
});

const addedSchema = z.object({
  hz: finite,
  levelDb: finite,
  mainsHz: z.union([z.literal(50), z.literal(60)]).nullable(),
});

const shaftSchema = z
  .object({
    wowPeakPercent: finite.nullable(),
    wowUpToHz: finite,
    stretches: z.array(z.object({ startS: finite, endS: finite, meanRpm: finite })).max(2000),
    sense: z.union([z.literal(1), z.literal(-1)]).nullable(),
  })
  .optional();

const weakSegmentSchema = z.object({ place: count, degrees: finite, dipPercent: finite, speedPercent: finite });

const detailSchema = z.discriminatedUnion('way', [
  z.object({
    way: z.literal('tone'),
    live: z.boolean(),
    startS: finite,
    endS: finite,
    snrDb: finite,
    dropouts: count,
    clipped: z.boolean(),
    channel: count,
    added: z.array(addedSchema).max(24).optional(),
    lossyLimitPercent: finite.optional(),
  }),
  z.object({
    way: z.literal('pulses'),
    from: z.enum(['times', 'scope', 'changes', 'recording', 'live']),
    perTurn: count,
    missing: count,
    doubled: count,
    damagedSegmentsPerTurn: count,
    spacingErrorsPercent: z.array(finite).max(10000),
    shaft: shaftSchema,
    weakSegments: z.array(weakSegmentSchema).max(10000).optional(),
    channel: z.string().max(200).optional(),
  }),
  z.object({
    way: z.literal('gyro'),
    biasDps: finite,
    unit: z.enum(Object.keys(AXIS_UNITS) as [AxisUnit, ...AxisUnit[]]),
    shaft: shaftSchema,
  }),
  z.object({ way: z.literal('strobe'), ringBars: count, flashHz: finite, driftBarsPerMin: finite }),
  z.object({ way: z.literal('stopwatch'), taps: count, turns: finite, reactionS: finite }),
  z.object({
    way: z.literal('sound'),
    lines: z.enum(SOUND_LINES),
    linesPerTurn: count,
    candidates: z.array(z.object({ rpm: finite, share: finite, why: z.string().max(200) })).max(12),
    stretches: z.array(z.object({ startS: finite, endS: finite, rpm: finite })).max(2000),
  }),
]);

const warningSchema = z.enum(Object.keys(SPEED_WARNINGS) as [SpeedWarning, ...SpeedWarning[]]);

/** All figures of a run; percent of nominal or mean speed as their names say. */
export const runFiguresSchema = z.object({
  unit: z.enum(['Hz', 'rpm']),
  nominal: finite.nullable(),
  mean: finite,
  errorPercent: finite.nullable(),
  expandedPercent: finite,
  uncertainty: z.array(uncertaintyPartSchema).max(12),
  driftPercent: finite.nullable(),
  flutter: flutterSchema.nullable(),
  lines: z.array(lineSchema).max(64),
  warnings: z.array(warningSchema).max(20),
  detail: detailSchema,
  series: z.object({ startS: finite, stepS: finite, errorPercent: row, halfWidthPercent: row }).nullable(),
  spectrum: z.object({ frequencyHz: row, peakPercent: row }).nullable(),
});
/** A run as it travels and is stored: the core's {@link SpeedRun} with plain arrays. */
export type RunFigures = z.infer<typeof runFiguresSchema>;

/** A run to be kept. */
export const newRunSchema = z.object({
  id: keySchema,
  jobId: keySchema.nullable(),
  /** Name of the recording or table, or what was done where there is no file. */
  fileName: z.string().max(260),
  fileBytes: count,
  /** Hash of the recording or table; null where nothing was recorded (taps, a strobe, live). */
  sha256: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .nullable(),
  sourceId: keySchema.nullable(),
  measuredAt: momentSchema,
  figures: runFiguresSchema,
});
/** See {@link newRunSchema}. */
export type NewRun = z.infer<typeof newRunSchema>;

/** A run as it is kept. */
export const runSchema = newRunSchema.extend({ demo: z.boolean(), hasRecording: z.boolean() });
/** See {@link runSchema}. */
export type Run = z.infer<typeof runSchema>;

/** Lists leave the series out. */
export const runListSchema = z.object({
  runs: z.array(
    runSchema.omit({ figures: true }).extend({ figures: runFiguresSchema.omit({ series: true, spectrum: true }) }),
  ),
});
/** A run as lists show it. */
export type RunBrief = z.infer<typeof runListSchema>['runs'][number];

/** Files a run without a job to one. */
export const fileRunSchema = z.object({ jobId: keySchema });

/** A measured run as it travels: plain arrays. */
export function figuresOf(run: SpeedRun): RunFigures {
  const { series, spectrum } = run;
  return {
    ...run,
    uncertainty: [...run.uncertainty],
    lines: [...run.lines],
    warnings: [...run.warnings],
    detail: structuredClone(run.detail) as RunFigures['detail'],
    series: series && {
      startS: series.startS,
      stepS: series.stepS,
      errorPercent: Array.from(series.errorPercent),
      halfWidthPercent: Array.from(series.halfWidthPercent),
    },
    spectrum: spectrum && {
      frequencyHz: Array.from(spectrum.frequencyHz),
      peakPercent: Array.from(spectrum.peakPercent),
    },
  };
}

/** The core's run again, for what the core computes from it. */
export function runOfFigures(figures: RunFigures): SpeedRun {
  const { series, spectrum } = figures;
  return {
    ...figures,
    series: series && {
      ...series,
      errorPercent: Float32Array.from(series.errorPercent),
      halfWidthPercent: Float32Array.from(series.halfWidthPercent),
    },
    spectrum: spectrum && {
      frequencyHz: Float32Array.from(spectrum.frequencyHz),
      peakPercent: Float32Array.from(spectrum.peakPercent),
    },
  };
}
