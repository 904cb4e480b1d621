/** A wish to go live, from a key, a line or a test: the power control leads it through the gate. */
import type { GateTo } from '@amber-gauge/core/bench';
import { create } from 'zustand';

/** States in which it is live, asked for through the gate. */
export type LiveState = Exclude<GateTo, 'hand-back'>;

/** The gate that stands open, and the way to ask for one. */
export const useGoLive = create<{ wanted: LiveState | 'last' | null; ask: (to: LiveState | 'last' | null) => void }>(
  (set) => ({ wanted: null, ask: (wanted) => set({ wanted }) }),
);
