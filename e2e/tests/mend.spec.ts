/** Mend: a sum from the log that later readings are judged by, a choice with its figures, and its end. */
import type { Page } from '@playwright/test';
import { enter, expect, test } from '../support/app.js';

const stage = (page: Page, name: RegExp) => page.getByLabel('Stages').getByRole('button', { name }).click();

test('a sum is filled from the log and kept; the next reading is judged by it', async ({ page, demo }) => {
  await page.goto(demo.url);
  await page.getByRole('link', { name: /0143/ }).click();
  await enter(page, '23V @secondary');
  await stage(page, /^Mend/);
  await page.getByRole('button', { name: /^Supply: .*: as read here/ }).click();
  const field = (name: string) => page.getByRole('textbox', { name, exact: true });
  await expect(field('A.c. that feeds it (of a centre tap: one half)')).toHaveValue('23');
  await field('Load').fill('0,132');
  await field('Reservoir').fill('2200');
  const sum = page.getByRole('region', { name: /^Supply: transformer/ });
  // √2 · 20.7 V less two diodes of 0.7 V and half of 0.6 V of ripple.
  await expect(sum.getByRole('status')).toContainText(/27\.6\sV \(27 to 27\.8\sV\)/);
  await expect(sum.getByRole('status')).toContainText(/0\.6\sV at 100 Hz/);
  await sum.getByRole('button', { name: 'Keep it: judge reservoir by it' }).click();
  const log = page.getByLabel('Bench log');
  await expect(log.getByText(/reckoned: Supply/)).toBeVisible();
  await enter(page, '18V @reservoir');
  await expect(log.getByText(/expected 24\.3 to 30\.6\sV, reckoned: low/)).toBeVisible();
  await enter(page, '27.5V @reservoir');
  await expect(log.getByText(/expected 24\.3 to 30\.6\sV, reckoned: right/)).toBeVisible();
});

test('mends stand side by side with their figures; the chosen one becomes the prompt and is done with one key', async ({
  page,
  demo,
}) => {
  await page.goto(demo.url);
  await page.getByRole('link', { name: /0143/ }).click();
  await stage(page, /^Mend/);
  const table = page.getByRole('region', { name: 'What may cure it' });
  const first = table.getByRole('row').nth(1);
  await expect(first).toBeVisible();
  const name = (await first.getByRole('rowheader').innerText()).split('\n')[0] as string;
  const cells = await first.getByRole('cell').allInnerTexts();
  await table.getByLabel('Why this one').fill('swollen at one end');
  await first.getByRole('button', { name: /^Choose/ }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  const chosen = page.getByRole('region', { name: 'Chosen mend' });
  await expect(chosen).toContainText('swollen at one end');
  await expect(chosen).toContainText(`cures it with ${cells[0]}`);
  const decisions = () => demo.query(`select body from job_event where kind = 'decision'`);
  await expect.poll(async () => (await decisions()).length).toBe(1);
  const [row] = await decisions();
  const body = row?.body as { chance: number; minutes: number; money: number; expectedCost: number; reason: string };
  expect(body.reason).toBe('swollen at one end');
  expect(`${Math.round(100 * body.chance)} %`).toBe(cells[0]);
  expect(cells[1]).toContain(`${Math.round(body.minutes)} min`);
  expect(cells[3]?.replace(/\s/g, '')).toBe(`${Math.round(body.expectedCost)}EUR`);
  const steps = chosen.getByLabel('Steps');
  await steps.getByRole('button').first().click();
  await expect(steps).toContainText('✓');
  await expect(page.getByLabel('Bench log').getByText(/^\d\d:\d\d done: /)).toBeVisible();
  await chosen.getByRole('button', { name: /^Done/ }).click();
  await expect(chosen).toHaveCount(0);
  await expect(page.getByLabel('Bench log').getByText(`mended: ${name}`)).toBeVisible();
});

test('a ceiling under every mend says to ask the owner; workings stand by themselves too', async ({ page, demo }) => {
  await page.goto(demo.url);
  await page.getByRole('link', { name: /0143/ }).click();
  await stage(page, /^Take in/);
  await page.getByRole('textbox', { name: 'No more than' }).fill('0,5');
  await page.getByRole('button', { name: 'Keep worth and price' }).click();
  await stage(page, /^Mend/);
  await expect(page.getByText('Every mend costs more than the ceiling')).toBeVisible();
  await page.goto(`${demo.url}/workings/lamps`);
  await page.getByRole('textbox', { name: /^Lamps from left/ }).fill('0 1 1 0 1 0');
  const rows = page.getByRole('region', { name: 'Code on a row of lamps' }).getByRole('definition');
  await expect(rows).toHaveText(['26', '37', '22']);
});
