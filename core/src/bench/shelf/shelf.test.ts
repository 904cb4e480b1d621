import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { partsOfJob, shelfOf, type LotBody, type ShelfBody, type ShelfLine } from './index.js';

const lot = (more: Partial<LotBody> = {}): LotBody => ({
  kind: 'lot',
  part: 'trim 2k2',
  supplier: 'Ferry Parts',
  quantity: 12,
  price: 0.8,
  orderedOn: '2026-01-01',
  expectedOn: '2026-01-09',
  claimDays: 30,
  place: 'drawer 3',
  ...more,
});
const lines = (...bodies: readonly (readonly [string, ShelfBody])[]): ShelfLine[] =>
  bodies.map(([key, body]) => ({ key, at: '2026-01-01T08:00:00.000Z', body }));
const move = (
  kind: 'reserved' | 'released' | 'used' | 'failed',
  quantity: number,
  job: number | null = 12,
): ShelfBody => ({
  kind,
  lot: 'a',
  quantity,
  job,
});
const TODAY = '2026-02-01';

describe('the shelf', () => {
  it('is on order until it has come, then here, tested by the last day of its claim', () => {
    const [ordered] = shelfOf(lines(['a', lot()]), TODAY).lots;
    expect(ordered).toMatchObject({ onOrder: 12, onHand: 0, free: 0, testBy: null });
    const come = lines(['a', lot()], ['b', { kind: 'arrived', lot: 'a', on: '2026-01-10' }]);
    expect(shelfOf(come, TODAY).lots[0]).toMatchObject({ onOrder: 0, onHand: 12, free: 12, testBy: '2026-02-09' });
    expect(shelfOf(come, '2026-02-10').lots[0]?.testBy).toBeNull();
    expect(shelfOf(lines(['a', lot({ expectedOn: null })]), TODAY).lots[0]).toMatchObject({ onHand: 12, testBy: null });
  });

  it('never offers a bad one again, counts what is set aside, built in and failed', () => {
    const { lots, problems } = shelfOf(
      lines(
        ['a', lot({ expectedOn: null, claimDays: 60 })],
        ['b', { kind: 'tested', lot: 'a', good: 10, bad: 2 }],
        ['c', move('reserved', 3)],
        ['d', move('reserved', 2, null)],
        ['e', move('used', 2)],
        ['f', move('failed', 1)],
        ['g', move('released', 1, null)],
        // Set aside and given back: nothing is left of it.
        ['h', move('reserved', 1, 7)],
        ['i', move('released', 1, 7)],
      ),
      TODAY,
    );
    expect(problems).toEqual([]);
    expect(lots[0]).toMatchObject({ bad: 2, used: 2, failed: 1, onHand: 8, free: 6, testBy: null });
    expect([...(lots[0]?.reserved ?? [])]).toEqual([
      [12, 1],
      [null, 1],
    ]);
    // Of twelve two are built in and ten good: no third can be bad, nor eleven be set aside.
    const built = [
      ['a', lot({ expectedOn: null })],
      ['b', move('used', 2)],
    ] as const;
    const then = (last: ShelfBody) => shelfOf(lines(...built, ['c', last]), TODAY).problems.length;
    expect([10, 11].map((bad) => then({ kind: 'tested', lot: 'a', good: 0, bad }))).toEqual([0, 1]);
    expect([10, 11].map((count) => then(move('reserved', count)))).toEqual([0, 1]);
  });

  it('says what cannot be, and goes on with the rest; a struck line counts for nothing', () => {
    const { problems, lots } = shelfOf(
      lines(
        ['a', lot({ expectedOn: null, quantity: 2 })],
        ['b', move('used', 3)],
        ['c', { kind: 'tested', lot: 'a', good: 2, bad: 1 }],
        ['d', move('reserved', 3)],
        ['e', move('failed', 1)],
        ['f', { kind: 'arrived', lot: 'nowhere', on: '2026-01-10' }],
        ['g', move('used', 1)],
        ['h', { kind: 'strike', target: 'g', reason: 'the other drawer' }],
        ['i', move('used', 2)],
      ),
      TODAY,
    );
    expect(problems.map((one) => one.key)).toEqual(['b', 'c', 'd', 'e', 'f']);
    expect(lots[0]).toMatchObject({ used: 2, onHand: 0, free: 0 });
  });

  it('keeps what is set aside for one job from another, and knows the line that can be taken back', () => {
    const { problems, lots } = shelfOf(
      lines(
        ['a', lot({ expectedOn: null, quantity: 3 })],
        ['b', move('reserved', 2, 7)],
        ['c', move('used', 2, 8)],
        ['d', move('used', 1, 8)],
      ),
      TODAY,
    );
    expect(problems).toEqual([
      { key: 'c', message: 'The rest is set aside for another job: give it back there first.' },
    ]);
    expect(lots[0]).toMatchObject({ onHand: 2, free: 0, last: { key: 'd', kind: 'used' } });
    expect(shelfOf(lines(['a', lot()]), TODAY).lots[0]?.last).toEqual({ key: 'a', kind: 'lot' });
  });

  it('scores suppliers with an interval: 2 bad of 24 is 2.3 to 25.8 % (Wilson)', () => {
    const { suppliers } = shelfOf(
      lines(
        ['a', lot({ quantity: 24, expectedOn: null })],
        ['b', { kind: 'tested', lot: 'a', good: 23, bad: 1 }],
        ['c', move('used', 5)],
        ['d', move('failed', 1)],
      ),
      TODAY,
    );
    expect(suppliers[0]).toMatchObject({ name: 'Ferry Parts', known: 24, deadOnArrival: 1, failedEarly: 1 });
    expect(suppliers[0]?.badShare).toBeCloseTo(2 / 24, 9);
    expect(suppliers[0]?.interval[0]).toBeCloseTo(0.0232, 3);
    expect(suppliers[0]?.interval[1]).toBeCloseTo(0.2585, 3);
  });

  it('orders again at twice the use of one lead time: 6 in 30 days, 10 days to come is 4', () => {
    const { parts } = shelfOf(
      lines(
        ['a', lot({ orderedOn: '2026-01-02' })],
        ['b', { kind: 'arrived', lot: 'a', on: '2026-01-12' }],
        ['c', move('used', 6)],
      ),
      '2026-02-01',
    );
    expect(parts[0]).toMatchObject({ free: 6, onOrder: 0, leadDays: 10, reorderAt: 4 });
    // Fetched on the day it was ordered.
    const fetched = shelfOf(lines(['a', lot()], ['b', { kind: 'arrived', lot: 'a', on: '2026-01-01' }]), TODAY);
    expect(fetched.parts[0]?.leadDays).toBe(0);
    expect(parts[0]?.usedPerDay).toBeCloseTo(0.2, 9);
    expect(shelfOf(lines(['a', lot()]), TODAY).parts[0]).toMatchObject({
      leadDays: null,
      reorderAt: null,
      onOrder: 12,
    });
  });

  it('takes the mean of two lead times, and orders nothing again of what is not used', () => {
    const two = (...more: (readonly [string, ShelfBody])[]) =>
      shelfOf(
        lines(
          ['a', lot({ orderedOn: '2026-01-02' })],
          ['b', { kind: 'arrived', lot: 'a', on: '2026-01-12' }],
          ['c', lot({ orderedOn: '2026-01-05' })],
          ['d', { kind: 'arrived', lot: 'c', on: '2026-01-25' }],
          ...more,
        ),
        '2026-02-01',
      ).parts[0];
    expect(two()).toMatchObject({ leadDays: 15, usedPerDay: 0, reorderAt: null, free: 24 });
    // Six in thirty days over fifteen to come are three, twice that.
    expect(two(['e', move('used', 6)])).toMatchObject({ leadDays: 15, reorderAt: 6 });
  });

  it('has nothing left to test where all that is left was tested', () => {
    const testBy = (good: number, bad: number, used = 0) =>
      shelfOf(
        lines(
          ['a', lot({ orderedOn: '2026-01-02' })],
          ['b', { kind: 'arrived', lot: 'a', on: '2026-01-12' }],
          ['c', { kind: 'tested', lot: 'a', good, bad }],
          ...(used > 0 ? [['d', move('used', used)] as const] : []),
        ),
        '2026-01-13',
      ).lots[0]?.testBy;
    expect([testBy(11, 0), testBy(11, 1), testBy(12, 0), testBy(9, 0, 3)].map((one) => one === null)).toEqual([
      false,
      true,
      true,
      true,
    ]);
  });

  it('never has less than nothing, whatever comes in which order', () => {
    const some = fc.oneof(
      fc.record({ kind: fc.constant('tested' as const), lot: fc.constant('a'), good: fc.nat(9), bad: fc.nat(9) }),
      fc.record({
        kind: fc.constantFrom('reserved' as const, 'released' as const, 'used' as const, 'failed' as const),
        lot: fc.constantFrom('a', 'zz'),
        quantity: fc.integer({ min: 1, max: 9 }),
        job: fc.constantFrom(null, 1, 2),
      }),
      fc.record({ kind: fc.constant('arrived' as const), lot: fc.constant('a'), on: fc.constant('2026-01-10') }),
    );
    fc.assert(
      fc.property(fc.array(some, { maxLength: 12 }), (bodies) => {
        const all = lines(['a', lot()], ...bodies.map((body, i): [string, ShelfBody] => [`k${i}`, body]));
        for (const one of shelfOf(all, TODAY).lots) {
          for (const count of [one.onHand, one.free, one.bad, one.used, one.failed])
            expect(count).toBeGreaterThanOrEqual(0);
          expect(one.free).toBeLessThanOrEqual(one.onHand);
          expect(one.bad + one.used).toBeLessThanOrEqual(12);
        }
      }),
      { numRuns: 2000 },
    );
  });
});

describe('parts of a job', () => {
  it('are what was built in, by lot, without what was struck out or went elsewhere', () => {
    const used = (quantity: number, job: number | null, of = 'a'): ShelfBody => ({
      kind: 'used',
      lot: of,
      quantity,
      job,
    });
    const log = lines(
      ['a', lot()],
      ['b', lot({ part: 'belt', supplier: 'Quay Rubber' })],
      ['c', used(2, 12)],
      ['d', used(1, 12)],
      ['e', used(4, 13)],
      ['f', used(1, 12, 'b')],
      ['g', used(5, 12, 'b')],
      ['h', { kind: 'strike', target: 'g', reason: 'miscounted' } as ShelfBody],
      ['i', move('reserved', 3)],
      ['j', used(1, 12, 'gone')],
    );
    expect(partsOfJob(log, 12)).toEqual(['3 × trim 2k2, from Ferry Parts', '1 × belt, from Quay Rubber']);
    expect(partsOfJob(log, 14)).toEqual([]);
  });
});
