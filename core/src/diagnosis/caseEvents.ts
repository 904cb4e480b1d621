/** Entries of a case, or of a job's log, as what the engine reads. */
import { ownEntry } from '../quantity/index.js';
import { mendOf, turningStates, type DrivePath, type PathTest } from '../families/index.js';
import { problem, type CaseEntry, type CaseProblem, type TestEntry, type TrialEntry } from './caseFile.js';
import { before } from './before.js';
import { modesCured } from './mends.js';
import { healthyStates } from './healthy.js';
import { inUnit, statesOfValue, withBlurred, type Observation, type Saw } from './observation.js';
import type { Event } from './belief.js';
import { readRow } from './row.js';
import { say } from '../words/index.js';
import { NO_CURRENT_A, SPEED_LIMITS, USUAL_RELIABILITY } from './defaults.js';

type Read = { readonly kind: 'observation'; readonly observation: Observation };

/** One answer as an observation of the path. */
export function observationFrom(path: DrivePath, entry: TestEntry, id: string): Read | CaseProblem {
  const test = path.tests.find((one) => one.id === entry.test);
  if (!test)
    return problem(
      'UNKNOWN_TEST',
      say`There is no test “${entry.test}” in this family. Tests: ${path.tests.map((one) => one.id).join(', ')}.`,
    );
  const context = { ...test.context, ...entry.context };
  for (const [key, value] of Object.entries(context)) {
    const known = path.contexts.find((one) => one.id === key);
    if (!known?.values.includes(value))
      return problem('UNKNOWN_CONTEXT', say`${test.id}: there is no ${key} “${value}” in this family.`);
  }
  if (entry.row) {
    const read = readRow(
      test,
      entry.row.map((cell) => (cell === 'open' ? Infinity : withoutLeads(cell, test.row?.unit, entry))),
    );
    if (read.kind === 'unusable') return problem('UNKNOWN_OUTCOME', read.message);
    return observationFrom(path, { ...entry, row: undefined, outcome: read.outcome }, id);
  }
  if (test.limit && entry.value !== undefined && entry.outcome === undefined) {
    const { unit, below, answer, right } = test.limit;
    const value = inUnit(entry.value, entry.unit ?? '', unit);
    if (value === null || !(value >= 0)) return problem('ABSURD_VALUE', say`${test.id} is read in ${unit}.`);
    return observationFrom(path, { test: entry.test, outcome: value < below ? answer : right }, id);
  }
  if (entry.outcome === undefined && entry.unit === '%' && test.signal === path.speed?.signal)
    return speedOf(path, test, entry, context, id);
  const saw = entry.outcome === undefined ? sawValue(path, test, entry) : sawOutcome(path, test, entry.outcome);
  if ('reason' in saw) return saw;
  return { kind: 'observation', observation: observed(test, id, context, saw, entry.outcome) };
}

/** What is left of a reading in Ω without the ohms of the leads, never under nought. */
const withoutLeads = (value: number, unit: string | undefined, { lead_ohms: leads }: TestEntry): number =>
  unit === 'Ω' && leads !== undefined ? Math.max(0, value - leads) : value;

/** An observation with all that its test says of the answer. */
function observed(
  test: PathTest,
  id: string,
  context: Observation['context'],
  saw: Saw,
  outcomeId: string | undefined,
): Observation {
  const outcome = test.outcomes.find((one) => one.id === outcomeId);
  const seesFault = saw.kind === 'block' && !saw.modes.includes('healthy');
  return {
    id,
    test: test.id,
    context,
    reliability: test.reliability,
    saw,
    ...(seesFault ? { pin: test.positive } : {}),
    ...(test.power === 'dead' && !test.marks ? { dead: true } : {}),
    raises: outcome?.raises ?? null,
    // Who finds it wet has not said that nothing is burnt.
    lifts: outcome?.raises ? [] : test.lifts,
  };
}

function sawOutcome(path: DrivePath, test: PathTest, outcome: string): Saw | CaseProblem {
  const found = test.outcomes.find((one) => one.id === outcome);
  if (!found)
    return problem(
      'UNKNOWN_OUTCOME',
      say`${test.id} cannot answer “${outcome}”. Answers: ${test.outcomes.map((one) => one.id).join(', ')}.`,
    );
  if (test.marks) return onlySource(path, found.mark) ?? { kind: 'mark', test: test.id, outcome };
  if (test.signal === null) return { kind: 'block', block: test.block ?? '', modes: found.modes };
  const seen = Object.fromEntries(found.states.map((state) => [state, 1]));
  const signal = path.signals.find((one) => one.id === test.signal);
  return { kind: 'signal', signal: test.signal, weights: withBlurred(signal, seen) };
}

/** Marks that are seen at the part itself: whoever sees a swollen cell has looked at the pack. */
const SEEN_MARKS = ['swollen'];

/** The fault that such a mark shows, where one fault alone leaves it. */
function onlySource(path: DrivePath, mark: string | null): Saw | null {
  if (mark === null || !SEEN_MARKS.includes(mark)) return null;
  const sources = path.blocks.flatMap((block) =>
    block.modes.flatMap((mode) => ((ownEntry(mode.marks, mark) ?? 0) > 0 ? [{ block: block.id, mode }] : [])),
  );
  const [one] = sources;
  return one && sources.length === 1 ? { kind: 'block', block: one.block, modes: [one.mode.id] } : null;
}

function sawValue(path: DrivePath, test: PathTest, entry: TestEntry): Saw | CaseProblem {
  const signal = path.signals.find((one) => one.id === test.signal);
  if (entry.value === undefined || !signal)
    return problem(
      'UNKNOWN_OUTCOME',
      say`${test.id} needs an outcome${signal?.measure ? say` or a value with its unit` : ''}:
        ${test.outcomes.map((one) => one.id).join(', ')}.`,
    );
  const states = statesOfValue(signal, withoutLeads(entry.value, entry.unit, entry), entry.unit ?? '');
  if (states.kind === 'absurd') return problem('ABSURD_VALUE', states.message);
  return { kind: 'signal', signal: signal.id, weights: states.weights };
}

/** A speed error in percent: its side, and its size. */
function speedOf(
  path: DrivePath,
  test: PathTest,
  entry: TestEntry,
  context: Observation['context'],
  id: string,
): Read | CaseProblem {
  const percent = entry.value ?? Number.NaN;
  if (!Number.isFinite(percent) || percent < -100 || percent > 1000)
    return problem('ABSURD_VALUE', say`${test.id}: a speed error is from −100 % (still) upward, in percent.`);
  const signal = path.signals.find((one) => one.id === test.signal);
  const states = signal?.states ?? [];
  const side = percent < 0 ? 'slow' : 'fast';
  const size = Math.abs(percent);
  const wrong = Math.min(1, Math.max(0, (size - SPEED_LIMITS.right) / (SPEED_LIMITS.wrong - SPEED_LIMITS.right)));
  const all: Record<string, number> =
    percent <= SPEED_LIMITS.still ? { still: 1 } : { right: 1 - wrong, [side]: wrong };
  const weights = Object.fromEntries(
    Object.entries(all).filter(([state, weight]) => weight > 0 && states.includes(state)),
  );
  if (Object.keys(weights).length === 0)
    return problem('UNKNOWN_OUTCOME', say`${test.id} cannot say ${side} in this family: name one of its answers.`);
  const saw: Saw = { kind: 'signal', signal: test.signal ?? '', weights: withBlurred(signal, weights) };
  const observation = observed(test, id, context, saw, undefined);
  return { kind: 'observation', observation: { ...observation, ...(wrong > 0 && percent > -98 ? { percent } : {}) } };
}

const HOW: Readonly<Partial<Record<TrialEntry['trial'], string>>> = {
  cooled: 'cold',
  sink: 'cold',
  warmed: 'heat',
  tapped: 'tap',
  'breathed-on': 'breath',
  loaded: 'load',
};

/** Everything that a list of entries tells, in order; ids are their numbers. */
export function eventsFrom(path: DrivePath, entries: readonly CaseEntry[]): { readonly events: Event[] } | CaseProblem {
  const events: Event[] = [];
  for (const [i, entry] of entries.entries()) {
    const read = eventsOf(path, entry, String(i), () => complaintIn(path, events));
    if ('reason' in read) return { ...read, message: say`Observation ${i}: ${read.message}` };
    events.push(...read);
  }
  return { events };
}

function eventsOf(
  path: DrivePath,
  entry: CaseEntry,
  id: string,
  complaint: () => readonly Observation[],
): Event[] | CaseProblem {
  if ('test' in entry) {
    const read = observationFrom(path, entry, id);
    return read.kind === 'unusable' ? read : [{ kind: 'saw', observation: read.observation }];
  }
  if ('work' in entry) {
    const touched = typeof entry.work === 'string' ? [entry.work] : entry.work;
    const strange = touched.find((one) => !path.blocks.some((block) => block.id === one));
    return strange === undefined ? [{ kind: 'epoch', mended: [], touched }] : unknownPart(path, strange);
  }
  if ('mend' in entry) return mendEvents(path, entry.mend, entry.result, id, complaint());
  return trialEvents(path, entry, id, complaint());
}

const unknownPart = (path: DrivePath, part: string): CaseProblem =>
  problem(
    'UNKNOWN_PART',
    say`There is no part “${part}” in this family. Parts: ${path.blocks.map((one) => one.id).join(', ')}.`,
  );

/** What was wrong to see in this epoch: readings of signals, not probed, that a sound unit would not give. */
export function complaintIn(path: DrivePath, events: readonly Event[]): Observation[] {
  const from = events.findLastIndex((event) => event.kind === 'epoch') + 1;
  const watched = new Set(path.tests.filter((test) => test.signal !== null && !test.probe).map((test) => test.id));
  const wrong = (one: Observation) => {
    if (one.saw.kind !== 'signal' || (one.test !== undefined && !watched.has(one.test))) return false;
    const healthy = healthyStates(path, one.context).get(one.saw.signal) ?? '';
    return (ownEntry(one.saw.weights, healthy) ?? 0) < 0.5;
  };
  return events
    .slice(from)
    .flatMap((event) => (event.kind === 'saw' && wrong(event.observation) ? [event.observation] : []));
}

/** The complaint again after work, or gone. */
function afterwards(path: DrivePath, complaint: readonly Observation[], result: string, id: string): Event[] {
  return complaint.map(({ percent: _percent, raises: _raises, lifts: _lifts, ...one }, i) => {
    const gone = one.saw.kind === 'signal' ? (healthyStates(path, one.context).get(one.saw.signal) ?? '') : '';
    const saw: Saw = result === 'cured' && one.saw.kind === 'signal' ? { ...one.saw, weights: { [gone]: 1 } } : one.saw;
    return { kind: 'saw', observation: { ...one, id: `${id}.${i}`, saw } };
  });
}

function mendEvents(
  path: DrivePath,
  mend: string,
  result: string | undefined,
  id: string,
  complaint: readonly Observation[],
): Event[] | CaseProblem {
  const repair = mendOf(path, mend);
  if (!repair)
    return problem(
      'UNKNOWN_MEND',
      say`There is no mend “${mend}” in this family. Mends:
        ${[...path.repairs, ...path.ways].map((one) => one.id).join(', ')}.`,
    );
  if (result === 'helped') {
    const blocks = [...new Set(repair.cures.map((ref) => ref.split('.')[0] ?? ''))];
    return [provoked(id, blocks, null, true)];
  }
  const mended = modesCured(path, repair.cures).map((mode) => ({ mode, residual: repair.residual }));
  const touched = [...new Set(repair.cures.map((ref) => ref.split('.')[0] ?? ''))];
  const epoch: Event = { kind: 'epoch', mended, touched };
  // Better is not well: what was wrong is still wrong, less of it.
  const again = result !== undefined;
  return [epoch, ...(again ? afterwards(path, complaint, result, id) : [])];
}

const provoked = (id: string, blocks: readonly string[], how: string | null, changed: boolean): Event => ({
  kind: 'saw',
  observation: { id, context: {}, reliability: USUAL_RELIABILITY, saw: { kind: 'provoked', blocks, how, changed } },
});

/** What a trial at a part tells of what was wrong before it. */
export function trialEvents(
  path: DrivePath,
  entry: TrialEntry,
  id: string,
  complaint: readonly Observation[],
): Event[] | CaseProblem {
  const block = path.blocks.find((one) => one.id === entry.part);
  if (!block) return unknownPart(path, entry.part);
  const { trial, result } = entry;
  const how = ownEntry(HOW, trial);
  if (how !== undefined) {
    const state = result === 'helped' && trial !== 'sink' ? null : how;
    return [provoked(id, [entry.part], state, result !== 'no-change' && result !== 'nothing')];
  }
  if (trial === 'fed-direct') return fedDirect(path, block, entry, id);
  if (result === 'helped' || result === 'changed' || result === 'better')
    return [provoked(id, [entry.part], null, true)];
  if (complaint.length === 0)
    return problem(
      'UNKNOWN_OUTCOME',
      say`${trial} ${entry.part}: say first what was wrong, then whether this cured it.`,
    );
  return afterwards(path, complaint, result === 'turns' ? 'cured' : result, id).flatMap((event) =>
    event.kind === 'saw' && event.observation.saw.kind === 'signal'
      ? [{ ...event, observation: tried(event.observation, event.observation.saw, [entry.part]) }]
      : [],
  );
}

const tried = (
  { test: _test, pin: _pin, dead: _dead, ...observation }: Observation,
  saw: Extract<Saw, { kind: 'signal' }>,
  sound: readonly string[],
): Observation => ({ ...observation, saw: { ...saw, kind: 'tried', sound } });

/** Fed past all that stands before it: what is left is the part itself and what hangs on it. */
function fedDirect(
  path: DrivePath,
  block: DrivePath['blocks'][number],
  { result, amps, at_limit: atLimit }: TrialEntry,
  id: string,
): Event[] | CaseProblem {
  const signal = path.signals.find((one) => block.outputs.includes(one.id) && one.states.includes('still'));
  if (!signal) return problem('UNKNOWN_PART', say`${block.name} does not turn: feed the motor itself.`);
  const { turns, stirs } = turningStates(signal);
  const states =
    result === 'nothing' || result === 'no-change' ? ['still'] : result === 'hums' ? [...stirs, 'still'] : turns;
  const observation: Observation = {
    id,
    context: {},
    reliability: USUAL_RELIABILITY,
    saw: {
      kind: 'tried',
      signal: signal.id,
      weights: Object.fromEntries(states.map((state) => [state, 1])),
      sound: before(path, block),
    },
  };
  const mark = atLimit ? 'much-current' : amps !== undefined && amps < NO_CURRENT_A ? 'no-current' : null;
  const left: Event[] =
    mark === null
      ? []
      : [
          {
            kind: 'saw',
            observation: { id: `${id}.a`, context: {}, reliability: USUAL_RELIABILITY, saw: { kind: 'left', mark } },
          },
        ];
  return [{ kind: 'saw', observation }, ...left];
}
