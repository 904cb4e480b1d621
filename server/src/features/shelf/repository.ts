/** SQL of the shelf. */
import { SHELF_SHOWN } from '@amber-gauge/contract';
import type { ShelfBody, ShelfLine } from '@amber-gauge/core/bench';
import type { Db } from '../../db/connect.js';
import { SHELF_CHANNEL } from '../../db/hub.js';

interface ShelfRow {
  key: string;
  at: Date;
  body: ShelfBody;
  demo: boolean;
}

/** The newest lines, oldest first. */
export async function shelfLines(db: Db, withDemo: boolean): Promise<ShelfLine[]> {
  const query = db<ShelfRow>('shelf_line').orderBy('position', 'desc').limit(SHELF_SHOWN);
  if (!withDemo) void query.where({ demo: false });
  const rows = await query.select('key', 'at', 'body');
  return rows.reverse().map(({ key, at, body }) => ({ key, at: at.toISOString(), body }));
}

/** Adds lines; one that is there already is left as it is. */
export async function addShelfLines(
  db: Db,
  lines: readonly ShelfLine[],
  { receivedAt, demo }: { readonly receivedAt: Date; readonly demo: boolean },
): Promise<void> {
  await db('shelf_line')
    .insert(lines.map(({ key, at, body }) => ({ key, at, body: JSON.stringify(body), received_at: receivedAt, demo })))
    .onConflict('key')
    .ignore();
  // Told when the transaction is through.
  await db.raw('select pg_notify(?, ?)', [SHELF_CHANNEL, '']);
}

/** Takes the demo's lines out; a lot that a line of one's own speaks of stays. */
export async function removeDemoShelf(db: Db): Promise<void> {
  await db('shelf_line')
    .where({ demo: true })
    .whereNotExists(db('shelf_line as own').whereRaw(`not own.demo and own.body->>'lot' = shelf_line.key::text`))
    .delete();
}
