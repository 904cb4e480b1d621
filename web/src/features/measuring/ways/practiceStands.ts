/** What the practice bench's scope and microphone took last: it is measured like what real ones take. */
import { create } from 'zustand';

interface Standing {
  /** The trace as the speed desk reads it; null while the screen is empty. */
  readonly csv: string | null;
  /** The recording as a WAV file; null while there is none. */
  readonly wav: ArrayBuffer | null;
  readonly set: (to: Partial<Pick<Standing, 'csv' | 'wav'>>) => void;
}

export const usePracticeStands = create<Standing>((set) => ({ csv: null, wav: null, set }));
