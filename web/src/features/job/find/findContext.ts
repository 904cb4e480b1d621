/** The drive path's answer for the job on screen, reasoned once and read by whoever needs it. */
import { createContext, useContext } from 'react';
import type { Find } from './useFind.js';

/** The job’s one answer of Find, for all that stand below it. */
export const FindContext = createContext<Find | null>(null);

/** That answer. */
export const useJobFind = (): Find | null => useContext(FindContext);
