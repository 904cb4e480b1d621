/** Bad files and bad lines: each its own plain message, and nothing entered is lost. */
import { writeWav } from '@amber-gauge/core/formats';
import { gaussian, seeded } from '@amber-gauge/core/numeric';
import { enter, expect, openJob, test } from '../support/app.js';
import { asFile, longRecording, recording } from '../support/recordings.js';

const normal = gaussian(seeded(3));

test('files that cannot be measured say what to do', async ({ page, demo }) => {
  await openJob(page, demo, 146);
  await page.getByLabel('Entry line').fill('14.2V @halfway typed');
  const choose = page.getByLabel('Recording of the test tone');
  const truncated = writeWav([new Float64Array(0)], 44100);
  const cases: [string, Uint8Array | string, RegExp][] = [
    ['letter.wav', 'dear repairer, this is text', /not a WAV recording/],
    ['empty.wav', '', /The file is empty/],
    ['cut.wav', truncated, /holds a header but no sound/],
    ['silent.wav', writeWav([new Float64Array(44100)], 44100), /silent/],
    ['hiss.wav', writeWav([Float64Array.from({ length: 60000 }, () => 0.1 * normal())], 44100), /No steady test tone/],
  ];
  for (const [name, bytes, message] of cases) {
    await choose.setInputFiles(asFile(name, bytes));
    await expect(page.getByRole('alert')).toContainText(message);
    await expect(page.getByRole('alert')).toContainText(name);
  }
  await expect(page.getByLabel('Entry line')).toHaveValue('14.2V @halfway typed');
  await page.reload();
  await expect(page.getByLabel('Entry line')).toHaveValue('14.2V @halfway typed');
});

test('a 220 MB recording is measured by streaming, shows progress and can be stopped', async ({ page, demo }) => {
  test.setTimeout(180_000);
  const path = longRecording('long.wav', 220);
  await page.goto(`${demo.url}/speed`);
  const choose = async () => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Choose a recording' }).click(),
    ]);
    await chooser.setFiles(path);
  };
  await choose();
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('stopped');
  await choose();
  await expect(page.getByTestId('speed-number')).toHaveText('+0.57\u202f%', { timeout: 150_000 });
});

test('a line that cannot be read stays, with the part marked, and 1,500 is asked about', async ({ page, demo }) => {
  await openJob(page, demo, 147);
  const entry = page.getByLabel('Entry line');
  await entry.fill('27.5Q @reservoir');
  await entry.press('Enter');
  await expect(entry).toHaveValue('27.5Q @reservoir');
  await expect(page.locator('mark')).toHaveText('Q');
  await expect(page.locator('#understood')).toContainText('no unit known here');
  await entry.fill('1,500V @tap');
  await entry.press('Enter');
  await expect(entry).toHaveValue('1,500V @tap');
  await page.getByRole('button', { name: '1.5\u202fkV d.c.' }).click();
  await expect(page.getByLabel('Bench log').getByText('1.5\u202fkV d.c., at tap')).toBeVisible();
});

test('a result that cannot be stored waits on the page until it can', async ({ page, demo }) => {
  const measuring = page.waitForEvent('worker');
  await page.goto(`${demo.url}/speed`);
  const choose = page.getByLabel('Recording of the test tone');
  await expect(choose).toBeAttached();
  // All that the page needs has come, the worker's program as well.
  await (await measuring).evaluate(() => 1);
  await demo.kill();
  await choose.setInputFiles(recording('later.wav', { errorPercent: 0.5 }));
  await expect(page.getByRole('alert')).toContainText('Measured, but not stored yet');
  await demo.start();
  await page.getByRole('button', { name: 'Store it now' }).click();
  await expect(page.getByTestId('speed-number')).toHaveText('+0.50\u202f%');
});

test('a struck line stays visible with its reason, and what was computed from it is computed anew', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 145);
  await enter(page, '-9% 45');
  await page.keyboard.press('Alt+7');
  const log = page.getByLabel('Bench log');
  await log.getByRole('button', { name: /Strike out: −9/ }).click();
  await page.getByRole('button', { name: 'mistyped' }).click();
  await expect(log.getByText('(struck out: mistyped)')).toBeVisible();
  await page.keyboard.press('Alt+1');
  await expect(page.getByRole('heading', { name: 'Measure as found, 45 rpm' })).toBeVisible();
});
