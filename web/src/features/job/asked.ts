/** The test that Find asks for now: the capture key stamps its name, a value typed bare belongs to its place. */
import { create } from 'zustand';

export interface Asked {
  readonly name: string;
  /** Where it is measured; null for a look. */
  readonly place: string | null;
}

export const useAsked = create<{ asked: Asked | null; ask: (asked: Asked | null) => void }>((set) => ({
  asked: null,
  ask: (asked) => set({ asked }),
}));
