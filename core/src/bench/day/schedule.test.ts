import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterOpen, fitOpen, openBetween, type OpenDays } from './hours.js';
import {
  boundOf,
  costOf,
  firstCome,
  layDown,
  planDay,
  type Bench,
  type Block,
  type ChainJob,
  type Shared,
} from './schedule.js';

const WEEK: OpenDays = { first: 1, hours: { from: '09:00', to: '17:00', days: [1, 2, 3, 4, 5] } };
const NINE = 540;
const bench: Bench = { open: WEEK, nowMin: NINE, count: { place: 2, isolator: 1, variac: 1, tape: 1 } };

const block = (handsMin: number, waitMin = 0, needs: readonly Shared[] = [], keeps: readonly Shared[] = []): Block => ({
  id: `${handsMin}-${waitMin}`,
  words: '',
  handsMin,
  waitMin,
  needs,
  keeps,
});
let count = 0;
const job = (blocks: readonly Block[], more: Partial<ChainJob> = {}): ChainJob => ({
  id: `j${count++}`,
  blocks,
  readyMin: 0,
  readyWhy: null,
  dueMin: null,
  takenMin: count,
  ...more,
});

it('first come is first; of two that came at one minute the one with the smaller number', () => {
  const [late, b, a] = [
    job([block(1), block(2)], { takenMin: 9 }),
    job([block(1)], { takenMin: 3, id: 'b' }),
    job([block(1)], { takenMin: 3, id: 'a' }),
  ];
  expect(firstCome([late, b, a])).toEqual(['a', 'b', late.id, late.id]);
  expect(firstCome([a, late, b])).toEqual(['a', 'b', late.id, late.id]);
});

/** Every order of the jobs' blocks, each job's own in turn. */
function ordersOf(left: ReadonlyMap<string, number>): string[][] {
  const open = [...left].filter(([, n]) => n > 0);
  if (open.length === 0) return [[]];
  return open.flatMap(([id, n]) => ordersOf(new Map([...left, [id, n - 1]])).map((rest) => [id, ...rest]));
}
const best = (jobs: readonly ChainJob[], on = bench) =>
  Math.min(
    ...ordersOf(new Map(jobs.map((one) => [one.id, one.blocks.length]))).map((order) => layDown(jobs, on, order).cost),
  );

describe('opening hours', () => {
  it('hands wait for the morning, and over Sunday', () => {
    expect(fitOpen(WEEK, 0, 30)).toBe(NINE);
    expect(fitOpen(WEEK, 1000, 30)).toBe(1440 + NINE);
    expect(fitOpen(WEEK, 4 * 1440 + 1000, 30)).toBe(7 * 1440 + NINE);
    expect(openBetween(WEEK, 0, 7 * 1440)).toBe(5 * 480);
    expect(afterOpen(WEEK, NINE, 500)).toBe(1440 + NINE + 20);
  });
});

describe('the day plan', () => {
  it('begins what waits long first, and works meanwhile', () => {
    const glue = job([block(10, 300), block(10)]);
    const sit = job([block(60)], { takenMin: -1 });
    const { laid } = planDay([glue, sit], bench);
    expect(laid.map((one) => [one.jobId, one.startMin - NINE])).toEqual([
      [glue.id, 0],
      [sit.id, 10],
      [glue.id, 310],
    ]);
  });

  it('never has more hands, places or outlets in use than there are, nor hands after closing', () => {
    const needs: readonly Shared[] = ['place', 'isolator', 'tape'];
    const blocks = fc
      .tuple(fc.integer({ min: 5, max: 90 }), fc.constantFrom(0, 0, 45, 700), fc.subarray([...needs]), fc.boolean())
      .map(([hands, wait, used, keep]) => block(hands, wait, used, keep ? used.filter((one) => one === 'place') : []));
    fc.assert(
      fc.property(
        fc.array(fc.array(blocks, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 7 }),
        (chains) => {
          const jobs = chains.map((one) => job(one));
          const plan = planDay(jobs, bench);
          expect(plan.laid).toHaveLength(chains.flat().length);
          for (const one of plan.laid) {
            const day = Math.floor(one.startMin / 1440);
            expect(one.startMin - day * 1440).toBeGreaterThanOrEqual(NINE);
            expect(one.handsEndMin - day * 1440).toBeLessThanOrEqual(1020);
            const overlapping = (end: (other: typeof one) => number) =>
              plan.laid.filter((other) => other.startMin <= one.startMin && end(other) > one.startMin);
            expect(overlapping((other) => other.handsEndMin)).toHaveLength(1);
            for (const name of needs) {
              const using = overlapping((other) =>
                other.block.needs.includes(name)
                  ? other.block.keeps.includes(name)
                    ? other.endMin
                    : other.handsEndMin
                  : -1,
              );
              expect(using.length).toBeLessThanOrEqual(bench.count[name]);
            }
          }
          for (const one of jobs) {
            const own = plan.laid.filter(({ jobId }) => jobId === one.id);
            own.slice(1).forEach((after, i) => expect(after.startMin).toBeGreaterThanOrEqual(own[i]?.endMin ?? 0));
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is never worse than first come, never better than its bound, and as good as every order tried by hand on small cases', () => {
    const blocks = fc
      .tuple(fc.integer({ min: 5, max: 120 }), fc.constantFrom(0, 60, 240, 720))
      .map(([hands, wait]) => block(hands, wait));
    const due = fc.option(fc.integer({ min: NINE, max: 4 * 1440 }), { nil: null });
    let [asGood, tried] = [0, 0];
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.array(blocks, { minLength: 1, maxLength: 2 }), due), { minLength: 1, maxLength: 4 }),
        (chains) => {
          const jobs = chains.map(([one, dueMin]) => job(one, { dueMin }));
          const plan = planDay(jobs, bench);
          const least = best(jobs);
          expect(plan.cost).toBeLessThanOrEqual(layDown(jobs, bench, firstCome(jobs)).cost);
          expect(plan.firstComeCost).toBe(layDown(jobs, bench, firstCome(jobs)).cost);
          expect(plan.bound).toBeLessThanOrEqual(least);
          expect(plan.cost).toBeLessThanOrEqual(1.02 * least);
          tried++;
          if (plan.cost === least) asGood++;
        },
      ),
      { numRuns: 60 },
    );
    expect(asGood / tried).toBeGreaterThan(0.95);
  });

  it('leaves a place where no single move helps: two promises broken already, and waits to begin', () => {
    const jobs = [
      job([block(6, 60), block(98)]),
      job([block(61)], { dueMin: NINE }),
      job([block(5, 240), block(62)]),
      job([block(113, 240), block(76)], { dueMin: NINE }),
    ];
    expect(planDay(jobs, bench).cost).toBe(best(jobs));
  });

  it('keeps a promise before it is quick', () => {
    const promised = job([block(240)], { dueMin: NINE + 240 });
    const quick = job([block(30)], { takenMin: -9 });
    expect(planDay([promised, quick], bench).laid[0]?.jobId).toBe(promised.id);
    expect(
      costOf([promised], [{ ...layDown([promised], bench, [promised.id]).laid[0], endMin: NINE + 300 } as never]),
    ).toBe(NINE + 300 + 10 * 60);
  });

  it('what keeps its place through a wait holds it to the end of it, what does not leaves it with the hands', () => {
    // One isolator: the second job wants it. Soaking on it for an hour keeps it, an hour beside it does not.
    const starts = (keeps: readonly Shared[]) => {
      const soak = job([block(10, 60, ['isolator'], keeps)]);
      const other = job([block(20, 0, ['isolator'])]);
      return layDown([soak, other], bench, [soak.id, other.id]).laid.map(({ startMin, handsEndMin, endMin }) => [
        startMin - NINE,
        handsEndMin - NINE,
        endMin - NINE,
      ]);
    };
    expect(starts(['isolator'])).toEqual([
      [0, 10, 70],
      [70, 90, 90],
    ]);
    expect(starts([])).toEqual([
      [0, 10, 70],
      [10, 30, 30],
    ]);
    // Two places: a third job waits for the first to be free.
    const [a, b, c] = [90, 60, 10].map((wait) => job([block(5, wait, ['place'], ['place'])])) as [
      ChainJob,
      ChainJob,
      ChainJob,
    ];
    expect(layDown([a, b, c], bench, [a.id, b.id, c.id]).laid.map(({ startMin }) => startMin - NINE)).toEqual([
      0, 5, 70,
    ]);
  });

  it('what needs no hands begins while the bench is closed, and beside them while it is open', () => {
    const closed = { ...bench, nowMin: 1100 };
    const [soak, work] = [job([block(0, 60)]), job([block(30)])];
    const at = (on: Bench) => layDown([soak, work], on, [work.id, soak.id]).laid.map(({ startMin }) => startMin);
    expect(at(bench)).toEqual([NINE, NINE]);
    expect(at(closed)).toEqual([1440 + NINE, 1100]);
  });

  it('a name too many, or of no job, lays nothing down', () => {
    const one = job([block(10)]);
    expect(layDown([one], bench, ['ghost', one.id, one.id]).laid).toHaveLength(1);
  });

  it('says of each block why it stands where it does', () => {
    const why = (...jobs: readonly ChainJob[]) =>
      layDown(
        jobs,
        bench,
        jobs.flatMap((one) => one.blocks.map(() => one.id)),
      ).laid.map((one) => one.why);
    const soon = 'as soon as it can be';
    expect(why(job([block(10), block(10)]))).toEqual([soon, soon]);
    expect(why(job([block(10)]), job([block(10)]))).toEqual([soon, 'the hands are at another']);
    // Kept through the wait, so that the hands are free and the thing is not.
    const taken = (name: Shared) => why(...[0, 1, 2].map(() => job([block(5, 50, [name], [name])]))).at(-1);
    expect(taken('place')).toBe('every bench place is taken');
    expect(taken('isolator')).toBe('the isolated outlet is taken');
    expect(taken('variac')).toBe('the variable transformer is taken');
    expect(taken('tape')).toBe('the test tape is in use');
    expect(why(job([block(470)]), job([block(60)]))).toEqual([soon, 'the hands are at another']);
    expect(why(job([block(470), block(60)]))).toEqual([soon, 'the bench is closed']);
    expect(why(job([block(5, 300)], { dueMin: 2000 }))).toEqual([
      'its wait runs while other work is done; its day is promised',
    ]);
    expect(why(job([block(5), block(5)], { dueMin: 2000 }))).toEqual([soon, 'its day is promised']);
    const boat = { readyMin: 700, readyWhy: 'its part comes with the boat' };
    expect(why(job([block(5), block(5)], boat))).toEqual(['its part comes with the boat', soon]);
    // Ready before the bench opens: nothing was waited for.
    for (const readyMin of [0, 300]) expect(why(job([block(5)], { ...boat, readyMin }))).toEqual([soon]);
  });

  it('does as it is told: what was dragged to the front comes first', () => {
    const jobs = [job([block(200)]), job([block(10)]), job([block(20)])];
    const long = jobs[0] as ChainJob;
    expect(planDay(jobs, bench).laid[0]?.jobId).not.toBe(long.id);
    expect(planDay(jobs, bench, [long.id]).laid[0]?.jobId).toBe(long.id);
  });

  it('waits for a part on the boat and says so', () => {
    const late = job([block(20)], { readyMin: 1440 + 700, readyWhy: 'its part comes with the boat' });
    const [laid] = planDay([late], bench).laid;
    expect(laid?.startMin).toBe(1440 + 700);
    expect(laid?.why).toContain('its part comes with the boat');
    expect(boundOf([late], bench)).toBe(1440 + 720);
  });

  it('a bench of forty jobs is planned, and comes out better than first come', () => {
    const jobs = Array.from({ length: 40 }, (_one, i) =>
      job([block(10 + (i % 5) * 10, i % 3 === 0 ? 600 : 0, i % 2 ? ['isolator'] : []), block(15, 0, ['tape'])]),
    );
    const plan = planDay(jobs, bench);
    expect(plan.cost).toBeLessThan(plan.firstComeCost);
    expect(plan.cost).toBeGreaterThanOrEqual(plan.bound);
  });
});
