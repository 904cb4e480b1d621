/** The sum that stands open in a job, at Find and at Mend alike; a reading of the log may ask for it. */
import { create } from 'zustand';

interface SumWish {
  readonly jobId: string;
  /** Null while none is open. */
  readonly id: string | null;
  readonly ask: (jobId: string, id: string | null) => void;
}

export const useSumWish = create<SumWish>((set) => ({ jobId: '', id: null, ask: (jobId, id) => set({ jobId, id }) }));
