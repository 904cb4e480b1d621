/** The main job from taking in to the PDF, on real recordings of known error. */
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { readFileSync } from 'node:fs';
import { enter, expect, test } from '../support/app.js';
import { recording } from '../support/recordings.js';

async function textOf(pdf: Uint8Array): Promise<string> {
  const doc = await getDocument({ data: new Uint8Array(pdf) }).promise;
  const pages = await Promise.all(Array.from({ length: doc.numPages }, (_, i) => doc.getPage(i + 1)));
  const contents = await Promise.all(pages.map((page) => page.getTextContent()));
  return contents.flatMap((content) => content.items.map((item) => ('str' in item ? item.str : ''))).join(' ');
}

test('a unit is taken in, measured, mended, measured again and handed back with its sheet', async ({ page, bench }) => {
  await page.goto(bench.url);
  await expect(page.getByText('No jobs yet.')).toBeVisible();

  await page.getByRole('link', { name: 'Set-up' }).click();
  await page.getByRole('button', { name: 'Add a tape or record' }).click();
  await page.getByLabel('Name').fill('Shop record');
  await page.getByLabel(/Tolerance/).fill('0,1');
  await page.getByRole('button', { name: 'Keep' }).last().click();
  await expect(page.getByText('±0.1 %')).toBeVisible();

  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('link', { name: 'Take in a unit' }).click();
  await page.getByLabel('Make').fill('Nordlys');
  await page.getByLabel('Model').fill('Plate 3');
  await page.getByLabel('Serial').fill('A-77');
  await page.getByLabel('Whose').fill('School');
  await page.getByLabel('What the owner says').fill('Everything is slow.');
  await page.getByLabel('Tolerance that counts').click();
  await page.getByRole('option', { name: /broadcast/ }).click();
  // A reload loses nothing, and fills nothing in silently either.
  await page.reload();
  await expect(page.getByLabel('Make')).toHaveValue('');
  await page.getByRole('button', { name: 'Go on with it' }).click();
  await expect(page.getByLabel('Make')).toHaveValue('Nordlys');
  await page.getByRole('button', { name: 'Take it in' }).click();

  await expect(page.getByRole('heading', { name: 'Measure as found, 33⅓ rpm' })).toBeVisible();
  const choose = page.getByLabel('Recording of the test tone');
  await choose.setInputFiles(recording('found33.wav', { errorPercent: -1.8 }));
  await expect(page.getByTestId('speed-number')).toHaveText('−1.80\u202f%');
  await expect(page.getByLabel('Speed reading').getByText('slow, not right yet')).toBeVisible();
  await page.getByRole('button', { name: '45 rpm', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Measure as found, 45 rpm' })).toBeVisible();
  await choose.setInputFiles(recording('found45.wav', { errorPercent: -1.71 }));
  await expect(page.getByTestId('speed-number')).toHaveText('−1.71\u202f%');

  await page.keyboard.press('Alt+2');
  // It was measured turning and nothing was said of the power: the log asks, and takes it for live.
  await expect(page.getByRole('button', { name: 'Power: Is it on? Said unplugged' })).toBeVisible();
  await page.getByRole('button', { name: /^It was, unplugged again/ }).click();
  await expect(page.getByRole('button', { name: 'Power: Unplugged, no stored charge' })).toBeVisible();
  await page.getByRole('button', { name: /^Done: Nothing left on the platter/ }).click();

  await page.getByRole('button', { name: /^Find/ }).click();
  await enter(page, '27.5V @reservoir warm');
  await enter(page, '5.02V @motor 45');
  await expect(page.getByLabel('Drive path').getByText('5.02\u202fV, 45')).toBeVisible();
  await page.keyboard.press('F7');
  await expect(page.getByRole('button', { name: 'Power: Unplugged, no stored charge' })).toBeVisible();
  await enter(page, 'belt looks new');

  await page.getByRole('button', { name: /^Mend/ }).click();
  await page.getByLabel('What', { exact: true }).fill('both trims and the pitch pot');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await enter(page, 'trim33 1:15');

  await page.getByRole('button', { name: /^Prove/ }).click();
  await page.getByRole('button', { name: '33⅓ rpm', exact: true }).click();
  await choose.setInputFiles(recording('left33.wav', { errorPercent: 0.06 }));
  await expect(page.getByTestId('speed-number')).toHaveText('+0.06\u202f%');
  await expect(page.getByLabel('Speed reading').getByText('right', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: '45 rpm', exact: true }).click();
  await choose.setInputFiles(recording('left45.wav', { errorPercent: -0.04 }));
  await expect(page.getByTestId('speed-number')).toHaveText('−0.04\u202f%');

  await page.keyboard.press('F7');
  await page.getByRole('button', { name: /^Hand back/ }).click();
  await expect(page.getByRole('heading', { name: /^Still owed: Prove: / })).toBeVisible();
  const go = page.getByRole('button', { name: 'Hand back with 1 owed' });
  await expect(go).toBeDisabled();
  await page.getByLabel(/write why it goes back without/).fill('no tester on the island');
  await page.getByLabel(/Left undone/).fill('Mat is warped.');
  await go.click();
  const gate = page.getByRole('dialog');
  for (const box of await gate.getByRole('checkbox').all()) await box.check();
  await gate.getByRole('button', { name: 'Nothing left over' }).click();
  await page.getByRole('link', { name: 'Look at the sheet' }).click();

  const paper = page.getByLabel('Hand-back sheet');
  await expect(paper.getByText('−1.80 ± 0.11\u202f%').or(paper.getByText('−1.80 ± 0.12\u202f%'))).toBeVisible();
  await expect(paper.getByText('+0.06 ±').first()).toBeVisible();
  // The proof of that speed says the same figure as its ribbon.
  await expect(paper.getByRole('row', { name: /^33⅓ rpm \+0\.06 ±/ })).toBeVisible();
  await expect(paper.getByText('Adjusted trim 33 to 1:15, facing the screw')).toBeVisible();
  await expect(paper.getByText('Mat is warped.')).toBeVisible();
  await expect(paper.getByRole('row', { name: /^Looked at no tester on the island/ })).toBeVisible();

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download PDF' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('job-0001.pdf');
  const text = await textOf(readFileSync(await download.path()));
  for (const wanted of [
    'Job 0001',
    'Nordlys Plate 3',
    '−1.80',
    '−1.71',
    '+0.06',
    '−0.04',
    'no tester on the island',
    'Mat is warped.',
  ])
    expect(text).toContain(wanted);
  // Working readings and stray notes are not for the owner.
  for (const stray of ['27.5', 'belt looks new']) expect(text).not.toContain(stray);

  const printed = await page.pdf({ preferCSSPageSize: true, printBackground: true });
  const print = await getDocument({ data: new Uint8Array(printed) }).promise;
  const first = await print.getPage(1);
  expect(Math.round(first.getViewport({ scale: 1 }).width)).toBe(595);
  const printText = await textOf(printed);
  expect(printText).toContain('Nordlys Plate 3');
  expect(printText).not.toContain('Download PDF');
});
