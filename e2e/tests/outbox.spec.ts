/** Nothing that the screen called kept is lost, and nothing is kept twice. */
import { enter, expect, openJob, test } from '../support/app.js';

test('lines typed while the server is away wait, arrive in order and once', async ({ page, demo }) => {
  await openJob(page, demo, 143);
  await enter(page, 'before the cut');
  await demo.kill();
  const entry = page.getByLabel('Entry line');
  for (const text of ['1.1V @one', '2.2V @two', '3.3V @three']) {
    await entry.fill(text);
    await entry.press('Enter');
  }
  const log = page.getByLabel('Bench log');
  await expect(log.locator('[data-status=waiting]')).toHaveCount(3);
  await expect(log.getByText(/waiting in this browser/)).toBeVisible();
  await page.waitForTimeout(700);
  await demo.start();
  await expect(log.locator('[data-status=waiting]')).toHaveCount(0);
  const rows = await demo.query(
    `select body->>'place' as place from job_event where kind = 'reading' and body->>'place' in ('one','two','three') order by position`,
  );
  expect(rows.map((row) => row.place)).toEqual(['one', 'two', 'three']);
});

test('waiting lines survive closing the page', async ({ context, demo }) => {
  const first = await context.newPage();
  await openJob(first, demo, 143);
  await demo.kill();
  await first.getByLabel('Entry line').fill('4.4V @four');
  await first.getByLabel('Entry line').press('Enter');
  await expect(first.locator('[data-status=waiting]')).toHaveCount(1);
  await first.close();
  await demo.start();
  const second = await context.newPage();
  await second.goto(demo.url);
  await expect
    .poll(async () => (await demo.query(`select 1 from job_event where body->>'place' = 'four'`)).length)
    .toBe(1);
});

test('the server killed while lines are being saved: never gone, never twice', async ({ page, demo }) => {
  test.setTimeout(120_000);
  await openJob(page, demo, 143);
  const entry = page.getByLabel('Entry line');
  await expect(entry).toBeVisible();
  const typed: string[] = [];
  for (let round = 0; round < 5; round++) {
    for (let i = 0; i < 4; i++) {
      const place = `r${round}n${i}`;
      typed.push(place);
      await entry.fill(`${round + i}V @${place}`);
      await entry.press('Enter');
    }
    await page.waitForTimeout(20 * round);
    await demo.kill();
    await demo.start();
  }
  await expect(page.locator('[data-status=waiting]')).toHaveCount(0, { timeout: 20_000 });
  const rows = await demo.query(
    `select body->>'place' as place from job_event where body->>'place' like 'r_n_' order by position`,
  );
  expect(rows.map((row) => row.place)).toEqual(typed);
});

test('two people change the same field: both versions are shown, nothing is overwritten', async ({
  page,
  context,
  demo,
}) => {
  await openJob(page, demo, 146);
  await page.getByRole('button', { name: 'Correct what was taken in' }).click();
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Correct what was taken in' }).click();
  await other.getByLabel('Serial').fill('from the phone');
  await other.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(other.getByText('serial from the phone')).toBeVisible();
  await page.getByLabel('Serial').fill('from the laptop');
  await page.getByRole('button', { name: 'Keep the correction' }).click();
  const choice = page.getByRole('alert').filter({ hasText: 'from the laptop' });
  await expect(choice).toContainText('from the laptop');
  await expect(choice).toContainText('from the phone');
  // Changed once more before the choice: the second Keep is a conflict too, and shows both again.
  await other.getByRole('button', { name: 'Correct what was taken in' }).click();
  await other.getByLabel('Serial').fill('from the phone again');
  await other.getByRole('button', { name: 'Keep the correction' }).click();
  await expect(other.getByText('serial from the phone again')).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(choice).toContainText('from the phone again');
  await expect(choice).toContainText('from the laptop');
  await page.getByRole('button', { name: 'Keep theirs' }).click();
  await expect(page.getByText('serial from the phone again')).toBeVisible();
});

test('two tabs share one outbox: what both typed while the server was away arrives once, each in its order', async ({
  page,
  context,
  demo,
}) => {
  await openJob(page, demo, 143);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByLabel('Entry line')).toBeVisible();
  await demo.kill();
  const places = { here: ['oven', 'lathe', 'pump', 'clock'], there: ['anvil', 'bellows', 'crane', 'drill'] };
  const type = async (tab: typeof page, place: string | undefined) => {
    await tab.getByLabel('Entry line').fill(`5V @${place}`);
    await tab.getByLabel('Entry line').press('Enter');
  };
  for (let i = 0; i < 4; i++) {
    await type(page, places.here[i]);
    await type(other, places.there[i]);
  }
  await demo.start();
  for (const tab of [page, other])
    await expect(tab.getByLabel('Bench log').locator('[data-status=waiting]')).toHaveCount(0, { timeout: 20_000 });
  const rows = await demo.query(
    `select body->>'place' as place from job_event where kind = 'reading' and body->>'text' like '5V %' order by position`,
  );
  const kept = rows.map((row) => String(row.place));
  expect(kept).toHaveLength(8);
  for (const typed of [places.here, places.there]) expect(kept.filter((one) => typed.includes(one))).toEqual(typed);
});
