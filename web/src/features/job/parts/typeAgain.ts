/** A line that could not be kept goes back to the entry line to be mended. */
import type { BenchEvent } from '@amber-gauge/core/bench';
import { eventWords } from '@amber-gauge/core/bench';
import { create } from 'zustand';

/** A line that is to be mended in the entry line. */
export const useTypeAgain = create<{ text: string | null; ask: (text: string | null) => void }>((set) => ({
  text: null,
  ask: (text) => set({ text }),
}));

/** What was typed, where the line holds it; else what it says. */
export function typedText({ body }: BenchEvent): string {
  const typed = 'text' in body ? body.text : '';
  return typed || eventWords(body);
}
