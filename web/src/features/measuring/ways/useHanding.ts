/** Handing a result on, and keeping it when the server is away, so that nothing measured is lost. */
import { doubtOf } from '@amber-gauge/core/speed';
import { useState } from 'react';
import { mustAsk } from './PlayedQuestion.js';
import type { Measured } from './way.js';
import { say } from '@amber-gauge/core/words';

/** A file handed from one way of measuring to another. */
export interface Handing {
  /** What must be answered before it is filed: did another speed run? */
  readonly question: Measured | null;
  /** A figure that cannot be, with what to ask; filed only when it is said to be right. */
  readonly doubted: { readonly measured: Measured; readonly question: string } | null;
  readonly dropDoubted: () => void;
  readonly unsaved: { readonly measured: Measured; readonly message: string } | null;
  /** What came of it: stored, asked about first, or waiting to be stored. */
  hand(measured: Measured): Promise<Handed>;
}
/** What came of a result that was handed on. */
export type Handed = 'kept' | 'asked' | 'unsaved';

/** Files on their way, and what was said of them. */
export function useHanding(onMeasured: (measured: Measured) => Promise<void>): Handing {
  const [question, setQuestion] = useState<Measured | null>(null);
  const [doubted, setDoubted] = useState<Handing['doubted']>(null);
  const [unsaved, setUnsaved] = useState<Handing['unsaved']>(null);
  return {
    question,
    doubted,
    dropDoubted: () => setDoubted(null),
    unsaved,
    async hand(measured) {
      const doubt = measured.answered ? null : doubtOf(measured.run);
      setDoubted(doubt === null ? null : { measured, question: doubt });
      if (doubt !== null) return 'asked';
      setQuestion(mustAsk(measured) ? measured : null);
      if (mustAsk(measured)) return 'asked';
      try {
        await onMeasured(measured);
        setUnsaved(null);
        return 'kept';
      } catch (error) {
        setUnsaved({ measured, message: error instanceof Error ? error.message : say`It could not be stored.` });
        return 'unsaved';
      }
    },
  };
}
