/** What hands do by mistake or in passing: double clicks, stray wheels, other sizes, reloads, print. */
import { enter, expect, openJob, type Running, test } from '../support/app.js';
import { recording } from '../support/recordings.js';

const lines = async (demo: Running) =>
  (await demo.query("select body from job_event where device <> 'demo bench' order by position")).map(
    (row) => row.body as Record<string, unknown>,
  );

test('taking in opens empty, a double click files once, a begun mend can be dropped', async ({ page, demo }) => {
  await page.goto(`${demo.url}/take-in`);
  await page.getByLabel('Make').fill('Halvorsten');
  await page.goto(`${demo.url}/take-in`);
  await expect(page.getByLabel('Make')).toHaveValue('');
  await expect(page.getByText('Begun and not taken in: Halvorsten')).toBeVisible();
  await page.getByRole('button', { name: 'Drop it' }).click();
  await page.getByLabel('Make').fill('Twice');
  await page.getByRole('button', { name: 'Take it in' }).dblclick();
  await expect(page.getByRole('heading', { name: /^Measure as found/ })).toBeVisible();
  expect(await demo.query("select 1 from job where make = 'Twice'")).toHaveLength(1);
  await page.getByRole('button', { name: 'Did not turn' }).dblclick();
  const kept = async () => (await lines(demo)).filter((body) => body.kind === 'speed').length;
  await expect.poll(kept).toBe(1);
  // A second line would have come by now.
  await page.waitForTimeout(800);
  expect(await kept()).toBe(1);
  await openJob(page, demo, 148, 'mend');
  await page.getByRole('button', { name: /^Begin: Wire over a lifted track/ }).click();
  await page.getByRole('button', { name: /^Drop it: Wire over/ }).click();
  await expect(page.getByLabel('Bench log')).toContainText('dropped: Wire over a lifted track');
  await expect(page.getByRole('button', { name: /^Done, and closed/ })).toHaveCount(0);
  await expect(page.getByLabel('Bench log')).not.toContainText('repaired the track');
});

test('what the server answers late moves no key under the hand', async ({ page, demo }) => {
  const late: (() => void)[] = [];
  await page.route('**/api/v1/**', async (route) => {
    const [what = ''] = /settings|sources|jobs/.exec(route.request().url()) ?? [];
    if (what === '') await new Promise<void>((go) => late.push(go));
    else if (what !== 'jobs') await new Promise((go) => setTimeout(go, 600));
    await route.continue();
  });
  const keys = () =>
    page.evaluate(() =>
      [...document.querySelectorAll('main button')].map((one) => `${one.textContent} ${one.getBoundingClientRect().y}`),
    );
  for (const stage of ['take-in', 'set-speed', 'prove']) {
    await openJob(page, demo, 147, stage);
    const before = await keys();
    expect(before.length).toBeGreaterThan(5);
    for (const go of late.splice(0)) go();
    await expect(page.getByRole('region', { name: 'Run in detail' })).toBeVisible();
    const after = await keys();
    expect(after.filter((one) => before.includes(one))).toEqual(before);
  }
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('a wheel turn never scrolls the frame away, at any stage, width and log length', async ({ page, demo }) => {
  test.setTimeout(150_000);
  await openJob(page, demo, 147, 'find');
  for (let i = 0; i < 8; i++) await enter(page, `a note to make the log long, number ${i}`);
  for (const [width, height] of [
    [1280, 680],
    [640, 340],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const [key, stage] of [
      [1, 'take-in'],
      [2, 'make-safe'],
      [3, 'open-up'],
      [4, 'find'],
      [5, 'mend'],
      [7, 'prove'],
      [8, 'hand-back'],
    ] as const) {
      await page.keyboard.press(`Alt+${key}`);
      await page.waitForURL(`**/${stage}`);
      const edges = [
        [width - 40, height / 2],
        [20, height / 2],
      ] as const;
      // Over both edges too where there is something on them.
      for (const [x, y] of [
        [width / 2, height / 2],
        [width / 2, height - 20],
        ...(width > 640 ? edges : []),
      ] as const) {
        await page.mouse.move(x, y);
        await page.mouse.wheel(0, 4000);
      }
      await page.waitForTimeout(60);
      const moved = await page.evaluate(() => [
        window.scrollY,
        document.querySelector('header')?.firstElementChild?.getBoundingClientRect().top ?? -1,
      ]);
      expect(moved[0], `${stage} at ${width}`).toBe(0);
      expect(moved[1], `${stage} at ${width}`).toBeGreaterThanOrEqual(0);
      await expect(page.getByLabel('Entry line')).toBeInViewport();
    }
  }
});

test('45 on a 33 record: one key accepts it, and the right figure is the one filed', async ({ page, demo }) => {
  await openJob(page, demo, 146, 'take-in');
  const choose = page.getByLabel('Recording of the test tone');
  // 45 x 1.002 rpm on the 33 1/3 band: 3150 x 1.35 x 1.002 Hz.
  await choose.setInputFiles(recording('played45.wav', { errorPercent: 100 * (1.35 * 1.002 - 1), durationS: 12 }));
  await expect(page.getByRole('alert').filter({ hasText: 'Which speed ran?' })).toContainText(
    'a 33⅓ rpm band played at 45 rpm',
  );
  await page.waitForTimeout(500);
  expect((await lines(demo)).filter((body) => body.kind === 'speed')).toHaveLength(0);
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await lines(demo)).filter((body) => body.kind === 'speed')).toHaveLength(1);
  const [filed] = (await lines(demo)).filter((body) => body.kind === 'speed');
  expect(Number(filed?.errorPercent)).toBeCloseTo(0.2, 2);
});

test('a speed typed at the entry line previews exactly what it files, and a value says what it bears on', async ({
  page,
  demo,
}) => {
  await openJob(page, demo, 147, 'find');
  const entry = page.getByLabel('Entry line');
  await entry.fill('3150 gives 3012 at 45');
  await expect(page.locator('#understood')).toContainText('speed 45: −4.38 ±');
  const shown = (await page.locator('#understood').textContent()) ?? '';
  await entry.press('Enter');
  await expect.poll(async () => (await lines(demo)).length).toBe(1);
  const [line] = await lines(demo);
  expect(Number(line?.errorPercent)).toBeCloseTo(-4.381, 3);
  expect(line?.speedId).toBe('45');
  expect(shown).toContain(Number(line?.expandedPercent).toFixed(2));
  await entry.fill('9.4 V at B plus');
  await entry.press('Enter');
  await expect(page.locator('#understood')).toContainText(/kept; .* to .*%|^kept$/);
  await expect(page.getByLabel('Drive path').getByText(/9\.4.V/)).toBeVisible();
  await entry.fill('40 V at the fan');
  await entry.press('Enter');
  await expect(page.locator('#understood')).toContainText('measures no V at fan');
});

test('at 390 px the head takes at most a fifth, and at 200 % zoom the stage keeps half', async ({ page, demo }) => {
  const share = async () =>
    page.evaluate(() => {
      const stage = document.querySelector('main')?.getBoundingClientRect();
      return { top: (stage?.top ?? 0) / window.innerHeight, stage: (stage?.height ?? 0) / window.innerHeight };
    });
  for (const number of [144, 147]) {
    await page.setViewportSize({ width: 390, height: 844 });
    await openJob(page, demo, number, 'find');
    expect((await share()).top).toBeLessThanOrEqual(0.2);
    await page.setViewportSize({ width: 640, height: 340 });
    await openJob(page, demo, number, 'find');
    expect((await share()).stage).toBeGreaterThanOrEqual(0.5);
  }
});

test('the speed desk opens on nothing of another day, and the figure belongs to the way shown', async ({
  page,
  demo,
}) => {
  await demo.query("update speed_run set measured_at = measured_at - interval '3 days' where job_id is null");
  await page.goto(`${demo.url}/speed`);
  await expect(page.getByRole('heading', { name: /^Nothing measured today/ })).toBeVisible();
  await expect(page.getByTestId('speed-number')).toHaveCount(0);
  await page
    .getByLabel('Recording of the test tone')
    .setInputFiles(recording('now.wav', { errorPercent: 0.4, durationS: 8 }));
  await expect(page.getByTestId('speed-number')).toHaveText('+0.40\u202f%');
  await page.getByRole('button', { name: 'stopwatch', exact: true }).click();
  await expect(page.getByTestId('speed-number')).toHaveCount(0);
  await page.getByRole('button', { name: 'recording', exact: true }).click();
  await expect(page.getByTestId('speed-number')).toHaveText('+0.40\u202f%');
});

test('a reload without the server shows the app with what it has', async ({ browser, demo }) => {
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 680 } });
  const page = await context.newPage();
  await openJob(page, demo, 147, 'set-speed');
  const address = page.url();
  // Paths of what is kept for a reload, asked of the page itself: a predicate that promises would count as met at once.
  const keptPaths = () =>
    page.evaluate(async () => {
      const kept = await Promise.all(
        (await caches.keys()).map(async (name) => (await (await caches.open(name)).keys()).map(({ url }) => url)),
      );
      return kept.flat().map((url) => new URL(url).pathname);
    });
  const held = () => page.evaluate(() => navigator.serviceWorker.controller !== null);
  const patient = { timeout: 20_000 };
  await expect.poll(held, patient).toBe(true);
  await page.reload();
  await expect(page.getByLabel('Bench log').getByRole('listitem').first()).toBeVisible();
  // The page, its parts and what it asked the server for are kept.
  const job = `/api/v1/jobs/${/job\/([^/]+)/.exec(address)?.[1] ?? ''}`;
  await expect
    .poll(keptPaths, patient)
    .toEqual(expect.arrayContaining(['/', job, '/api/v1/settings', expect.stringMatching(/^\/assets\/.*\.js$/)]));
  await demo.kill();
  await page.goto(address);
  await expect(page.getByLabel('Entry line')).toBeVisible();
  await expect(page.getByLabel('Bench log').getByText('−0.62 ± 0.12')).toBeVisible();
  await expect(page.getByText(/Server away/).first()).toBeVisible({ timeout: 15_000 });
  await page.getByLabel('Entry line').fill('typed while it was away');
  await page.getByLabel('Entry line').press('Enter');
  await expect(page.locator('[data-status=waiting]')).toHaveCount(1);
  await demo.start();
  await expect(page.locator('[data-status=waiting]')).toHaveCount(0, { timeout: 20_000 });
  expect((await lines(demo)).map((body) => body.text)).toEqual(['typed while it was away']);
  await context.close();
});

test('without a worker of the browser the parts come ahead: a screen not opened yet opens with the server away', async ({
  page,
  demo,
}) => {
  await page.goto(demo.url);
  const named = JSON.parse((await page.locator('#parts').textContent()) ?? '[]') as string[];
  expect(named).toEqual(expect.arrayContaining([expect.stringMatching(/NewUnitScreen-.*\.js$/)]));
  const fetched = () =>
    page.evaluate(() => performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname));
  await expect.poll(fetched, { timeout: 30_000 }).toEqual(expect.arrayContaining(named));
  await demo.kill();
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'Take in' })).toBeVisible();
});

test('printing the sheet in the browser makes no page for a footer alone', async ({ page, demo }) => {
  const [row] = await demo.query('select id from job where number = 146 and demo');
  await page.goto(`${demo.url}/job/${String(row?.id)}/sheet`);
  await expect(page.getByLabel('Hand-back sheet')).toBeVisible();
  const printed = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1');
  expect(printed.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
});
