/** What the drive path makes of the job's log, computed in a worker whenever a line is added or struck out. */
import type { KeptSheet } from '@amber-gauge/contract';
import {
  modelOf,
  pathOf,
  readForFind,
  type FindAnswer,
  type FindBasis,
  type FindReading,
} from '@amber-gauge/core/bench';
import { say } from '@amber-gauge/core/words';
import { useEffect, useMemo, useRef, useState } from 'react';
import { reasoner } from '../../../workers/client.js';
import { notice } from '../../../shared/ui/Notice.js';
import { useKnown, useSheet } from '../../../shared/api/queries.js';
import type { JobView } from '../useJobView.js';

/** Path, evidence and answer of a job; the answer is null while it is reckoned. */
export interface Find extends FindReading {
  /** The model's sheet as it is kept; null when it cannot be had. */
  readonly kept: KeptSheet | null;
  /** Null until the first answer has come. */
  readonly answer: FindAnswer | null;
  /** The block whose suspicion moved most with the last line, in words; null when nothing moved. */
  readonly change: string | null;
  /** Counts the answers, so that one can tell whether a new one has come. */
  readonly turn: number;
}

/** Null for a family that has no drive path yet. */
export function useFind({ job, lines: logged, state }: JobView): Find | null {
  const model = modelOf(job);
  const has = pathOf(job) !== null;
  const kept = useSheet(job.familyId, model, has && model !== '');
  const known = useKnown(job.familyId, model, has);
  const question = useMemo(() => {
    if (!has || kept === undefined || known === undefined) return null;
    const events = logged.filter((line) => line.status !== 'refused').map((line) => line.event);
    // While the server is away the family's priors and sheet stand.
    const basis: FindBasis = { known, ...(kept ? { sheet: kept.sheet } : {}) };
    const read = readForFind(job, events, basis, state);
    return read && { events, basis, read };
  }, [has, kept, known, job, logged, state]);
  // A line that goes from waiting to kept tells nothing new: it must not wipe the words of the change.
  const solved = useRef('');
  const [solution, setSolution] = useState<{ answer: FindAnswer; change: string | null; turn: number } | null>(null);
  useEffect(() => {
    if (!question) return;
    const { events, basis, read } = question;
    const { situation } = read.evidence;
    const asked = JSON.stringify([
      basis,
      read.evidence.events,
      situation,
      [...situation.done],
      [...situation.unreachable],
      [...situation.putBack],
      [...situation.mended],
    ]);
    if (asked === solved.current) return;
    let stale = false;
    void reasoner()
      .solve(job, events, basis)
      .then((answer) => {
        if (stale || !answer) return;
        solved.current = asked;
        setSolution((before) => ({
          answer,
          change: changeWords(before?.answer ?? null, answer),
          turn: (before?.turn ?? 0) + 1,
        }));
      })
      .catch(() => notice(say`The path could not be reckoned. It is tried again with the next line.`));
    return () => {
      stale = true;
    };
  }, [question, job]);
  if (!question) return null;
  return {
    ...question.read,
    kept: kept ?? null,
    answer: solution?.answer ?? null,
    change: solution?.change ?? null,
    turn: solution?.turn ?? 0,
  };
}

/** A change of less than this is not worth a word. */
const LEAST_CHANGE = 0.05;

/** "governor 31 to 64 %". */
export function changeWords(before: FindAnswer | null, after: FindAnswer): string | null {
  if (!before) return null;
  const was = new Map(before.suspects.map((one) => [one.block, one.share]));
  const moved = after.suspects
    .map((one) => ({ name: one.name, from: was.get(one.block) ?? 0, to: one.share }))
    .sort((a, b) => Math.abs(b.to - b.from) - Math.abs(a.to - a.from))[0];
  if (!moved || Math.abs(moved.to - moved.from) < LEAST_CHANGE) return null;
  return say`${moved.name} ${percent(moved.from)} to ${percent(moved.to)} %`;
}

/** A share as a whole percent, never 0 nor 100 for what is only likely. */
export const percent = (share: number): string =>
  share > 0.99 ? say`over 99` : share > 0 && share < 0.01 ? say`under 1` : String(Math.round(100 * share));
