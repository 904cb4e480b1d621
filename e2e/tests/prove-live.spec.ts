/** Prove with a source that is heard live, the soak's look-ins, and a run down read out of a log. */
import type { EventBody } from '@amber-gauge/core/bench';
import { writeWav } from '@amber-gauge/core/formats';
import { synthTone } from '@amber-gauge/core/speed';
import { expect, test } from '../support/app.js';
import { takeIn, tell } from '../support/jobs.js';
import { microphone } from '../support/microphone.js';
import { asFile } from '../support/recordings.js';

/** 3156.3 Hz on a 3150 Hz tape: +0.20 %. */
const RATE = 44100;
const tone = synthTone({ sampleRate: RATE, durationS: 20, nominalHz: 3156.3, amplitude: 0.4 });
test.use(microphone(asFile('prove-live.wav', writeWav([tone], RATE))));

const on: EventBody = { kind: 'power', state: 'live-isolated', conditions: [] };
const turntable = { familyId: 'belt-turntable-dc', speedIds: ['33'] };

test('the soak: begun with its look-in, readings go into the log by themselves, a look is a line', async ({
  page,
  demo,
  request,
}) => {
  const { id } = await takeIn(request, demo.url, turntable);
  await tell(request, demo.url, id, [
    [2, { kind: 'work', action: 'replace', what: 'the belt', blocks: ['belt'], reach: 'mechanics' }],
    [1, on],
  ]);
  await page.goto(`${demo.url}/job/${id}/prove`);
  await page.getByLabel('Proving plan').getByRole('button', { name: /^Soak/ }).click();
  await page.getByRole('button', { name: /^Start the soak/ }).click();
  const log = page.getByLabel('Bench log');
  await expect(page.getByText(/^Look again in (59:5|1:00:0)/)).toBeVisible();
  await page.getByRole('button', { name: 'Looked in: all well' }).click();
  await expect(log.getByText('Soak: looked in, all well')).toBeVisible();
  await page.getByRole('button', { name: 'live tone', exact: true }).click();
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  await expect(page.getByTestId('live-number')).toContainText('+0.20', { timeout: 20_000 });
  await page.getByLabel('Into the log').click();
  await page.getByRole('option', { name: 'every 10 s' }).click();
  const speeds = async () => {
    const rows = await demo.query(
      `select body from job_event where job_id = '${id}' and kind = 'speed' order by position`,
    );
    return rows.map((row) => (row.body as { errorPercent: number }).errorPercent);
  };
  await expect.poll(async () => (await speeds()).length, { timeout: 40_000 }).toBeGreaterThanOrEqual(2);
  // A busy machine may drop moments of the sound, half a turn of the tone each: far inside the reading's uncertainty.
  for (const error of await speeds()) expect(Math.abs(error - 0.2)).toBeLessThan(0.05);
  await page.getByRole('button', { name: 'Stop listening' }).click();
});

test('a run down out of a gyroscope’s log is timed between the same speeds', async ({ page, demo, request }) => {
  const { id } = await takeIn(request, demo.url, turntable);
  // Friction alone: from full speed to standstill in a straight line of 40 s; 0.98 to a half takes 19.2 s.
  const rate = (t: number) => 200 * Math.max(0, Math.min(1, 1 - (t - 5) / 40));
  const rows = Array.from({ length: 55 * 20 }, (_, i) => `${i / 20},0.4,-0.2,${(-rate(i / 20)).toFixed(3)}`);
  const csv = asFile('coast.csv', Buffer.from(`t (s),gx (deg/s),gy (deg/s),gz (deg/s)\n${rows.join('\n')}`));
  await page.goto(`${demo.url}/job/${id}/prove`);
  const panel = page.getByLabel('Coast-down');
  await panel.getByLabel('Log of the run down').setInputFiles(csv);
  await expect(panel.getByText(/19\.2\s?s/)).toBeVisible();
  await panel.getByLabel('Log of the run down').setInputFiles(asFile('none.csv', Buffer.from('nothing here')));
  await expect(page.getByText('No row of numbers was found.', { exact: false })).toBeVisible();
});
