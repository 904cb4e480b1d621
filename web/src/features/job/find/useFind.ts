/** What the drive path makes of the job's log, computed in a worker whenever a line is added or struck out. */
import type { KeptSheet } from '@amber-gauge/contract';
import { findEvidence, fittedPath, modelOf, pathOf, standing, type FindEvidence } from '@amber-gauge/core/bench';
import { NO_KNOWLEDGE, type Knowledge } from '@amber-gauge/core/diagnosis';
import { EMPTY_SHEET, ratedPath, type DrivePath } from '@amber-gauge/core/families';
import { wrap, type Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { FindAnswer, FindWorker } from '../../../workers/find.worker.js';
import { whenQuiet } from '../../../shared/ui/lazyPart.js';
import { useKnown, useSheet } from '../../../shared/api/queries.js';
import type { JobView } from '../useJobView.js';

export interface Find {
  /** The family's path, and the same fitted to this model. */
  readonly family: DrivePath;
  readonly path: DrivePath;
  /** The model's sheet as it is kept; null when it cannot be had. */
  readonly kept: KeptSheet | null;
  readonly evidence: FindEvidence;
  /** Null until the first answer has come. */
  readonly answer: FindAnswer | null;
  /** The block whose suspicion moved most with the last line, in words; null when nothing moved. */
  readonly change: string | null;
  /** Counts the answers, so that one can tell whether a new one has come. */
  readonly turn: number;
}

let worker: Remote<FindWorker> | null = null;

function reasoner(): Remote<FindWorker> {
  worker ??= wrap<FindWorker>(
    new Worker(new URL('../../../workers/find.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

/** Null for a family that has no drive path yet. */
export function useFind({ job, lines: logged, state }: JobView): Find | null {
  const family = pathOf(job);
  const model = modelOf(job);
  const kept = useSheet(job.familyId, model, family !== null && model !== '');
  const sheet = kept?.sheet ?? EMPTY_SHEET;
  const known = useKnown(job.familyId, model, family !== null);
  const fitted = useMemo(() => {
    if (!family || kept === undefined || known === undefined) return null;
    const lines = standing(logged.filter((line) => line.status !== 'refused').map((line) => line.event));
    const places = new Map(state.readings.flatMap((one) => (one.place ? [[one.key, one.place] as const] : [])));
    const path = fittedPath(ratedPath(family, job.ratedVolts), sheet, lines, places, known?.healthy);
    return { path, evidence: findEvidence(job, path, lines, { ledger: state.ledger, power: state.power, places }) };
  }, [family, kept, known, sheet, job, logged, state]);
  const evidence = fitted?.evidence ?? null;
  // While the server is away the family's priors stand.
  const knowledge: Knowledge = useMemo(
    () => (known ? { family: known.family, model: known.model } : NO_KNOWLEDGE),
    [known],
  );
  // A line that goes from waiting to kept tells nothing new: it must not wipe the words of the change.
  const solved = useRef('');
  const [solution, setSolution] = useState<{ answer: FindAnswer; change: string | null; turn: number } | null>(null);
  useEffect(() => {
    if (!evidence) return;
    const { events, situation } = evidence;
    const question = JSON.stringify([
      knowledge,
      sheet.absent,
      events,
      situation,
      [...situation.done],
      [...situation.unreachable],
      [...situation.putBack],
      [...situation.mended],
    ]);
    if (question === solved.current) return;
    let stale = false;
    void reasoner()
      .solve(job.familyId, sheet.absent, knowledge, events, situation)
      .then((answer) => {
        if (stale) return;
        solved.current = question;
        setSolution((before) => ({
          answer,
          change: changeWords(before?.answer ?? null, answer),
          turn: (before?.turn ?? 0) + 1,
        }));
      });
    return () => {
      stale = true;
    };
  }, [evidence, knowledge, sheet.absent, job.familyId]);
  if (!family || !fitted) return null;
  return {
    family,
    path: fitted.path,
    evidence: fitted.evidence,
    kept: kept ?? null,
    answer: solution?.answer ?? null,
    change: solution?.change ?? null,
    turn: solution?.turn ?? 0,
  };
}

// Started ahead: once the server is away, it could not be fetched.
whenQuiet(() => void reasoner());

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
  return `${moved.name} ${percent(moved.from)} to ${percent(moved.to)} %`;
}

/** A share as a whole percent, never 0 nor 100 for what is only likely. */
export const percent = (share: number): string =>
  share > 0.99 ? 'over 99' : share > 0 && share < 0.01 ? 'under 1' : String(Math.round(100 * share));
