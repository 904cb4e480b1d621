/** One truth about the unit: power, charge, what is off, and what was said. */
import type { Page } from '@playwright/test';
import { enter, expect, openJob, type Running, test } from '../support/app.js';

const power = (page: Page) => page.getByRole('button', { name: /^Power:/ });
const lines = async (demo: Running) =>
  (await demo.query("select body from job_event where device <> 'demo bench' order by position")).map(
    (row) => row.body as Record<string, unknown>,
  );

test('charge is one truth: volts in any spelling stand until a reading is under the limit', async ({ page, demo }) => {
  await openJob(page, demo, 144, 'make-safe');
  await enter(page, '311 volts dc at the bus');
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, charge 311 V');
  const panel = page.getByRole('alert', { name: 'Charge left' });
  await expect(panel).toContainText('311 V left on the inverter bus');
  // 311^2 / 10 k = 9.7 W; 10 k x 1.2 x 1000 uF x ln(311/35) = 26 s; 48.4 J.
  await expect(panel).toContainText('10\u202fkΩ, insulated, 10 W (9.7 W at first): 26 s to 35 V');
  await panel.getByRole('button', { name: 'Resistor is on: count down' }).click();
  await expect(panel).toContainText(/0:2\d/);
  // The wait cannot be ticked, stopped or answered early.
  await expect(page.getByRole('button', { name: /^Stop Discharge|seen$/ })).toHaveCount(0);
  for (const stage of ['open-up', 'mend']) {
    await openJob(page, demo, 144, stage);
    await expect(panel).toBeVisible();
    await expect(power(page)).toHaveAccessibleName('Power: Unplugged, charge 311 V');
  }
  await openJob(page, demo, 144, 'make-safe');
  await enter(page, '200V bus');
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, charge 200 V');
  await expect(panel).toContainText('It falls by itself: under 35 V in');
  await page.getByLabel('Volts left').fill('2,1 volts');
  await page.getByRole('button', { name: 'Keep reading' }).click();
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, discharged');
  await expect(panel).toHaveCount(0);
});

test('power is asked, not asserted: a turning unit that was said to be unplugged', async ({ page, demo }) => {
  await openJob(page, demo, 145, 'find');
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, no stored charge');
  await enter(page, '33: -1.2 %');
  await expect(power(page)).toHaveAccessibleName('Power: Is it on? Said unplugged');
  const question = page.getByRole('alert', { name: 'Is it on?' });
  await expect(question).toContainText('33 was measured turning, and the log says unplugged');
  await page.keyboard.press('F7');
  await page.getByRole('button', { name: /^Undo, \d+ s/ }).click();
  await expect(power(page)).toHaveAccessibleName('Power: Is it on? Said unplugged');
  await page.keyboard.press('F6');
  await expect(power(page)).toHaveAccessibleName('Power: Live direct');
  await expect(page.getByLabel('Bench log').getByText('Live direct').first()).toBeVisible();
  await page.keyboard.press('F8');
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, no stored charge');
  await enter(page, '27.4 V at reservoir');
  await page.keyboard.press('F7');
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, no stored charge');
  await expect
    .poll(async () => (await lines(demo)).filter((body) => body.kind === 'power'))
    .toMatchObject([
      { state: 'unplugged-unknown', wasOn: true },
      { state: 'live-direct', wasOn: true, conditions: [expect.stringContaining('it is on')] },
      { state: 'unplugged-unknown' },
      { state: 'unplugged-unknown', wasOn: true, conditions: [expect.stringContaining('unplugged again')] },
    ]);
});

test('sentences typed blind change nothing but the entry line', async ({ page, demo }) => {
  await openJob(page, demo, 147, 'mend');
  const before = (await lines(demo)).length;
  const state = await power(page).getAttribute('aria-label');
  for (const sentence of [
    'p is the plug, not the power',
    '27.5 V at reservoir',
    'hums when warm, stops at 33',
    'belt 4 x 2 mm, see page 8',
    'unplugged? no, 1 of 2',
    'bnsu h 12345678',
  ]) {
    await page.keyboard.type(sentence);
    await expect(page.getByLabel('Entry line')).toHaveValue(sentence);
    await expect(page).toHaveURL(/\/mend$/);
    await page.getByLabel('Entry line').fill('');
    await page.getByLabel('Entry line').blur();
  }
  expect(await power(page).getAttribute('aria-label')).toBe(state);
  expect((await lines(demo)).length).toBe(before);
  // Right after Esc one key is a command.
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Next key: 1 to 8 a stage/)).toBeVisible();
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/\/find$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('a letter, a figure');
});

test('a power change by key can be undone for ten seconds', async ({ page, demo }) => {
  await openJob(page, demo, 147, 'set-speed');
  await expect(power(page)).toHaveAccessibleName('Power: Live through isolation');
  await page.keyboard.press('F8');
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, no stored charge');
  await page.getByRole('button', { name: /^Undo, \d+ s/ }).click();
  await expect(power(page)).toHaveAccessibleName('Power: Live through isolation');
  await page.keyboard.press('F8');
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Undo/ })).toHaveCount(0, { timeout: 13_000 });
  await expect(power(page)).toHaveAccessibleName('Power: Unplugged, no stored charge');
});

test('ledger words make open ends, and the gate asks each for its own safe state', async ({ page, demo }) => {
  await openJob(page, demo, 145, 'open-up');
  const field = page.getByRole('textbox', { name: 'What comes off' });
  await field.fill('bottom cover 4 x 30 mm, tray B; unsoldered motor red and black');
  await expect(page.getByLabel('Ends this opens')).toContainText('motor red, unsoldered');
  await page.getByRole('button', { name: 'Keep step' }).click();
  await expect(page.getByLabel('Bench log').getByText('open end: black, unsoldered')).toBeVisible();
  await expect(page.locator('[data-status=waiting]')).toHaveCount(0);
  await enter(page, 'bridged the boost switch for a test');
  await enter(page, 'lifted one leg of D4');
  await page.keyboard.press('F8');
  const gate = page.getByRole('dialog');
  for (const safe of ['Soldered back and tugged', 'Bridge removed', 'Leg soldered back'])
    await expect(
      gate
        .getByRole('button', { name: new RegExp(`^Closed: `) })
        .filter({ hasText: safe })
        .first(),
    ).toBeVisible();
  await expect(gate).toContainText('Off now: bottom cover. On again, or hands and tools kept off what they cover');
  await expect(gate).not.toContainText('in place');
  await gate.getByRole('button', { name: 'Stay unplugged' }).click();
  await enter(page, 'soldered back motor red');
  await expect(page.getByLabel('Bench log')).toContainText('closed: motor red');
});

test('Find obeys the ledger: what is off is not tested as if it were on', async ({ page, demo }) => {
  await openJob(page, demo, 147, 'find');
  await enter(page, 'belt off, unplugged motor plug');
  await page.getByRole('button', { name: 'Why not another test?' }).click();
  const others = page.getByLabel('Tests that would follow');
  await expect(others.getByText(/^put back first: motor plug/).first()).toBeVisible();
  await others.getByRole('listitem').filter({ hasText: 'put back first' }).first().getByRole('button').click();
  const next = page.getByLabel('Next test');
  await expect(next).toContainText('Put back first: motor plug');
  const answers = next.getByRole('button', { disabled: true });
  expect(await answers.count()).toBeGreaterThan(0);
});
