/** Strip-down and the way back: nothing forgotten, nobody hurt. */
import type { Page } from '@playwright/test';
import { expect, openJob, test } from '../support/app.js';
import { file, picture } from '../support/pictures.js';

async function open(page: Page, url: string, number: string, stage: string) {
  await page.goto(url);
  await page.getByRole('link', { name: new RegExp(number) }).click();
  await expect(page.getByLabel('Entry line')).toBeVisible();
  if (await page.getByLabel('Stages').getByRole('button').first().isVisible())
    await page
      .getByLabel('Stages')
      .getByRole('button', { name: new RegExp(`^${stage}`) })
      .click();
  else {
    await page.getByLabel('Stage', { exact: true }).click();
    await page.getByRole('option', { name: new RegExp(`^${stage}`) }).click();
  }
}

async function step(page: Page, text: string) {
  const field = page.getByRole('textbox', { name: 'What comes off' });
  await field.fill(text);
  await page.getByRole('button', { name: 'Keep step' }).click();
  await expect(field).toHaveValue('');
}

test('a full strip-down: a forgotten switch stops the power, and the counts come out even', async ({ page, demo }) => {
  test.setTimeout(120_000);
  await open(page, demo.url, '0143', 'Open up');
  await step(page, 'back cover 6 x 12 mm, tray A');
  await expect(page.getByLabel('What came off')).toContainText('6 × 12 mm, tray A');

  await page.getByRole('button', { name: 'Gap, wires, marks' }).click();
  await page.getByRole('button', { name: 'Measure a distance before it is disturbed' }).click();
  await page.getByLabel('Distance of what').fill('flywheel gap');
  await page.getByLabel('Measured').fill('0,4');
  await page.getByRole('textbox', { name: '±' }).fill('0.1');
  await page.getByLabel('Wires, in pin order').fill('1 red, 2 black, 3 blue');
  await page.getByRole('button', { name: 'cable tie' }).click();
  await step(page, 'capstan board 2 x 6 mm + 1 star washer, tray B');
  await page.getByRole('button', { name: /look at the mating face/ }).click();
  await expect(page.getByLabel('Pins left to right, mating face').getByRole('listitem').first()).toContainText('blue');

  await page.getByLabel('What is open now').fill('speed switch');
  await page.getByRole('button', { name: 'unsoldered', exact: true }).click();
  await page.getByRole('button', { name: 'Keep as open' }).click();
  await expect(page.getByRole('heading', { name: '1 open end' })).toBeVisible();

  // Interrupted: the page is closed and opened anew, and everything is there.
  await page.reload();
  await expect(page.getByLabel('What came off').getByRole('listitem')).not.toHaveCount(0);

  await page.getByLabel('Stages').getByRole('button', { name: /^Mend/ }).click();
  await page.getByLabel('What', { exact: true }).fill('run capacitor');
  await page.getByRole('button', { name: 'replaced' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();

  await page.keyboard.press('F8');
  const gate = page.getByRole('dialog');
  await expect(gate.getByText('Open: speed switch, unsoldered')).toBeVisible();
  await gate.getByRole('button', { name: 'Lamp in series' }).click();
  await gate.getByLabel('Ω, as in 47k or OL').fill('120');
  await expect(gate).toContainText('do not power');
  await gate.getByLabel('Ω, as in 47k or OL').fill('47k');
  for (const box of await gate.getByRole('checkbox').all()) await box.check();
  await expect(gate.getByRole('button', { name: '1 still open' })).toBeDisabled();
  await gate.getByRole('button', { name: 'Stay unplugged' }).click();

  await page
    .getByLabel('Stages')
    .getByRole('button', { name: /^Open up/ })
    .click();
  await page.getByRole('button', { name: /^Put together/ }).click();
  await expect(page.getByRole('heading', { name: 'Put back 2: capstan board' })).toBeVisible();
  await page.getByRole('button', { name: 'Do step 1 now' }).click();
  await expect(page.getByText(/shuts in: 2 capstan board/)).toBeVisible();
  await page.getByRole('button', { name: 'Do step 2 now' }).click();
  await page.getByRole('button', { name: 'Close: speed switch' }).click();
  await page.getByLabel('Measured, mm').fill('0.7');
  await expect(page.getByText('not right', { exact: true })).toBeVisible();
  await page.getByLabel('Measured, mm').fill('0.45');
  await page.getByRole('button', { name: 'renewed' }).click();
  await page.getByRole('button', { name: 'all 2' }).click();
  await page.getByRole('button', { name: 'all 1' }).click();
  await page.getByRole('button', { name: 'It is back' }).click();
  await expect(page.getByRole('heading', { name: 'Put back 1: back cover' })).toBeVisible();
  await page.getByRole('button', { name: 'flush', exact: true }).click();
  await page.getByRole('button', { name: /^One fewer/ }).click();
  await page.getByRole('button', { name: 'It is back' }).click();
  await expect(page.getByLabel('Findings')).toContainText('1 of 6 12 mm, tray A left over from step 1');
  await page.getByLabel('Why it may stand').fill('thread stripped, glued');
  await page.getByRole('button', { name: 'Explain' }).click();
  await expect(page.getByLabel('Findings')).toContainText('explained: thread stripped, glued');
  await expect(page.getByLabel('Trays')).toContainText('even');

  await page.keyboard.press('F8');
  await gate.getByRole('button', { name: 'Lamp in series' }).click();
  await gate.getByLabel('Ω, as in 47k or OL').fill('OL');
  for (const box of await gate.getByRole('checkbox').all()) await box.check();
  await gate.getByRole('button', { name: 'Go live' }).click();
  await expect(page.getByRole('button', { name: 'Power: Live through isolation' })).toBeVisible();
  await expect
    .poll(
      async () =>
        (await demo.query(`select body from job_event where kind = 'gate' and device <> 'demo bench'`))[0]?.body,
    )
    .toMatchObject({ to: 'live-isolated', accepted: [], limit: { kind: 'lamp' } });
});

test('what defeats a safety device is refused with its reason, and a finding is kept', async ({ page, demo }) => {
  await open(page, demo.url, '0144', 'Mend');
  const what = page.getByLabel('What', { exact: true });
  await what.fill('bridge the door lock');
  // The stops of the job itself are alerts too, and come when its advice does.
  await expect(page.getByRole('alert').filter({ hasText: 'Door and lid locks stay' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await expect(what).toHaveValue('bridge the door lock');
  await what.fill('found the door lock bridged, bridge taken out');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByLabel('Bench log')).toContainText('found the door lock bridged');
});

test('coming back shows where the hands were, and a usual mend opens and closes its ends', async ({ page, demo }) => {
  await openJob(page, demo, 148);
  const were = page.getByLabel('Where the hands were');
  await expect(were).toContainText('The hands were at Mend');
  await expect(were).toContainText('2 open ends');
  expect((await were.boundingBox())?.height).toBeLessThanOrEqual(64);
  await were.getByRole('button', { name: 'Go on there' }).click();
  await expect(were).toHaveCount(0);
  await expect(page).toHaveURL(/\/mend$/);
  await page.getByRole('button', { name: /^Begin: Wire over a lifted track/ }).click();
  await expect(page.getByRole('button', { name: /^Done, and closed: connectors of the board/ })).toBeVisible();
  await page.getByRole('button', { name: /^Done, and closed/ }).click();
  await expect(page.getByLabel('Bench log')).toContainText('repaired the track from the FG head');
});

test('a discharge is computed, counts down as the prompt, and only a reading proves it', async ({ page, demo }) => {
  await open(page, demo.url, '0144', 'Make safe');
  const store = page.getByLabel('Discharge of the inverter bus');
  await store.getByLabel('Resistor, W').fill('5');
  await expect(store).toContainText('too small');
  await store.getByLabel('Resistor, W').fill('25');
  await expect(store).toContainText('22 s to 27 s to 35 V');
  await store.getByRole('button', { name: 'Resistor is on: count down' }).click();
  await expect(page.getByRole('heading', { name: 'Charge drains, inverter bus' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Power: Unplugged, charge unknown' })).toBeVisible();
  await page.getByLabel('Volts left').fill('4V');
  await page.getByRole('button', { name: 'Keep reading' }).click();
  await expect(page.getByRole('button', { name: 'Power: Unplugged, discharged' })).toBeVisible();
});

test('timers run on the server, survive its restart, show in the title and wait for an answer', async ({
  page,
  demo,
}) => {
  await open(page, demo.url, '0147', 'Prove');
  await page.getByRole('button', { name: 'Warm-up', exact: true }).click();
  await page.getByLabel(/^How long/).fill('11 s');
  await page.getByRole('button', { name: 'Start 11 s' }).click();
  await expect(page.getByRole('timer')).toContainText('Warm-up');
  await expect(page).toHaveTitle(/Warm-up, 0147/);
  await demo.kill();
  await demo.start();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Warm-up done: seen' })).toBeVisible({ timeout: 20_000 });
  await expect(page).toHaveTitle(/● Warm-up done, 0147/);
  await page.goto(demo.url);
  await expect(page.getByRole('link', { name: /0147/ })).toContainText('Warm-up done: look at it');
  await page.goBack();
  await page.getByRole('button', { name: 'Warm-up done: seen' }).click();
  await expect(page.getByRole('button', { name: 'Warm-up done: seen' })).toHaveCount(0);
});

test('at 390 px: photos many at once, what is no picture is said, marks lie on top', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, demo.url, '0148', 'Open up');
  await page.getByRole('button', { name: 'Take apart' }).click();
  const files = [
    file('one.jpg', await picture(page, 'one', 3200, 2400)),
    file('two.jpg', await picture(page, 'two')),
    file('broken.jpg', Buffer.from('this is no picture')),
  ];
  await page.locator('input[type=file][aria-label="Photo of step 1"]').setInputFiles(files);
  await expect(page.getByRole('alert').filter({ hasText: 'broken.jpg is no picture' })).toBeVisible();
  const strip = page.getByLabel('What came off').getByRole('listitem').filter({ hasText: 'top cover' });
  await expect(strip.getByRole('img')).toHaveCount(2);
  await expect.poll(async () => (await demo.query(`select 1 from photo where thumb is not null`)).length).toBe(5);
  const [large] = await demo.query(`select max(octet_length(bytes)) as most from photo`);
  expect(Number(large?.most)).toBeLessThan(1_500_000);

  await strip.getByRole('button', { name: /^Open/ }).first().click();
  const canvas = page.getByRole('dialog').locator('canvas').first();
  const box = await canvas.boundingBox();
  if (!box) throw new Error('no canvas');
  await page.mouse.move(box.x + 40, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + 200, box.y + 120, { steps: 4 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'number', exact: true }).click();
  await canvas.click({ position: { x: 100, y: 100 } });
  await page.getByRole('button', { name: 'Keep the marks' }).click();
  await expect
    .poll(async () => (await demo.query(`select body->'marks' as marks from job_event where kind = 'marks'`))[0]?.marks)
    .toMatchObject([{ shape: 'arrow' }, { shape: 'number', text: '1' }]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
