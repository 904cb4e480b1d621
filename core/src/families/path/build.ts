/** Short ways to write a path's data; what comes out is plain data, validated like any other. */
import type {
  PathBlock,
  PathCause,
  PathMode,
  PathOutcome,
  PathRepair,
  PathRow,
  PathSignal,
  PathTest,
} from './schema.js';
import { SEEN_CHANCE } from '../defaults.js';

export const row = (when: PathRow['when'], out: PathRow['out']): PathRow => ({ when, out });

export const signal = (
  id: string,
  name: string,
  states: readonly string[],
  rest: string,
  measure: PathSignal['measure'] = null,
  readsAs: PathSignal['readsAs'] = {},
): PathSignal => ({ id, name, states: [...states], rest, measure, readsAs, takes: false });

/** What a part further on takes from the one that drives it: "free", "drags". The first state is that of a sound one. */
export const taken = (id: string, name: string, states: readonly string[]): PathSignal => ({
  ...signal(id, name, states, states[0] ?? ''),
  takes: true,
});

/** Bands as "state from to", open ends as *; the numbers are common practice unless another origin is given. */
export const measure = (
  place: string,
  unit: string,
  origin: string,
  ...bands: readonly string[]
): PathSignal['measure'] => ({
  place,
  unit,
  bands: bands.map((band) => {
    const [state, from, to] = band.split(' ') as [string, string, string];
    return { state, from: from === '*' ? null : Number(from), to: to === '*' ? null : Number(to) };
  }),
  rated: null,
  origin: { kind: 'practice', text: origin },
});

/** The same, read as alternating volts or off a trace. */
export const readBy = (by: 'volts-ac' | 'scope', of: PathSignal['measure']): PathSignal['measure'] =>
  of === null ? null : { ...of, by };

/** The same with bands written for a unit of so many rated volts. */
export const ratedAt = (volts: number, of: PathSignal['measure']): PathSignal['measure'] =>
  of === null ? null : { ...of, rated: volts };

/** Of the units with this victim, such a share has this cause: ("inverter.shorted", "contact.fuse", 0.8). */
export const cause = (causeRef: string, victim: string, share: number): PathCause => ({
  cause: causeRef,
  victim,
  share,
});

type ModeMore = Partial<Pick<PathMode, 'byWork' | 'bans' | 'marks' | 'sizes' | 'provoked'>>;

export const mode = (
  id: string,
  name: string,
  prior: number,
  rows: readonly PathRow[],
  more: ModeMore = {},
): PathMode => ({
  id,
  name,
  prior,
  rows: [...rows],
  byWork: more.byWork ?? false,
  bans: more.bans ?? null,
  marks: more.marks ?? {},
  sizes: more.sizes ?? null,
  provoked: more.provoked ?? [],
});

export const block = (
  id: string,
  name: string,
  lane: PathBlock['lane'],
  inputs: readonly string[],
  outputs: readonly string[],
  healthy: readonly PathRow[],
  modes: readonly PathMode[],
): PathBlock => ({
  id,
  name,
  lane,
  inputs: [...inputs],
  outputs: [...outputs],
  healthy: [...healthy],
  modes: [...modes],
});

/**
 * An answer "lit: lit" reads "lit" and stands for the state lit; "still|does not turn: still" has the id
 * still and reads "does not turn". Without an id one is made from the words.
 */
const outcome = (text: string, of: 'states' | 'modes'): PathOutcome => {
  const [head, tail] = text.split(': ') as [string, string];
  const list = tail.split(', ');
  const [id, words] = head.includes('|') ? (head.split('|') as [string, string]) : [slug(head), head];
  return {
    id,
    words,
    states: of === 'states' ? list : [],
    modes: of === 'modes' ? list : [],
    mark: null,
    raises: null,
  };
};

const slug = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

type TestMore = Partial<
  Pick<
    PathTest,
    | 'context'
    | 'level'
    | 'power'
    | 'probe'
    | 'handsMin'
    | 'waitMin'
    | 'riskMin'
    | 'money'
    | 'cautions'
    | 'opens'
    | 'after'
    | 'lifts'
    | 'positive'
    | 'reliability'
    | 'outside'
    | 'row'
    | 'limit'
  >
>;

const test = (
  id: string,
  name: string,
  how: string,
  of: 'states' | 'modes',
  what: string,
  answers: readonly string[],
  more: TestMore,
): PathTest => ({
  id,
  name,
  how,
  signal: of === 'states' ? what : null,
  block: of === 'modes' ? what : null,
  marks: false,
  context: more.context ?? {},
  outcomes: answers.map((answer) => outcome(answer, of)),
  level: more.level ?? 'outside',
  power: more.power ?? 'dead',
  handsMin: more.handsMin ?? 2,
  waitMin: more.waitMin ?? 0,
  money: more.money ?? 0,
  probe: more.probe ?? false,
  riskMin: more.riskMin ?? (more.probe ? 2 : 0),
  cautions: more.cautions ?? [],
  opens: more.opens ?? [],
  after: more.after ?? [],
  lifts: more.lifts ?? [],
  positive: more.positive ?? SEEN_CHANCE,
  reliability: more.reliability ?? 0.97,
  outside: more.outside ?? false,
  row: more.row ?? null,
  limit: more.limit ?? null,
});

/** Every joint of a line, or every contact, in ohms: up to `most` it is through. */
export const joints = (labels: readonly string[], most: number, open: string, right: string): PathTest['row'] => ({
  labels: [...labels],
  unit: 'Ω',
  low: null,
  open: { above: most, answer: open },
  apart: null,
  right,
});

/** Windings or legs that must read alike. */
export const alike = (
  labels: readonly string[],
  unit: string,
  limits: { readonly low?: [number, string]; readonly open?: [number, string]; readonly apart?: [number, string] },
  right: string,
): PathTest['row'] => ({
  labels: [...labels],
  unit,
  low: limits.low ? { below: limits.low[0], answer: limits.low[1] } : null,
  open: limits.open ? { above: limits.open[0], answer: limits.open[1] } : null,
  apart: limits.apart ? { over: limits.apart[0], answer: limits.apart[1] } : null,
  right,
});

/** A reading or a look at a signal. */
export const reads = (
  id: string,
  name: string,
  how: string,
  signalId: string,
  answers: readonly string[],
  more: TestMore = {},
): PathTest => test(id, name, how, 'states', signalId, answers, more);

/** A direct look at a part. */
export const looks = (
  id: string,
  name: string,
  how: string,
  blockId: string,
  answers: readonly string[],
  more: TestMore = {},
): PathTest => test(id, name, how, 'modes', blockId, answers, more);

/**
 * A question about marks: "smells burnt: burnt" tells of the mark burnt, "smells burnt: burnt !burnt"
 * raises the ban of that name as well; an answer without a mark says that there is none.
 */
export const asks = (
  id: string,
  name: string,
  how: string,
  answers: readonly string[],
  more: TestMore = {},
): PathTest => ({
  ...test(id, name, how, 'states', '', [], more),
  signal: null,
  marks: true,
  outcomes: answers.map((answer) => {
    const [words, tail = ''] = answer.split(': ') as [string, string?];
    const [mark = '', raises] = tail.split(' !');
    return { id: slug(words), words, states: [], modes: [], mark: mark === '' ? null : mark, raises: raises ?? null };
  }),
});

type RepairMore = Partial<
  Pick<
    PathRepair,
    | 'waitMin'
    | 'money'
    | 'residual'
    | 'power'
    | 'leaves'
    | 'school'
    | 'loses'
    | 'risks'
    | 'way'
    | 'retrim'
    | 'days'
    | 'gone'
  >
>;

export const repair = (
  id: string,
  name: string,
  cures: readonly string[],
  handsMin: number,
  level: string,
  more: RepairMore = {},
): PathRepair => ({
  id,
  name,
  cures: [...cures],
  handsMin,
  waitMin: more.waitMin ?? 0,
  money: more.money ?? 0,
  level,
  residual: more.residual ?? 0.05,
  power: more.power ?? 'dead',
  leaves: more.leaves ?? null,
  loses: more.loses ?? null,
  risks: more.risks ?? null,
  retrim: more.retrim ?? false,
  gone: more.gone ?? [],
  ...(more.school ? { school: more.school } : {}),
  ...(more.way ? { way: more.way } : {}),
  ...(more.days ? { days: more.days } : {}),
});
