/** Trying, waiting and doing several at once: sums written out by hand, an hour of hands at 60, so a minute is 1. */
import { describe, expect, it } from 'vitest';
import type { MendAdvice } from '../../diagnosis/index.js';
import { banOf, PATHS, type DrivePath, type PathRepair } from '../../families/index.js';
import { shelfOf, type ShelfBody, type ShelfLine } from '../shelf/index.js';
import { decide, offerOf, type DecisionBasis, type Findings, type OfferBasis, type QuoteBody } from './index.js';

const repairOf = (id: string, more: Partial<PathRepair> = {}): PathRepair => ({
  id,
  name: id,
  cures: [`${id}.bad`],
  handsMin: 10,
  waitMin: 0,
  money: 0,
  level: 'cover',
  residual: 0,
  power: 'dead',
  leaves: null,
  loses: null,
  risks: null,
  retrim: false,
  gone: [],
  ...more,
});
const advised = (repair: PathRepair, chance: number, more: Partial<MendAdvice> = {}): MendAdvice => ({
  repair,
  chance,
  minutes: 0,
  reachMin: 0,
  found: false,
  forbidden: null,
  seek: [],
  ...more,
});
const found = (mends: readonly MendAdvice[], more: Partial<Findings> = {}): Findings => {
  const ways = more.ways ?? [];
  return {
    mends,
    faults: mends.map(({ repair, chance }) => ({ modes: [`${repair.id}.bad`], share: chance })),
    path: {
      repairs: mends.map((one) => one.repair),
      ways: ways.map((one) => one.repair),
      blocks: [],
      levels: [{ id: 'outside' }, { id: 'cover' }],
    } as unknown as DrivePath,
    ...more,
  };
};
const costs = (tryMin: number, dayMoney = 0): DecisionBasis['costs'] => ({ hourMoney: 60, dayMoney, tryMin });

describe('several done together', () => {
  const two = [advised(repairOf('one'), 0.5), advised(repairOf('other'), 0.4)];

  it('where a look afterwards is dear, both are done before it: 10 + 10 + 30 beats 40 + half of 40', () => {
    const { options } = decide(found(two), { costs: costs(30) });
    expect(options[0]).toMatchObject({ id: 'one', also: ['other'], way: 'set', minutes: 20, money: 20 });
    expect(options[0]?.chance).toBeCloseTo(0.9, 9);
    expect(options[0]?.expectedCost).toBeCloseTo(50, 9);
    expect(options.find((one) => one.id === 'one' && one.also.length === 0)?.expectedCost).toBeCloseTo(60, 9);
  });

  it('where a look is cheap, one is done and looked at first: 15 + half of 15 against 25', () => {
    const { options } = decide(found(two), { costs: costs(5) });
    expect(options.map((one) => one.also.length)).toEqual([0, 0]);
    expect(options[0]?.expectedCost).toBeCloseTo(22.5, 9);
  });

  it('what needs no opening is not part of what is done while it is open', () => {
    const told = advised(repairOf('other', { level: 'outside' }), 0.4);
    const { options } = decide(found([two[0] as MendAdvice, told]), { costs: costs(30) });
    expect(options.every(({ also }) => also.length === 0)).toBe(true);
  });

  it('what is set with power on is not done in the same go, nor what is forbidden', () => {
    const running = advised(repairOf('other', { power: 'running' }), 0.4);
    const held = advised(repairOf('other'), 0.4, { forbidden: 'First look.' });
    for (const other of [running, held])
      expect(
        decide(found([two[0] as MendAdvice, other]), { costs: costs(30) }).options.every(({ also }) => !also.length),
      ).toBe(true);
  });
});

describe('waiting', () => {
  const belt = advised(repairOf('belt', { money: 8 }), 0.6);
  const clean = advised(repairOf('clean', { handsMin: 30 }), 0.4);

  it('costs its days: 8 of parts, 10 of hands, 5 days at 4, then four tenths of 30', () => {
    const offer = (repair: PathRepair) => ({
      money: repair.money,
      days: repair.id === 'belt' ? 5 : 0,
      from: 'asked' as const,
      priced: true,
    });
    const { options, turning } = decide(found([belt, clean]), { costs: costs(0, 4), offer });
    const cost = Object.fromEntries(options.map((one) => [one.id, one.expectedCost]));
    expect(cost.belt).toBeCloseTo(38 + 0.4 * 30, 9);
    expect(cost.clean).toBeCloseTo(30 + 0.6 * 38, 9);
    expect(options.find((one) => one.id === 'belt')).toMatchObject({ partsDays: 5, money: 18 });
    // 0.6 of 30 over 0.4 is 45: less 10 of hands and 20 of waiting leaves 15 for its parts.
    expect(turning?.partsMoney).toBeCloseTo(15, 9);
  });

  it('past the day it is wanted it says so, stands behind what is ready, and none ready is a reason to ask', () => {
    const offer = (repair: PathRepair) => ({ money: repair.money, days: 4, from: 'usual' as const, priced: false });
    const terms = (wantedBy: string) => ({ kind: 'terms', worth: null, price: null, ceiling: null, wantedBy }) as const;
    const decided = (wantedBy: string) =>
      decide(found([belt]), { terms: terms(wantedBy), offer, today: '2026-02-26', costs: costs(0) });
    expect(decided('2026-03-02').options[0]?.late).toBe(false);
    expect(decided('2026-03-01').options[0]?.late).toBe(true);
    expect(decided('2026-03-01').stop.join()).toContain('ready by the day it is wanted');
    const glue = advised(repairOf('glue', { waitMin: 1441 }), 0.9);
    const ready = decide(found([glue, clean]), { terms: terms('2026-02-27'), today: '2026-02-26', costs: costs(0) });
    expect(ready.options.map((one) => [one.id, one.late])).toEqual([
      ['clean', false],
      ['glue', true],
    ]);
  });
});

describe('ways round the usual mends', () => {
  it('stand beside them with what goes with them; after one the usual mends follow, no second donor', () => {
    const usual = advised(repairOf('clean'), 0.5);
    const donor = advised(repairOf('donor', { cures: ['clean.bad', 'rest.bad'], way: 'donor', money: 50 }), 0.9);
    const past = advised(
      repairOf('past', { cures: ['clean.bad'], way: 'bypass', loses: 'the pitch', risks: 'label it', residual: 0.1 }),
      0.45,
    );
    const all = found([usual], {
      ways: [donor, past],
      faults: [
        { modes: ['clean.bad'], share: 0.5 },
        { modes: ['rest.bad'], share: 0.4 },
      ],
    });
    const { options, uncured } = decide(all, { costs: costs(0) });
    const cost = Object.fromEntries(options.map((one) => [one.id, one.expectedCost]));
    // Donor 60, then a tenth of 10. Past it 10, then 55 in a hundred of 10.
    expect(cost.donor).toBeCloseTo(61, 9);
    expect(cost.past).toBeCloseTo(15.5, 9);
    expect(options.find((one) => one.id === 'past')).toMatchObject({
      way: 'bypass',
      loses: 'the pitch',
      risks: 'label it',
    });
    // Of the usual ones alone.
    expect(uncured).toBeCloseTo(0.5, 9);
  });

  it('a donor at a guessed price stands behind the usual mends, however cheap; once it was asked it may come first', () => {
    const usual = advised(repairOf('board', { handsMin: 100 }), 0.5);
    const donor = advised(repairOf('donor', { cures: ['board.bad'], way: 'donor', money: 5 }), 0.5);
    const order = (priced: boolean) =>
      decide(found([usual], { ways: [donor] }), {
        costs: costs(0),
        offer: (repair) => ({ money: repair.money, days: 0, from: 'asked', priced }),
      }).options.map((one) => one.id);
    expect(order(false)).toEqual(['board', 'donor']);
    expect(order(true)).toEqual(['donor', 'board']);
  });

  it('what keeps power off is a reason to stop, in its own words', () => {
    const { stop } = decide(found([advised(repairOf('board'), 0.9)], { bans: [banOf('bridge')] }), { costs: costs(0) });
    expect(stop.join()).toContain('A shorted switch or winding blows the next board');
  });

  // Words of protection as the trade says them, not the list that the path keeps.
  it('nothing is led round that protects, in any family', () => {
    const protects = /fuse|cut-out|protector|interlock|lock|pressure|earth|frame|case|door|swollen|trigger/i;
    const round = [...PATHS].flatMap(([family, path]) =>
      [...path.repairs, ...path.ways]
        .filter((one) => one.way === 'bypass' || one.way === 'jumper')
        .flatMap((one) =>
          path.blocks.flatMap((block) =>
            block.modes
              .filter((mode) => one.cures.some((ref) => ref === `${block.id}.*` || ref === `${block.id}.${mode.id}`))
              .filter((mode) => protects.test(`${block.name} ${mode.name}`))
              .map((mode) => `${family} ${one.id}: ${block.name}, ${mode.name}`),
          ),
        ),
    );
    expect(round).toEqual([]);
    const kinds = new Set([...PATHS].flatMap(([, path]) => path.ways.map((one) => one.way)));
    for (const way of ['donor', 'retrofit', 'bypass', 'jumper', 'away'] as const) expect(kinds).toContain(way);
    for (const [family, path] of PATHS) expect(path.ways.length, family).toBeGreaterThan(0);
  });
});

describe('parts of a mend', () => {
  const lot = (key: string, more: Partial<Extract<ShelfBody, { kind: 'lot' }>> = {}): ShelfLine => ({
    key,
    at: '2026-01-01T00:00:00.000Z',
    body: {
      kind: 'lot',
      part: 'flat belt',
      supplier: 'Fergebod',
      quantity: 2,
      price: 4,
      orderedOn: '2026-01-01',
      expectedOn: null,
      claimDays: 30,
      place: '',
      serves: ['f/belt'],
      ...more,
    },
  });
  const move = (lotKey: string, body: object): ShelfLine => ({
    key: `${lotKey} ${JSON.stringify(body)}`,
    at: '2026-01-02T00:00:00.000Z',
    body: { lot: lotKey, ...body } as ShelfBody,
  });
  const quote = (money: number, days: number | null): QuoteBody => ({
    kind: 'quote',
    optionId: 'belt',
    name: 'belt',
    money,
    days,
  });
  const belt = repairOf('belt', { money: 12 });
  const basis = (lines: readonly ShelfLine[], more: Partial<OfferBasis> = {}): OfferBasis => ({
    familyId: 'f',
    shelf: shelfOf(lines, '2026-02-10'),
    quotes: new Map(),
    jobNumber: 7,
    partsDays: 9,
    today: '2026-02-10',
    ...more,
  });
  const told = (lines: readonly ShelfLine[], more: Partial<OfferBasis> = {}) => {
    const { money, days, from, priced, lot: taken } = offerOf(belt, basis(lines, more));
    return [money, days, from, priced, taken?.key ?? null];
  };

  it('lie on the shelf, come, were asked about, or take what they usually take', () => {
    expect(told([])).toEqual([12, 9, 'usual', false, null]);
    expect(told([lot('a')])).toEqual([4, 0, 'shelf', true, 'a']);
    expect(told([lot('a')], { quotes: new Map([['belt', quote(6, 2)]]) })).toEqual([6, 0, 'shelf', true, 'a']);
    expect(told([lot('a', { expectedOn: '2026-02-13' })])).toEqual([4, 3, 'ordered', true, 'a']);
    // Asked, and sooner than what is on its way; a price without a day leaves the days as they are.
    expect(told([lot('a', { expectedOn: '2026-02-13' })], { quotes: new Map([['belt', quote(6, 1)]]) })).toEqual([
      6,
      1,
      'asked',
      true,
      null,
    ]);
    expect(told([], { quotes: new Map([['belt', quote(6, null)]]) })).toEqual([6, 9, 'usual', true, null]);
    // What should have come already says nothing of when it will.
    expect(told([lot('a', { expectedOn: '2026-02-01' })])).toEqual([4, 9, 'usual', true, null]);
  });

  it('set aside for another job are not offered, for this one they are; bad ones never', () => {
    const aside = (job: number) => move('a', { kind: 'reserved', quantity: 2, job });
    expect(told([lot('a'), aside(8)]).slice(1, 3)).toEqual([9, 'usual']);
    expect(told([lot('a'), aside(7)]).slice(1, 3)).toEqual([0, 'shelf']);
    // Two lie there, one of them is another's.
    const one = move('a', { kind: 'reserved', quantity: 1, job: 8 });
    expect(told([lot('a'), one]).slice(1, 3)).toEqual([0, 'shelf']);
    expect(told([lot('a', { quantity: 1 })]).slice(1, 3)).toEqual([0, 'shelf']);
    // One was used by a job that had set none aside: the other is free.
    expect(told([lot('a'), move('a', { kind: 'used', quantity: 1, job: 3, serves: null })]).slice(1, 3)).toEqual([
      0,
      'shelf',
    ]);
    expect(told([lot('a'), move('a', { kind: 'tested', good: 0, bad: 2 })]).slice(1, 3)).toEqual([9, 'usual']);
  });

  it('of those on their way the first that has a piece for this job; one set aside on the way is not here yet', () => {
    const coming = (key: string, day: string) => lot(key, { expectedOn: `2026-02-${day}` });
    const aside = (key: string, job: number) => move(key, { kind: 'reserved', quantity: 2, job });
    expect(told([coming('a', '20'), coming('b', '15'), coming('c', '18')])).toEqual([4, 5, 'ordered', true, 'b']);
    expect(told([coming('a', '20'), coming('b', '15'), aside('b', 8)])).toEqual([4, 10, 'ordered', true, 'a']);
    expect(told([coming('b', '15'), aside('b', 7)])).toEqual([4, 5, 'ordered', true, 'b']);
    const one = move('b', { kind: 'reserved', quantity: 1, job: 8 });
    expect(told([coming('b', '15'), one])).toEqual([4, 5, 'ordered', true, 'b']);
    // Today is not too late.
    expect(told([coming('a', '10')])).toEqual([4, 0, 'ordered', true, 'a']);
  });

  it('a piece taken for a mend teaches the shelf what its part serves; the lead time of that part counts', () => {
    const plain = lot('a', { serves: [], expectedOn: '2026-01-10' });
    const came = move('a', { kind: 'arrived', on: '2026-01-12' });
    const taken = move('a', { kind: 'used', quantity: 2, job: 3, serves: 'f/belt' });
    expect(told([plain, came]).slice(1, 3)).toEqual([9, 'usual']);
    // Ordered on the first, here on the twelfth.
    expect(told([plain, came, taken])).toEqual([4, 11, 'lead', true, null]);
  });

  it('a mend without parts waits for none', () => {
    expect(offerOf(repairOf('clean'), basis([]))).toMatchObject({ money: 0, days: 0, from: 'none' });
  });
});
