/**
 * The server, and now and then the database, killed at random moments while readings are typed and
 * photos uploaded: what the screen called kept is there, once. Five kills here; `npm run torture` fifty.
 */
import { test as base, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { startPostgres } from '../../scripts/lib/postgres.mjs';
import { ended, expect, serve, sql } from '../support/app.js';
import { file, picture } from '../support/pictures.js';

const ROUNDS = Number(process.env.TORTURE_ROUNDS ?? 5);
/** Every so many rounds the database is killed too. */
const DATABASE_EVERY = 3;

const keptTexts = (page: Page) => page.locator('[data-status=kept]').allInnerTexts();

base('torture: kills at random moments lose nothing and double nothing', async ({ page }) => {
  base.setTimeout(120_000 + ROUNDS * 25_000);
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-torture-'));
  let database = await startPostgres(dir);
  let server = await serve(database.url, 0, true);
  const url = `http://127.0.0.1:${server.port}`;
  const random = seeded(20260101 + ROUNDS);
  const calledKept = new Set<string>();
  let typed = 0;
  let photos = 0;
  let killedDatabases = 0;
  try {
    await page.goto(url);
    await page.getByRole('link', { name: /0148/ }).click();
    await page
      .getByLabel('Stages')
      .getByRole('button', { name: /^Open up/ })
      .click();
    await page.getByRole('button', { name: 'Take apart' }).click();
    const photo = file('p.jpg', await picture(page, 'p', 640, 480));
    const camera = page.locator('input[type=file][aria-label="Photo of step 1"]');
    for (let round = 0; round < ROUNDS; round++) {
      const killing = (async () => {
        await wait(1200 * random());
        if (round % DATABASE_EVERY === DATABASE_EVERY - 1) {
          killedDatabases++;
          database.kill();
          await wait(200);
          database = await startPostgres(dir, { port: database.port });
          await wait(800 * random());
        }
        await ended(server.child, 'SIGKILL');
        server = await serve(database.url, server.port, false);
      })();
      for (let i = 0; i < 4; i++) {
        await page.getByLabel('Entry line').fill(`${i + 1}V @t${typed++}`);
        await page.getByLabel('Entry line').press('Enter');
        await page.waitForTimeout(250 * random());
      }
      await camera.setInputFiles(photo);
      photos++;
      for (const text of await keptTexts(page))
        for (const place of text.match(/\bt\d+\b/g) ?? []) calledKept.add(place);
      await killing;
    }
    await expect(page.locator('[data-status=waiting]')).toHaveCount(0, { timeout: 60_000 });
    const rows = await sql(
      database.url,
      `select body->>'place' as place from job_event where body->>'place' ~ '^t[0-9]+$' order by position`,
    );
    expect(rows.map((row) => row.place)).toEqual(Array.from({ length: typed }, (_, i) => `t${i}`));
    for (const place of calledKept) expect(rows.filter((row) => row.place === place)).toHaveLength(1);
    const pictures = await sql(
      database.url,
      `select photo.id from photo join job_event on body->>'photoId' = photo.id::text where device <> 'demo bench'`,
    );
    expect(pictures).toHaveLength(photos);
    console.log(
      `torture: server killed ${ROUNDS} times, database ${killedDatabases} times, ${typed} readings, ${photos} photos, ${calledKept.size} seen as kept meanwhile, 0 lost, 0 twice`,
    );
  } finally {
    if (server.child.exitCode === null && server.child.signalCode === null) await ended(server.child, 'SIGKILL');
    await database.stop();
    rmSync(dir, { recursive: true, force: true });
  }
});

/** The same moments each time the command is run. */
function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
