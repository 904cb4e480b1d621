/** The ledger of a strip-down, computed from the lines that stand. */
import type { BenchEvent } from '../event.js';
import type { CloseBody, MoveBody, OpenEndBody, RefitBody, StepBody } from './body.js';

/** Something cut, unplugged or unsoldered, until it is put back. */
export interface OpenEnd {
  readonly key: string;
  readonly at: string;
  readonly end: OpenEndBody;
  /** The step that must not go back before this is closed; null when no step was off. */
  readonly under: string | null;
  readonly closed: { readonly key: string; readonly at: string; readonly how: string } | null;
}

/** A step of the strip-down and whether it is back. */
export interface LedgerStep {
  readonly key: string;
  readonly at: string;
  /** Counts from 1 in the order things came off. */
  readonly number: number;
  readonly step: StepBody;
  readonly refit: { readonly key: string; readonly at: string; readonly body: RefitBody } | null;
}

/** A usual test or mend that was begun and not ended. */
export interface OpenMove {
  readonly key: string;
  readonly at: string;
  readonly move: MoveBody;
}

/** The strip-down as it stands. */
export interface Ledger {
  readonly steps: readonly LedgerStep[];
  readonly ends: readonly OpenEnd[];
  /** Tests and mends begun and not ended. */
  readonly moves: readonly OpenMove[];
  /** Findings that were explained, by id. */
  readonly explained: ReadonlyMap<string, string>;
}

/** Computes the ledger from standing lines, in order. */
export function ledgerOf(lines: readonly BenchEvent[]): Ledger {
  const refits = new Map<string, { key: string; at: string; body: RefitBody }>();
  const closes = new Map<string, { key: string; at: string; body: CloseBody }>();
  const explained = new Map<string, string>();
  const ended = new Set<string>();
  for (const { key, enteredAt: at, body } of lines) {
    if (body.kind === 'refit') refits.set(body.target, { key, at, body });
    if (body.kind === 'close' && !closes.has(body.target)) closes.set(body.target, { key, at, body });
    if (body.kind === 'explain') explained.set(body.finding, body.why);
    if (body.kind === 'move' && body.began) ended.add(body.began);
  }
  const steps: LedgerStep[] = [];
  const ends: OpenEnd[] = [];
  const moves: OpenMove[] = [];
  for (const { key, enteredAt: at, body } of lines) {
    if (body.kind === 'step')
      steps.push({ key, at, number: steps.length + 1, step: body, refit: refits.get(key) ?? null });
    if (body.kind === 'move' && !body.began && !ended.has(key)) moves.push({ key, at, move: body });
    if (body.kind === 'open-end') {
      const close = closes.get(key);
      ends.push({
        key,
        at,
        end: body,
        under: body.stepKey ?? latestOff(steps, at)?.key ?? null,
        closed: close ? { key: close.key, at: close.at, how: close.body.how } : null,
      });
    }
  }
  return { steps, ends, moves, explained };
}

/** The step that came off last and was still off at the time. */
function latestOff(steps: readonly LedgerStep[], at: string): LedgerStep | null {
  return steps.findLast((one) => one.refit === null || Date.parse(one.refit.at) > Date.parse(at)) ?? null;
}

/** Ends that are still open. */
export const openEnds = (ledger: Ledger): OpenEnd[] => ledger.ends.filter((end) => end.closed === null);

/** Steps that are still off. */
export const stepsOff = (ledger: Ledger): LedgerStep[] => ledger.steps.filter((step) => step.refit === null);

/** The step a new one usually comes after: the last one that is still off. */
export const usualAfter = (ledger: Ledger): string[] => {
  const last = stepsOff(ledger).at(-1);
  return last ? [last.key] : [];
};
