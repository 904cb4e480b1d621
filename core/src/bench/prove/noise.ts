/** Noise before and after: clips of the same set-up are compared, others are refused by name. */
import { levelChange, type LevelChange } from '../../speed/index.js';
import { fixed, signed, THIN } from '../../quantity/index.js';
import type { BenchEvent } from '../event.js';
import type { ClipBody } from './body.js';
import { say } from '../../words/index.js';
import { SAME_DISTANCE_PART } from '../defaults.js';
export { LOUDER_DB } from '../defaults.js';

/** A clip with its place among the standing lines. */
export interface JobClip {
  readonly key: string;
  readonly at: string;
  readonly index: number;
  readonly body: ClipBody;
  readonly when: 'before' | 'after';
}

/** Clips in order; `after` from the first work on the unit. */
export function clipsOf(lines: readonly BenchEvent[]): JobClip[] {
  let when: JobClip['when'] = 'before';
  const out: JobClip[] = [];
  lines.forEach(({ key, enteredAt: at, body }, index) => {
    if (body.kind === 'work') when = 'after';
    if (body.kind === 'clip') out.push({ key, at, index, body, when });
  });
  return out;
}

/** What keeps two clips from being compared, in words; empty when they may be. */
export function unlike(before: ClipBody, after: ClipBody): string[] {
  const [a, b] = [before.setup, after.setup];
  const same = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();
  const cm = (value: number) => `${fixed(value, 0)}${THIN}cm`;
  const out: string[] = [];
  if (!same(a.support, b.support)) out.push(say`support: ${a.support} and ${b.support}`);
  if (Math.abs(a.distanceCm - b.distanceCm) > SAME_DISTANCE_PART * a.distanceCm)
    out.push(say`distance: ${cm(a.distanceCm)} and ${cm(b.distanceCm)}`);
  if (!same(a.device, b.device)) out.push(say`heard with: ${a.device} and ${b.device}`);
  if (a.speedId !== b.speedId) out.push(say`speed: ${a.speedId ?? say`none said`} and ${b.speedId ?? say`none said`}`);
  if (before.figures.sampleRate !== after.figures.sampleRate) out.push(say`sampling rates differ`);
  return out;
}

/** Two clips side by side. */
export interface NoiseChange {
  readonly before: JobClip;
  readonly after: JobClip;
  readonly aWeighted: LevelChange;
  readonly octaves: readonly (LevelChange & { readonly hz: number })[];
}

/** The newest clip after beside the newest before of the same set-up; else why none can be compared. */
export function noiseChange(clips: readonly JobClip[]): NoiseChange | { readonly refused: readonly string[] } | null {
  const after = clips.findLast((one) => one.when === 'after');
  const earlier = clips.filter((one) => one.when === 'before');
  const last = earlier.at(-1);
  if (!after || !last) return null;
  const before = earlier.findLast((one) => unlike(one.body, after.body).length === 0);
  if (!before) return { refused: unlike(last.body, after.body) };
  const bands = new Map(before.body.figures.octaves.map((one) => [one.hz, one]));
  return {
    before,
    after,
    aWeighted: levelChange(before.body.figures.aWeighted, after.body.figures.aWeighted),
    octaves: after.body.figures.octaves.flatMap((one) => {
      const other = bands.get(one.hz);
      return other ? [{ hz: one.hz, ...levelChange(other, one) }] : [];
    }),
  };
}

/** "−6.0 (−6.3 to −5.7) dB". */
export const changeWords = ({ by, low, high }: LevelChange): string =>
  say`${signed(by, 1)} (${signed(low, 1)} to ${signed(high, 1)})${THIN}dB`;

/** "noise −32.1 dB A-weighted re full scale, on foam, 20 cm". */
export const clipWords = ({ figures, setup }: ClipBody): string =>
  say`noise ${signed(figures.aWeighted.db, 1)}${THIN}dB A-weighted, ${setup.support},
    ${fixed(setup.distanceCm, 0)}${THIN}cm${figures.ticks ? say`, ${fixed(figures.ticks.hz, 1)} ticks a second` : ''}`;
