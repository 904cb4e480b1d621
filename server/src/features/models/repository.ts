/** SQL of models' sheets. */
import type { KeptSheet } from '@amber-gauge/contract';
import type { ModelSheet } from '@amber-gauge/core/families';
import type { Db } from '../../db/connect.js';

interface SheetRow {
  family_id: string;
  model_key: string;
  model: string;
  sheet: ModelSheet;
  version: number;
}

/** One model, however it is written. */
const keyOf = (model: string): string => model.trim().toLowerCase().replace(/\s+/g, ' ');

export async function findSheet(db: Db, familyId: string, model: string): Promise<KeptSheet | null> {
  const row = await db<SheetRow>('model_sheet')
    .where({ family_id: familyId, model_key: keyOf(model) })
    .first();
  return row ? { model: row.model, version: row.version, sheet: row.sheet } : null;
}

/** Keeps a sheet when `version` is still the present one (0: there is none yet); false when it is not. */
export async function keepSheet(
  db: Db,
  familyId: string,
  wish: { model: string; version: number; sheet: ModelSheet },
  at: Date,
): Promise<boolean> {
  const where = { family_id: familyId, model_key: keyOf(wish.model) };
  const fields = { model: wish.model, sheet: JSON.stringify(wish.sheet), changed_at: at };
  if (wish.version === 0) {
    const rows = await db('model_sheet')
      .insert({ ...where, ...fields, version: 1 })
      .onConflict(['family_id', 'model_key'])
      .ignore()
      .returning('version');
    return rows.length === 1;
  }
  const changed = await db('model_sheet')
    .where({ ...where, version: wish.version })
    .update({ ...fields, version: db.raw('version + 1') });
  return changed === 1;
}
