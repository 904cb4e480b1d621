/** The speed desk, Set-up and the bench: measure without a job, file it after, change what is set. */
import { expect, openJob, test } from '../support/app.js';
import { PLATTER, recording } from '../support/recordings.js';

test('a run without a job is shown with its figures and filed to one after', async ({ page, demo }) => {
  await page.goto(`${demo.url}/speed`);
  await expect(page.getByLabel('Runs without a job').locator('[aria-pressed]')).toHaveCount(3);
  await page
    .getByLabel('Recording of the test tone')
    .setInputFiles(
      recording('desk.wav', { errorPercent: 0.4, durationS: 30, lines: [PLATTER, { hz: 6.1, peakPercent: 0.03 }] }),
    );
  await expect(page.getByTestId('speed-number')).toHaveText('+0.40\u202f%');
  await page.getByText('All figures, each with its working').click();
  await expect(page.locator('[data-figure=mean]')).toContainText('3162.600\u202fHz');
  // The platter's 0.08 and the unknown 0.03 in quadrature, and the noise of 50 dB.
  const bars = page.getByLabel('Who makes the wow');
  await expect(bars.locator('[data-part=platter]')).toContainText('0.080');
  await expect(bars.locator('[data-part="not known"]')).toContainText('6.1 Hz, no part known at this rate');
  await expect(bars.locator('[data-part="not known"]')).toContainText('0.030');
  await expect(page.getByText(/^Slowest −0\.0[89].%/)).toBeVisible();
  // Sines of 0.08 and 0.03 together stay under 0.1025 for 95 % of the time.
  await expect(page.getByTestId('wow-figure')).toContainText('wow 0.10');
  const overTime = page.getByRole('img', { name: 'Speed over time' });
  await overTime.scrollIntoViewIfNeeded();
  await expect(overTime.locator('canvas')).toBeVisible();
  await page.locator('[data-figure=uncertainty] summary').click();
  await expect(page.getByText(/recorder clock within ±100 ppm/)).toBeVisible();
  await expect(page.getByRole('button', { name: /desk\.wav/ })).toBeVisible();
  await page.getByLabel('Speed', { exact: true }).click();
  await page.getByRole('option', { name: '45 rpm' }).click();
  await page.getByRole('button', { name: 'File to a job' }).click();
  await page.getByRole('menuitem', { name: /0147/ }).click();
  await expect(page.getByText('Filed to 0147, 45 rpm')).toBeVisible();
  await expect(page.getByRole('button', { name: /desk\.wav/ })).toHaveCount(0);
  const filed = `select body->>'speedId' as speed from job_event where kind = 'speed' order by position desc limit 1`;
  await expect.poll(() => demo.query(filed)).toEqual([{ speed: '45' }]);
});

test('a recording is kept only when asked for', async ({ page, demo }) => {
  await page.goto(`${demo.url}/speed`);
  const choose = page.getByLabel('Recording of the test tone');
  await choose.setInputFiles(recording('plain.wav', { durationS: 4 }));
  await expect(page.getByRole('button', { name: /plain\.wav/ })).toBeVisible();
  expect(await demo.query('select 1 from recording')).toHaveLength(0);
  await openJob(page, demo, 146, 'take-in');
  await page.getByLabel('keep the recording').check();
  await page.getByLabel('Recording of the test tone').setInputFiles(recording('kept.wav', { durationS: 4 }));
  await expect(page.getByTestId('speed-number')).toBeVisible();
  await expect.poll(async () => (await demo.query('select 1 from recording')).length).toBe(1);
});

test('settings: what is wrong is said, what is kept is used, a conflict shows both', async ({
  page,
  context,
  demo,
}) => {
  await page.goto(`${demo.url}/set-up`);
  await page.getByLabel('Currency').fill('euro');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alert')).toContainText('Three capital letters');
  await page.getByLabel('Currency').fill('NOK');
  const other = await context.newPage();
  await other.goto(`${demo.url}/set-up`);
  await other.getByLabel('Shop', { exact: true }).fill('The other room');
  await other.getByRole('button', { name: 'Keep' }).click();
  await expect(other.getByText('Kept')).toBeVisible();
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alert')).toContainText('The other room');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect.poll(async () => (await demo.query('select currency from setting'))[0]?.currency).toBe('NOK');
});

test('a test record changes its tolerance, and verdicts follow', async ({ page, demo }) => {
  await page.goto(`${demo.url}/set-up`);
  await page.getByRole('button', { name: 'Change' }).first().click();
  await page.getByLabel(/Tolerance/).fill('');
  await page.getByRole('button', { name: 'Keep' }).last().click();
  await expect(page.getByText('tolerance not known: nothing is proved right')).toBeVisible();
  await openJob(page, demo, 146, 'take-in');
  await page
    .getByLabel('Recording of the test tone')
    .setInputFiles(recording('unknown.wav', { errorPercent: 0.1, durationS: 12 }));
  await expect(page.getByLabel('Speed reading').getByText('undecided', { exact: true })).toBeVisible();
  await expect(page.getByLabel('Speed reading')).toContainText('choose the source it came from');
});

test('the charge left decides the power state by itself', async ({ page, demo }) => {
  await openJob(page, demo, 144, 'make-safe');
  await page.getByLabel('Volts left').fill('120V');
  await page.getByRole('button', { name: 'Keep reading' }).click();
  await expect(page.getByLabel('Bench log').getByText(/120.V d\.c\., at charge left/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Power: Unplugged, charge 120 V' })).toBeVisible();
  await page.getByLabel('Volts left').fill('12V');
  await page.getByRole('button', { name: 'Keep reading' }).click();
  await expect(page.getByRole('button', { name: 'Power: Unplugged, discharged' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Unplugged and discharged: safe to touch' })).toBeVisible();
});

test('an address that leads nowhere says so', async ({ page, demo }) => {
  await page.goto(`${demo.url}/nowhere/at/all`);
  await expect(page.getByRole('heading', { name: 'Nothing lies here' })).toBeVisible();
  await page.getByRole('link', { name: 'To the bench' }).click();
  await expect(page.getByText('Wants hands')).toBeVisible();
});
