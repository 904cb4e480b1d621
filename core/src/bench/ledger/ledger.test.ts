import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BenchEvent } from '../event.js';
import { standing } from '../event.js';
import { parseStep } from './parse.js';
import { findingsOf, trayCounts } from './counts.js';
import { ledgerOf, openEnds, stepsOff, usualAfter } from './ledger.js';
import { reassembly, shutsIn } from './reassembly.js';
import { parseWires, wiresFrom } from './wires.js';
import { EMPTY_STEP } from './parse.js';
import { lineMaker } from '../job.test-data.js';

const line = lineMaker('open-up');
const step = (text: string, after: readonly string[] = [], more: object = {}): BenchEvent =>
  line({ ...parseStep(text, after), ...more });
const refit = (target: string, returned: number[], more: object = {}): BenchEvent =>
  line({ kind: 'refit', target, returned, distances: [], flush: true, renewed: [], ...more });
const end = (what: string, stepKey: string | null = null): BenchEvent =>
  line({ kind: 'open-end', what, how: 'unplugged', usualId: null, stepKey, moveKey: null });
const close = (target: string): BenchEvent => line({ kind: 'close', target, how: '' });

describe('a strip-down line as typed', () => {
  it.each([
    ['4 x 30 mm, tray B', 'fasteners', [{ count: 4, what: '30 mm', tray: 'B', odd: false }]],
    ['bottom cover 4 x 30 mm, tray b', 'bottom cover', [{ count: 4, what: '30 mm', tray: 'B', odd: false }]],
    ['bottom cover: 6 screws tray C', 'bottom cover', [{ count: 6, what: 'screws', tray: 'C', odd: false }]],
    [
      'board 2 x 12 mm + 1 star washer, tray A',
      'board',
      [
        { count: 2, what: '12 mm', tray: 'A', odd: false },
        { count: 1, what: 'star washer', tray: 'A', odd: true },
      ],
    ],
    ['motor 3 × longer screws', 'motor', [{ count: 3, what: 'longer screws', tray: null, odd: true }]],
    ['belt, off the pulley side', 'belt, off the pulley side', []],
  ])('understands "%s"', (text, what, fasteners) => {
    const parsed = parseStep(text);
    expect(parsed.what).toBe(what);
    expect(parsed.fasteners).toEqual(fasteners);
  });

  it('leaves a distance out of what came off, unless the line is nothing else', () => {
    expect(parseStep('hall board, hall gap 17 mm')).toMatchObject({
      what: 'hall board',
      distances: [{ what: 'hall gap', value: 17, unit: 'mm', tolerance: 0.85 }],
    });
    expect(parseStep('height 2 mm').what).toBe('height 2 mm');
    // In centimetres the least that it may come back within is a tenth of a millimetre too.
    expect(parseStep('head, azimuth height 0.1 cm').distances).toMatchObject([
      { value: 0.1, unit: 'cm', tolerance: 0.01 },
    ]);
    expect(parseStep('head, pole gap 0.4 mm').distances).toMatchObject([{ value: 0.4, tolerance: 0.1 }]);
  });

  it('knows covers and earth points', () => {
    expect(parseStep('bottom plate 4 x 8 mm').cover).toBe(true);
    expect(parseStep('transformer 1 star washer').earth).toBe(true);
    expect(parseStep('belt').cover).toBe(false);
  });

  it('never throws and never loses what was typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (text) => {
        const parsed = parseStep(text);
        expect(parsed.text).toBe(text.trim());
        for (const one of parsed.fasteners) expect(Number.isInteger(one.count)).toBe(true);
      }),
    );
  });
});

describe('the way back', () => {
  it('runs backwards and names what to close first', () => {
    const cover = step('bottom cover 4 x 30 mm tray B');
    const board = step('board 2 x 8 mm tray C', [cover.key]);
    const plug = end('motor plug');
    const plan = reassembly(ledgerOf([cover, board, plug]));
    expect(plan.map((item) => item.step.number)).toEqual([2, 1]);
    expect(plan[0]?.closeFirst.map((one) => one.end.what)).toEqual(['motor plug']);
    expect(plan[1]?.waitsFor.map((one) => one.number)).toEqual([2]);
  });

  it('says what another order shuts in, side branches left alone', () => {
    const cover = step('cover 4 x 30 mm');
    const left = step('left board', [cover.key]);
    const right = step('right board', [cover.key]);
    const ledger = ledgerOf([cover, left, right, end('loom', left.key)]);
    expect(shutsIn(ledger, cover.key).steps.map((one) => one.number)).toEqual([3, 2]);
    expect(shutsIn(ledger, right.key).steps).toEqual([]);
    expect(shutsIn(ledger, right.key).ends).toEqual([]);
    expect(shutsIn(ledger, left.key).ends).toHaveLength(1);
  });

  it('is struck out with its line, and what was closed by it is open again', () => {
    const plug = end('plug');
    const shut = close(plug.key);
    const strike = line({ kind: 'strike', target: shut.key, reason: 'not plugged' });
    expect(openEnds(ledgerOf(standing([plug, shut])))).toHaveLength(0);
    expect(openEnds(ledgerOf(standing([plug, shut, strike])))).toHaveLength(1);
  });

  it('takes the last step still off as the one a new step lies behind', () => {
    const first = step('a');
    const second = step('b', [first.key]);
    expect(usualAfter(ledgerOf([first, second]))).toEqual([second.key]);
    expect(usualAfter(ledgerOf([first, second, refit(second.key, [])]))).toEqual([first.key]);
  });
});

describe('trays', () => {
  it('hold what came off less what went back, by tray and kind; what has none stands under its own', () => {
    const cover = step('bottom cover 4 x 30 mm tray B');
    const board = step('board 2 x 8 mm + 3 x 30 mm tray B');
    const foot = step('foot 2 x 20 mm');
    expect(trayCounts(ledgerOf([cover, board, foot, refit(board.key, [2, 1])]))).toEqual([
      {
        tray: 'B',
        kinds: [
          { what: '30 mm', out: 7, back: 1 },
          { what: '8 mm', out: 2, back: 2 },
        ],
        left: 6,
      },
      { tray: 'no tray', kinds: [{ what: '20 mm', out: 2, back: 0 }], left: 2 },
    ]);
  });
});

/** Random strip-downs: each step lies behind any earlier ones, ends stand under any step. */
const ledgers = fc
  .array(
    fc.record({
      behind: fc.array(fc.nat(20), { maxLength: 3 }),
      counts: fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 3 }),
      ends: fc.nat(2),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .map((wishes) => {
    const lines: BenchEvent[] = [];
    const steps: BenchEvent[] = [];
    for (const wish of wishes) {
      const after = [...new Set(wish.behind.map((i) => steps[i]?.key))].filter((key) => key !== undefined);
      const fasteners = wish.counts.map((count, i) => ({ count, what: `${i} mm`, tray: 'A', odd: false }));
      const one = line({ ...EMPTY_STEP, text: 'x', what: 'x', fasteners, after });
      steps.push(one);
      lines.push(one, ...Array.from({ length: wish.ends }, (_, i) => end(`end ${i}`, i === 0 ? one.key : null)));
    }
    return lines;
  });

/** Walks the plan of a ledger: closes first, then puts back, one line at a time. */
function walkBack(lines: readonly BenchEvent[]): BenchEvent[] {
  const out = [...lines];
  for (let item = reassembly(ledgerOf(out))[0]; item; item = reassembly(ledgerOf(out))[0]) {
    for (const open of item.closeFirst) out.push(close(open.key));
    out.push(
      refit(
        item.step.key,
        item.step.step.fasteners.map((one) => one.count),
      ),
    );
  }
  for (const open of openEnds(ledgerOf(out))) if (open.under === null) out.push(close(open.key));
  return out;
}

describe('every strip-down', () => {
  it('goes together in an order that shuts nothing in', () => {
    fc.assert(
      fc.property(ledgers, (lines) => {
        const ledger = ledgerOf(lines);
        const plan = reassembly(ledger);
        expect(plan).toHaveLength(ledger.steps.length);
        const place = new Map(plan.map((item, i) => [item.step.key, i]));
        for (const { step: body, key } of ledger.steps)
          for (const before of body.after) expect(place.get(key)).toBeLessThan(place.get(before) as number);
      }),
    );
  });

  it('closes every open end exactly once and comes out even', () => {
    fc.assert(
      fc.property(ledgers, (lines) => {
        const done = walkBack(lines);
        const ledger = ledgerOf(done);
        expect(openEnds(ledger)).toEqual([]);
        expect(stepsOff(ledger)).toEqual([]);
        expect(trayCounts(ledger).every((tray) => tray.left === 0)).toBe(true);
        expect(findingsOf(ledger)).toEqual([]);
        const closed = done.flatMap(({ body }) => (body.kind === 'close' ? [body.target] : []));
        expect(new Set(closed).size).toBe(closed.length);
        expect(closed).toHaveLength(ledger.ends.length);
      }),
    );
  });

  it('keeps every screw that does not go back as a finding until it is explained', () => {
    fc.assert(
      fc.property(ledgers, fc.nat(), (lines, pick) => {
        const done = walkBack(lines);
        const withScrews = done.filter(({ body }) => body.kind === 'refit' && body.returned.length > 0);
        const one = withScrews[pick % Math.max(1, withScrews.length)];
        if (!one || one.body.kind !== 'refit') return;
        const { body } = one;
        const short = { ...one, body: { ...body, returned: body.returned.map((n, i) => (i === 0 ? n - 1 : n)) } };
        const changed = done.map((other) => (other === one ? short : other));
        const found = findingsOf(ledgerOf(changed));
        expect(found).toHaveLength(1);
        const explained = [
          ...changed,
          line({ kind: 'explain', finding: found[0]?.id ?? '', why: 'stripped, left out' }),
        ];
        expect(findingsOf(ledgerOf(explained))[0]?.explained).toBe('stripped, left out');
      }),
    );
  });
});

it('an end is closed by the first line that says so', () => {
  const [red, once, again] = (([one]) => [one, close(one.key), close(one.key)])([end('motor red')] as const);
  expect(ledgerOf([red, once, again]).ends[0]?.closed?.key).toBe(once.key);
});

describe('findings', () => {
  it('say how many stayed over or went in too many, of what and from which tray', () => {
    const cover = step('bottom cover 4 x 30 mm tray B');
    const found = (...back: number[]) => findingsOf(ledgerOf([cover, refit(cover.key, back)])).map(({ text }) => text);
    expect(found(4)).toEqual([]);
    expect(found(3)).toEqual(['1 of 4 30 mm, tray B left over from step 1']);
    expect(found()).toEqual(['4 of 4 30 mm, tray B left over from step 1']);
    expect(found(6)).toEqual(['2 more 30 mm went into step 1 than came off']);
  });

  const gap = { what: 'sensor gap', value: 17, unit: 'mm', tolerance: 0.2 };

  it('are unrestored distances, covers that do not sit and what was not renewed', () => {
    const cover = step('cover 2 x 8 mm', [], { distances: [gap], owes: ['seal'] });
    const bad = refit(cover.key, [2], { distances: [16.5], flush: false });
    expect(findingsOf(ledgerOf([cover, bad])).map((one) => one.text)).toEqual([
      'sensor gap of step 1 is 16.5 mm, was 17 ± 0.2 mm',
      'Step 1, cover: does not sit flush, a wire may be in the way',
      'seal not renewed at step 1',
    ]);
    const good = refit(cover.key, [2], { distances: [17.2], flush: true, renewed: ['seal'] });
    expect(findingsOf(ledgerOf([cover, bad, good]))).toEqual([]);
  });

  it('name what is still off behind what was put back', () => {
    const cover = step('cover');
    const belt = step('belt', [cover.key]);
    const found = findingsOf(ledgerOf([cover, belt, refit(cover.key, [])]));
    expect(found.map((one) => one.text)).toEqual(['Step 2, belt, is still off behind step 1']);
  });
});

describe('wires', () => {
  it('are mirrored when one looks at the other side', () => {
    const wires = parseWires('1 red, 2 black, 3 blue');
    expect(wires.map(({ pin, colour }) => `${pin} ${colour}`)).toEqual(['1 red', '2 black', '3 blue']);
    const connector = { wires, wiresSide: 'wire-side' as const };
    expect(wiresFrom(connector, 'mating-face').map((wire) => wire.colour)).toEqual(['blue', 'black', 'red']);
    expect(wiresFrom(connector, 'wire-side')).toEqual(wires);
    expect(parseWires('red, black')).toEqual([
      { pin: '1', colour: 'red' },
      { pin: '2', colour: 'black' },
    ]);
  });
});
