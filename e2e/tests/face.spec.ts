/** The face: sizes that hands need, both modes, no text off the page at 390 px, keys, nothing inaccessible. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from '../support/app.js';

const stageButton = (page: Page, stage: string) =>
  page.getByLabel('Stages').getByRole('button', { name: new RegExp(`^${stage}`) });

const sizeOf = (page: Page, selector: string) =>
  page
    .locator(selector)
    .first()
    .evaluate((element) => Number.parseFloat(getComputedStyle(element).fontSize));

async function openJob(page: Page, url: string, number: string, stage?: string) {
  await page.goto(url);
  await page.getByRole('link', { name: new RegExp(number) }).click();
  if (stage) await stageButton(page, stage).click();
  await page.waitForTimeout(900);
}

test('text for the hands is at least 32 px, the present number 56, on the speed screens 112', async ({
  page,
  demo,
}) => {
  await openJob(page, demo.url, '0147', 'Set speed');
  expect(await sizeOf(page, '[data-testid=speed-number]')).toBe(112);
  expect(await sizeOf(page, 'h1')).toBeGreaterThanOrEqual(32);
  await page.getByRole('button', { name: /^Find/ }).click();
  expect(await sizeOf(page, 'input[aria-label="Reading and place"]')).toBeGreaterThanOrEqual(56);
  expect(await sizeOf(page, 'main [class*=caution]')).toBeGreaterThanOrEqual(32);
  for (const stage of ['Take in', 'Make safe', 'Open up', 'Find', 'Mend', 'Set speed', 'Prove', 'Hand back']) {
    await stageButton(page, stage).click();
    await expect(stageButton(page, stage)).toHaveAttribute('aria-current', 'step');
    await expect.poll(() => sizeOf(page, 'h1')).toBeGreaterThanOrEqual(32);
  }
});

test('at 390 px nothing runs off the page and the entry line stands at the foot', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/', '/take-in', '/speed', '/set-up']) {
    await page.goto(demo.url + path);
    await page.waitForTimeout(900);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(390);
  }
  await page.goto(demo.url);
  await page.getByRole('link', { name: /0147/ }).click();
  await expect(page.getByLabel('Entry line')).toBeInViewport();
  await expect(page.getByLabel('Stage', { exact: true })).toBeAttached();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('button', { name: 'Log' }).click();
  await expect(page.getByLabel('Bench log')).toBeVisible();
  const [row] = await demo.query('select id from job where number = 148 and demo');
  for (const stage of ['take-in', 'make-safe', 'open-up', 'find', 'mend', 'set-speed', 'prove', 'hand-back']) {
    await page.goto(`${demo.url}/job/${String(row?.id)}/${stage}`);
    await expect(page.locator('main h1').first()).toBeVisible();
    const wide = await page.evaluate(() =>
      Math.max(document.documentElement.scrollWidth, document.querySelector('main')?.scrollWidth ?? 0),
    );
    expect(wide, stage).toBeLessThanOrEqual(390);
  }
  await page.getByLabel('Entry line').blur();
  await page.keyboard.press('p');
  await expect(page.getByRole('dialog')).toContainText('Open: mode switch');
  expect(await page.getByRole('dialog').evaluate((dialog) => dialog.scrollWidth)).toBeLessThanOrEqual(390);
});

for (const scheme of ['light', 'dark'] as const) {
  test(`nothing that a checker of accessibility objects to, ${scheme}`, async ({ browser, demo }) => {
    test.setTimeout(180_000);
    const context = await browser.newContext({ colorScheme: scheme, viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const problems: string[] = [];
    page.on('pageerror', (error) => problems.push(error.message));
    page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
    const check = async (name: string) => {
      const { violations } = await new AxeBuilder({ page }).analyze();
      problems.push(...violations.flatMap((v) => v.nodes.map((node) => `${name}: ${v.id} ${node.html.slice(0, 120)}`)));
    };
    for (const path of ['/', '/take-in', '/speed', '/set-up']) {
      await page.goto(demo.url + path);
      await page.waitForTimeout(900);
      await check(path);
    }
    await openJob(page, demo.url, '0147');
    for (const stage of ['Take in', 'Make safe', 'Find', 'Mend', 'Set speed', 'Prove', 'Hand back']) {
      await stageButton(page, stage).click();
      await page.waitForTimeout(150);
      await check(stage);
    }
    await page.getByRole('link', { name: 'Look at the sheet' }).click();
    await expect(page.getByLabel('Hand-back sheet')).toBeVisible();
    await check('sheet');
    expect(problems).toEqual([]);
    await context.close();
  });
}

test('keys: stages, entry line, capture inside a field, and the value typed later', async ({ page, demo }) => {
  await openJob(page, demo.url, '0149');
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/\/find$/);
  const asked = page.getByLabel('Next test').getByRole('heading');
  const name = (await asked.textContent()) ?? '';
  await page.keyboard.press('/');
  await expect(page.getByLabel('Entry line')).toBeFocused();
  await page.keyboard.type('8');
  await expect(page).toHaveURL(/\/find$/);
  await page.keyboard.press('F9');
  await expect(page.getByLabel('Bench log').getByText(`held: ${name}`)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: /Type the value held/ })).toBeVisible();
  await page.getByLabel('Entry line').fill('5.1V @motor');
  await page.getByLabel('Entry line').press('Enter');
  await expect(asked).toHaveText(name);
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('capture');
});

test('going live asks for its conditions, each by itself', async ({ page, demo }) => {
  await openJob(page, demo.url, '0145');
  await page.getByRole('button', { name: /^Power:/ }).click();
  await page.getByRole('menuitem', { name: 'Live direct' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Clip dead, step back, power, read, unplug');
  await expect(dialog.getByRole('button', { name: '3 still open' })).toBeDisabled();
  for (const box of await dialog.getByRole('checkbox').all()) await box.check();
  await expect(dialog.getByRole('button', { name: '1 still open' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Fuse', exact: true }).click();
  await expect(dialog).toContainText('fits');
  await dialog.getByRole('button', { name: 'Go live' }).click();
  await expect(page.getByRole('button', { name: 'Power: Live direct' })).toBeVisible();
  await page.keyboard.press('3');
  await expect(page.getByText('Unplug and make safe before anything is opened.')).toBeVisible();
  // The gate holds: power is one key, both ways.
  await page.keyboard.press('p');
  await expect(page.getByRole('button', { name: 'Power: Unplugged, no stored charge' })).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByRole('button', { name: 'Power: Live direct' })).toBeVisible();
});

test('the capture key is learnt by pressing it, and keys with another use are refused', async ({ page, demo }) => {
  await page.goto(`${demo.url}/set-up`);
  await page.getByRole('button', { name: 'Learn another' }).click();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Enter has another use here')).toBeVisible();
  await page.getByRole('button', { name: 'Learn another' }).click();
  await page.keyboard.press('F8');
  await expect(page.getByText('F8', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Start my own bench' }).click();
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByText('No jobs yet.')).toBeVisible();
});
