/**
 * The engine beside a second one written for these tests alone: it walks random chains by plain
 * recursion over names, without indices, masks or caches, and sums Bayes' rule as it is written in books.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DrivePath } from '../families/index.js';
import { block, mode, reads, row, signal } from '../families/path/build.js';
import { adviseNext } from './nextTests.js';
import { engineOf } from './engine.js';
import { posteriorOf } from './posterior.js';
import type { Event } from './belief.js';
import { suspectsOf } from './suspects.js';
import { ANYTHING, HEALTHY_WEIGHT, OUTSIDE_PRIOR } from './defaults.js';

const STATES = ['none', 'low', 'right'] as const;
type State = (typeof STATES)[number];

/** What a faulty block of the chain gives, whatever comes in; two states are an uncertain fault. */
interface Fault {
  readonly prior: number;
  readonly gives: readonly State[];
}
type Chain = readonly (readonly Fault[])[];

const chains: fc.Arbitrary<Chain> = fc.array(
  fc.array(
    fc.record({
      prior: fc.double({ min: 0.01, max: 0.4, noNaN: true }),
      gives: fc.uniqueArray(fc.constantFrom(...STATES), { minLength: 1, maxLength: 2 }),
    }),
    { maxLength: 2 },
  ),
  { minLength: 2, maxLength: 5 },
);
const readings = fc.array(fc.record({ at: fc.nat(4), saw: fc.constantFrom(...STATES) }), { maxLength: 5 });
const RELIABILITY = 0.95;

function pathOf(chain: Chain): DrivePath {
  return {
    speed: null,
    causes: [],
    ways: [],
    guards: [],
    trims: [],
    options: [],
    contexts: [],
    levels: [{ id: 'outside', name: 'closed', minutes: 0, steps: [] }],
    signals: chain.map((_faults, i) => signal(`s${i}`, `s${i}`, STATES, 'none')),
    blocks: chain.map((faults, i) =>
      block(
        `b${i}`,
        `b${i}`,
        'supply',
        i > 0 ? [`s${i - 1}`] : [],
        [`s${i}`],
        [row({}, { [`s${i}`]: i > 0 ? `=s${i - 1}` : 'right' })],
        faults.map(({ prior, gives }, f) =>
          mode(`f${f}`, `f${f}`, prior, [
            row(
              {},
              {
                [`s${i}`]:
                  gives.length === 1
                    ? (gives[0] as State)
                    : Object.fromEntries(gives.map((state) => [state, 1 / gives.length])),
              },
            ),
          ]),
        ),
      ),
    ),
    tests: chain.map((_faults, i) =>
      reads(`t${i}`, `t${i}`, 'Measure.', `s${i}`, ['none: none', 'low: low', 'right: right'], {
        reliability: RELIABILITY,
        handsMin: 1,
      }),
    ),
    repairs: [],
  };
}

/** Every way the chain can be, with its weight: at most two faulty blocks, each giving one of its states. */
interface Way {
  readonly faulty: readonly number[];
  readonly weight: number;
  readonly given: ReadonlyMap<number, State>;
}

function waysOf(chain: Chain, from = 0, way: Way = { faulty: [], weight: 1, given: new Map() }): Way[] {
  if (from === chain.length) return [way];
  const out = waysOf(chain, from + 1, way);
  if (way.faulty.length === 2) return out;
  for (const { prior, gives } of chain[from] ?? [])
    for (const state of gives)
      out.push(
        ...waysOf(chain, from + 1, {
          faulty: [...way.faulty, from],
          weight: (way.weight * (prior / (1 - prior))) / gives.length,
          given: new Map(way.given).set(from, state),
        }),
      );
  return out;
}

const stateAt = (way: Pick<Way, 'given'>, at: number): State => {
  for (let i = at; i >= 0; i--) if (way.given.has(i)) return way.given.get(i) as State;
  return 'right';
};

/** Readings of one place share one draw of reliability; four answers there are, hunting with them. */
function likelihood(chain: Chain, seen: readonly { at: number; saw: State }[], state: (at: number) => State): number {
  let product = 1;
  for (let at = 0; at < chain.length; at++) {
    const here = seen.filter((one) => one.at === at);
    if (here.length === 0) continue;
    const slip = (1 / 4) ** here.length;
    const fits = here.every((one) => one.saw === state(at));
    product *= RELIABILITY * Number(fits) + (1 - RELIABILITY) * slip;
  }
  return product;
}

function byTheBook(chain: Chain, seen: readonly { at: number; saw: State }[]) {
  const ways = waysOf(chain).map((way) => ({
    ...way,
    weight: way.weight * (way.faulty.length === 0 ? HEALTHY_WEIGHT : 1),
  }));
  const total = ways.reduce((sum, way) => sum + way.weight, 0);
  const joint = ways.map(
    (way) => ((1 - OUTSIDE_PRIOR) * way.weight * likelihood(chain, seen, (at) => stateAt(way, at))) / total,
  );
  // Outside: one place stuck wrong and the rest after it, or all answers alike.
  const stuck = chain.flatMap((_faults, at) =>
    (['none', 'low'] as const).map((state) => ({ given: new Map([[at, state]]) })),
  );
  const anyAnswer = (1 / 4) ** seen.length;
  const outside =
    OUTSIDE_PRIOR *
    (ANYTHING * anyAnswer +
      ((1 - ANYTHING) / stuck.length) *
        stuck.reduce((sum, way) => sum + likelihood(chain, seen, (at) => stateAt(way, at)), 0));
  const evidence = joint.reduce((sum, one) => sum + one, outside);
  const share = (block: number) =>
    ways.reduce((sum, way, i) => sum + (way.faulty.includes(block) ? (joint[i] as number) : 0), 0) / evidence;
  return {
    outside: outside / evidence,
    anything: (OUTSIDE_PRIOR * ANYTHING * anyAnswer) / evidence,
    stuck: stuck.map((way) => ({
      way,
      share:
        (OUTSIDE_PRIOR * ((1 - ANYTHING) / stuck.length) * likelihood(chain, seen, (at) => stateAt(way, at))) /
        evidence,
    })),
    shares: chain.map((_faults, i) => share(i)),
    ways,
    joint: joint.map((one) => one / evidence),
  };
}

const eventsOf = (seen: readonly { at: number; saw: State }[]): Event[] =>
  seen.map(({ at, saw }, i) => ({
    kind: 'saw',
    observation: {
      id: String(i),
      context: {},
      reliability: RELIABILITY,
      saw: { kind: 'signal', signal: `s${at}`, weights: { [saw]: 1 } },
    },
  }));

const within = (chain: Chain, seen: readonly { at: number; saw: State }[]) =>
  seen.filter((one) => one.at < chain.length);

describe('beside a second engine', () => {
  it('every block has the same chance, and so has the outside', () => {
    fc.assert(
      fc.property(chains, readings, (chain, all) => {
        const seen = within(chain, all);
        const engine = engineOf(pathOf(chain), { leastMore: Infinity });
        const posterior = posteriorOf(engine, eventsOf(seen));
        const book = byTheBook(chain, seen);
        const shares = new Map(suspectsOf(engine, posterior).map((one) => [one.block, one.share]));
        book.shares.forEach((share, i) => expect(shares.get(`b${i}`)).toBeCloseTo(share, 9));
        expect(posterior.outside).toBeCloseTo(book.outside, 9);
      }),
      { numRuns: 150 },
    );
  });

  it('every answer of every test has the same chance', () => {
    fc.assert(
      fc.property(chains, readings, (chain, all) => {
        const seen = within(chain, all);
        const engine = engineOf(pathOf(chain), { leastMore: Infinity });
        const situation = {
          level: 'outside',
          power: 'dead' as const,
          done: new Set<string>(),
          unreachable: new Set<string>(),
          putBack: new Map(),
          mended: new Map<string, number>(),
        };
        const { tests } = adviseNext(engine, posteriorOf(engine, eventsOf(seen)), situation);
        const book = byTheBook(chain, seen);
        for (const { test, chances } of tests) {
          const at = Number(test.id.slice(1));
          for (const { outcome, chance } of chances) {
            const sure = book.ways.reduce(
              (sum, way, i) => sum + (stateAt(way, at) === outcome ? (book.joint[i] as number) : 0),
              0,
            );
            const stuck = book.stuck.reduce(
              (sum, { way, share }) =>
                sum + share * (RELIABILITY * Number(stateAt(way, at) === outcome) + (1 - RELIABILITY) / 3),
              0,
            );
            const expected =
              RELIABILITY * sure + ((1 - RELIABILITY) / 3) * (1 - book.outside) + stuck + book.anything / 3;
            expect(chance).toBeCloseTo(expected, 9);
          }
        }
      }),
      { numRuns: 80 },
    );
  });

  it('a fault that is there leads once everything has been read without a slip', () => {
    fc.assert(
      fc.property(chains, fc.nat(), fc.nat(), (chain, pick, which) => {
        const block = pick % chain.length;
        const faults = chain[block] ?? [];
        const fault = faults[which % Math.max(1, faults.length)];
        const gives = fault?.gives[0];
        if (!fault || fault.gives.length > 1 || gives === undefined || gives === 'right') return;
        const seen = chain.map((_faults, at) => ({ at, saw: (at >= block ? gives : 'right') as State }));
        const engine = engineOf(pathOf(chain), { leastMore: Infinity });
        const first = suspectsOf(engine, posteriorOf(engine, eventsOf(seen)))[0];
        expect(first?.block).toBe(`b${block}`);
      }),
      { numRuns: 150 },
    );
  });
});
