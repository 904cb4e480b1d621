/**
 * A simulated unit that is not the engine's own table: its fault is drawn from priors that are off by up
 * to three either way, its uncertain behaviour is drawn anew, its readings carry noise and slips, and
 * some units carry a fault that the family does not know.
 */
import { ownEntry } from '../../quantity/index.js';
import { gaussian, type Random } from '../../numeric/index.js';
import type { Context, PathTest } from '../../families/index.js';
import { observationFrom } from '../caseEvents.js';
import type { TestEntry } from '../caseFile.js';
import type { Engine } from '../engine.js';
import type { World } from '../hypotheses.js';
import { contextIndex, type NumberModel, type NumberRow } from '../model.js';
import type { Observation } from '../observation.js';
import { rowsOf, settle } from '../propagate.js';

/** How the units of a bench are made (chosen; the goals are stated for these). */
export const UNITS = {
  /** Priors are off by a factor of up to this, either way. */
  priorFactor: 3,
  twoFaults: 0.1,
  outside: 0.05,
  /** Relative standard deviation of a reading. */
  noise: 0.02,
} as const;

/** A unit drawn by chance, with its faults. */
export interface Unit {
  /** Modes present, as "block.mode"; a cure takes one out. */
  readonly faults: Set<string>;
  /** Carries a fault that the family does not know. */
  readonly outside: boolean;
  /** Modes that stand for a fault of `faults`, itself first: physics may look like either. Missing: itself alone. */
  readonly alike?: (ref: string) => readonly string[];
  /** What power does to it as it stands, or to whoever touches it; missing where the unit knows no physics. */
  readonly harm?: () => readonly string[];
  /** Reads a test once; the same reading never comes twice alike for certain. */
  read(
    test: PathTest,
    id: string,
  ): { readonly observation: Observation; readonly outcome: string; readonly slip: boolean };
}

/** Draws a unit; `random` goes on from where it stands. */
export function drawUnit(engine: Engine, random: Random): Unit {
  const { model } = engine;
  const off = () => Math.exp((2 * random() - 1) * Math.log(UNITS.priorFactor));
  const weights = model.modes.map((mode) => mode.odds * off());
  const outside = random() < UNITS.outside;
  const faults = new Set<string>();
  if (!outside) {
    const first = draw(weights, random);
    faults.add(model.modes[first]?.ref ?? '');
    if (random() < UNITS.twoFaults) {
      const others = weights.map((weight, m) => (model.modes[m]?.block === model.modes[first]?.block ? 0 : weight));
      faults.add(model.modes[draw(others, random)]?.ref ?? '');
    }
  }
  const choices = drawChoices(model, random, off);
  const strange = outside ? strangeSignals(model, random) : null;
  const noise = gaussian(random);
  const truth = (context: Context) => settledOf(model, faults, choices, strange, context);
  return {
    faults,
    outside,
    read(test, id) {
      const slip = random() >= test.reliability;
      const state = test.marks ? '' : stateSeen(model, test, truth(test.context), random);
      const right = test.marks ? markOf(model, test, faults, random) : answerOf(test, state, faults);
      const index = slip || right < 0 ? slipOf(test, right, random) : right;
      const outcome = test.outcomes[index]?.id ?? '';
      const entry = slip ? null : valueEntry(engine, test, state, noise, random);
      const read = observationFrom(model.path, entry ?? { test: test.id, outcome }, id);
      if (read.kind === 'observation') return { observation: read.observation, outcome, slip };
      const tapped = observationFrom(model.path, { test: test.id, outcome }, id);
      if (tapped.kind !== 'observation') throw new Error(tapped.message);
      return { observation: tapped.observation, outcome, slip };
    },
  };
}

/** Any answer, alike; that a fault is seen which is not there is rarer, as its test says. */
function slipOf(test: PathTest, right: number, random: Random): number {
  const index = Math.floor(random() * test.outcomes.length);
  const sees = test.block !== null && !test.outcomes[index]?.modes.includes('healthy');
  return sees && right >= 0 && random() >= (1 - test.positive) / (1 - test.reliability + 1e-9) ? right : index;
}

/** The mark that one of the faults left, by its chance; none where none did. */
function markOf(model: NumberModel, test: PathTest, faults: ReadonlySet<string>, random: Random): number {
  const left = test.outcomes.findIndex(
    ({ mark }) =>
      mark !== null &&
      [...faults].some((ref) => random() < (ownEntry(model.modes[model.modeOf.get(ref) ?? -1]?.marks, mark) ?? 0)),
  );
  return left >= 0 ? left : test.outcomes.findIndex((one) => one.mark === null);
}

function draw(weights: readonly number[], random: Random): number {
  let left = random() * weights.reduce((sum, one) => sum + one, 0);
  for (let i = 0; i < weights.length; i++) {
    left -= weights[i] as number;
    if (left < 0) return i;
  }
  return weights.length - 1;
}

/** One behaviour for every uncertain row, its chances off like the priors. */
function drawChoices(model: NumberModel, random: Random, off: () => number): World['choices'] {
  const choices = new Map<NumberRow, number>();
  for (const row of model.modes.flatMap((mode) => mode.rows)) {
    if (row.out.kind !== 'choice') continue;
    const at = draw(
      row.out.chances.map((chance) => chance * off()),
      random,
    );
    choices.set(row, row.out.states[at] as number);
  }
  return choices;
}

/** A fault that no family knows: one signal in states of its own, by the condition. */
type Strange = { readonly signal: number; readonly seed: number };

function strangeSignals(model: NumberModel, random: Random): Strange {
  const produced = model.path.blocks.flatMap((block) => block.outputs);
  const id = produced[Math.floor(random() * produced.length)] as string;
  return { signal: model.signalOf.get(id) ?? 0, seed: Math.floor(random() * 2 ** 31) };
}

/** Every state of the signal but the healthy one, by a hash of the condition. */
function strangeState(model: NumberModel, strange: Strange, context: Int8Array, healthy: number): number {
  const states = (model.states[strange.signal]?.length ?? 2) - 1;
  let hash = strange.seed;
  for (const value of context) hash = (Math.imul(hash, 31) + value + 7) >>> 0;
  const other = hash % Math.max(1, states - 1);
  return other >= healthy ? other + 1 : other;
}

function settledOf(
  model: NumberModel,
  faults: ReadonlySet<string>,
  choices: World['choices'],
  strange: Strange | null,
  context: Context,
): Int8Array {
  const index = contextIndex(model, context);
  const rows = rowsOf(
    model,
    [...faults].map((ref) => model.modeOf.get(ref) ?? -1),
  );
  if (!strange) return settle(model, rows, { choices }, index);
  const healthy = settle(model, rows, { choices }, index)[strange.signal] as number;
  rows[strange.signal] = [
    {
      signals: [],
      contexts: [],
      target: strange.signal,
      out: { kind: 'state', state: strangeState(model, strange, index, healthy) },
    },
  ];
  return settle(model, rows, { choices }, index);
}

/** What the signal of the test looks like now: its state, or one of those that the state reads as. */
function stateSeen(model: NumberModel, test: PathTest, states: Int8Array, random: Random): string {
  if (test.signal === null) return '';
  const signal = model.signalOf.get(test.signal) ?? 0;
  const name = model.states[signal]?.[states[signal] as number] ?? '';
  const list = ownEntry(model.path.signals[signal]?.readsAs ?? {}, name);
  return list?.[Math.floor(random() * list.length)] ?? name;
}

function answerOf(test: PathTest, state: string, faults: ReadonlySet<string>): number {
  if (test.signal !== null) return test.outcomes.findIndex((outcome) => outcome.states.includes(state));
  const own = [...faults].find((ref) => ref.startsWith(`${test.block}.`));
  const mode = own?.split('.').slice(1).join('.') ?? 'healthy';
  return test.outcomes.findIndex((outcome) => outcome.modes.includes(mode));
}

/** A value drawn within the state's band, with noise; null where the state has no band of its own. */
function valueEntry(
  engine: Engine,
  test: PathTest,
  state: string,
  noise: () => number,
  random: Random,
): TestEntry | null {
  const { path } = engine.model;
  const index = path.signals.findIndex((one) => one.id === test.signal);
  const measure = path.signals[index]?.measure;
  const band = measure?.bands.find((one) => one.state === state);
  if (!measure || !band) return null;
  const from = band.from ?? 0;
  const to = band.to ?? (from > 0 ? 1.5 * from : 1);
  const value = (from + random() * (to - from)) * (1 + UNITS.noise * noise());
  return { test: test.id, value, unit: measure.unit };
}
