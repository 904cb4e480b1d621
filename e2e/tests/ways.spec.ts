/** Other ways to a speed: the strobe disc signed by where one looks, the stopwatch by the capture key. */
import { expect, openJob, test } from '../support/app.js';

test('a strobe count is signed by the side one looks at, and carries its mains in its uncertainty', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 146, 'take-in');
  await page.getByRole('button', { name: 'strobe disc' }).click();
  await expect(page.getByText('180 bars')).toBeVisible();
  await page.getByLabel('Bars past a mark').fill('12');
  await expect(page.getByRole('button', { name: 'Keep +0.40 %' })).toBeVisible();
  await page.getByRole('button', { name: 'far edge' }).click();
  await page.getByRole('button', { name: 'Keep −0.40 %' }).click();
  await expect(page.getByTestId('speed-number')).toHaveText('−0.40\u202f%');
  await expect(page.getByLabel('Speed reading').getByText('right', { exact: true })).toBeVisible();
  await expect(page.getByLabel('Speed reading')).toContainText('50 Hz mains light');
});

test('turns tapped on the capture key give a speed with an honest uncertainty', async ({ page, demo }) => {
  // The truth is what the browser's own clock says of the keys: a straight line through their times.
  await page.addInitScript(() => {
    const times: number[] = [];
    Object.assign(window, { times });
    addEventListener('keydown', (event) => event.key === 'F9' && times.push(event.timeStamp / 1000), true);
  });
  await openJob(page, demo, 146, 'take-in');
  await page.getByRole('button', { name: 'stopwatch' }).click();
  for (let turn = 0; turn < 5; turn++) {
    await page.keyboard.press('F9');
    await page.waitForTimeout(150);
  }
  await expect(page.getByRole('button', { name: 'Tap: 5' })).toBeVisible();
  await expect(page.getByText(/more turns until half the tolerance/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).click();
  // A turn in 0.15 s and the time a key takes: far over three times 33⅓, which is asked about before it is filed.
  const doubt = page.getByRole('alert', { name: 'Can this be right?' });
  await expect(doubt).toContainText(/^\d{3}(\.\d)? rpm is ([4-9]|1\d)(\.\d)? times the nominal 33\.33 rpm/);
  await expect(page.getByLabel('Speed reading')).toHaveCount(0);
  await doubt.getByRole('button', { name: 'It is right: keep it' }).click();
  await expect(page.getByLabel('Speed reading')).toContainText('stopwatch and counted turns, 4 turns');
  const times = await page.evaluate(() => (window as unknown as { times: number[] }).times);
  expect(times).toHaveLength(5);
  const period = times.reduce((sum, t, i) => sum + (i - 2) * t, 0) / 10;
  const error = 100 * (60 / period / (100 / 3) - 1);
  const shown = Number((await page.getByTestId('speed-number').innerText()).replace(/[^\d.]/g, ''));
  expect(shown / error).toBeCloseTo(1, 2);
  await expect(page.getByLabel('Bench log').getByText('held:')).toHaveCount(0);
});
