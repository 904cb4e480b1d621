/** Logs as loggers, logic analysers, scopes and phones write them, made from a known motion. */
import { gaussian, seeded } from '../../numeric/index.js';
import { rpmAt, turnsAt, type Motion } from './shaft.js';

/** One time a row. `scale` units a second, rounded to `digits`. */
export function timesCsv(
  times: readonly number[],
  {
    header = '',
    scale = 1,
    digits = 9,
    comma = false,
  }: { header?: string; scale?: number; digits?: number; comma?: boolean } = {},
): string {
  const rows = times.map((t) => (t * scale).toFixed(digits));
  const text = [...(header ? [header] : []), ...rows].join('\n');
  return comma ? text.replaceAll('.', ',') : text;
}

/** Clock or date stamps beside a count. */
export const stampsCsv = (times: readonly number[], kind: 'iso' | 'clock' | 'epoch-ms' | 'epoch-s'): string =>
  [
    kind.startsWith('epoch') ? 'pulse,when' : 'pulse,timestamp',
    ...times.map((t, i) => {
      const at = 1767225600 + 86390 + t;
      const iso = new Date(Math.floor(at * 1000)).toISOString();
      const fine = `${iso.slice(0, 19)}${(at % 1).toFixed(6).slice(1)}`;
      if (kind === 'epoch-ms') return `${i},${(at * 1000).toFixed(3)}`;
      if (kind === 'epoch-s') return `${i},${at.toFixed(6)}`;
      return `${i},${kind === 'iso' ? `${fine}Z` : fine.slice(11)}`;
    }),
  ].join('\n');

/** A counter of `bits` at `hz` ticks a second that runs over. */
export const counterCsv = (times: readonly number[], bits: number, hz: number, header: string): string =>
  [header, ...times.map((t) => String(Math.floor(t * hz + 0.9 * 2 ** bits) % 2 ** bits))].join('\n');

/** A logic channel: its rising edges and the part of the pitch it stays high. */
export interface LogicChannel {
  readonly name: string;
  readonly rises: readonly number[];
  readonly highS: number;
}

/** Time and level of every change of any channel. */
export function changesCsv(channels: readonly LogicChannel[], timeHeader = 'Time [s]'): string {
  const events = channels
    .flatMap(({ rises, highS }, c) =>
      rises.flatMap((t) => [
        { t, c, level: 1 },
        { t: t + highS, c, level: 0 },
      ]),
    )
    .sort((a, b) => a.t - b.t);
  const levels = channels.map(() => 0);
  const rows = [`0.000000000,${levels.join(',')}`];
  for (const event of events) {
    levels[event.c] = event.level;
    rows.push(`${event.t.toFixed(9)},${levels.join(',')}`);
  }
  return [`${timeHeader},${channels.map((one) => one.name).join(',')}`, ...rows].join('\n');
}

export interface Trace {
  readonly sampleHz: number;
  readonly durationS: number;
  /** Volts of each channel at time t. */
  readonly channels: readonly ((t: number) => number)[];
  readonly noise?: number;
  /** Volts of one step of the converter, 0 for none. */
  readonly step?: number;
  readonly startS?: number;
  readonly time?: boolean;
  readonly head?: readonly string[];
  readonly separator?: string;
  readonly comma?: boolean;
  readonly seed?: number;
}

/** A capture of a scope. */
export function traceCsv(wish: Trace): string {
  const { sampleHz, durationS, channels, noise = 0, step = 0, startS = 0, time = true } = wish;
  const { head = [], separator = ',', comma = false, seed = 3 } = wish;
  const normal = gaussian(seeded(seed));
  const rows = Array.from({ length: Math.floor(durationS * sampleHz) }, (_, n) => {
    const t = n / sampleHz;
    const cells = channels.map((volts) => {
      const value = volts(t) + noise * normal();
      return (step > 0 ? step * Math.round(value / step) : value).toFixed(4);
    });
    return [...(time ? [(t + startS).toFixed(7)] : []), ...cells].join(separator);
  });
  const body = comma ? rows.map((row) => row.replaceAll('.', ',')) : rows;
  return [...head, ...body].join('\n');
}

/** A pulse train as volts: high for `high` of each pitch. */
export const pulseVolts =
  (motion: Motion, perTurn: number, { low = 0.1, top = 4.9, high = 0.4 } = {}) =>
  (t: number): number =>
    (turnsAt(motion, t) * perTurn) % 1 < high ? top : low;

/** A generator's sine whose level dips once a turn at `place` (0..1 of the turn) by `dip`. */
export const generatorVolts =
  (motion: Motion, perTurn: number, { volts = 1, dip = 0, place = 0.3 } = {}) =>
  (t: number): number => {
    const turn = turnsAt(motion, t);
    const off = Math.abs(((((turn - place + 0.5) % 1) + 1) % 1) - 0.5) * perTurn;
    const level = off < 0.75 ? 1 - dip : 1;
    return volts * level * Math.sin(2 * Math.PI * perTurn * turn);
  };

export interface GyroLog {
  readonly motion: Motion;
  readonly stillS?: number;
  readonly rateHz?: number;
  /** Axis values in one turn a minute. */
  readonly perRpm: number;
  readonly header: string;
  readonly timeScale?: number;
  readonly timeDigits?: number;
  readonly bias?: number;
  readonly noise?: number;
  readonly clockwise?: boolean;
  /** Columns before the gyroscope's. */
  readonly before?: (t: number) => string;
  readonly axes?: 1 | 3;
  readonly rpmOf?: (t: number) => number;
  readonly skip?: (i: number) => boolean;
  readonly twice?: (i: number) => boolean;
}

/** A phone's log: standing still, then turning. */
export function gyroCsv(wish: GyroLog): string {
  const { motion, stillS = 3, rateHz = 100, perRpm, header, timeScale = 1, timeDigits = 6 } = wish;
  const { bias = 0, noise = 0, clockwise = false, before, axes = 3, skip, twice } = wish;
  const normal = gaussian(seeded(11));
  const rpmOf = wish.rpmOf ?? ((t: number) => rpmAt(motion, t));
  const rows: string[] = header === '' ? [] : [header];
  const count = Math.floor((stillS + motion.durationS) * rateHz);
  for (let i = 0; i < count; i++) {
    if (skip?.(i)) continue;
    const t = i / rateHz;
    const rpm = t < stillS ? 0 : rpmOf(t - stillS);
    const z = (clockwise ? -1 : 1) * rpm * perRpm + bias + noise * normal();
    const values = axes === 1 ? [z] : [0.01 * perRpm + noise * normal(), -0.02 * perRpm + noise * normal(), z];
    const row = [
      (t * timeScale).toFixed(timeDigits),
      ...(before ? [before(t)] : []),
      ...values.map((v) => v.toFixed(6)),
    ].join(',');
    rows.push(row);
    if (twice?.(i)) rows.push(row);
  }
  return rows.join('\n');
}
