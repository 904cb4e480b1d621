/** A log of thousands of lines: what is in sight is drawn, every line can be reached, and the hand is not kept waiting. */
import { expect, test } from '../support/app.js';

const LINES = 2000;

test('a log of thousands of lines is read, added to and struck out like a short one', async ({ page, demo }) => {
  const [row] = await demo.query('select id from job where number = 147 and demo');
  const id = String(row?.id);
  await demo.query(
    `insert into job_event (job_id, key, entered_at, received_at, device, sequence, stage, kind, body)
     select '${id}', gen_random_uuid(), timestamptz '2020-01-01' + k * interval '1 minute', now(), 'long', k, 'find', 'note',
       jsonb_build_object('kind', 'note', 'text', 'remark ' || k || case when k % 7 = 0 then repeat(' and more', 12) else '' end)
     from generate_series(1, ${LINES}) k`,
  );
  await page.goto(`${demo.url}/job/${id}/find`);
  const log = page.getByLabel('Bench log');
  await expect(log.getByRole('listitem').first()).toBeVisible({ timeout: 30_000 });
  expect(await log.getByRole('listitem').count()).toBeLessThan(80);
  await page.getByLabel('Entry line').fill('written on top');
  await page.getByLabel('Entry line').press('Enter');
  await expect(log.getByRole('listitem').first()).toContainText('written on top');
  // Down to the very first line: heights are measured on the way, so the end is found in a few turns.
  await expect(async () => {
    await log.evaluate((one) => one.scrollTo(0, one.scrollHeight));
    await expect(log.getByRole('listitem').last()).toContainText(/remark 1$|remark 1 kept/, { timeout: 500 });
  }).toPass();
  const overlaps = await log.getByRole('listitem').evaluateAll((rows) => {
    const edges = rows.map((one) => one.getBoundingClientRect()).sort((a, b) => a.top - b.top);
    return edges.filter((one, i) => i > 0 && one.top < (edges[i - 1]?.bottom ?? 0) - 1).length;
  });
  expect(overlaps).toBe(0);
  await log.getByRole('button', { name: 'Strike out: remark 1', exact: true }).click();
  await page.getByLabel('Another reason').fill('not of this unit');
  await page.getByRole('button', { name: 'Strike out', exact: true }).click();
  await expect(log.getByText('(struck out: not of this unit)')).toBeVisible();
});
