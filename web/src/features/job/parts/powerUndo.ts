/** The last power change and how it is taken back; it stands for ten seconds, whichever key or button made it. */
import { create } from 'zustand';

export interface PowerUndo {
  /** Tells one change from the next. */
  readonly id: string;
  readonly words: string;
  readonly undo: () => void;
}

export const usePowerUndo = create<{ last: PowerUndo | null; offer: (last: PowerUndo | null) => void }>((set) => ({
  last: null,
  offer: (last) => set({ last }),
}));
