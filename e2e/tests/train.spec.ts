/** Drive trains and discs on their screens: the figures a repairer acts on. */
import { readFile } from 'node:fs/promises';
import { expect, test } from '../support/app.js';

test('a train is typed, reckoned and kept on the model’s sheet; what cannot be is said at its field', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/workings/train`);
  const says = page.getByRole('status').first();
  await expect(says).toHaveText(/33⅓ rpm comes out at 33\.33\d.rpm, .?0\.0\d.%/);
  await page.getByRole('button', { name: 'Change: motor pulley' }).click();
  const sizes = page.getByRole('textbox', { name: 'Diameter (one a speed: apart by spaces)' });
  // 375 · (10 + 0.6) / (254 + 0.6) = 15.613 rpm at the first speed.
  await sizes.fill('10 29,95');
  await expect(says).toHaveText(/comes out at 15\.613.rpm, −53\.16.%/);
  // To be right it would have to be 33.333 · 254.6 / 375 - 0.6.
  await expect(page.getByRole('row').filter({ hasText: 'motor pulley, diameter' })).toContainText('22.031');
  await sizes.fill('0 29,95');
  await expect(says).toContainText('Not reckoned yet');
  await expect(page.getByRole('alert')).toContainText('A diameter above zero');
  await sizes.fill('22,03 29,95');
  await page.getByRole('textbox', { name: 'Mains', exact: true }).fill('60');
  // 20 % more: 450 · 22.63 / 254.6.
  await expect(says).toHaveText(/comes out at 39\.998.rpm, \+19\.99.%/);
  await page.getByRole('textbox', { name: 'Mains', exact: true }).fill('50');
  await page.getByRole('textbox', { name: 'motor, measured' }).fill('375');
  await page.getByRole('textbox', { name: 'inner platter, measured' }).fill('32.332');
  await expect(page.getByRole('region', { name: 'What comes round' })).toContainText(
    /Between motor and inner platter: \+3\.00.% lost, at inner platter/,
  );
  await page.getByRole('combobox', { name: 'Family' }).click();
  await page
    .getByRole('option', { name: /^Belt turntable.*mains|synchronous/i })
    .first()
    .click();
  await page.getByRole('textbox', { name: 'Model' }).fill('Brenning Dans 33');
  await page.getByRole('button', { name: 'Keep it there' }).click();
  await expect(page.getByText('Kept on the sheet')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Fetch its train' })).toHaveCount(0);
});

test('a disc: bars, residue, what is seen under the lamp, and the files', async ({ page, demo }) => {
  await page.goto(`${demo.url}/workings/discs`);
  await expect(page.getByRole('row').filter({ hasText: '45 rpm' })).toContainText(/133.*\+0\.25/);
  const seen = page.getByLabel('What is seen');
  // 0.3 % fast: 0.003 · 100 flashes are 0.3 bars a second with the rotation: at the near edge to the left.
  await expect(seen).toContainText(/33⅓ ring runs left, 0\.30.bars a second: fast/);
  await page.getByRole('combobox', { name: 'You look at' }).click();
  await page.getByRole('option', { name: 'the far edge' }).click();
  await expect(seen).toContainText('33⅓ ring runs right');
  await page.getByRole('textbox', { name: 'Platter turns at' }).fill('45,113');
  await expect(seen).toContainText('45 ring stands still');
  const [svg] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'SVG' }).click()]);
  const text = await readFile(await svg.path(), 'utf8');
  expect(text).toContain('width="210mm" height="297mm"');
  expect(text.match(/<polygon/g)).toHaveLength(180 + 133 + 2);
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'PDF at true size' }).click(),
  ]);
  expect((await readFile(await pdf.path())).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('textbox', { name: /^Disc across/ }).fill('400');
  await expect(page.getByText('A disc of 40 to 190 mm fits A4.')).toBeVisible();
});
