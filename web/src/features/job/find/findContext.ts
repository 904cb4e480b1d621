/** The drive path's answer for the job on screen, reasoned once and read by whoever needs it. */
import { createContext, useContext } from 'react';
import type { Find } from './useFind.js';

export const FindContext = createContext<Find | null>(null);

export const useJobFind = (): Find | null => useContext(FindContext);
