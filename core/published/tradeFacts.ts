/** Symptoms in the trade's words and what they point at, by family (tradeFacts.json says where they are from). */
import told from './tradeFacts.json' with { type: 'json' };

/** A symptom in the trade's words, the answers that tell it, and what it points at. */
interface Fact {
  readonly says: string;
  readonly answers: string;
  /** Among the first three. */
  readonly first: readonly string[];
  /** Hardly thought of. */
  readonly not: readonly string[];
}

/** By family. */
export const FACTS: Readonly<Record<string, readonly Fact[]>> = told.families;
