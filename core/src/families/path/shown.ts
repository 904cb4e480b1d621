/** What an answer shows at the part itself. */
import type { PathTest } from './schema.js';

/** Faults that an answer shows, "block.mode", one of which is there; none where a sound part gives the answer as well. */
export function faultsShown(
  { block, outcomes }: Pick<PathTest, 'block' | 'outcomes'>,
  outcomeId: string | null,
): string[] {
  const modes = outcomes.find(({ id }) => id === outcomeId)?.modes ?? [];
  return block === null || modes.includes('healthy') ? [] : modes.map((mode) => `${block}.${mode}`);
}
