/** The bench of instruments on a practice unit: the test that is asked for, or an instrument put anywhere. */
import type { PathTest } from '../families/index.js';
import { answered, type FamilyMap } from '../marking/index.js';
import type { Condition } from '../practice/index.js';
import { gaussian, seeded, type Random } from '../numeric/index.js';
import { withUnit } from '../quantity/index.js';
import { ringBars } from '../speed/index.js';
import { minutesOf, notNow, type Visit } from './visit.js';
import { said, say } from '../words/index.js';
import { MOST_BARS, WATCHED_S } from './defaults.js';

/** What was done: to be logged as a line, and what the entry line would take. */
export interface Done {
  readonly testId: string | null;
  readonly name: string;
  readonly words: string;
  readonly minutes: number;
  readonly harm: string | null;
  /** A value as it is typed: "4.98V"; null where something was only seen. */
  readonly typed: string | null;
  /** The answer of the test that it stands for; null for a value. */
  readonly outcome: string | null;
}

const noiseOf = ({ map, acts }: Visit, seed: number): Random => seeded(seed + 31 * acts + map.family.length);

/** Does a test of the path on the unit, or says why it cannot be done now. */
export function doTest(visit: Visit, test: PathTest, seed: number): Done | { readonly refused: string } {
  const refused = notNow(visit, test);
  if (refused !== null) return { refused };
  const made = answered(visit.map, visit.unit, test, noiseOf(visit, seed));
  const base = { testId: test.id, name: test.name, minutes: minutesOf(visit, test), harm: null };
  if ('outcome' in made) {
    const words = test.outcomes.find(({ id }) => id === made.outcome)?.words ?? made.outcome;
    return { ...base, words, typed: null, outcome: made.outcome };
  }
  // What stands still has no error to read: it is seen.
  if (made.unit === '%' && made.value < STILL_PERCENT)
    return { ...base, words: say`it stands still`, typed: null, outcome: null };
  return { ...base, ...shown(made.value, made.unit), outcome: null };
}

/** Slower than this by so many percent counts as standing still. */
const STILL_PERCENT = -95;

/** What an instrument shows, as people read it and as it is typed. */
export function shown(value: number, unit: string): { readonly words: string; readonly typed: string } {
  if (!Number.isFinite(value)) return { words: say`over range (OL)`, typed: 'OL' };
  const digits = Number(value.toPrecision(Math.abs(value) < 1 ? 2 : 4));
  if (unit === '%') return { words: withUnit(digits, '%'), typed: `${digits}%` };
  return { words: withUnit(digits, unit), typed: `${digits}${unit === 'Ω' ? 'R' : unit}` };
}

/** Conditions that have a key of their own on the practice bench: all others are chosen by their name. */
const OWN_KEYS: ReadonlySet<string> = new Set(['speed', 'setting', 'heat', 'tap', 'load', 'air']);

/** How else the unit can be held while it is measured: its function, the place on a reel, the belt off, a sink pressed on. */
export function waysToHold({ path, map }: Pick<Visit, 'path' | 'map'>): readonly Context[] {
  const usual = JSON.stringify(map.condition({}));
  // What this machine does not tell apart is not asked for.
  const tells = ({ id, values }: Context) =>
    values.some((value) => JSON.stringify(map.condition({ [id]: value })) !== usual);
  return path.contexts.filter((one) => !OWN_KEYS.has(one.id) && tells(one));
}
type Context = Visit['path']['contexts'][number];

/** What a unit is set to and how it is held, as its machine takes it; `held` by the ids of {@link waysToHold}. */
export function heldAs(
  { map }: Pick<Visit, 'map'>,
  { held, ...stands }: Partial<Condition> & { readonly held: Readonly<Record<string, string>> },
): Partial<Condition> {
  return { ...map.condition(held), ...stands };
}

/** Instruments of the practice bench. */
export const TOOLS = {
  'volts-dc': { words: say`Volts, d.c.`, unit: 'V', ends: '.V', power: 'on' },
  'volts-ac': { words: say`Volts, a.c.`, unit: 'V', ends: '.Vac', power: 'on' },
  ripple: { words: say`Scope, peak to peak`, unit: 'V', ends: '.Vpp', power: 'on' },
  amps: { words: say`Amperes`, unit: 'A', ends: '.A', power: 'on' },
  ohms: { words: say`Ohms`, unit: 'Ω', ends: '.ohm', power: 'off' },
  insulation: { words: say`Insulation, 500 V`, unit: 'MΩ', ends: '.Mohm', power: 'off' },
  speed: { words: say`Tachometer`, unit: 'rpm', ends: '.rpm', power: 'on' },
  pulses: { words: say`Scope, pulses of a turn`, unit: 'V', ends: '.rpm', power: 'on' },
  sound: { words: say`Microphone, the motor’s sound`, unit: '', ends: '', power: 'on' },
  stopwatch: { words: say`Stopwatch, a hundred turns`, unit: 'rpm', ends: '.rpm', power: 'on' },
} as const;
/** Names of the instruments. */
export type ToolId = keyof typeof TOOLS;

/** A place an instrument can be put to. */
export interface ToolPlace {
  readonly quantity: string;
  readonly words: string;
}

/** Places where this machine can be measured with an instrument. */
export function placesOf(visit: Visit, tool: ToolId): ToolPlace[] {
  if (tool === 'sound') return soundPlaces(visit);
  const { unit } = visit;
  const { ends } = TOOLS[tool];
  return Object.keys(unit.moment())
    .filter((name) => name.endsWith(ends) && !name.includes('expected'))
    .map((quantity) => ({
      quantity,
      words: quantity.slice(0, -ends.length).replace('.itself', ' by itself').replaceAll('.', ' '),
    }));
}

/** Places of the microphone: the parts that sound, with how many blades or bars one counts on them. */
const soundPlaces = ({ map }: Visit): ToolPlace[] =>
  map.machine.sounds.map(({ quantity, part, lines, count }) => ({
    quantity: `${quantity} ${lines}`,
    words: `${part}, ${count} ${lines}`,
  }));

/** Moving the probes to another place and reading (common practice). */
const PROBE_MIN = 1;
/** Noise of the instruments: part of the reading, and of the last digits. */
const NOISE = { part: 0.005, digit: 0.002 } as const;

/** Puts an instrument to a place. Ohms on a live circuit blow the meter's fuse; a unit that is off shows no volts. */
export function readAt(
  visit: Visit,
  tool: ToolId,
  place: ToolPlace,
  condition: Partial<Condition>,
  seed: number,
): Done {
  const { unit: of, words: name, power } = TOOLS[tool];
  const base = { testId: null, name: `${name} at ${place.words}`, minutes: PROBE_MIN, outcome: null };
  if (power === 'off' && visit.on) {
    const harm = say`the meter’s fuse: ohms on a live circuit`;
    return { ...base, words: say`nothing: the meter’s fuse blew`, typed: null, harm };
  }
  const { mean, spread } = visit.unit.see(place.quantity, condition);
  const noise = gaussian(noiseOf(visit, seed));
  const value =
    power === 'on' && !visit.on
      ? 0
      : Number.isFinite(mean)
        ? mean * (1 + NOISE.part * noise()) + NOISE.digit * noise()
        : mean;
  const said = shown(Math.abs(value) < NOISE.digit ? 0 : value, of);
  const wanders = Number.isFinite(spread) && visit.on && spread > 0.03 * Math.abs(mean) + NOISE.digit;
  return { ...base, ...said, words: wanders ? say`${said.words}, and it wanders` : said.words, harm: null };
}

/**
 * The ring of bars under a mains lamp, watched for ten seconds at the edge near the eye; null where there is none, or
 * nothing turns. Clockwise seen from above the near edge goes to the left: what is fast drifts that way.
 */
export function strobeAt(
  visit: Visit,
  condition: Partial<Condition>,
  speed: { readonly id: string; readonly nominalRpm: number },
  mainsHz: number,
): Done | null {
  const tone = toneOf(visit, condition);
  if (!tone) return null;
  const flashHz = 2 * mainsHz;
  const rpm = speed.nominalRpm * (1 + tone.errorPercent / 100);
  const drift = WATCHED_S * ((ringBars(flashHz, speed.nominalRpm) * rpm) / 60 - flashHz);
  const bars = Math.round(2 * Math.abs(drift)) / 2;
  const base = { testId: null, name: say`Strobe ring at ${speed.id}`, minutes: PROBE_MIN, harm: null, outcome: null };
  if (bars > MOST_BARS) return { ...base, words: say`the bars run too fast to be counted`, typed: null };
  if (bars === 0) return { ...base, words: say`the bars stand still`, typed: `${speed.id}: still` };
  const way = drift > 0 ? 'left' : 'right';
  return {
    ...base,
    words: say`${bars} bars to the ${said(way)} at the near edge in ${WATCHED_S} s`,
    typed: `${speed.id}: ${bars} bars ${way} near in ${WATCHED_S} s`,
  };
}

/** What the tone of a test record, or a strobe, shows at one setting; null while it is off or stands still. */
export interface PracticeTone {
  /** Mean speed error, percent. */
  readonly errorPercent: number;
  /** Its unsteadiness that follows no part, standard deviation in percent. */
  readonly wanderPercent: number;
  readonly lines: readonly { readonly percent: number; readonly hz: number }[];
}

/** See {@link PracticeTone}. */
export function toneOf({ map, unit, on }: Visit, condition: Partial<Condition>): PracticeTone | null {
  const tone: FamilyMap['tone'] = map.tone;
  if (!tone || !on) return null;
  const { mean, spread } = unit.see(tone.error, condition);
  if (!(mean > -95)) return null;
  const lines = tone.lines(unit.moment(condition)).filter(({ percent, hz }) => percent > 0 && hz > 0);
  return { errorPercent: mean, wanderPercent: spread, lines };
}
