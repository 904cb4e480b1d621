/** The test that Find asks for now: the capture key stamps its name, a value typed bare is its answer. */
import type { PromptAsked } from '@amber-gauge/core/bench';
import { create } from 'zustand';

export const useAsked = create<{ asked: PromptAsked | null; ask: (asked: PromptAsked | null) => void }>((set) => ({
  asked: null,
  ask: (asked) => set({ asked }),
}));
