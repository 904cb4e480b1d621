import { DECISION, lineMaker, testJob } from '../job.test-data.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { MendAdvice } from '../../diagnosis/index.js';
import { workingOf } from '../../workings/index.js';
import type { DrivePath } from '../../families/index.js';
import type { BenchEvent, EventBody } from '../event.js';
import { jobState } from '../state.js';
import { lineWords } from '../describe.js';
import { costsOf, decide, judgedReadings, prefill, type Findings, type TermsBody } from './index.js';

const line = lineMaker('mend');
const reading = (value: number, place: string | null, more: object = {}): BenchEvent =>
  line({
    kind: 'reading',
    text: '',
    values: [value],
    unit: 'V',
    qualifier: null,
    bound: 'exact',
    place,
    speedId: null,
    condition: null,
    holdKey: null,
    ...more,
  });
const sum = (low: number, high: number, place = 'reservoir'): BenchEvent =>
  line({
    kind: 'working',
    workingId: 'supply',
    name: 'Supply',
    inputs: [{ id: 'secondary', text: '23' }],
    words: 'mean 27.6 V',
    verdict: null,
    expects: { place, unit: 'V', low, high },
  });

describe('readings judged by what was reckoned', () => {
  it('right, low and high beside the newest sum of their place', () => {
    const lines = [
      reading(30, 'reservoir'),
      sum(24, 31),
      reading(27, 'Reservoir', { qualifier: 'dc' }),
      reading(20, 'reservoir'),
      sum(10, 19),
      reading(20, 'reservoir'),
    ];
    const judged = judgedReadings(lines);
    const verdicts = lines.map(({ key }) => judged.get(key)?.verdict ?? null);
    // What was read before the sum is not judged by it.
    expect(verdicts).toEqual([null, null, 'right', 'low', null, 'high']);
    expect(judged.get((lines[3] as BenchEvent).key)?.words).toBe('expected 24 to 31\u202fV, reckoned: low');
  });

  it('another place, unit, kind or bound is not judged; a place said later is', () => {
    const late = reading(20, null);
    const lines = [
      sum(24, 31),
      reading(20, 'emitter'),
      reading(20, 'reservoir', { unit: 'mV' }),
      reading(0.6, 'reservoir', { qualifier: 'pp' }),
      reading(20, 'reservoir', { bound: 'over' }),
      reading(20, 'reservoir', { values: [20, 21] }),
      late,
    ];
    expect([...judgedReadings(lines).keys()]).toEqual([]);
    expect(judgedReadings(lines, new Map([[late.key, 'reservoir']])).get(late.key)?.verdict).toBe('low');
  });
});

describe('fields filled from the log', () => {
  it('take the last reading at a place they name, in their unit', () => {
    const fields = workingOf('supply')?.fields ?? [];
    const readings = [
      reading(22.4, 'secondary'),
      reading(23, 'Transformer secondary'),
      reading(27.5, 'reservoir'),
      reading(0.31, 'reservoir', { qualifier: 'pp' }),
      reading(0.2, 'secondary', { unit: 'A' }),
    ].map(({ body }) => ({
      place: body.kind === 'reading' ? body.place : null,
      reading: body as Extract<EventBody, { kind: 'reading' }>,
    }));
    expect(prefill(fields, readings)).toEqual({ secondary: '23', dc: '27.5', ripple: '0.31' });
    expect(prefill(fields, [])).toEqual({});
  });
});

const mend = (
  id: string,
  chance: number,
  handsMin: number,
  money: number,
  more: Partial<MendAdvice> = {},
): MendAdvice =>
  ({
    repair: {
      id,
      name: id,
      cures: [`${id}.bad`],
      handsMin,
      waitMin: 0,
      money,
      level: 'outside',
      residual: 0,
      power: 'dead',
      leaves: null,
    },
    chance,
    minutes: handsMin,
    reachMin: 0,
    found: false,
    forbidden: null,
    seek: [],
    ...more,
  }) as MendAdvice;
const terms = (more: Partial<TermsBody>): TermsBody => ({
  kind: 'terms',
  worth: null,
  price: null,
  ceiling: null,
  wantedBy: null,
  ...more,
});

/** Mends as Find hands them on: each cures a fault of its own, as likely as its chance, unless `faults` say otherwise. */
const found = (mends: readonly MendAdvice[], faults?: Readonly<Record<string, number>>): Findings => {
  const shares = faults ?? Object.fromEntries(mends.map(({ repair, chance }) => [`${repair.id}.bad`, chance]));
  return {
    mends,
    faults: Object.entries(shares).map(([mode, share]) => ({ modes: [mode], share })),
    path: { repairs: mends.map(({ repair }) => repair), blocks: [], levels: [] } as unknown as DrivePath,
  };
};
/** Each is paid while those before it have not cured: written out here for mends that share no fault. */
const costOf = (order: readonly { chance: number; money: number }[]): number =>
  order.reduce(
    (sum, { money }, i) => sum + money * (1 - order.slice(0, i).reduce((all, one) => all + one.chance, 0)),
    0,
  );

/** Hands at one a minute or as said, no look afterwards, no price on waiting: the sums below are by hand. */
const weigh = (findings: Findings, agreed: TermsBody | null = null, hourMoney = 60) =>
  decide(findings, { terms: agreed, costs: { hourMoney, dayMoney: 0, tryMin: 0 } });

describe('the decision', () => {
  it('expected cost worked by hand: 10, then 20 with one half, then 40 with a fifth; nothing left uncured', () => {
    const step = (mode: string, money: number) => ({ money, reach: 0, cures: [{ mode, residual: 0 }] });
    const faults = [
      { modes: ['a'], share: 0.5 },
      { modes: ['b'], share: 0.3 },
      { modes: ['c'], share: 0.2 },
    ];
    const { money, uncured } = costsOf(faults)([step('a', 10), step('b', 20), step('c', 40)]);
    expect(money).toBeCloseTo(28, 9);
    expect(uncured).toBeCloseTo(0, 9);
  });

  it('of two faults at once both have to go; what is sound already costs nothing; reaching deeper costs the rest', () => {
    // Sound 0.1, a alone 0.4, both 0.5. Until a is done 0.9, until b as well 0.5; b leaves a fifth of itself.
    const faults = [
      { modes: [], share: 0.1 },
      { modes: ['a'], share: 0.4 },
      { modes: ['a', 'b'], share: 0.5 },
    ];
    const order = [
      { money: 10, reach: 5, cures: [{ mode: 'a', residual: 0 }] },
      { money: 20, reach: 8, cures: [{ mode: 'b', residual: 0.2 }] },
    ];
    const cost = costsOf(faults);
    expect(cost(order).money).toBeCloseTo(0.9 * 15 + 0.5 * 23, 9);
    expect(cost(order).uncured).toBeCloseTo(0.1, 9);
    // The order before left nothing behind: asked again it says the same.
    expect(cost(order.slice(0, 1))).toEqual({ money: 13.5, uncured: 0.5 });
  });

  it('opening is paid once: behind the board the switch costs its own minutes only', () => {
    // An hour at 60: outside 5 for 0.2; inside 20 of opening, then 10 for 0.5 and 10 for 0.3.
    const mends = [
      mend('cord', 0.2, 5, 0),
      mend('board', 0.5, 10, 0, { reachMin: 20 }),
      mend('switch', 0.3, 10, 0, { reachMin: 20 }),
    ];
    const cost = Object.fromEntries(weigh(found(mends)).options.map((one) => [one.id, one.expectedCost]));
    // Cord, board, switch: 5 + 0.8 · 30 + 0.3 · 10. Board, cord, switch: 30 + 0.5 · 5 + 0.3 · 10.
    expect(cost.cord).toBeCloseTo(32, 9);
    expect(cost.board).toBeCloseTo(35.5, 9);
    expect(weigh(found(mends)).options.find((one) => one.id === 'board')).toMatchObject({
      minutes: 30,
      money: 30,
    });
  });

  it('two mends of one fault cure it once: what a cheap one left is all that the dear one adds', () => {
    // One fault of 0.8. Calmed for 10 it stays with 0.25; renewed for 30 it is gone.
    const calm = mend('calm', 0.6, 0, 10);
    const renew = mend('renew', 0.8, 0, 30);
    const [one, other] = [calm, renew].map((each, i) => ({
      ...each,
      repair: { ...each.repair, cures: ['zener.drifts'], residual: i === 0 ? 0.25 : 0 },
    })) as [MendAdvice, MendAdvice];
    const { options, uncured } = weigh(found([one, other], { 'zener.drifts': 0.8, 'crystal.off': 0.2 }));
    const cost = Object.fromEntries(options.map(({ id, expectedCost: money }) => [id, money]));
    // Calmed first: 10 + 0.4 · 30 = 22. Renewed first: 30 + 0.2 · 10 = 32. What no mend cures stays at 0.2.
    expect(cost.calm).toBeCloseTo(22, 9);
    expect(cost.renew).toBeCloseTo(32, 9);
    expect(uncured).toBeCloseTo(0.2, 9);
  });

  it('falling chance over cost is never beaten by any other order (every order tried)', () => {
    const orders = <T>(list: readonly T[]): T[][] =>
      list.length < 2
        ? [[...list]]
        : list.flatMap((one, i) => orders([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [one, ...rest]));
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.double({ min: 0.01, max: 1, noNaN: true }), fc.double({ min: 1, max: 100, noNaN: true })),
          { minLength: 1, maxLength: 5 },
        ),
        (raw) => {
          const total = raw.reduce((all, [chance]) => all + chance, 0);
          const mends = raw.map(([chance, money], i) => mend(`m${i}`, chance / Math.max(1, total), 0, money));
          const best = Math.min(...weigh(found(mends)).options.map((one) => one.expectedCost));
          const all = orders(mends.map(({ chance, repair }) => ({ chance, money: repair.money }))).map(costOf);
          expect(best).toBeCloseTo(Math.min(...all), 6);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('an hour of hands costs what the shop says, parts are added', () => {
    const [option] = weigh(found([mend('belt', 0.9, 30, 8)]), null, 40).options;
    expect(option).toMatchObject({ money: 28, partsMoney: 8, minutes: 30, expectedCost: 28 });
    const plain = mend('a', 0.5, 1, 1);
    const told = { ...plain, repair: { ...plain.repair, school: { id: 'x', case: 'cheap' } } };
    expect(weigh(found([told])).options[0]?.school).toEqual({ id: 'x', case: 'cheap' });
  });

  it('says up to what price of its parts the likeliest comes first, and beyond that price it does not', () => {
    const priced = (money: number) => weigh(found([mend('board', 0.7, 0, money), mend('donor', 0.25, 0, 30)]));
    const { turning, options, uncured } = priced(40);
    expect(options.map((one) => one.id)).toEqual(['board', 'donor']);
    // Board first: m + 0.3 · 30; donor first: 30 + 0.75 m. Even at m = 84.
    expect(turning).toEqual({ best: 'board', other: 'donor', partsMoney: expect.closeTo(84, 9) });
    expect(uncured).toBeCloseTo(0.05, 9);
    // Without parts there is no price to speak of; a mend that is dear by its hands alone is never first.
    expect(weigh(found([mend('clean', 0.7, 10, 0), mend('oil', 0.2, 10, 0)])).turning).toBeNull();
    expect(weigh(found([mend('board', 0.5, 600, 1), mend('clean', 0.4, 1, 0)])).turning).toBeNull();
    // Either side of it the order turns, by more than the whole units that are shown.
    expect(priced(80).options[0]?.id).toBe('board');
    expect(priced(90).options[0]?.id).toBe('donor');
  });

  it('stops at the ceiling, the worth and the price; what is forbidden stands last', () => {
    const mends = [mend('board', 0.7, 60, 40), mend('clean', 0.2, 10, 0)];
    expect(weigh(found(mends), terms({ ceiling: 50 })).options.map((one) => [one.id, one.overCeiling])).toEqual([
      ['clean', false],
      ['board', true],
    ]);
    // Sixty minutes and forty of parts are a hundred: just that is agreed.
    const over = (ceiling: number) => weigh(found(mends), terms({ ceiling })).options.filter((one) => one.overCeiling);
    expect(over(100)).toEqual([]);
    expect(over(99.99).map(({ id }) => id)).toEqual(['board']);
    expect(weigh(found(mends), terms({ ceiling: 5 })).stop.join()).toContain('more than the ceiling');
    expect(weigh(found(mends), terms({ worth: 60 })).stop.join()).toContain('more than it is worth');
    expect(weigh(found(mends), terms({ worth: 500, price: 20 })).stop.join()).toContain('price agreed');
    expect(weigh(found(mends), terms({ worth: 500 })).stop).toEqual([]);
    const held = weigh(found([mend('board', 0.9, 5, 0, { forbidden: 'First look.' }), mend('clean', 0.1, 10, 0)]));
    expect(held.options.map((one) => one.id)).toEqual(['clean', 'board']);
    expect(weigh(found([]), terms({ worth: 1 }))).toEqual({ options: [], uncured: 1, turning: null, stop: [] });
  });
});

describe('in the log', () => {
  const job = testJob('belt-turntable-dc', { speedIds: ['33'] });
  const decision: EventBody = { ...DECISION, reason: 'cheap', chance: 0.62, beside: 'Clean the trims' };

  it('the last terms count, a decision stands until its mend is done, and both read as words', () => {
    const agreed = [line(terms({ worth: 80 })), line(terms({ worth: 90, ceiling: 40, wantedBy: '2026-12-01' }))];
    const chosen = line(decision);
    expect(jobState(job, [...agreed, chosen]).terms).toMatchObject({ worth: 90, ceiling: 40 });
    expect(jobState(job, [...agreed, chosen]).decision?.name).toBe('Replace the belt');
    const other = line({ kind: 'mended', repairId: 'trims', name: 'Clean the trims' });
    expect(jobState(job, [chosen, other]).decision?.optionId).toBe('belt');
    const done = line({ kind: 'mended', repairId: 'belt', name: 'Replace the belt' });
    expect(jobState(job, [chosen, other, done]).decision).toBeNull();
    const words = (event: BenchEvent) => lineWords(event.body, () => undefined);
    expect(words(chosen)).toBe('decided: Replace the belt, cures with 62\u202f%: cheap');
    expect(words(agreed[1] as BenchEvent)).toBe('agreed: worth 90, ceiling 40, wanted by 2026-12-01');
    expect(words(sum(24, 31))).toBe('reckoned: Supply: mean 27.6 V');
  });

  it('a reading after a sum carries its judgement in the state of the job', () => {
    const before = sum(24, 31);
    const low = reading(20, 'reservoir');
    expect(jobState(job, [before, low]).judged.get(low.key)?.verdict).toBe('low');
  });
});
