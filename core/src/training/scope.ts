/** The scope and the stopwatch of the practice bench: what they show comes out of the machine, with the scope's noise and the thumb's. */
import { gaussian, seeded } from '../numeric/index.js';
import { fixed, THIN } from '../quantity/index.js';
import type { Condition, PracticeTrace } from '../practice/index.js';
import { readAt, shown, toneOf, type Done, type ToolId, type ToolPlace } from './instruments.js';
import { soundAt, type PracticeSound } from './sound.js';
import type { Visit } from './visit.js';
import { say } from '../words/index.js';
import { COUNTED_TURNS, MOST_COUNTED_RPM, NOISE_PART, PULSE, SCOPE_MIN, THUMB_S } from './defaults.js';

/** Slower than this nothing turns, rpm. */
const STILL_RPM = 1;

/** What was done and what stands on the screen; null where there is no wave. */
export interface Scoped {
  readonly done: Done;
  readonly trace: PracticeTrace | null;
  /** What the microphone took; left out by everything else. */
  readonly sound?: PracticeSound | null;
}

/** Puts an instrument to a place of the unit: what it shows, and the wave on the screen where it is a scope. */
export function measureAt(
  visit: Visit,
  tool: ToolId,
  place: ToolPlace,
  condition: Partial<Condition>,
  seed: number,
): Scoped {
  if (tool === 'pulses') return pulsesAt(visit, place, condition, seed);
  if (tool === 'sound') return { ...soundAt(visit, place, condition, seed), trace: null };
  if (tool === 'stopwatch') return { done: stopwatchAt(visit, place, condition, seed), trace: null };
  if (tool === 'ripple') return rippleAt(visit, place, condition, seed);
  return { done: readAt(visit, tool, place, condition, seed), trace: null };
}

const noiseFor = ({ map, acts }: Visit, seed: number) => gaussian(seeded(seed + 131 * acts + map.family.length));

/** Ripple at a place of the supply, its peaks measured on the wave, its frequency counted on it. */
function rippleAt(visit: Visit, place: ToolPlace, condition: Partial<Condition>, seed: number): Scoped {
  const base = { testId: null, name: say`Scope at ${place.words}`, minutes: SCOPE_MIN, outcome: null, harm: null };
  const wave = visit.on ? visit.unit.trace(place.quantity, condition) : null;
  if (!wave || swingOf(wave) === 0)
    return { done: { ...base, words: say`a flat line`, typed: visit.on ? '0Vpp' : null }, trace: null };
  const trace = noisy(wave, NOISE_PART * swingOf(wave), noiseFor(visit, seed));
  const hz = crossingsHz(wave);
  const said = shown(swingOf(wave), 'Vpp');
  return { done: { ...base, ...said, words: say`${said.words} at ${fixed(hz, 0)}${THIN}Hz` }, trace };
}

/** A pulse a turn of a turning part, with the wow that its drive gives it. */
function pulsesAt(visit: Visit, place: ToolPlace, condition: Partial<Condition>, seed: number): Scoped {
  const base = {
    testId: null,
    name: say`Scope, pulses of ${place.words}`,
    minutes: SCOPE_MIN,
    outcome: null,
    harm: null,
  };
  const rpm = visit.on ? visit.unit.see(place.quantity, condition).mean : 0;
  if (!(rpm > STILL_RPM))
    return { done: { ...base, words: say`a flat line: nothing turns`, typed: null }, trace: null };
  const hz = rpm / 60;
  const lines = toneOf(visit, condition)?.lines ?? [];
  const intervalS = 1 / hz / PULSE.points;
  const volts = new Float64Array(PULSE.points * PULSE.turns);
  let turns = 0;
  volts.forEach((_none, i) => {
    volts[i] = turns % 1 < PULSE.part ? PULSE.volts : 0;
    const wow = lines.reduce((sum, line) => sum + line.percent * Math.sin(2 * Math.PI * line.hz * i * intervalS), 0);
    turns += (1 + wow / 100) / PULSE.points;
  });
  const trace = noisy({ intervalS, volts }, NOISE_PART * PULSE.volts, noiseFor(visit, seed));
  const words = say`pulses of 5${THIN}V, ${Number((1000 / hz).toPrecision(4))}${THIN}ms apart`;
  return { done: { ...base, words, typed: null }, trace };
}

const swingOf = ({ volts }: PracticeTrace): number => {
  let [low, high] = [Infinity, -Infinity];
  for (const one of volts) {
    low = Math.min(low, one);
    high = Math.max(high, one);
  }
  return high - low;
};

const noisy = ({ intervalS, volts }: PracticeTrace, sigma: number, noise: () => number): PracticeTrace => ({
  intervalS,
  volts: volts.map((one) => one + sigma * noise()),
});

/** How often the wave goes up through its middle, hertz. */
function crossingsHz({ intervalS, volts }: PracticeTrace): number {
  const at: number[] = [];
  for (let i = 1; i < volts.length; i++) if ((volts[i - 1] as number) < 0 && (volts[i] as number) >= 0) at.push(i);
  const [first, last] = [at[0], at.at(-1)];
  return first === undefined || last === undefined || last === first
    ? 0
    : (at.length - 1) / ((last - first) * intervalS);
}

/** A hundred turns by eye and stopwatch. */
function stopwatchAt(visit: Visit, place: ToolPlace, condition: Partial<Condition>, seed: number): Done {
  const base = { testId: null, name: say`Stopwatch, ${place.words}`, outcome: null, harm: null };
  const rpm = visit.on ? visit.unit.see(place.quantity, condition).mean : 0;
  if (rpm > MOST_COUNTED_RPM) return { ...base, words: say`too fast to be counted by eye`, typed: null, minutes: 1 };
  if (!(rpm > STILL_RPM)) return { ...base, words: say`nothing turns`, typed: null, minutes: 1 };
  const noise = noiseFor(visit, seed);
  const seconds = (60 * COUNTED_TURNS) / rpm + THUMB_S * (noise() - noise());
  const read = (60 * COUNTED_TURNS) / seconds;
  // Two ends, two standard uncertainties (GUM).
  const expanded = (2 * Math.SQRT2 * THUMB_S * read) / seconds;
  const words = say`${COUNTED_TURNS} turns in ${fixed(seconds, 1)}${THIN}s: ${fixed(read, 2)} ±
    ${fixed(expanded, 2)}${THIN}rpm`;
  return { ...base, words, typed: `${fixed(read, 2)}rpm`, minutes: 1 + seconds / 60 };
}
