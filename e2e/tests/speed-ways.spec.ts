/** The speed desk from everything a bench has, beside the tone file: tables, sound, several tones, and runs that travel. */
import { readFileSync } from 'node:fs';
import { expect, test } from '../support/app.js';
import { asFile, motor, recording, tonesInARow } from '../support/recordings.js';

const way = (name: string) => ({ name, exact: true });

test('a worker under the policy served may compile the inner loops, and no text as a program', async ({
  page,
  demo,
  request,
}) => {
  const policy = (await request.get(`${demo.url}/`)).headers()['content-security-policy'] as string;
  const probe = `
    const tried = (work) => { try { work(); return true; } catch { return false; } };
    postMessage([
      tried(() => new WebAssembly.Module(new Uint8Array([0, 97, 115, 109, 1, 0, 0, 0]))),
      tried(() => new Function('return 1')()),
    ]);`;
  await page.route('**/probe.js', (route) =>
    route.fulfill({ body: probe, contentType: 'text/javascript', headers: { 'content-security-policy': policy } }),
  );
  await page.goto(`${demo.url}/speed`);
  const answer = page.evaluate(
    () => new Promise((resolve) => (new Worker('/probe.js').onmessage = (event) => resolve(event.data))),
  );
  expect(await answer).toEqual([true, false]);
});

test('pulses of a scope capture: the columns are shown, corrected and measured; spacing stands in the figures', async ({
  page,
  demo,
}) => {
  const hz = (4 * 33.5) / 60;
  const rows = Array.from({ length: 6000 }, (_, i) => {
    const t = i * 0.005;
    return `${t.toFixed(3).replace('.', ',')};${(t * hz) % 1 < 0.4 ? '4,9' : '0,1'};${i}`;
  });
  await page.goto(`${demo.url}/speed`);
  await page.getByRole('button', way('pulses')).click();
  await page.getByLabel('Pulses a turn').fill('4');
  await page.getByLabel('File of pulses').setInputFiles(asFile('scope.csv', `Time (s);CH1 (V);n\n${rows.join('\n')}`));
  const columns = page.getByLabel('Columns of the table');
  await expect(columns).toContainText('separated by semicolons, decimal comma, 6000 rows');
  await columns.getByLabel('Time in').click();
  await page.getByRole('option', { name: 'ms', exact: true }).click();
  await columns.getByLabel('Time in').click();
  await page.getByRole('option', { name: 's', exact: true }).click();
  await columns.getByRole('button', { name: 'Measure' }).click();
  await expect(page.getByTestId('speed-number')).toContainText('+0.50');
  await page.getByText('All figures, each with its working').click();
  await page.locator('[data-figure=spacing] summary').click();
  await expect(page.locator('[data-figure=spacing]')).toContainText('one sensor cannot split them');
  await page.getByLabel('File of pulses').setInputFiles(asFile('bad.csv', '1\n2\nthree\n4\n5'));
  await expect(page.getByRole('alert')).toContainText('Line 3');
});

test('a figure that cannot be is asked about; a file of another kind goes where it can be read', async ({
  page,
  demo,
}) => {
  // 33.4 rpm, four pulses a turn, in milliseconds under a header that says seconds.
  const times = Array.from({ length: 240 }, (_, i) => ((i * 60000) / 33.4 / 4).toFixed(3)).join('\n');
  const file = asFile('ms.csv', `Time (s)\n${times}`);
  await page.goto(`${demo.url}/speed`);
  await page.getByRole('button', way('pulses')).click();
  await page.getByLabel('Pulses a turn').fill('4');
  await page.getByLabel('File of pulses').setInputFiles(file);
  await page.getByLabel('Columns of the table').getByRole('button', { name: 'Measure' }).click();
  const question = page.getByRole('alert', { name: 'Which reading is right?' });
  await expect(question).toContainText('0.0334 rpm, which a machine of 33.33 rpm cannot reach. Is it in milliseconds?');
  await expect(page.getByTestId('speed-number')).toHaveCount(0);
  await question.getByRole('button', { name: 'milliseconds: 33.4 rpm' }).click();
  await expect(page.getByTestId('speed-number')).toContainText('+0.200');
  await page.getByRole('button', way('recording')).click();
  await page.getByLabel('Recording of the test tone').setInputFiles(file);
  await expect(page.getByRole('button', way('pulses'))).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('ms.csv is a table, no recording: read as pulses.')).toBeVisible();
  await expect(page.getByLabel('Columns of the table')).toContainText('240 rows');
});

test('a gyroscope log is a reading with its scale in the uncertainty', async ({ page, demo }) => {
  const rows = Array.from({ length: 1500 }, (_, i) => `${i * 20},0.01,-0.02,${i < 300 ? 0.05 : 201.05}`);
  await page.goto(`${demo.url}/speed`);
  await page.getByRole('button', way('gyroscope')).click();
  await page
    .getByLabel('Log of the gyroscope')
    .setInputFiles(asFile('phone.csv', `time ms,gx deg,gy deg,gz deg\n${rows.join('\n')}`));
  await page.getByLabel('Columns of the table').getByRole('button', { name: 'Measure' }).click();
  await expect(page.getByTestId('speed-number')).toContainText('+0.50');
  await expect(page.getByText(/scale is not calibrated/)).toBeVisible();
  await expect(page.getByText('undecided')).toBeVisible();
});

test('a fan without a tone: candidates with their odds, droop between two marks', async ({ page, demo }) => {
  await page.goto(`${demo.url}/speed`);
  await page.getByRole('button', way('sound')).click();
  await expect(page.getByRole('button', { name: 'Choose a recording' })).toBeDisabled();
  await page.getByLabel('Blades').fill('5');
  await page
    .getByLabel('Recording of the sound')
    .setInputFiles(motor('fan.wav', { durationS: 8, rpmAt: (t) => (t < 4 ? 12000 : 10800) }));
  await expect(page.getByTestId('speed-number')).toContainText('rpm', { timeout: 30_000 });
  await expect(page.getByLabel('Speeds that fit')).toContainText('5 lines a turn (blades)');
  await page.getByLabel('Free at, s').fill('2');
  await page.getByLabel('Loaded at, s').fill('6,5');
  await expect(page.getByText(/10\.0 % slower loaded than free/)).toBeVisible();
});

test('several tones in a row are each measured; a 3000 Hz tape is asked about, never chosen silently', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/speed`);
  const choose = page.getByLabel('Recording of the test tone');
  await choose.setInputFiles(tonesInARow('row.wav', [3150, 1000, 300], 0.8));
  const tones = page.getByLabel('Tones on this recording');
  for (const hz of ['3150 Hz', '1000 Hz', '300 Hz'])
    await expect(tones.getByRole('row', { name: hz })).toContainText('+0.80');
  await choose.setInputFiles(recording('maybe.wav', { nominalHz: 3000, errorPercent: 0.2 }));
  await expect(page.getByText(/Is this a 3000 Hz tape/)).toBeVisible();
  await expect(page.getByRole('button', { name: /maybe\.wav/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Yes:/ }).click();
  await expect(page.getByTestId('speed-number')).toContainText('+0.2');
  await choose.setInputFiles(recording('fast.wav', { nominalHz: 4252.5 / 1.05, errorPercent: 0 }));
  await expect(page.getByText(/a 33⅓ rpm band played at 45 rpm/)).toBeVisible();
});

test('two runs lie over each other; an exported run comes back with the same figures', async ({ page, demo }) => {
  await page.goto(`${demo.url}/speed`);
  const choose = page.getByLabel('Recording of the test tone');
  await choose.setInputFiles(recording('before.wav', { errorPercent: -1.1 }));
  await expect(page.getByTestId('speed-number')).toContainText('−1.10');
  await choose.setInputFiles(recording('after.wav', { errorPercent: 0.1 }));
  await expect(page.getByTestId('speed-number')).toContainText('+0.10');
  const row = page.getByLabel('Runs without a job').locator('div', { hasText: 'before.wav' });
  await row.getByRole('button', { name: 'compare' }).click();
  await expect(page.getByText(/\+1\.20\d* ± (less than )?0\.00\d+ % from before: a real change/)).toBeVisible();
  await page.getByText('All figures, each with its working').click();
  const figure = await page.locator('[data-figure=weightedRmsPercent] summary').textContent();
  for (const kind of ['CSV', 'JSON']) {
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: `Export ${kind}` }).click();
    const path = await (await waiting).path();
    await page.getByLabel('Exported run').setInputFiles(asFile(`run.${kind.toLowerCase()}`, readFileSync(path)));
    await expect(page.getByText('after.wav: imported')).toBeVisible();
    await expect(page.locator('[data-figure=weightedRmsPercent] summary')).toHaveText(figure ?? '');
  }
  const stored = `select count(distinct figures::text) as kinds, count(*) as n from speed_run where file_name = 'after.wav'`;
  await expect.poll(() => demo.query(stored)).toEqual([{ kinds: '1', n: '3' }]);
});

test('a test tone made here reads as it was made; the sound card’s clock is put right by a known frequency', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/speed/tones`);
  await page.getByLabel('Length, s').fill('8');
  await page.getByLabel('Speed error, %').fill('0,35');
  await page.getByLabel('Wow or flutter, % peak').fill('0.2');
  await expect(page.getByText('3161.025 Hz')).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as WAV' }).click();
  const made = asFile('made.wav', readFileSync(await (await waiting).path()));
  await page.getByLabel('Peak level, dB of full scale').fill('6');
  await expect(page.getByText(/between −60 and 0 dB/)).toBeVisible();
  await page.goto(`${demo.url}/speed`);
  await page.getByLabel('Recording of the test tone').setInputFiles(made);
  await expect(page.getByTestId('speed-number')).toContainText('+0.35');

  await page.goto(`${demo.url}/set-up`);
  await page
    .getByLabel('Recording of the known frequency')
    .setInputFiles(recording('known.wav', { nominalHz: 1000, errorPercent: 0.003, lines: [] }));
  await expect(page.getByText(/correction −30\.0\d ppm/)).toBeVisible();
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText(/−30\.0\d ppm now/)).toBeVisible();
  const kept = 'select round(clock_correction_ppm::numeric) as ppm from setting';
  await expect.poll(() => demo.query(kept)).toEqual([{ ppm: '-30' }]);
});
