/** Handing a result on, and keeping it when the server is away, so that nothing measured is lost. */
import { useState } from 'react';
import { mustAsk } from './PlayedQuestion.js';
import type { Measured } from './way.js';

export interface Handing {
  /** What must be answered before it is filed: did another speed run? */
  readonly question: Measured | null;
  readonly unsaved: { readonly measured: Measured; readonly message: string } | null;
  hand(measured: Measured): Promise<void>;
}

export function useHanding(onMeasured: (measured: Measured) => Promise<void>): Handing {
  const [question, setQuestion] = useState<Measured | null>(null);
  const [unsaved, setUnsaved] = useState<Handing['unsaved']>(null);
  return {
    question,
    unsaved,
    async hand(measured) {
      if (mustAsk(measured)) return setQuestion(measured);
      setQuestion(null);
      try {
        await onMeasured(measured);
        setUnsaved(null);
      } catch (error) {
        setUnsaved({ measured, message: error instanceof Error ? error.message : 'It could not be stored.' });
      }
    },
  };
}
