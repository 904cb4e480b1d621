/** Find: the drive path reasons with the repairer. */
import type { Page } from '@playwright/test';
import { expect, openJob, test } from '../support/app.js';

const suspect = (page: Page, name: string) =>
  page.getByLabel('Drive path').getByRole('button', { name: new RegExp(`^${name},`) });
/** The row with the largest chance. */
async function likeliest(page: Page) {
  const rows = page.getByLabel('Drive path').getByRole('button', { name: /, (\d+|over 99) %$/ });
  await expect(rows.first()).toBeVisible();
  const chances = await rows.evaluateAll((all) =>
    all.map((one) => Number(/(\d+) %$/.exec(one.getAttribute('aria-label') ?? '')?.[1] ?? 0)),
  );
  return rows.nth(chances.indexOf(Math.max(...chances)));
}

test('answers move the suspects, say so, and end in a mend', async ({ page, demo }) => {
  await openJob(page, demo, 145);
  await page.getByLabel('Stages').getByRole('button', { name: /^Find/ }).click();
  await expect(page.getByLabel('Drive path')).toBeVisible();
  const next = page.getByLabel('Next test');
  const asked: string[] = [];
  let changed = false;
  for (let i = 0; i < 12; i++) {
    const name = (await next.getByRole('heading').textContent()) ?? '';
    asked.push(name);
    // The unit holds at the detent, wanders off it when warm, and at the slow end at once: its zener drifts.
    const wanted: readonly (readonly [RegExp, string])[] = [
      [/off the detent|Off the detent|slow end/, /warm|20 minutes|slow end/.test(name) ? 'wanders' : 'right'],
      [/at the detent|At the detent|Platter at/, 'right'],
      [/Lock lamp/, 'locked'],
      [/Rim lamp/, 'lit'],
      [/slider/, 'smooth'],
      [/by hand/, 'coasts'],
      [/zener, warm/, 'wanders'],
      [/Before any power/, 'nothing special'],
      [/^Insulation/, 'good'],
    ];
    const reply = wanted.find(([pattern]) => pattern.test(name))?.[1];
    // Only while this test is asked: what comes meanwhile is another one's.
    const shown = next.filter({ has: page.getByRole('heading', { name, exact: true }) });
    const key = shown.getByRole('button', { name: reply ?? 'Cannot reach it', exact: true });
    const use = (await key.count()) > 0 ? key : shown.getByRole('button', { name: 'Cannot reach it' });
    await use.click({ timeout: 5000 }).catch(() => undefined);
    await expect(next.getByRole('heading')).not.toHaveText(name);
    changed ||= await page
      .getByRole('status')
      .filter({ hasText: /to .* %/ })
      .isVisible();
    if (await page.getByRole('button', { name: 'Go to mend', exact: true }).isVisible()) break;
  }
  await expect(page.getByRole('button', { name: 'Go to mend', exact: true })).toBeVisible();
  expect(new Set(asked).size).toBe(asked.length);
  expect(changed).toBe(true);
  const first = await likeliest(page);
  await expect(first).toHaveAccessibleName(/zener|oscillator/);
  await first.click();
  await expect(page.getByLabel(/^Evidence on/)).toContainText(/for: /);
  await expect(page.getByLabel('Drive path')).not.toContainText(/\bbits?\b/);
  await expect(page.getByRole('button', { name: 'I know it is this' })).toBeVisible();
});

test('a reading at a known place is an observation; one that cannot be is said, nothing is lost', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 147);
  await page.getByLabel('Stages').getByRole('button', { name: /^Find/ }).click();
  await expect(page.getByLabel('Next test')).toBeVisible();
  const entry = page.getByLabel('Entry line');
  await entry.fill('0.2V @supply at the board');
  await entry.press('Enter');
  await expect(suspect(page, 'regulator').or(suspect(page, 'plug'))).toBeVisible();
  await entry.fill('2300V @motor terminals');
  await entry.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be' })).toBeVisible();
  await expect(page.getByLabel('Bench log')).toContainText('2.3');
  await page.getByRole('button', { name: /^Strike out: 2.3/ }).click();
  await page.getByRole('button', { name: 'mistyped' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be' })).toHaveCount(0);
});

test('what the repairer knows better is kept as by hand, and why not another test is answered', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 145);
  await page.getByLabel('Stages').getByRole('button', { name: /^Find/ }).click();
  const suspect = async () => (await likeliest(page)).getAttribute('aria-label');
  const before = await suspect();
  await (await likeliest(page)).click();
  await page.getByRole('button', { name: 'I know it is not this' }).click();
  await expect(page.getByLabel('Bench log')).toContainText('by hand: not the');
  // The new answer moves the keys below it.
  await expect.poll(suspect).not.toBe(before);
  await page.getByRole('button', { name: 'Why not another test?' }).click();
  const others = page.getByLabel('Tests that would follow');
  await expect(others).toContainText(/about \d+ min/);
  await expect(others).not.toContainText(/\bbits?\b/);
  const other = others.getByRole('listitem').nth(2).getByRole('button');
  const name = (await other.textContent()) ?? '';
  await other.click();
  await expect(page.getByLabel('Next test').getByRole('heading').first()).toHaveText(name);
  await page.getByRole('button', { name: 'Enough, go to mend' }).click();
  await expect(page).toHaveURL(/\/mend$/);
});

test('taking in asks what can be seen from outside; at 390 px Find has prompt, answers and path', async ({
  page,
  demo,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const [row] = await demo.query('select id from job where number = 145 and demo');
  await page.goto(`${demo.url}/job/${String(row?.id)}/take-in`);
  await expect(page.getByLabel('Seen from outside')).toBeVisible();
  await page.getByLabel('Seen from outside').getByRole('button').first().click();
  await page.goto(`${demo.url}/job/${String(row?.id)}/find`);
  await expect(page.getByLabel('Next test').getByRole('heading')).toBeVisible();
  await expect(page.getByLabel('Drive path')).not.toBeInViewport();
  await page.getByLabel('Drive path').scrollIntoViewIfNeeded();
  await expect(page.getByLabel('Drive path')).toBeInViewport();
  expect(await page.evaluate(() => document.querySelector('main')?.scrollWidth)).toBeLessThanOrEqual(390);
});

test('the path is fitted to a model and kept as its sheet', async ({ page, demo }) => {
  await openJob(page, demo, 147);
  await page.getByLabel('Stages').getByRole('button', { name: /^Find/ }).click();
  await page.getByRole('button', { name: 'Fit this path to the Brenning Dans 33' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'auto-return', exact: true }).click();
  await dialog.getByLabel('supply at the board, called here').fill('CN3 pin 2');
  await dialog.getByRole('button', { name: 'Keep the sheet' }).click();
  await expect(page.getByRole('button', { name: 'Sheet of the Brenning Dans 33' })).toBeVisible();
  const [row] = await demo.query('select sheet from model_sheet');
  expect(row?.sheet).toMatchObject({ absent: ['return'], places: { supply: 'CN3 pin 2' } });
  await page.getByLabel('Entry line').fill('0.2V @CN3 pin 2');
  await page.getByLabel('Entry line').press('Enter');
  await expect(suspect(page, 'regulator').or(suspect(page, 'plug'))).toBeVisible();
});

test('a part shows its checks, any of them can be asked next; what no path knows is kept as by hand', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 146);
  await page.getByLabel('Stages').getByRole('button', { name: /^Find/ }).click();
  await suspect(page, 'idler wheel').click();
  await page.getByLabel('Checks of idler wheel').getByRole('button', { name: 'Idler wheel' }).click();
  const next = page.getByLabel('Next test');
  await expect(next.getByRole('heading')).toHaveText('Idler wheel');
  await next.getByRole('button', { name: 'flat spot' }).click();
  await expect(suspect(page, 'idler wheel')).toHaveAccessibleName(/found/);
  await page.getByLabel('Found something else, not in this path').fill('a mouse nest under the platter');
  await page.getByRole('button', { name: 'Keep the finding' }).click();
  await expect(page.getByLabel('Bench log')).toContainText('by hand, not in the path: a mouse nest under the platter');
});
