/** The way back: an order that respects what lies over what, and what each step asks for. */
import { openEnds, stepsOff, type Ledger, type LedgerStep, type OpenEnd } from './ledger.js';

/** One line of the way back. */
export interface RefitItem {
  readonly step: LedgerStep;
  /** Steps still off that must go back before this one. */
  readonly waitsFor: readonly LedgerStep[];
  /** Ends to be closed before it goes back. */
  readonly closeFirst: readonly OpenEnd[];
}

/**
 * Every step still off, in an order in which each comes after all that it would shut in: of those
 * free to go back the one that came off last. Circles cannot arise from a log, since a step names
 * only earlier ones; a line that names a later or unknown step is taken as not naming it.
 */
export function reassembly(ledger: Ledger): RefitItem[] {
  const off = stepsOff(ledger);
  const placed = new Set<string>();
  const out: RefitItem[] = [];
  const over = dependents(off);
  while (out.length < off.length) {
    const free = off.findLast(
      (one) => !placed.has(one.key) && (over.get(one.key) ?? []).every((other) => placed.has(other.key)),
    );
    if (!free) break;
    placed.add(free.key);
    out.push({ step: free, waitsFor: behind(off, free.key), closeFirst: endsUnder(ledger, free.key) });
  }
  return out;
}

/** For each step the ones still off that came off after it and rest on it. */
function dependents(off: readonly LedgerStep[]): Map<string, LedgerStep[]> {
  const known = new Map(off.map((one) => [one.key, one]));
  const over = new Map<string, LedgerStep[]>();
  for (const one of off) {
    for (const key of one.step.after) {
      const before = known.get(key);
      if (before && before.number < one.number) over.set(key, [...(over.get(key) ?? []), one]);
    }
  }
  return over;
}

/** Steps still off that lie behind `key`, near and far. */
function behind(off: readonly LedgerStep[], key: string): LedgerStep[] {
  const over = dependents(off);
  const found = new Map<string, LedgerStep>();
  const look = (at: string) => {
    for (const one of over.get(at) ?? []) {
      if (found.has(one.key)) continue;
      found.set(one.key, one);
      look(one.key);
    }
  };
  look(key);
  return [...found.values()].sort((a, b) => b.number - a.number);
}

const endsUnder = (ledger: Ledger, key: string): OpenEnd[] => openEnds(ledger).filter((end) => end.under === key);

/** What putting `key` back now would shut in: steps still off behind it and every open end under it or them. */
export function shutsIn(ledger: Ledger, key: string): { steps: LedgerStep[]; ends: OpenEnd[] } {
  const steps = behind(stepsOff(ledger), key);
  const keys = [key, ...steps.map((step) => step.key)];
  return { steps, ends: openEnds(ledger).filter((end) => end.under !== null && keys.includes(end.under)) };
}
