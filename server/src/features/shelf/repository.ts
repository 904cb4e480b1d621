/** SQL of the shelf. */
import { SHELF_SHOWN } from '@amber-gauge/contract';
import type { ShelfBody, ShelfLine } from '@amber-gauge/core/bench';
import type { Db } from '../../db/connect.js';

interface ShelfRow {
  key: string;
  at: Date;
  body: ShelfBody;
}

/** The newest lines, oldest first. */
export async function shelfLines(db: Db): Promise<ShelfLine[]> {
  const rows = await db<ShelfRow>('shelf_line')
    .orderBy('position', 'desc')
    .limit(SHELF_SHOWN)
    .select('key', 'at', 'body');
  return rows.reverse().map(({ key, at, body }) => ({ key, at: at.toISOString(), body }));
}

/** Adds lines; one that is there already is left as it is. */
export async function addShelfLines(db: Db, lines: readonly ShelfLine[], receivedAt: Date): Promise<void> {
  await db('shelf_line')
    .insert(lines.map(({ key, at, body }) => ({ key, at, body: JSON.stringify(body), received_at: receivedAt })))
    .onConflict('key')
    .ignore();
}
