/** Handing a result on, and keeping it when the server is away, so that nothing measured is lost. */
import { useState } from 'react';
import type { Measured } from './way.js';

export interface Handing {
  readonly unsaved: { readonly measured: Measured; readonly message: string } | null;
  hand(measured: Measured): Promise<void>;
}

export function useHanding(onMeasured: (measured: Measured) => Promise<void>): Handing {
  const [unsaved, setUnsaved] = useState<Handing['unsaved']>(null);
  return {
    unsaved,
    async hand(measured) {
      try {
        await onMeasured(measured);
        setUnsaved(null);
      } catch (error) {
        setUnsaved({ measured, message: error instanceof Error ? error.message : 'It could not be stored.' });
      }
    },
  };
}
