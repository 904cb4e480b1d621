/** SQL of test tapes and records. */
import type { Source } from '@amber-gauge/contract';
import type { Db } from '../../db/connect.js';

interface SourceRow {
  id: string;
  name: string;
  nominal_hz: number;
  tolerance_percent: number | null;
  demo: boolean;
  version: number;
}

type Fields = Pick<Source, 'name' | 'nominalHz' | 'tolerancePercent'>;

const toSource = (row: SourceRow): Source => ({
  id: row.id,
  name: row.name,
  nominalHz: row.nominal_hz,
  tolerancePercent: row.tolerance_percent,
  demo: row.demo,
  version: row.version,
});

export async function listSources(db: Db, withDemo: boolean): Promise<Source[]> {
  const query = db<SourceRow>('tone_source').orderBy('name');
  if (!withDemo) void query.where({ demo: false });
  return (await query).map(toSource);
}

export async function findSource(db: Db, id: string): Promise<Source | null> {
  const row = await db<SourceRow>('tone_source').where({ id }).first();
  return row ? toSource(row) : null;
}

export async function insertSource(
  db: Db,
  source: Fields & { id: string },
  options: { demo: boolean; at: Date },
): Promise<void> {
  await db('tone_source')
    .insert({
      id: source.id,
      name: source.name,
      nominal_hz: source.nominalHz,
      tolerance_percent: source.tolerancePercent,
      demo: options.demo,
      version: 1,
      created_at: options.at,
    })
    .onConflict('id')
    .ignore();
}

/** Writes when `version` is still the present one; false when it is not. */
export async function updateSource(db: Db, id: string, version: number, fields: Partial<Fields>): Promise<boolean> {
  const all = { name: fields.name, nominal_hz: fields.nominalHz, tolerance_percent: fields.tolerancePercent };
  const given = Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
  const changed = await db('tone_source')
    .where({ id, version })
    .update({ ...given, version: db.raw('version + 1') });
  return changed === 1;
}
