/** Two devices on one job, two server processes on one database, and the network gone for a while. */
import { enter, expect, openJob, secondServer, test } from '../support/app.js';
import { file, picture } from '../support/pictures.js';

// How soon is printed, not asserted: a machine that does other work is no failure (goal: two seconds).
test('laptop and phone see each other’s entries without a reload, through two server processes', async ({
  browser,
  demo,
}) => {
  const other = await secondServer(demo);
  try {
    const laptop = await (await browser.newContext()).newPage();
    const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await openJob(laptop, demo, 143);
    await phone.goto(other.url + new URL(laptop.url()).pathname);
    await expect(phone.getByLabel('Entry line')).toBeVisible();
    await phone.getByRole('button', { name: 'Log' }).click();
    const tookMs: number[] = [];
    for (const text of ['first from the laptop', 'second from the laptop', 'third from the laptop']) {
      await enter(laptop, text);
      const from = Date.now();
      await expect(phone.getByLabel('Bench log').getByText(text)).toBeVisible();
      tookMs.push(Date.now() - from);
    }
    console.log(`seen on the other device after ${tookMs.join(', ')} ms`);
    await phone.getByRole('button', { name: 'Close' }).click();
    await phone.getByLabel('Entry line').fill('from the phone');
    await phone.getByLabel('Entry line').press('Enter');
    await expect(laptop.getByLabel('Bench log').getByText('from the phone')).toBeVisible();
  } finally {
    await other.end();
  }
});

test('the network cut in the middle of a strip-down: all of it arrives once, in order', async ({
  page,
  context,
  demo,
}) => {
  test.setTimeout(150_000);
  await openJob(page, demo, 143);
  await page
    .getByLabel('Stages')
    .getByRole('button', { name: /^Open up/ })
    .click();
  const field = page.getByRole('textbox', { name: 'What comes off' });
  const keep = async (text: string) => {
    await field.fill(text);
    await page.getByRole('button', { name: 'Keep step' }).click();
  };
  await keep('cover 4 x 8 mm, tray A');
  const photo = file('gap.jpg', await picture(page, 'gap'));
  await expect(page.locator('[data-status=waiting]')).toHaveCount(0);
  await context.setOffline(true);
  await keep('board 2 x 6 mm, tray B');
  await page.locator('input[type=file][aria-label="Photo of step 2"]').setInputFiles(photo);
  await keep('belt');
  await page.getByLabel('Entry line').fill('4k7 @pot');
  await page.getByLabel('Entry line').press('Enter');
  await expect(page.locator('[data-status=waiting]')).toHaveCount(4);
  await expect(page.getByLabel('What came off').getByRole('img')).toHaveCount(1);
  // Longer than two tries of the outbox.
  await page.waitForTimeout(12_000);
  await expect(page.locator('[data-status=waiting]')).toHaveCount(4);
  await context.setOffline(false);
  await expect(page.locator('[data-status=waiting]')).toHaveCount(0, { timeout: 15_000 });
  const rows = await demo.query(
    `select kind, body->>'what' as what from job_event where device <> 'demo bench' order by entered_at, sequence`,
  );
  expect(rows.map((row) => row.what ?? row.kind)).toEqual(['cover', 'board', 'photo', 'belt', 'reading']);
});
