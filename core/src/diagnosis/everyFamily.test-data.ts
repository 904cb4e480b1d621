/** Engines of the families made ready once, and cases solved, for the tests that go over all of them. */
import { PATHS, type DrivePath } from '../families/index.js';
import type { Random } from '../numeric/index.js';
import {
  engineOf,
  eventsFrom,
  readCase,
  solveCase,
  type CaseAnswer,
  type CaseEntry,
  type CaseProblem,
  type Engine,
  type Event,
} from './index.js';

const engines = new Map<string, Engine>();

/** The engine of a family. */
export function ready(id: string): Engine {
  const known = engines.get(id) ?? engineOf(PATHS.get(id) as DrivePath);
  engines.set(id, known);
  return known;
}

export const pick = <T>(list: readonly T[], random: Random): T => list[Math.floor(random() * list.length)] as T;

/** Entries of a case as events; what cannot be read throws. */
export function eventsOf(path: DrivePath, entries: readonly CaseEntry[]): Event[] {
  const read = eventsFrom(path, entries);
  if ('reason' in read) throw new Error(read.message);
  return read.events;
}

export type Entry = Record<string, unknown>;

/** A case as it would stand in a file. */
export function tried(family: string, observations: readonly Entry[], more: Entry = {}): CaseAnswer | CaseProblem {
  const read = readCase(JSON.stringify({ family, observations, ...more }));
  return read.kind === 'case' ? solveCase(PATHS, read.file) : read;
}

/** The same where it must be readable. */
export function solved(family: string, observations: readonly Entry[], more: Entry = {}): CaseAnswer {
  const answer = tried(family, observations, more);
  if (answer.kind !== 'answer') throw new Error(answer.message);
  return answer;
}

export const share = (answer: CaseAnswer, block: string): number =>
  answer.suspects.find((one) => one.block === block)?.share ?? 0;
