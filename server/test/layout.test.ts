/** Where everything stands on paper: the places are those of the papers' layout, written out here in millimetres. */
import type { BenchSheet } from '@amber-gauge/core/bench';
import { describe, expect, it } from 'vitest';
import { benchPdf } from '../src/features/sheet/benchPdf.js';
import { sheetPdf } from '../src/features/sheet/pdf.js';
import { stickerPdf } from '../src/features/sheet/stickerPdf.js';
import { drawnOn, wordsOn, type Word } from './drawn.js';
import { AT, expectLines, laid, lineOf, pagesOf, SHEET, when, type Line } from './laidOut.js';

describe('the owner’s sheet', () => {
  it('stands as it was laid out, from the shop’s name to the price', async () => {
    const [page] = await pagesOf(sheetPdf(SHEET, when, {}));
    if (!page) throw new Error('no page');
    const words = await wordsOn(page);
    // A heading: 3 mm above it, half a millimetre to its line, 2 mm under the line. The ribbon is 16 mm high.
    expectLines(
      words,
      laid(`
        Shop, Street 1 | text 10 20 0 ; Job 0007 | bold 12 150 0
        Unit | bold 20 20 3
        Kind | text 10 20 2 ; table | text 10 46 2
        Owner | text 10 20 1 ; school | text 10 46 1
        # What was wrong | 4
        Slow | text 10 20 2.5
        # Speed, as found and as left | 4
        Tolerance one percent | text 9 20 2.5
        45 a minute | bold 11 20 2
        As found, 2026-03-01 | text 9 20 16 ; As left, 2026-03-01 | text 9 106 16
        FOUND | mono 12 20 0.5 ; LEFT | mono 12 106 0.5
        FOUND is right | text 10 20 0.5 ; LEFT is right | text 10 106 0.5
        FOUND by tone | text 8 20 0.5 ; LEFT by tone | text 8 106 0.5
        # What was found | 6.5
        Belt worn | text 10 20 2.5
        look:shiny | mono 8 26 1
        feel:loose | mono 8 26 0.5
        # What was done | 3.5
        Cleaned it | text 10 56 2.5
        Set it | text 10 56 1
        # Parts that went in | 4
        one belt | text 10 20 2.5
        one wheel | text 10 20 1
        # Shown so far | 4
        Warm | text 10 20 2.5 ; ran-warm | mono 9 98 2.5
        Cold | text 10 20 0.5 ; ran-cold | mono 9 98 0.5
        # Not proved | 3.5
        Soak | text 10 20 2.5 ; fetched early | text 9 98 2.5
        Noise | text 10 20 0.5 ; no clip | text 9 98 0.5
        # Notes | 3.5
        ran long | text 10 56 2.5`),
    );
    const days = words.filter(({ text }) => text === '2026-03-01');
    expect(days.map(({ x, size }) => [x, size])).toEqual(Array(3).fill([expect.closeTo(20, 1), 8]));
    // The line under a heading is as wide as the paper's text: 170 mm.
    const under = (await drawnOn(page)).filter(({ left, right }) => left === 20 && right === 190);
    const first = words.find(({ text }) => text === 'What was wrong');
    const { base, height } = lineOf('bold', 12);
    expect(under[0]?.line).toBe(0.25);
    expect(under[0]?.top).toBeCloseTo((first?.y ?? 0) - base + height + 0.5, 1);
  });

  it('says at the foot of each page what it does not replace, and which page it is', async () => {
    const pages = await pagesOf(sheetPdf(SHEET, when, {}));
    expect(pages.length).toBe(2);
    for (const [i, page] of pages.entries()) {
      const words = await wordsOn(page);
      const { base } = lineOf('text', 7.5);
      const caution = words.find(({ text }) => text === 'Judged by local rules.');
      const number = words.find(({ text }) => text === `page ${i + 1} of 2`);
      // 15 mm above the lower edge.
      for (const [one, left] of [
        [caution, 20],
        [number, 166],
      ] as const)
        expect([one?.x, one?.y, one?.size]).toEqual([expect.closeTo(left, 1), expect.closeTo(282 + base, 1), 7.5]);
    }
  });

  it('goes on over the page’s edge: from the upper edge again, with headings as any', async () => {
    const [, page] = await pagesOf(sheetPdf(SHEET, when, {}));
    if (!page) throw new Error('no second page');
    const words = await wordsOn(page);
    const [first] = words;
    const rest = laid(`
      # Left undone | 3
      the lamp | text 10 20 2.5
      # What to watch | 4
      a squeal | text 10 20 2.5
      # Mind | 4
      hot inside | text 10 20 2.5
      # Come again | 4
      2026-04-01: oil | text 10 20 2.5
      # Price | 4
      42.50 | mono 14 20 2.5`);
    const from = rest.findIndex(([one]) => one?.[0] === first?.text.trim());
    expect(from).toBeGreaterThanOrEqual(0);
    const [[begun] = [], ...after] = rest.slice(from);
    expectLines(words, [[[...(begun as Line).slice(0, 4), 3] as unknown as Line], ...after]);
  });

  it('a heading never stands alone at the foot, and no page ends sooner than it must', async () => {
    // As many lines as make the heading after them land all about the foot of the first page.
    for (let count = 22; count <= 32; count++) {
      const notes = Array.from({ length: count }, (_, i) => ({ at: AT, text: `note ${i}` }));
      const bare = { ...SHEET, complaint: '', speeds: [], found: [], done: [], parts: [], shown: [], notShown: [] };
      const pages = await pagesOf(sheetPdf({ ...bare, notes }, when, {}));
      const [one, two] = await Promise.all(pages.map(wordsOn));
      const foot = 279;
      const told = (one ?? []).filter(({ y }) => y < 281);
      const last = told.at(-1) as Word;
      const next = two?.[0] as Word;
      const bold = next.size === 12;
      const { height } = lineOf(bold ? 'bold' : 'text', bold ? 12 : 10);
      expect(last.size, `${count}: last on the page`).not.toBe(12);
      const low = last.y - lineOf('text', last.size).base + lineOf('text', last.size).height + 1;
      // A heading wants 20 mm, its own 12 and 8 for what comes after; any other line its own height.
      expect(low + (bold ? 20 : height), `${count}: ${last.text} and then ${next.text}`).toBeGreaterThan(foot);
      expect(Math.max(...told.map(({ y }) => y))).toBeLessThan(foot);
    }
  });

  it('a speed stands on one page, its ribbon with its figures, and goes to the next no sooner than it must', async () => {
    const bare = { ...SHEET, complaint: '', found: [], done: [], parts: [], shown: [], notShown: [], notes: [] };
    const seen = new Set<number>();
    for (let count = 26; count <= 38; count += 2) {
      const facts = Array.from({ length: count }, (_, i) => ({ label: `fact${i}`, value: 'x' }));
      const pages = await Promise.all((await pagesOf(sheetPdf({ ...bare, facts }, when, {}))).map(wordsOn));
      const here = pages.findIndex((page) => page.some(({ text }) => text === '45 a minute'));
      seen.add(here);
      for (const one of ['FOUND', 'LEFT is right', 'LEFT by tone'])
        expect(
          pages[here]?.some(({ text }) => text === one),
          `${count}: ${one}`,
        ).toBe(true);
      // Its heading and the tolerance are on the same page.
      expect(
        pages[here]?.some(({ text }) => text === 'Speed, as found and as left'),
        String(count),
      ).toBe(true);
      const last = pages[here]?.find(({ text }) => text === 'LEFT by tone') as Word;
      expect(last.y).toBeLessThan(279);
      if (here === 0) continue;
      // 12 mm for the heading, 7 for the tolerance, 42 for the speed: what came before leaves less than that.
      const before = (pages[0] ?? []).filter(({ y }) => y < 281).at(-1) as Word;
      const { base, height } = lineOf('text', before.size);
      expect(before.y - base + height + 1 + 61, String(count)).toBeGreaterThan(279);
    }
    expect(seen).toEqual(new Set([0, 1]));
  });
});

describe('the bench sheet', () => {
  it('stands as it was laid out', async () => {
    const row = (label: string, value: string) => ({ label, value, at: AT });
    const sheet: BenchSheet = {
      shop: SHEET.shop,
      number: '0007',
      unit: 'Unit',
      kind: 'table',
      serial: '99',
      points: [row('TP1', '5.1V'), row('TP2', '12V')],
      speeds: [row('45', '+0.1%')],
      trims: [row('pot 1', 'half')],
      opening: [],
      traces: [],
      done: [{ at: AT, text: 'Cleaned-it' }],
      cautions: ['hot inside'],
    };
    const [page] = await pagesOf(benchPdf(sheet, when));
    if (!page) throw new Error('no page');
    const words = await wordsOn(page);
    expectLines(
      words,
      laid(`
        Shop | text 10 20 0 ; Bench sheet 0007 | bold 12 140 0
        Unit | bold 20 20 1
        table, 99 | text 10 20 1
        # Test points, healthy | 5
        TP1 | text 10 20 2.5 ; 5.1V | mono 9 82 2.5
        TP2 | text 10 20 1 ; 12V | mono 9 82 1
        # Speeds as left | 4
        45 | text 10 20 2.5 ; +0.1% | mono 9 82 2.5
        # Trims | 4
        pot 1 | text 10 20 2.5 ; half | mono 9 82 2.5
        # What was done | 4`),
    );
    const days = words.filter(({ text }) => text === '2026-03-01');
    expect(days.map(({ x, size }) => [x, size])).toEqual(Array(5).fill([expect.closeTo(162, 1), 7]));
    expect(words.find(({ text }) => text === 'Cleaned-it')).toMatchObject({ x: expect.closeTo(82, 1), size: 9 });
    expect(words.find(({ text }) => text.startsWith('hot'))).toMatchObject({ x: expect.closeTo(20, 1), size: 10 });
    // A shop's name has 120 mm: a longer one goes on in a second line, beside the sheet's number.
    const long = { ...sheet, shop: { ...sheet.shop, name: 'Workshop '.repeat(9).trim() } };
    const [other] = await pagesOf(benchPdf(long, when));
    if (!other) throw new Error('no page');
    const named = (await wordsOn(other)).filter(({ text }) => text.includes('Workshop'));
    expect(new Set(named.map(({ y }) => Math.round(y))).size).toBe(2);
    for (const { x } of named) expect(x).toBeLessThan(140);
  });
});

describe('the sticker', () => {
  it('has its number 3 mm under the edge, the unit under it, and the shop at 21 mm or under a long unit', async () => {
    const words = async (unit: string) => {
      const [page] = await pagesOf(stickerPdf({ number: '0007', unit, shop: 'S'.repeat(50), link: 'http://a/1' }));
      if (!page) throw new Error('no page');
      return wordsOn(page);
    };
    const short = await words('Unit');
    expectLines(short, laid('0007 | bold 18 30 3 \n Unit | text 8 30 0'), 0);
    const shop = (of: readonly Word[]) => of.filter(({ size }) => size === 7);
    expect((shop(short)[0]?.y ?? 0) - lineOf('text', 7).base).toBeCloseTo(21, 1);
    // No more of a name than fits: forty letters of the shop, sixty of the unit.
    expect(
      shop(short)
        .map(({ text }) => text)
        .join(''),
    ).toBe('S'.repeat(40));
    const long = await words('unit '.repeat(40));
    const unit = long.filter(({ size }) => size === 8);
    expect(unit.map(({ text }) => text.trim()).join(' ').length).toBeLessThanOrEqual(60);
    expect(unit.length).toBeGreaterThan(1);
    expect(shop(long)[0]?.y).toBeGreaterThan(unit.at(-1)?.y ?? 0);
  });
});
