/** Keeps a model's sheet; one that somebody changed meanwhile is fetched anew and said. */
import { keptSheetSchema, type KeptSheet } from '@amber-gauge/contract';
import { ApiError, call } from './client.js';
import { keys, queryClient } from './queries.js';
import { say } from '@amber-gauge/core/words';

/** Null when it was kept, else what to do in words. `kept` is the sheet as it was seen. */
export async function keepSheet(familyId: string, kept: KeptSheet, sheet: KeptSheet['sheet']): Promise<string | null> {
  const key = keys.sheet(familyId, kept.model);
  try {
    const body = { model: kept.model, version: kept.version, sheet };
    queryClient.setQueryData(key, await call(`/families/${familyId}/sheet`, keptSheetSchema, { method: 'PUT', body }));
    return null;
  } catch (error) {
    if (error instanceof ApiError && error.code === 'CONFLICT') {
      await queryClient.invalidateQueries({ queryKey: key });
      return say`Somebody changed this sheet meanwhile. Keep again to put yours on it.`;
    }
    return error instanceof Error ? error.message : say`It could not be kept. Try again.`;
  }
}
