/** The shelf: what is due, what comes, how suppliers fare; figures against their counts. */
import { expect, openJob, test } from '../support/app.js';

test('the shelf says what is due, counts what is taken, and shares come with their interval', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/shelf`);
  // The demo's run capacitors came three days ago, untested, with thirty days to claim.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Test run capacitor 1.2 µF 400 V~ by');
  const suppliers = page.getByRole('table', { name: 'Suppliers' });
  const row = (name: string) => suppliers.getByRole('row').filter({ hasText: name });
  // Two of twelve motors dead on arrival and one failed: 3 of 12 known, Wilson 9 to 53 %.
  await expect(row('Nordkai')).toContainText('2 + 1 of 12');
  await expect(row('Nordkai')).toContainText(/25\s% \(9 to 53\)/);
  await page.getByRole('button', { name: 'Test: run capacitor 1.2 µF 400 V~' }).click();
  await page.getByRole('textbox', { name: 'Good' }).fill('4');
  await page.getByRole('button', { name: 'Keep the test' }).click();
  await expect(row('Nordkai')).toContainText('2 + 1 of 16');
  const belts = page.getByRole('listitem').filter({ hasText: 'flat belt 198' });
  await expect(belts).toContainText('4 free of 5 here · 1 for job 0147 · 1 bad · 4 used');
  await belts.getByRole('button', { name: /^Take: / }).click();
  await belts.getByLabel('For job number').fill('147');
  await belts.getByRole('button', { name: 'Built in' }).click();
  await expect(belts).toContainText('4 free of 4 here · 1 bad · 5 used');
  await belts.getByRole('button', { name: /^Take: / }).click();
  await belts.getByLabel('How many').fill('9');
  await belts.getByRole('button', { name: 'Built in' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing was changed');
  await expect(belts).toContainText('4 free of 4 here');
});

test('lots come in as a table, bad rows named, and go out again', async ({ page, demo }) => {
  await page.goto(`${demo.url}/shelf`);
  await page.locator('input[type=file]').setInputFiles({
    name: 'lots.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('part,supplier,quantity,price\nfelt pad,Quay,6,"0,50"\nspring,Quay,many,1\n'),
  });
  await expect(page.getByText('1 lot taken')).toBeVisible();
  await expect(page.getByText(/^Row 3: quantity/)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'felt pad' })).toContainText('6 free of 6 here');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export as CSV' }).click(),
  ]);
  const chunks: Buffer[] = [];
  for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
  expect(Buffer.concat(chunks).toString()).toMatch(/^felt pad,Quay,6,0\.5,.*,6,6,0,0,0\r?$/m);
});

test('motors on the shelf stand beside the one that is wanted, with what speaks against them', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/workings/motor-match`);
  const motors = page.getByRole('region', { name: 'Motors on the shelf' });
  await expect(motors).toContainText('governed motor 12 V, 2400 rpm, ccw: fits');
  await page.getByRole('textbox', { name: 'Belongs here: speed' }).fill('3200');
  await expect(motors).toContainText('governed motor 12 V, 2400 rpm, ccw: does not fit');
  await expect(motors).toContainText(/−25\s?% is more than a trim takes up/);
  await motors.getByRole('button', { name: /^Lay beside/ }).click();
  await expect(page.getByRole('textbox', { name: 'Candidate: speed' })).toHaveValue('2400');
  await expect(page.getByRole('status')).toContainText(/does not fit/i);
});

test('a part set aside for a job is built in from its Mend stage', async ({ page, demo }) => {
  await openJob(page, demo, 143);
  await page.getByLabel('Stages').getByRole('button', { name: /^Mend/ }).click();
  const shelf = page.getByRole('region', { name: 'From the shelf' });
  await expect(shelf).toContainText('1 × run capacitor 1.2 µF 400 V~ set aside, in drawer 3');
  await shelf.getByRole('button', { name: /^Built in: run capacitor/ }).click();
  await expect(shelf.getByText(/run capacitor 1\.2 µF 400 V~ set aside/)).toHaveCount(0);
  await page.goto(`${demo.url}/shelf`);
  await expect(page.getByRole('listitem').filter({ hasText: 'run capacitor' })).toContainText(
    '3 free of 3 here · 1 used',
  );
});
