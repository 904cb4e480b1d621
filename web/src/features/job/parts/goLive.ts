/** A wish to go live, from a key, a line or a test: the power control leads it through the gate. */
import type { GateTo } from '@amber-gauge/core/bench';
import { create } from 'zustand';

export type LiveState = Exclude<GateTo, 'hand-back'>;

export const useGoLive = create<{ wanted: LiveState | 'last' | null; ask: (to: LiveState | 'last' | null) => void }>(
  (set) => ({ wanted: null, ask: (wanted) => set({ wanted }) }),
);
