/** Counts that must come out even, and findings that stay until they are explained. */
import { fixed } from '../../quantity/index.js';
import type { Distance } from './body.js';
import { stepsOff, type Ledger, type LedgerStep } from './ledger.js';
import { say } from '../../words/index.js';

/** What lies in a tray: came off less went back. */
export interface TrayCount {
  readonly tray: string;
  readonly kinds: readonly { readonly what: string; readonly out: number; readonly back: number }[];
  readonly left: number;
}

/** By tray, then by kind; fasteners without a tray stand under "no tray". */
export function trayCounts(ledger: Ledger): TrayCount[] {
  const trays = new Map<string, Map<string, { out: number; back: number }>>();
  for (const { step, refit } of ledger.steps) {
    step.fasteners.forEach((one, i) => {
      const tray = one.tray ?? say`no tray`;
      const kinds = trays.get(tray) ?? new Map<string, { out: number; back: number }>();
      const count = kinds.get(one.what) ?? { out: 0, back: 0 };
      kinds.set(one.what, { out: count.out + one.count, back: count.back + (refit?.body.returned[i] ?? 0) });
      trays.set(tray, kinds);
    });
  }
  return [...trays.entries()]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([tray, kinds]) => {
      const list = [...kinds.entries()].map(([what, count]) => ({ what, ...count }));
      return { tray, kinds: list, left: list.reduce((sum, one) => sum + one.out - one.back, 0) };
    });
}

/** Something left over or missing: it must be explained. */
export interface Finding {
  readonly id: string;
  readonly text: string;
  /** Why it may stand; null while it does not. */
  readonly explained: string | null;
}

/** Everything about steps put back that does not come out even. */
export function findingsOf(ledger: Ledger): Finding[] {
  const found = ledger.steps.flatMap((step) => [
    ...countFindings(step),
    ...distanceFindings(step),
    ...coverFindings(step),
    ...owedFindings(step),
    ...shutIn(ledger, step),
  ]);
  return found.map((one) => ({ ...one, explained: ledger.explained.get(one.id) ?? null }));
}

type Bare = Omit<Finding, 'explained'>;

function countFindings({ number, step, refit }: LedgerStep): Bare[] {
  if (!refit) return [];
  return step.fasteners.flatMap((one, i) => {
    const left = one.count - (refit.body.returned[i] ?? 0);
    if (left === 0) return [];
    const where = one.tray ? say`, tray ${one.tray}` : '';
    const text =
      left > 0
        ? say`${left} of ${one.count} ${one.what}${where} left over from step ${number}`
        : say`${-left} more ${one.what} went into step ${number} than came off`;
    return [{ id: `count:${refit.key}:${i}`, text }];
  });
}

/** Is a re-measured distance back within its tolerance? */
export const isRestored = (distance: Distance, value: number): boolean =>
  Math.abs(value - distance.value) <= distance.tolerance * (1 + 1e-9);

function distanceFindings({ number, step, refit }: LedgerStep): Bare[] {
  if (!refit) return [];
  return step.distances.flatMap((one, i) => {
    const value = refit.body.distances[i] ?? null;
    if (value !== null && isRestored(one, value)) return [];
    const wanted = `${trim(one.value)} ± ${trim(one.tolerance)} ${one.unit}`;
    const text =
      value === null
        ? say`${one.what} of step ${number} not measured again: ${wanted}`
        : say`${one.what} of step ${number} is ${trim(value)} ${one.unit}, was ${wanted}`;
    return [{ id: `distance:${refit.key}:${i}`, text }];
  });
}

function coverFindings({ number, step, refit }: LedgerStep): Bare[] {
  if (!refit || !step.cover || refit.body.flush === true) return [];
  return [
    { id: `flush:${refit.key}`, text: say`Step ${number}, ${step.what}: does not sit flush, a wire may be in the way` },
  ];
}

function owedFindings({ number, step, refit }: LedgerStep): Bare[] {
  if (!refit) return [];
  return step.owes.flatMap((owed, i) =>
    refit.body.renewed.includes(owed)
      ? []
      : [{ id: `owed:${refit.key}:${i}`, text: say`${owed} not renewed at step ${number}` }],
  );
}

function shutIn(ledger: Ledger, { key, number, refit }: LedgerStep): Bare[] {
  if (!refit) return [];
  const left = stepsOff(ledger).filter((one) => one.step.after.includes(key));
  return left.map((one) => ({
    id: `shut:${refit.key}:${one.key}`,
    text: say`Step ${one.number}, ${one.step.what}, is still off behind step ${number}`,
  }));
}

const trim = (value: number): string => String(Number(fixed(value, 2).replace('−', '-')));
