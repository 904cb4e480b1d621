/** Which test is asked next: what the answer puts first, unless another was chosen, passed over or begun by hand. */
import type { TestAdvice } from '@amber-gauge/core/diagnosis';
import { useState } from 'react';
import type { Find } from './useFind.js';
import { useJustChanged } from './useJustChanged.js';

/** The test that was chosen by hand, or begun to be answered. */
interface Picked {
  readonly testId: string;
  readonly chosen: boolean;
  /** The turn of the answer that stood when it was answered; null while it is not. */
  readonly doneAt: number | null;
}

interface NextAsked {
  /** All that can be asked. */
  readonly open: readonly TestAdvice[];
  readonly next: TestAdvice | undefined;
  /** It was chosen by hand and not answered yet. */
  readonly chosen: boolean;
  /** It took another's place by itself a moment ago. */
  readonly justCame: boolean;
  readonly choose: (testId: string) => void;
  /** Something was typed into the one that is asked: it stays. */
  readonly begun: () => void;
  /** It was answered: it stands until what follows from that is known, then it gives way. */
  readonly done: () => void;
  readonly other: () => void;
}

export function useNextTest({ answer, turn }: Find): NextAsked {
  const [picked, setPicked] = useState<Picked | null>(null);
  const [skipped, setSkipped] = useState<readonly string[]>([]);
  const kept = picked && (picked.doneAt === null || picked.doneAt === turn) ? picked : null;
  const open = answer ? [...answer.advice.tests, ...answer.advice.rest] : [];
  const tests = answer?.advice.tests ?? [];
  const next =
    open.find((one) => one.test.id === kept?.testId) ?? tests.find((one) => !skipped.includes(one.test.id)) ?? tests[0];
  const id = next?.test.id;
  const keep = (doneAt: number | null) => {
    if (id !== undefined) setPicked({ testId: id, doneAt, chosen: kept?.testId === id && kept.chosen });
  };
  return {
    open,
    next,
    chosen: kept?.chosen ?? false,
    justCame: useJustChanged(id, `${picked?.testId} ${picked?.doneAt} ${skipped.length}`),
    choose: (testId) => setPicked({ testId, chosen: true, doneAt: null }),
    begun: () => keep(null),
    done: () => keep(turn),
    other: () => {
      setPicked(null);
      if (id !== undefined) setSkipped([...skipped, id]);
    },
  };
}
