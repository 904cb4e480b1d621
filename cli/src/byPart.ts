/** `--by-part TRAIN.json`: who makes the wow, and the turn of the slowest part. */
import { readFile } from 'node:fs/promises';
import { fixed, signed } from '@amber-gauge/core/quantity';
import {
  shareWords,
  slowestShown,
  typedPart,
  wowByPart,
  type SpeedRun,
  type TurningPart,
} from '@amber-gauge/core/speed';
import { z } from 'zod';
import { CliRefusal } from './refusal.js';

const partSchema = z
  .object({
    name: z.string().min(1).max(80),
    rpm: z.number().positive().optional(),
    hz: z.number().positive().optional(),
  })
  .refine(({ rpm, hz }) => (rpm === undefined) !== (hz === undefined), 'rpm or hz, one of them');
const trainSchema = z.object({ parts: z.array(partSchema).min(1).max(60) });

interface ByPart {
  readonly json: Readonly<Record<string, unknown>>;
  readonly words: readonly string[];
}

/** Nothing without a train; a train that cannot be read is refused. */
export async function byPart(path: string | undefined, run: SpeedRun): Promise<ByPart> {
  if (path === undefined) return { json: {}, words: [] };
  const parts = await trainOf(path);
  const durationS = run.series ? Math.max(1, run.series.stepS * run.series.errorPercent.length) : 10;
  const wow = wowByPart(run.lines, run.flutter, parts, run.errorPercent ?? 0, durationS);
  const turn = run.series && slowestShown(run.series, parts, run.errorPercent ?? 0);
  return {
    json: {
      by_part: {
        shares: wow.shares.map(({ part, peakPercent, powerShare, lines }) => ({
          part: part === '' ? null : part,
          peak_percent: peakPercent,
          power_share: powerShare,
          lines: lines.map((line) => ({
            times_a_turn: line.multiple,
            frequency_hz: line.hz,
            peak_percent: line.peakPercent,
          })),
        })),
        noise_percent: wow.noisePercent,
        sum_percent: wow.sumPercent,
      },
      turn: turn && {
        part: turn.part,
        turns: turn.profile.turns,
        degrees: turn.profile.degrees,
        percent: turn.profile.percent,
        spread_percent: turn.profile.spreadPercent,
        slowest: turn.profile.slowest,
        fastest: turn.profile.fastest,
      },
    },
    words: [
      'Who makes the wow',
      ...wow.shares.map(
        (share) => `  ${(share.part || 'unknown').padEnd(16)} ${fixed(share.peakPercent, 3)} %, ${shareWords(share)}`,
      ),
      ...(wow.noisePercent === null ? [] : [`  ${'noise'.padEnd(16)} ${fixed(wow.noisePercent, 3)} %`]),
      `  ${'together'.padEnd(16)} ${fixed(wow.sumPercent, 3)} % peak, as the root of the squares`,
      ...(turn
        ? [
            `Turn of the ${turn.part}, ${turn.profile.turns} turns: slowest ${signed(turn.profile.slowest.percent, 3)} % at ${fixed(turn.profile.slowest.degrees, 0)}°, fastest ${signed(turn.profile.fastest.percent, 3)} % at ${fixed(turn.profile.fastest.degrees, 0)}°`,
          ]
        : []),
    ],
  };
}

async function trainOf(path: string): Promise<TurningPart[]> {
  const text = await readFile(path, 'utf8').catch(() => {
    throw new CliRefusal('NO_FILE', `There is no file ${path}.`);
  });
  try {
    const { parts } = trainSchema.parse(JSON.parse(text));
    return parts.map(({ name, rpm, hz }) => typedPart(name, hz ?? (rpm as number) / 60));
  } catch (error) {
    const where =
      error instanceof z.ZodError
        ? `${error.issues[0]?.path.join('.') ?? ''}: ${error.issues[0]?.message ?? ''}`
        : 'it is no JSON';
    throw new CliRefusal(
      'BAD_TRAIN',
      `${path} is no drive train (${where}). Write {"parts": [{"name": "platter", "rpm": 33.3333}]}.`,
    );
  }
}
