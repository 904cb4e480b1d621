/** A drive path turned into numbers: states, rows and modes by index. */
import { ownEntry } from '../quantity/index.js';
import { CoreError } from '../errors.js';
import type { Context, DrivePath, PathBlock, PathRow } from '../families/index.js';
import { say } from '../words/index.js';
import { PRIOR_UNITS } from './defaults.js';

/** A row with its conditions as bit sets; bit n is state n, the highest state is hunting. */
export interface NumberRow {
  readonly signals: readonly { readonly signal: number; readonly mask: number }[];
  readonly contexts: readonly { readonly key: number; readonly mask: number }[];
  /** The signal it decides, and how: a state, the state of another signal, or a choice. */
  readonly target: number;
  readonly out:
    | { readonly kind: 'state'; readonly state: number }
    | { readonly kind: 'same'; readonly signal: number; readonly states: Int8Array }
    | { readonly kind: 'choice'; readonly states: readonly number[]; readonly chances: readonly number[] };
}

interface NumberMode {
  /** "block.mode". */
  readonly ref: string;
  readonly block: number;
  readonly name: string;
  readonly odds: number;
  readonly byWork: boolean;
  /** Id of the ban while it may be so. */
  readonly bans: string | null;
  readonly marks: Readonly<Record<string, number>>;
  readonly sizes: readonly [number, number] | null;
  readonly provoked: readonly string[];
  readonly rows: readonly NumberRow[];
}

/** The path with ids turned into numbers. */
export interface NumberModel {
  readonly path: DrivePath;
  readonly signalOf: ReadonlyMap<string, number>;
  readonly blockOf: ReadonlyMap<string, number>;
  readonly modeOf: ReadonlyMap<string, number>;
  /** State names by signal; the last is "hunting". */
  readonly states: readonly (readonly string[])[];
  readonly rest: Int8Array;
  readonly healthy: readonly (readonly NumberRow[])[];
  readonly modes: readonly NumberMode[];
  readonly causes: readonly Cause[];
  readonly contextKeys: readonly string[];
  readonly contextValues: readonly (readonly string[])[];
}

/** The victim, where found, has the cause beside it in this share of units; modes by index. */
interface Cause {
  readonly cause: number;
  readonly victim: number;
  readonly share: number;
}

/** A signal that a loop never lets settle. */
export const HUNTING = 'hunting';

/** What a bench has confirmed: how often each mode, over how many units. */
export interface Confirmed {
  readonly units: number;
  readonly modes: Readonly<Record<string, number>>;
}

/** Confirmed faults of the family's other models, then of this model. */
export interface Knowledge {
  readonly family: Confirmed;
  readonly model: Confirmed;
}

/** A bench that has seen nothing. */
export const NO_KNOWLEDGE: Knowledge = { family: { units: 0, modes: {} }, model: { units: 0, modes: {} } };

/** A prior moved by confirmed faults: 2 of 10 units move 0.05 to 0.1. */
export const movedPrior = (prior: number, ref: string, confirmed: Confirmed): number =>
  (prior * PRIOR_UNITS + (ownEntry(confirmed.modes, ref) ?? 0)) / (PRIOR_UNITS + confirmed.units);

/** The family's prior moved by what the bench saw of the family, then by what it saw of the model. */
const knownPrior = (prior: number, ref: string, { family, model }: Knowledge): number =>
  movedPrior(movedPrior(prior, ref, family), ref, model);

/** @throws CoreError UNKNOWN_ID when a row, signal or mode names what the path does not have. */
export function numberModel(path: DrivePath, knowledge: Knowledge = NO_KNOWLEDGE): NumberModel {
  const signalOf = new Map(path.signals.map((signal, i) => [signal.id, i]));
  const states = path.signals.map((signal) => [...signal.states, HUNTING]);
  const contextKeys = path.contexts.map((context) => context.id);
  const contextValues = path.contexts.map((context) => context.values);
  const reader = new RowReader(signalOf, states, contextKeys, contextValues);
  const modes = path.blocks.flatMap((block, b) =>
    block.modes.map((mode) => ({
      ref: `${block.id}.${mode.id}`,
      block: b,
      name: mode.name,
      odds: oddsOf(knownPrior(mode.prior, `${block.id}.${mode.id}`, knowledge)),
      byWork: mode.byWork,
      bans: mode.bans,
      marks: mode.marks,
      sizes: mode.sizes,
      provoked: mode.provoked,
      rows: mode.rows.flatMap((row) => reader.read(block, row)),
    })),
  );
  const modeOf = new Map(modes.map((mode, i) => [mode.ref, i]));
  return {
    path,
    signalOf,
    blockOf: new Map(path.blocks.map((block, i) => [block.id, i])),
    modeOf,
    states,
    rest: Int8Array.from(path.signals, (signal, i) => indexIn(states[i] as string[], signal.rest, signal.id)),
    healthy: path.blocks.map((block) => block.healthy.flatMap((row) => reader.read(block, row))),
    modes,
    causes: path.causes.flatMap(({ cause, victim, share }) => {
      const [c, v] = [modeOf.get(cause), modeOf.get(victim)];
      return c === undefined || v === undefined ? [] : [{ cause: c, victim: v, share }];
    }),
    contextKeys,
    contextValues,
  };
}

const oddsOf = (chance: number): number => chance / (1 - chance);

function indexIn(list: readonly string[], word: string, where: string): number {
  const index = list.indexOf(word);
  if (index < 0) throw new CoreError('UNKNOWN_ID', `${where} has no state ${word}`, { id: word });
  return index;
}

class RowReader {
  constructor(
    private readonly signalOf: ReadonlyMap<string, number>,
    private readonly states: readonly (readonly string[])[],
    private readonly contextKeys: readonly string[],
    private readonly contextValues: readonly (readonly string[])[],
  ) {}

  /** One number row for each signal that the row decides. */
  read(block: PathBlock, row: PathRow): NumberRow[] {
    const signals: { signal: number; mask: number }[] = [];
    const contexts: { key: number; mask: number }[] = [];
    for (const [name, wanted] of Object.entries(row.when)) {
      const list = Array.isArray(wanted) ? wanted : [wanted];
      if (name.startsWith('@')) {
        const key = indexIn(this.contextKeys, name.slice(1), block.id);
        contexts.push({ key, mask: maskOf(list, this.contextValues[key] as string[], name) });
      } else {
        const signal = this.signal(name, block.id);
        signals.push({ signal, mask: maskOf(list, this.states[signal] as string[], name) });
      }
    }
    return Object.entries(row.out).map(([name, out]) => {
      const target = this.signal(name, block.id);
      return { signals, contexts, target, out: this.out(target, out, block.id) };
    });
  }

  private out(target: number, out: PathRow['out'][string], where: string): NumberRow['out'] {
    const own = this.states[target] as string[];
    if (typeof out !== 'string') {
      const entries = Object.entries(out);
      const total = entries.reduce((sum, [, chance]) => sum + chance, 0);
      return {
        kind: 'choice',
        states: entries.map(([state]) => indexIn(own, state, where)),
        chances: entries.map(([, chance]) => chance / total),
      };
    }
    if (!out.startsWith('=')) return { kind: 'state', state: indexIn(own, out, where) };
    const signal = this.signal(out.slice(1), where);
    // A state that the other signal alone knows is left to the rows that follow.
    const states = Int8Array.from(this.states[signal] as string[], (state) => own.indexOf(state));
    return { kind: 'same', signal, states };
  }

  private signal(name: string, where: string): number {
    const index = this.signalOf.get(name);
    if (index === undefined)
      throw new CoreError('UNKNOWN_ID', `${where} names an unknown signal ${name}`, { id: name });
    return index;
  }
}

const maskOf = (list: readonly string[], all: readonly string[], where: string): number =>
  list.reduce((mask, word) => mask | (1 << indexIn(all, word, where)), 0);

/** Index of each context key's value. @throws CoreError UNKNOWN_ID for a key or value that the path does not have. */
export function contextIndex(model: NumberModel, context: Context): Int8Array {
  const out = new Int8Array(model.contextKeys.length);
  for (const [key, value] of Object.entries(context)) {
    const k = indexIn(model.contextKeys, key, say`the context`);
    out[k] = indexIn(model.contextValues[k] as string[], value, key);
  }
  return out;
}
