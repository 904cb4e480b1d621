/**
 * The log as observations of the drive path: answers of tests, speeds as found and as left, readings at
 * places the path knows. Nothing measured in one stage is asked again in another.
 */
import { ownEntry } from '../../quantity/index.js';
import {
  complaintIn,
  curedBy,
  observationFrom,
  statesOfValue,
  trialEvents,
  USUAL_RELIABILITY,
  withBlurred,
  type Event,
  type Observation,
  type Situation,
  type ValueStates,
} from '../../diagnosis/index.js';
import { fitPath, PATHS, turningStates, type DrivePath, type ModelSheet } from '../../families/index.js';
import { judge } from '../../speed/index.js';
import { lineWords } from '../describe.js';
import { atPitchRest } from '../pitch.js';
import { isLive, type BenchEvent, type PowerState, type ReadingBody, type SpeedBody } from '../event.js';
import { jobTolerance, type JobFacts } from '../job.js';
import { stepsOff, type Ledger } from '../ledger/index.js';
import { withHealthy, type HealthyValues } from './healthy.js';
import { provokedKeys } from '../prove/trial.js';
import { signalAt } from './places.js';

import { wordsIn } from './named.js';
import { putBackFirst } from './putBack.js';

/** What the engine is to be told, and what could not be told it. */
export interface FindEvidence {
  readonly events: readonly Event[];
  readonly situation: Situation;
  /** Readings that cannot be, with what to do, by key of their line. */
  readonly problems: readonly { readonly key: string; readonly message: string }[];
  /** The last mend in words: what was seen before it speaks of the unit as it was. Null before any. */
  readonly since: string | null;
  /** The line of each observation in words. */
  readonly words: ReadonlyMap<string, string>;
}

/** The path of a job's family, or null when it has none yet. */
export const pathOf = (job: Pick<JobFacts, 'familyId'>): DrivePath | null => PATHS.get(job.familyId) ?? null;

/** The newest values of the present epoch by signal, read at the places of the path as fitted. */
export function valuesIn(
  path: DrivePath,
  lines: readonly BenchEvent[],
  places: ReadonlyMap<string, string>,
): Map<string, number> {
  const values = new Map<string, number>();
  for (const { key, body } of lines) {
    if (body.kind === 'answer' && body.value !== null) {
      const signal = path.tests.find((test) => test.id === body.testId)?.signal;
      if (signal) values.set(signal, body.value);
    }
    if (body.kind !== 'reading' || body.bound !== 'exact') continue;
    const signal = signalAt(path, body, body.place ?? places.get(key) ?? null);
    const value = body.values[0];
    if (signal && value !== undefined) values.set(signal.id, value);
  }
  return values;
}

/** The path with this bench's healthy values, fitted to the model's sheet, with what was read so far; the sheet's bands come first. */
export function fittedPath(
  path: DrivePath,
  sheet: ModelSheet,
  lines: readonly BenchEvent[],
  places: ReadonlyMap<string, string>,
  healthy: HealthyValues = {},
): DrivePath {
  const known = withHealthy(path, healthy);
  const named = fitPath(known, { ...sheet, bands: {} }, new Map());
  return fitPath(known, sheet, valuesIn(named, lines, places));
}

/** Where the log was read and what it leads to: the engine's events as they grow, line by line. */
class EvidenceReader {
  readonly events: Event[] = [];
  readonly problems: { key: string; message: string }[] = [];
  readonly words = new Map<string, string>();
  readonly unreachable = new Set<string>();
  readonly mended = new Map<string, number>();
  /** Seen since the last work. */
  seen: Observation[] = [];
  since: string | null = null;

  constructor(
    private readonly job: JobFacts,
    private readonly path: DrivePath,
    private readonly lines: readonly BenchEvent[],
    private readonly places: ReadonlyMap<string, string>,
  ) {}

  read({ key, body }: BenchEvent): void {
    const { path } = this;
    switch (body.kind) {
      case 'answer':
        return this.answered(key, body);
      case 'speed':
        if (!atPitchRest(body)) return;
        return this.saw(key, speedObservation(this.job, path, key, body), body);
      case 'reading': {
        const read = readingObservation(path, key, body, body.place ?? this.places.get(key) ?? null);
        if (typeof read === 'string') this.problems.push({ key, message: read });
        else this.saw(key, read, body);
        return;
      }
      case 'unreachable':
        this.unreachable.add(body.testId);
        return;
      case 'tried':
        return this.tried(key, body);
      case 'suspect':
        this.events.push({ kind: 'hand', block: body.block, verdict: body.verdict });
        return;
      case 'mended':
        this.mended.set(body.repairId, (this.mended.get(body.repairId) ?? 0) + 1);
        return this.worked(curedBy(path, body.repairId), curedBlocks(path, body.repairId));
      case 'work':
        this.since = this.wordsOf(body);
        return this.worked([], body.blocks ?? []);
    }
  }

  private wordsOf(body: BenchEvent['body']): string {
    return lineWords(body, (key) => this.lines.find((line) => line.key === key)?.body);
  }

  private saw(key: string, observation: Observation | null, body: BenchEvent['body']): void {
    if (!observation) return;
    this.events.push({ kind: 'saw', observation });
    this.seen.push(observation);
    this.words.set(key, this.wordsOf(body));
  }

  private answered(key: string, body: Extract<BenchEvent['body'], { kind: 'answer' }>): void {
    const entry = {
      test: body.testId,
      ...(body.outcome !== null ? { outcome: body.outcome } : {}),
      ...(body.value !== null ? { value: body.value, unit: body.unit ?? '' } : {}),
    };
    const read = observationFrom(this.path, entry, key);
    if (read.kind === 'unusable') this.problems.push({ key, message: read.message });
    else this.saw(key, read.observation, body);
  }

  private tried(key: string, body: Extract<BenchEvent['body'], { kind: 'tried' }>): void {
    const entry = { trial: body.trial, part: body.block, result: body.result, amps: body.amps ?? undefined };
    const read = trialEvents(this.path, entry, key, complaintIn(this.path, this.events));
    if ('reason' in read) this.problems.push({ key, message: read.message });
    else this.events.push(...read);
    this.words.set(key, this.wordsOf(body));
  }

  /** After work what was seen before holds no more. */
  private worked(mended: ReturnType<typeof curedBy>, touched: readonly string[]): void {
    this.events.push({ kind: 'epoch', mended, touched: [...touched] });
    this.seen = [];
  }
}

/** Turns standing lines, in order, into what the engine reads. */
export function findEvidence(
  job: JobFacts,
  path: DrivePath,
  lines: readonly BenchEvent[],
  state: { readonly ledger: Ledger; readonly power: PowerState; readonly places: ReadonlyMap<string, string> },
): FindEvidence {
  const reader = new EvidenceReader(job, path, lines, state.places);
  const provoked = provokedKeys(lines);
  for (const line of lines) if (!provoked.has(line.key)) reader.read(line);
  const { events, problems, since, words, unreachable, mended } = reader;
  return {
    events,
    problems,
    since,
    words,
    situation: {
      ...situationOf(path, state),
      done: doneIn(path, reader.seen),
      unreachable,
      mended,
      putBack: putBackFirst(job, path, state.ledger),
    },
  };
}

const curedBlocks = (path: DrivePath, repairId: string): string[] => [
  ...new Set(curedBy(path, repairId).map(({ mode }) => mode.split('.')[0] ?? '')),
];

/** Do the words of `part` stand in `text` one after another? */
const says = (text: string, part: string): boolean =>
  ` ${wordsIn(text).join(' ')} `.includes(` ${wordsIn(part).join(' ')} `);

/** Tests whose question has been answered, by whatever asked it. */
function doneIn(path: DrivePath, seen: readonly Observation[]): Set<string> {
  const same = (test: DrivePath['tests'][number], one: Observation) =>
    asks(test, one) &&
    path.contexts.every(
      ({ id, values }) => (ownEntry(one.context, id) ?? values[0]) === (ownEntry(test.context, id) ?? values[0]),
    );
  return new Set(path.tests.filter((test) => seen.some((one) => same(test, one))).map((test) => test.id));
}

/** Whether what was seen is what the test asks for. */
function asks(test: DrivePath['tests'][number], { saw }: Observation): boolean {
  if (saw.kind === 'signal') return saw.signal === test.signal;
  if (saw.kind === 'block') return saw.block === test.block;
  return saw.kind === 'mark' && saw.test === test.id;
}

function situationOf(
  path: DrivePath,
  { ledger, power }: { readonly ledger: Ledger; readonly power: PowerState },
): Pick<Situation, 'level' | 'power'> {
  const off = stepsOff(ledger).map((step) => `${step.step.what} ${step.step.text}`);
  const reached = path.levels.findLast((level) => level.steps.some((word) => off.some((text) => says(text, word))));
  return { level: (reached ?? path.levels[0])?.id ?? '', power: isLive(power) ? 'live' : 'dead' };
}

function speedObservation(job: JobFacts, path: DrivePath, key: string, speed: SpeedBody): Observation | null {
  const link = path.speed;
  if (!link) return null;
  const value = ownEntry(link.speedValues, speed.speedId) ?? speed.speedId;
  const context = {
    ...(link.speedKey && known(path, link.speedKey, value) ? { [link.speedKey]: value } : {}),
    ...(link.heatKey && speed.condition ? { [link.heatKey]: speed.condition } : {}),
  };
  const said = speedWeights(job, speed) ?? merelyTurned(path, link.signal);
  const weights = withBlurred(
    path.signals.find((one) => one.id === link.signal),
    said,
  );
  const size = (weights.right ?? 0) < 1 && speed.turned && speed.errorPercent ? { percent: speed.errorPercent } : {};
  return {
    id: key,
    context,
    reliability: USUAL_RELIABILITY,
    ...size,
    saw: { kind: 'signal', signal: link.signal, weights },
  };
}

const known = (path: DrivePath, key: string, value: string): boolean =>
  path.contexts.find((context) => context.id === key)?.values.includes(value) ?? false;

/** Where there is no nominal speed, turning says that it does not stand still, and nothing more. */
function merelyTurned(path: DrivePath, signalId: string): Record<string, number> {
  const signal = path.signals.find((one) => one.id === signalId);
  return Object.fromEntries(turningStates(signal ?? { states: [] }).turns.map((state) => [state, 1]));
}

/** Near the edge of the tolerance a speed counts half for right and half for its side. */
function speedWeights(job: JobFacts, speed: SpeedBody): Record<string, number> | null {
  if (!speed.turned) return { still: 1 };
  if (speed.errorPercent === null) return null;
  const verdict = judge(speed.errorPercent, speed.expandedPercent, jobTolerance(job));
  const side = speed.errorPercent < 0 ? 'slow' : 'fast';
  if (verdict.kind === 'right') return { right: 1 };
  return verdict.kind === 'not-right' ? { [verdict.side]: 1 } : { right: 0.5, [side]: 0.5 };
}

/** A reading that moves between two ends counts for the states along its way, each alike. */
function statesOfRange(signal: DrivePath['signals'][number], ends: readonly number[], unit: string): ValueStates {
  const [low, high = low] = ends as readonly [number, number?];
  const steps = high === low ? [low] : [low, (3 * low + high) / 4, (low + high) / 2, (low + 3 * high) / 4, high];
  const weights: Record<string, number> = {};
  for (const value of steps) {
    const states = statesOfValue(signal, value, unit);
    if (states.kind === 'absurd') return states;
    for (const [state, weight] of Object.entries(states.weights))
      weights[state] = (ownEntry(weights, state) ?? 0) + weight / steps.length;
  }
  return { kind: 'states', weights };
}

/** A reading at a place is no complaint: nobody brings a unit in for its volts. */
const PROBED = 'probed';

/** Null when the place is none the path measures at; words when the value cannot be. */
function readingObservation(
  path: DrivePath,
  key: string,
  body: ReadingBody,
  place: string | null,
): Observation | string | null {
  const value = body.values[0];
  if (place === null || value === undefined || (body.bound !== 'exact' && body.bound !== 'between')) return null;
  const signal = signalAt(path, body, place);
  if (!signal) return null;
  const states = statesOfRange(signal, body.bound === 'between' ? body.values : [value], body.unit ?? '');
  if (states.kind === 'absurd') return states.message;
  const context = {
    ...(body.speedId && known(path, 'speed', body.speedId) ? { speed: body.speedId } : {}),
    ...(body.condition && known(path, 'heat', body.condition) ? { heat: body.condition } : {}),
  };
  return {
    id: key,
    test: PROBED,
    context,
    reliability: USUAL_RELIABILITY,
    saw: { kind: 'signal', signal: signal.id, weights: states.weights },
  };
}
