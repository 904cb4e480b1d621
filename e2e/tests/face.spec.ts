/** The face: sizes that hands need, both modes, no text off the page at 390 px, keys, nothing inaccessible. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openJob, test } from '../support/app.js';

const stageButton = (page: Page, stage: string) =>
  page.getByLabel('Stages').getByRole('button', { name: new RegExp(`^${stage}`) });

const sizeOf = (page: Page, selector: string) =>
  page
    .locator(selector)
    .first()
    .evaluate((element) => Number.parseFloat(getComputedStyle(element).fontSize));

test('text for the hands is at least 32 px, the present number 56, on the speed screens 112', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 147, 'set-speed');
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

test('at 390 px the entry line stands at the foot, the coach and the strip-down fit', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openJob(page, demo, 147);
  await expect(page.getByLabel('Entry line')).toBeInViewport();
  await expect(page.getByLabel('Stage', { exact: true })).toBeAttached();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('button', { name: 'Log' }).click();
  await expect(page.getByLabel('Bench log')).toBeVisible();
  const [row] = await demo.query('select id from job where number = 148 and demo');
  await page.goto(`${demo.url}/job/${String(row?.id)}/set-speed`);
  await page.getByRole('button', { name: 'Set the trims' }).click();
  await expect(page.getByText('First, then the screws')).toBeVisible();
  expect(await page.evaluate(() => document.querySelector('main')?.scrollWidth ?? 0), 'coach').toBeLessThanOrEqual(390);
  await page.keyboard.press('F8');
  await expect(page.getByRole('dialog')).toContainText('Open: mode switch');
  expect(await page.getByRole('dialog').evaluate((dialog) => dialog.scrollWidth)).toBeLessThanOrEqual(390);
});

/** Contrast is looked at by day and by night, layout in both sizes: a narrow page has no colours of its own. */
const LOOKS = [
  { size: { width: 1280, height: 800 }, colorScheme: 'light', rules: 'all' },
  { size: { width: 1280, height: 800 }, colorScheme: 'dark', rules: 'contrast' },
  { size: { width: 390, height: 844 }, colorScheme: 'dark', rules: 'all but contrast' },
] as const;

/** One page without frames: nothing to gather in a page of its own, and only what is wrong is told. */
function checker(page: Page, rules: (typeof LOOKS)[number]['rules']) {
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  if (rules === 'contrast') return axe.withRules(['color-contrast']);
  const all = axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']);
  return rules === 'all' ? all : all.disableRules(['color-contrast']);
}

/** Waits until the page has its heading and nothing on it has changed for a fifth of a second. */
async function settled(page: Page) {
  await expect(page.locator('main h1, main h2').first()).toBeVisible();
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        let quiet = setTimeout(resolve, 200);
        new MutationObserver(() => {
          clearTimeout(quiet);
          quiet = setTimeout(resolve, 200);
        }).observe(document.body, { childList: true, subtree: true });
      }),
  );
}

/** Goes to a route of another heading as a link does: the program is not read again. */
async function follow(page: Page, route: string) {
  const heading = page.locator('main h1, main h2').first();
  const before = await heading.textContent();
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, route);
  await expect(heading, route).not.toHaveText(before ?? '');
}

/** How wide the page is, or what scrolls in it. */
const widest = (page: Page) =>
  page.evaluate(() => Math.max(document.documentElement.scrollWidth, document.querySelector('main')?.scrollWidth ?? 0));

test('every route: nothing that a checker of accessibility objects to, nothing off a page of 390 px', async ({
  page,
  demo,
}) => {
  test.setTimeout(400_000);
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
  const idOf = async (number: number) =>
    String((await demo.query(`select id from job where number = ${number} and demo`))[0]?.id);
  const [turntable, open, washer] = [await idOf(147), await idOf(148), await idOf(144)];
  const stages = ['take-in', 'make-safe', 'open-up', 'find', 'mend', 'set-speed', 'prove', 'hand-back', 'sheet'];
  const routes = [
    ...[
      '/',
      '/day',
      '/book',
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
    ...['open-up', 'find', 'set-speed'].map((stage) => `/job/${open}/${stage}`),
    `/job/${washer}/make-safe`,
  ];
  await page.goto(`${demo.url}/practice`);
  await settled(page);
  for (const route of routes) {
    await follow(page, route);
    await settled(page);
    for (const { size, colorScheme, rules } of LOOKS) {
      await page.emulateMedia({ colorScheme });
      await page.setViewportSize(size);
      const where = `${route.replace(/[0-9a-f-]{36}/, '')} ${size.width} ${colorScheme}`;
      if (size.width === 390) await expect.poll(() => widest(page), where).toBeLessThanOrEqual(390);
      const { violations } = await checker(page, rules).analyze();
      problems.push(
        ...violations.flatMap((v) => v.nodes.map((node) => `${where}: ${v.id} ${node.html.slice(0, 120)}`)),
      );
    }
  }
  expect(problems).toEqual([]);
});

test('keys: stages, entry line, capture inside a field, and the value typed later', async ({ page, demo }) => {
  await openJob(page, demo, 149);
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
  await openJob(page, demo, 145);
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
