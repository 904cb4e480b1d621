/** The microphone of the practice bench: a running machine as it sounds from close by, made from its speeds and its wear. */
import { gaussian, seeded } from '../numeric/index.js';
import { THIN, ownEntry } from '../quantity/index.js';
import type { Condition, Quantities } from '../practice/index.js';
import { linesPerTurn, synthMotor } from '../speed/index.js';
import type { Done, ToolPlace } from './instruments.js';
import type { Visit } from './visit.js';
import { say } from '../words/index.js';
import { FALLS, LISTEN_MIN, LISTEN_S, NOISE, SAMPLE_RATE, WANDER_S } from './defaults.js';

/** Samples of a machine, -1 to 1. */
export interface PracticeSound {
  readonly sampleRate: number;
  readonly samples: Float64Array;
}

/** Slower than this nothing is heard to turn, rpm. */
const STILL_RPM = 10;

/** Listens from close by; nothing is heard of what is off or stands. */
export function soundAt(
  visit: Visit,
  place: ToolPlace,
  condition: Partial<Condition>,
  seed: number,
): { readonly done: Done; readonly sound: PracticeSound | null } {
  const base = {
    testId: null,
    name: say`Microphone at the ${place.words}`,
    minutes: LISTEN_MIN,
    harm: null,
    typed: null,
    outcome: null,
  };
  const sound = noiseOfUnit(visit, condition, seed);
  if (!sound) return { done: { ...base, words: say`nothing is heard to turn` }, sound: null };
  return { done: { ...base, words: say`${LISTEN_S}${THIN}s of its sound` }, sound };
}

/** Everything that turns, at once, with the noise of its wear; null where it is off or nothing turns. */
export function noiseOfUnit(
  { map, unit, acts, on }: Visit,
  condition: Partial<Condition>,
  seed: number,
): PracticeSound | null {
  if (!on) return null;
  const noise = gaussian(seeded(seed + 977 * acts + map.family.length));
  const rates = new Map<string, (t: number) => number>();
  for (const { quantity } of map.machine.sounds) {
    const { mean, spread } = unit.see(quantity, condition);
    if (!rates.has(quantity) && mean > STILL_RPM) rates.set(quantity, wandering(mean, spread, noise));
  }
  const sounding = map.machine.sounds.filter(({ quantity }) => rates.has(quantity));
  if (sounding.length === 0) return null;
  const now = unit.moment(condition);
  const loud = NOISE.sound + wearOf(now);
  const samples = new Float64Array(LISTEN_S * SAMPLE_RATE);
  sounding.forEach((one, i) => {
    const part = synthMotor({
      sampleRate: SAMPLE_RATE,
      durationS: LISTEN_S,
      rpmAt: rates.get(one.quantity) ?? (() => 0),
      linesPerTurn: linesPerTurn(one.lines, one.count),
      harmonics: FALLS.map((part) => part * one.loud),
      // What is out of true, or runs dry, is heard once a turn.
      shaft: i === 0 ? [0.2 * one.loud + loud / 2] : [],
      noise: i === 0 ? loud : 0,
      seed: seed + acts + i,
    });
    part.forEach((value, n) => (samples[n] = (samples[n] as number) + value));
  });
  return { sampleRate: SAMPLE_RATE, samples };
}

function wearOf(now: Quantities): number {
  const of = (name: string) => ownEntry(now, name) ?? 0;
  return NOISE.rough * of('motor.roughness') + NOISE.grind * of('gears.grind') + NOISE.sparks * of('sparks');
}

/** A speed that goes from one value to the next, evenly between them. */
function wandering(mean: number, spread: number, noise: () => number): (t: number) => number {
  const values = Array.from({ length: Math.ceil(LISTEN_S / WANDER_S) + 2 }, () => Math.max(0, mean + spread * noise()));
  return (t) => {
    const at = Math.floor(t / WANDER_S);
    const part = t / WANDER_S - at;
    return (values[at] ?? mean) * (1 - part) + (values[at + 1] ?? mean) * part;
  };
}
