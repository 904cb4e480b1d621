/** Mend: a sum from the log that later readings are judged by, a choice with its figures, and its end. */
import type { Locator, Page } from '@playwright/test';
import { enter, expect, openJob, test } from '../support/app.js';
import { tell } from '../support/jobs.js';

const stage = (page: Page, name: RegExp) => page.getByLabel('Stages').getByRole('button', { name }).click();

test('a sum is filled from the log and kept; the next reading is judged by it', async ({ page, demo }) => {
  await openJob(page, demo, 143);
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

/** What a row of the decision is called by its key. */
const nameOf = async (row: Locator): Promise<string> =>
  ((await row.getByRole('button', { name: /^Choose: / }).getAttribute('aria-label')) ?? '').replace('Choose: ', '');
const money = (cell: string | undefined): number => Number(/(\d+)\s*EUR/.exec(cell ?? '')?.[1] ?? NaN);

test('mends stand side by side with their figures; the chosen one becomes the prompt and is done with one key', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 143);
  await stage(page, /^Mend/);
  const table = page.getByRole('region', { name: 'What may cure it' });
  // One mend alone, the usual kind: several together are chosen below.
  const first = table.getByRole('row').filter({ hasText: 'Clean and set the tape-end switch' }).last();
  await expect(first).toBeVisible();
  const name = await nameOf(first);
  const cells = await first.getByRole('cell').allInnerTexts();
  await table.getByLabel('Why this one').fill('swollen at one end');
  await first.getByRole('button', { name: /^Choose/ }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  const chosen = page.getByRole('region', { name: 'Chosen mend' });
  await expect(chosen).toContainText('swollen at one end');
  await expect(chosen).toContainText(`cures it with ${cells[0]}`);
  await expect(chosen).toContainText('Prove will ask for: ');
  const decisions = () => demo.query(`select body from job_event where kind = 'decision'`);
  await expect.poll(async () => (await decisions()).length).toBe(1);
  const [row] = await decisions();
  const body = row?.body as { chance: number; minutes: number; money: number; expectedCost: number; reason: string };
  expect(body.reason).toBe('swollen at one end');
  expect(`${Math.round(100 * body.chance)} %`).toBe(cells[0]);
  expect(cells[1]).toContain(`${Math.round(body.minutes)} min`);
  expect(money(cells[3])).toBe(Math.round(body.expectedCost));
  const steps = chosen.getByLabel('Steps');
  await steps.getByRole('button').first().click();
  await expect(steps).toContainText('✓');
  await expect(page.getByLabel('Bench log').getByText(/^\d\d:\d\d done: /)).toBeVisible();
  await chosen.getByRole('button', { name: /^Done/ }).click();
  await expect(chosen).toHaveCount(0);
  await expect(page.getByLabel('Bench log').getByText(`mended: ${name}`)).toBeVisible();
  // What it calls for is one key away.
  const after = page.getByRole('region', { name: 'After the mend' });
  await expect(after).toContainText(`Done: ${name}.`);
  await after.getByRole('button', { name: /^Prove it, \d+ to show$/ }).click();
  await expect(page).toHaveURL(/\/prove$/);
});

test('what a supplier said moves the sum by just that; parts on the shelf are set aside, built in, and seen elsewhere', async ({
  page,
  demo,
  context,
  request,
}) => {
  const [job] = await demo.query('select id from job where number = 147');
  const off = { kind: 'power', state: 'unplugged-discharged', conditions: [] } as const;
  await tell(request, demo.url, String(job?.id), [[0, off]]);
  await openJob(page, demo, 147);
  await stage(page, /^Mend/);
  const table = page.getByRole('region', { name: 'What may cure it' });
  await table.getByRole('button', { name: /^All \d+/ }).click();
  const belt = table
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name: 'Choose: Fit a new belt', exact: true }) });
  const cells = () => belt.getByRole('cell').allInnerTexts();
  // The demo's belts cost 4 and lie in drawer 1; one is kept for this job.
  await expect(belt).toContainText('on the shelf');
  const before = await cells();
  expect(money(before[2])).toBe(4);
  await belt.getByRole('button', { name: /^Parts of Fit a new belt/ }).click();
  await page.getByRole('textbox', { name: 'Its parts cost' }).fill('34');
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await expect.poll(async () => money((await cells())[2])).toBe(34);
  expect(money((await cells())[3]) - money(before[3])).toBe(30);
  await expect(page.getByLabel('Bench log')).toContainText('asked: parts of Fit a new belt 34');
  const shelf = await context.newPage();
  await shelf.goto(`${demo.url}/shelf`);
  const lot = shelf.getByRole('listitem').filter({ hasText: 'flat belt' });
  await expect(lot).toContainText('1 for job 0147');
  const used = Number(/(\d+) used/.exec(await lot.innerText())?.[1]);
  await belt.getByRole('button', { name: 'Choose: Fit a new belt', exact: true }).click();
  const chosen = page.getByRole('region', { name: 'Chosen mend' });
  await expect(chosen).toContainText('Set aside: flat belt 198 x 5 x 0.6 mm, in drawer 1');
  // Another choice gives the belt back, this one again sets it aside.
  const choose = (name: string) => table.getByRole('button', { name: `Choose: ${name}`, exact: true }).click();
  await choose('Set the pitch to its centre');
  await expect(lot).not.toContainText('0147');
  await choose('Fit a new belt');
  await expect(lot).toContainText('1 for job 0147');
  // What it uses up is counted by the shelf: two of three bottles are gone.
  await expect(chosen.getByLabel('To hand')).toContainText('isopropyl alcohol, 1 here');
  await chosen.getByRole('button', { name: 'Done: Fit a new belt' }).click();
  // The other page was not touched.
  await expect(lot).toContainText(`${used + 1} used`);
  await expect(lot).not.toContainText('0147');
});

test('several done in one go: each ends with its own key; what loses something stands behind and asks the owner', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 145);
  await stage(page, /^Mend/);
  const table = page.getByRole('region', { name: 'What may cure it' });
  const set = table.getByRole('row').filter({ hasText: 'while it is open' });
  const members = (await nameOf(set)).split('; ');
  expect(members.length).toBeGreaterThan(1);
  await table.getByRole('button', { name: /^All \d+/ }).click();
  const past = table.getByRole('row').filter({ hasText: 'Hold it in the detent for good' });
  await expect(past).toContainText('bypass');
  await expect(past).toContainText('Gone with it: the pitch slider. Ask the owner.');
  // It is the likeliest, and yet not the first.
  const chance = async (row: Locator) => parseInt((await row.getByRole('cell').allInnerTexts())[0] ?? '', 10);
  expect(await chance(past)).toBeGreaterThan(await chance(set));
  await set.getByRole('button', { name: /^Choose/ }).click();
  const chosen = page.getByRole('region', { name: 'Chosen mend' });
  for (const [i, name] of members.entries()) {
    await expect(page.getByRole('heading', { level: 1, name: members[i] as string })).toBeVisible();
    await chosen.getByRole('button', { name: `Done: ${name}`, exact: true }).click();
  }
  await expect(chosen).toHaveCount(0);
  const mended = async () =>
    (
      await demo.query(`select body->>'name' as name from job_event where kind = 'mended' and job_id =
        (select id from job where number = 145) order by position`)
    ).map((row) => row.name);
  await expect.poll(mended).toEqual(members);
});

test('a reading that feeds a sum opens it from the log', async ({ page, demo }) => {
  await openJob(page, demo, 143);
  await stage(page, /^Open up/);
  await enter(page, '23V @secondary');
  await page
    .getByLabel('Bench log')
    .getByRole('button', { name: /^Sum: Supply/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/find$/);
  await expect(page.getByRole('textbox', { name: 'A.c. that feeds it (of a centre tap: one half)' })).toHaveValue('23');
});

test('a ceiling under every mend says to ask the owner; workings stand by themselves too', async ({ page, demo }) => {
  await openJob(page, demo, 143);
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
