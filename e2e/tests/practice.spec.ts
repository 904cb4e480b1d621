/** Practice: the same job screens on a simulated unit, apart from all real jobs, marked at its end. */
import type { EventBody } from '@amber-gauge/core/bench';
import { mapOf } from '@amber-gauge/core/training';
import type { Page } from '@playwright/test';
import { expect, test } from '../support/app.js';
import { tell } from '../support/jobs.js';

const ON: EventBody = { kind: 'power', state: 'live-direct', conditions: [] };

const idOf = (page: Page): string => /job\/([^/]+)/.exec(page.url())?.[1] ?? '';

/** A lesson taken up: its unit stands at Take in. */
async function begin(page: Page, url: string, lesson: string) {
  await page.goto(`${url}/practice`);
  await page.getByRole('button', { name: `Begin: ${lesson}` }).click();
  await page.waitForURL(/take-in/);
}

/** What the machine itself runs at, percent off: straight from its physics. */
const errorOf = (faults: readonly string[], seed: number, setting: string): number =>
  mapOf('belt-turntable-dc')?.machine.unit(faults, seed).see('platter.error.percent', { setting }).mean ?? NaN;

test('a unit of the practice bench is heard live at the speed it runs, at both settings, and a knob moves it', async ({
  page,
  demo,
  request,
}) => {
  await begin(page, demo.url, 'The trim of 33 moves 45 as well');
  await expect(page.getByText('P-0001')).toBeVisible();
  await expect(page.getByText('practice', { exact: true })).toBeVisible();
  await tell(request, demo.url, idOf(page), [[0, ON]]);
  await page.getByRole('button', { name: 'live tone', exact: true }).click();
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  const live = page.getByTestId('live-number');
  const shown = async () =>
    Number(((await live.textContent()) ?? '').replace('−', '-').replace(/[^0-9.+-]/g, '') || NaN);
  const low = errorOf(['low-both'], 11, '33');
  expect(low).toBeLessThan(-1.5);
  await expect.poll(async () => Math.abs((await shown()) - low), { timeout: 30_000 }).toBeLessThan(0.25);
  await page.getByRole('button', { name: 'Instruments' }).click({ trial: true });
  await tell(request, demo.url, idOf(page), [[0, { kind: 'practice-turn', trim: '33', name: '33 trim', turns: 0.05 }]]);
  // A twentieth of a turn is close to one percent.
  await expect.poll(async () => Math.abs((await shown()) - low - 0.95), { timeout: 30_000 }).toBeLessThan(0.3);
});

test('its scope shows the pulses of a turn, and the trace is measured at what the platter runs', async ({
  page,
  demo,
  request,
}) => {
  await begin(page, demo.url, 'The trim of 33 moves 45 as well');
  const id = idOf(page);
  await tell(request, demo.url, id, [[0, ON]]);
  await page.goto(`${demo.url}/job/${id}/take-in`);
  await page.getByLabel('Instrument', { exact: true }).click();
  await page.getByRole('option', { name: 'Scope, pulses of a turn' }).click();
  await page.getByLabel('At', { exact: true }).click();
  await page.getByRole('option', { name: 'platter', exact: true }).click();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(page.getByTestId('practice-shown')).toContainText(/pulses of platter: pulses of 5\sV, 18\d\d/);
  // Forty turns of about 1.83 s, ten divisions.
  await expect(page.getByRole('figure', { name: 'Scope' })).toContainText(/1\sV and 10\ss a division/);
  await page.getByRole('button', { name: 'pulses', exact: true }).click();
  await page.getByRole('button', { name: 'Take the trace of the practice scope' }).click();
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  const low = errorOf(['low-both'], 11, '33');
  const text = async () => (await page.getByTestId('speed-number').textContent()) ?? '';
  await expect
    .poll(async () => Math.abs(Number((await text()).replace('−', '-').replace(/[^0-9.-]/g, '')) - low))
    .toBeLessThan(0.1);
  // The thumb of a stopwatch at the same platter: a hundred turns take three minutes and more of the practice clock.
  await page.getByLabel('Instrument', { exact: true }).click();
  await page.getByRole('option', { name: 'Stopwatch, a hundred turns' }).click();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(page.getByTestId('practice-shown')).toContainText(/100 turns in 18\d\.\d\ss: 32\.\d\d ± 0\.0\d\srpm/);
});

test('its microphone takes the motor’s sound, and the speed desk measures it at what the shaft runs', async ({
  page,
  demo,
  request,
}) => {
  await begin(page, demo.url, 'Only the top speed is weak');
  const id = idOf(page);
  await tell(request, demo.url, id, [[0, ON]]);
  await page.goto(`${demo.url}/job/${id}/take-in`);
  await page.getByLabel('Instrument', { exact: true }).click();
  await page.getByRole('option', { name: 'Microphone, the motor’s sound' }).click();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(page.getByTestId('practice-shown')).toContainText(/Microphone at the armature, 12 bars: 8\ss of its/);
  await page.getByRole('button', { name: 'Play what it took' }).click();
  await page.getByRole('button', { name: 'sound', exact: true }).click();
  await page.getByLabel('It sounds of').click();
  await page.getByRole('option', { name: 'bars' }).click();
  await page.getByRole('textbox', { name: 'Commutator bars' }).fill('12');
  await page.getByRole('button', { name: 'Take the sound of the practice bench' }).click();
  // Straight from its physics: a triac that passes one half wave, at the setting the screen stands at.
  const rpm = mapOf('stand-mixer')?.machine.unit(['control-half'], 6).see('shaft.rpm', { setting: 'low' }).mean ?? NaN;
  expect(rpm).toBeGreaterThan(1000);
  const text = async () => (await page.getByTestId('speed-number').textContent()) ?? '';
  await expect
    .poll(async () => Math.abs(Number((await text()).replace(/[^0-9.]/g, '')) / rpm - 1), { timeout: 30_000 })
    .toBeLessThan(0.005);
});

test('it stands in no list and no figure, and parts stay on the shelf', async ({ page, demo, request }) => {
  const counts = async () =>
    ((await (await request.get(`${demo.url}/api/v1/jobs`)).json()) as { counts: unknown }).counts;
  const figures = async () => (await request.get(`${demo.url}/api/v1/book/figures`)).json() as Promise<unknown>;
  const before = [await counts(), await figures()];
  await begin(page, demo.url, 'Both speeds off by as much');
  const id = idOf(page);
  await tell(request, demo.url, id, [
    [1, ON],
    [0, { kind: 'mended', repairId: 'clean-pitch', name: 'Clean the pitch control' }],
  ]);
  expect([await counts(), await figures()]).toEqual(before);
  const known = await (await request.get(`${demo.url}/api/v1/families/belt-turntable-dc/known?model=`)).json();
  await tell(request, demo.url, id, [[0, { kind: 'mended', repairId: 'belt', name: 'Renew the belt' }]]);
  expect(await (await request.get(`${demo.url}/api/v1/families/belt-turntable-dc/known?model=`)).json()).toEqual(known);
  await page.goto(`${demo.url}/job/${id}/mend`);
  await expect(page.getByLabel('Practice bench')).toBeVisible();
  await expect(page.getByLabel('From the shelf')).toHaveCount(0);
  await page.goto(`${demo.url}/practice`);
  await expect(page.getByRole('row', { name: /P-000\d.*open/ }).first()).toBeVisible();
});

test('what is asked is done with one key, costs its minutes, and the end says how it went', async ({ page, demo }) => {
  await begin(page, demo.url, 'Both speeds off by as much');
  await page.goto(`${demo.url}/job/${idOf(page)}/find`);
  const asked = page.getByLabel('Next test').getByRole('heading');
  await expect(asked).toHaveText('Insulation of what hangs on the mains');
  await page.getByRole('button', { name: 'Do what is asked' }).click();
  await expect(page.getByTestId('practice-shown')).toHaveText('Insulation of what hangs on the mains: good');
  await expect(page.getByTestId('practice-clock')).toHaveText('2');
  await page.getByRole('button', { name: 'good', exact: true }).click();
  await expect(asked).not.toHaveText('Insulation of what hangs on the mains');
  // A unit that is off shows no volts, and a moment at the meter is a minute.
  await page.getByRole('button', { name: 'Instruments' }).click();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(page.getByTestId('practice-shown')).toHaveText(/^Volts, d\.c\. at .*: 0\sV$/);
  await expect(page.getByTestId('practice-clock')).toHaveText('3');
  await page.getByRole('button', { name: 'I am done' }).click();
  const end = page.getByLabel('How it went');
  await expect(end.getByRole('heading')).toContainText('Still there: pitch control not at its centre', {
    timeout: 30_000,
  });
  await expect(
    end
      .getByRole('row', { name: /minutes to the fault/ })
      .getByRole('cell')
      .first(),
  ).toHaveText('3, not found');
  await expect(end.getByLabel('Played back').getByRole('listitem')).toHaveCount(2);
  await page.goto(`${demo.url}/practice`);
  await expect(page.getByRole('row', { name: /left: pitch control not at its centre/ })).toContainText('3');
});

test('a file that is no practice unit is refused by name, a good one is built', async ({ page, demo }) => {
  await page.goto(`${demo.url}/practice`);
  const file = (text: string) => ({ name: 'unit.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  const unit = { format: 'amber-gauge-practice-unit', version: 1, machine: 'mixer', faults: ['gremlin'], seed: 1 };
  await page.getByLabel('Practice unit', { exact: true }).setInputFiles(file(JSON.stringify(unit)));
  await expect(page.getByRole('alert')).toHaveText(
    'This practice unit cannot be built: the machine mixer has no fault gremlin.',
  );
  await page
    .getByLabel('Practice unit', { exact: true })
    .setInputFiles(file(JSON.stringify({ ...unit, faults: ['switch-open'], complaint: 'Nothing happens.' })));
  await page.waitForURL(/take-in/);
  await expect(page.getByTestId('practice-shown')).toHaveText('The owner says: Nothing happens.');
});
