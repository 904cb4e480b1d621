/** What stands on the screen of the practice bench's scope: it is measured like a trace of a real one. */
import { create } from 'zustand';

interface Standing {
  /** As the speed desk reads it; null while the screen is empty. */
  readonly csv: string | null;
  readonly set: (csv: string | null) => void;
}

export const usePracticeTrace = create<Standing>((set) => ({ csv: null, set: (csv) => set({ csv }) }));
