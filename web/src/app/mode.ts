/** Day, Night, or as the device says. Kept in this browser. */
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Mode } from './tokens.js';
import { say } from '@amber-gauge/core/words';

/** Day, night, or as the device says. */
export type ModeWish = Mode | 'auto';

interface ModeStore {
  readonly wish: ModeWish;
  setWish(wish: ModeWish): void;
}

/** The wish, kept on this device. */
export const useModeWish = create<ModeStore>()(
  persist((set) => ({ wish: 'auto', setWish: (wish) => set({ wish }) }), { name: 'amber-gauge-mode' }),
);

/** Whether the device itself stands on night. */
export const nightQuery = say`(prefers-color-scheme: dark)`;
