/** The last power change and how it is taken back; it stands for ten seconds, whichever key or button made it. */
import { create } from 'zustand';

/** A change of power that may still be taken back. */
export interface PowerUndo {
  /** Tells one change from the next. */
  readonly id: string;
  readonly words: string;
  readonly undo: () => void;
}

/** The last change, for ten seconds. */
export const usePowerUndo = create<{ last: PowerUndo | null; offer: (last: PowerUndo | null) => void }>((set) => ({
  last: null,
  offer: (last) => set({ last }),
}));
