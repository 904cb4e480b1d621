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
  await expect(page.getByLabel('Next test')).toBeVisible();
  await page.getByRole('button', { name: 'Why not another test?' }).click();
  await page.getByRole('button', { name: 'Supply at the board' }).first().click();
  expect(await sizeOf(page, 'input[aria-label="supply at the board, V"]')).toBeGreaterThanOrEqual(56);
  expect(await sizeOf(page, 'main [class*=caution]')).toBeGreaterThanOrEqual(32);
  for (const stage of ['Take in', 'Make safe', 'Open up', 'Find', 'Mend', 'Set speed', 'Prove', 'Hand back']) {
    await stageButton(page, stage).click();
    await expect(stageButton(page, stage)).toHaveAttribute('aria-current', 'step');
    await expect.poll(() => sizeOf(page, 'h1')).toBeGreaterThanOrEqual(32);
  }
});

test('at 390 px nothing runs off the page and the entry line stands at the foot', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of [
    '/',
    '/day',
    '/book',
    '/take-in',
    '/speed',
    '/set-up',
    '/live',
    '/workings/train',
    '/workings/discs',
  ]) {
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
  await page.goto(`${demo.url}/job/${String(row?.id)}/set-speed`);
  await page.getByRole('button', { name: 'Set the trims' }).click();
  await expect(page.getByText('First, then the screws')).toBeVisible();
  expect(await page.evaluate(() => document.querySelector('main')?.scrollWidth ?? 0), 'coach').toBeLessThanOrEqual(390);
  await page.keyboard.press('F8');
  await expect(page.getByRole('dialog')).toContainText('Open: mode switch');
  expect(await page.getByRole('dialog').evaluate((dialog) => dialog.scrollWidth)).toBeLessThanOrEqual(390);
});

/** Layout is looked at in both sizes, contrast by day and by night. */
const LOOKS = [
  { size: { width: 1280, height: 800 }, colorScheme: 'light', contrastAlone: false },
  { size: { width: 1280, height: 800 }, colorScheme: 'dark', contrastAlone: true },
  { size: { width: 390, height: 844 }, colorScheme: 'dark', contrastAlone: false },
] as const;

test('nothing that a checker of accessibility objects to: every route, wide by day, narrow by night', async ({
  page,
  demo,
}) => {
  test.setTimeout(400_000);
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
  const idOf = async (number: number) =>
    String((await demo.query(`select id from job where number = ${number} and demo`))[0]?.id);
  const [turntable, washer] = [await idOf(147), await idOf(144)];
  const stages = ['take-in', 'make-safe', 'open-up', 'find', 'mend', 'set-speed', 'prove', 'hand-back', 'sheet'];
  const routes = [
    ...[
      '/',
      '/take-in',
      '/speed',
      '/speed/tones',
      '/workings/supply',
      '/workings/motor-match',
      '/workings/train',
      '/workings/discs',
      '/live',
      '/shelf',
      '/set-up',
      '/nowhere',
    ],
    ...stages.map((stage) => `/job/${turntable}/${stage}`),
    `/job/${washer}/make-safe`,
  ];
  for (const route of routes) {
    await page.goto(demo.url + route);
    await page.waitForTimeout(700);
    for (const { size, colorScheme, contrastAlone } of LOOKS) {
      await page.emulateMedia({ colorScheme });
      await page.setViewportSize(size);
      await page.waitForTimeout(120);
      // One page without frames: nothing to gather in a page of its own, and only what is wrong is told.
      const checker = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
      const { violations } = await (
        contrastAlone
          ? checker.withRules(['color-contrast'])
          : checker.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'])
      ).analyze();
      const where = `${route.replace(/[0-9a-f-]{36}/, '')} ${size.width} ${colorScheme}`;
      problems.push(
        ...violations.flatMap((v) => v.nodes.map((node) => `${where}: ${v.id} ${node.html.slice(0, 120)}`)),
      );
    }
  }
  expect(problems).toEqual([]);
});

test('keys: stages, entry line, capture inside a field, and the value typed later', async ({ page, demo }) => {
  await openJob(page, demo.url, '0149');
  await expect(page.getByLabel('Entry line')).toBeEnabled();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Entry line')).not.toBeFocused();
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
  await page.getByLabel('Entry line').fill('5.1V @TP4');
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
  await page.keyboard.press('Alt+3');
  await expect(page.getByText('Unplug and make safe before anything is opened.')).toBeVisible();
  // The gate holds: power is one key, both ways.
  await page.keyboard.press('F8');
  await expect(page.getByRole('button', { name: 'Power: Unplugged, no stored charge' })).toBeVisible();
  await page.keyboard.press('F8');
  await expect(page.getByRole('button', { name: 'Power: Live direct' })).toBeVisible();
});

test('the capture key is learnt by pressing it, and keys with another use are refused', async ({ page, demo }) => {
  await page.goto(`${demo.url}/set-up`);
  await page.getByRole('button', { name: 'Learn another' }).click();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Enter has another use here')).toBeVisible();
  await page.getByRole('button', { name: 'Learn another' }).click();
  await page.keyboard.press('F4');
  await expect(page.getByText('F4', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Start my own bench' }).click();
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByText('No jobs yet.')).toBeVisible();
});
