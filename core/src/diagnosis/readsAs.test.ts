import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../families/index.js';
import {
  adviseNext,
  counted,
  engineOf,
  observationFrom,
  posteriorOf,
  suspectsOf,
  untouched,
  withBlurred,
  type Event,
  type TestEntry,
} from './index.js';

const turntable = engineOf(PATHS.get('belt-turntable-dc') as DrivePath);
const { path } = turntable.model;

const saw = (...entries: readonly TestEntry[]): Event[] =>
  entries.map((entry, i) => {
    const read = observationFrom(path, entry, `e${i}`);
    if (read.kind !== 'observation') throw new Error(read.message);
    return { kind: 'saw', observation: read.observation };
  });
const chance = (mode: string, ...entries: readonly TestEntry[]) =>
  suspectsOf(turntable, posteriorOf(turntable, saw(...entries)))
    .flatMap((one) => one.modes)
    .find((one) => one.mode === mode)?.share ?? 0;

describe('a state that reads as others', () => {
  it('takes the mean weight of what it may read as, worked by hand', () => {
    const readsAs = { lowish: ['right'], erratic: ['right', 'wanders'], uneven: ['slow', 'right', 'fast'] };
    expect(withBlurred({ readsAs }, { right: 1 })).toEqual({ right: 1, lowish: 1, erratic: 1 / 2, uneven: 1 / 3 });
    expect(withBlurred({ readsAs }, { wanders: 1 })).toEqual({ wanders: 1, erratic: 1 / 2 });
    expect(withBlurred({ readsAs }, { slow: 0.4, right: 0.6 }).uneven).toBeCloseTo(1 / 3, 12);
    expect(withBlurred({ readsAs: {} }, { right: 1 })).toEqual({ right: 1 });
  });
});

// Common practice, no source: written as a repairer reads the meter.
describe('what a meter and one glance cannot tell', () => {
  const both = (outcome: string): TestEntry[] => [
    { test: 'speed-33', outcome },
    { test: 'speed-45', outcome },
  ];

  it('volts that look right do not clear a governor that is a few percent off', () => {
    const fast = both('fast');
    expect(chance('governor.drift', ...fast, { test: 'drive-33', value: 5, unit: 'V' })).toBeGreaterThan(
      chance('governor.drift', ...fast),
    );
    // All of its feed at the motor is another matter.
    expect(chance('governor.drift', ...fast, { test: 'drive-33', value: 11.5, unit: 'V' })).toBeLessThan(0.02);
    expect(chance('governor.full', ...fast, { test: 'drive-33', value: 11.5, unit: 'V' })).toBeGreaterThan(0.4);
  });

  it('volts under a model’s own narrow band fit a trim that stands low, and do not clear it', () => {
    const slow: TestEntry[] = [
      { test: 'speed-33', outcome: 'slow' },
      { test: 'speed-45', outcome: 'right' },
    ];
    const before = chance('trims.low-33', ...slow);
    expect(before).toBeGreaterThan(0.1);
    expect(chance('trims.low-33', ...slow, { test: 'drive-33', outcome: 'low' })).toBeGreaterThan(0.6 * before);
  });

  it('a surge is slow at one reading and fast at the next: neither makes a trim stand wrong', () => {
    const surges: TestEntry[] = [
      { test: 'steady', outcome: 'surges' },
      { test: 'speed-33', outcome: 'slow' },
      { test: 'speed-45', outcome: 'fast' },
    ];
    expect(chance('trims.dirty', ...surges)).toBeGreaterThan(0.15);
    expect(chance('trims.low-33', ...surges) + chance('trims.high-45', ...surges)).toBeLessThan(0.1);
    // A meter may average it, or show it: neither clears the trims.
    for (const outcome of ['right', 'wanders'])
      expect(chance('trims.dirty', ...surges, { test: 'drive-33', outcome })).toBeGreaterThan(0.1);
  });

  it('wow without a rate is no part’s that turns', () => {
    const surges: TestEntry[] = [{ test: 'steady', outcome: 'surges' }];
    const turning = (...more: readonly TestEntry[]) =>
      chance('pulley.bent', ...surges, ...more) + chance('belt.uneven', ...surges, ...more);
    expect(turning({ test: 'wow-rate', outcome: 'no-line' })).toBeLessThan(0.05);
    expect(chance('pulley.bent', { test: 'wow-rate', outcome: 'pulley' })).toBeGreaterThan(0.5);
  });

  it('a low supply is enough for the slow speed and not for the fast one', () => {
    const low: TestEntry[] = [
      { test: 'supply-volts', value: 7.5, unit: 'V' },
      { test: 'raw-volts', outcome: 'right' },
    ];
    const singles: TestEntry[] = [
      { test: 'speed-33', outcome: 'right' },
      { test: 'speed-45', outcome: 'slow' },
    ];
    expect(chance('regulator.low', ...low, ...singles)).toBeGreaterThan(0.8);
    expect(chance('regulator.low', ...low, ...both('slow'))).toBeGreaterThan(0.8);
  });

  it('a trim that sets the speed right is suspected and no more: a dry bearing is set right as well', () => {
    const nudged: TestEntry[] = [
      { test: 'speed-45', outcome: 'slow' },
      { test: 'speed-33', outcome: 'right' },
      { test: 'trim-nudge', outcome: '45-only-was-low' },
    ];
    expect(chance('trims.low-45', ...nudged)).toBeGreaterThan(0.6);
    expect(chance('trims.low-45', ...nudged)).toBeLessThan(0.95);
  });
});

describe('with nothing left to ask', () => {
  const told = saw(
    { test: 'steady', outcome: 'surges' },
    { test: 'trim-ohms', outcome: 'smooth' },
    { test: 'pitch-sweep', outcome: 'smooth-stood-at-centre' },
    { test: 'supply-volts', outcome: 'right' },
    { test: 'magnet-look', outcome: 'firm' },
    { test: 'motor-ohms', outcome: 'even' },
    { test: 'tacho-out', outcome: 'toggles-evenly' },
    { test: 'tap-33', outcome: 'stops-or-jumps' },
    { test: 'selector-ohms', outcome: 'under-an-ohm' },
    { test: 'supply-warm', outcome: 'right' },
    { test: 'motor-alone', outcome: 'right' },
  );
  const advised = (mended: readonly string[]) =>
    adviseNext(turntable, posteriorOf(turntable, told), {
      ...untouched(turntable),
      level: 'bottom',
      done: new Set(path.tests.map((one) => one.id)),
      mended: counted(mended),
    });

  it('the likeliest mend worth trying is made, though a cheap one that is hardly likely has more chance a minute', () => {
    const advice = advised([]);
    expect(advice).toMatchObject({ next: 'mend', reason: 'only' });
    const [first] = advice.mends;
    const cheap = advice.mends.find((one) => one.repair.id === 'clean-trims');
    expect(first?.repair.id).toBe('governor');
    expect((cheap?.chance ?? 0) / (cheap?.minutes ?? 1)).toBeGreaterThan((first?.chance ?? 0) / (first?.minutes ?? 1));
  });

  it('what did not help is made once more where nothing else explains what is read, and no oftener', () => {
    const of = (mended: readonly string[]) => advised(mended).mends.find((one) => one.repair.id === 'governor');
    const chanceOf = of([])?.chance ?? 0;
    expect(chanceOf).toBeGreaterThan(0.5);
    // Less than nine in ten: something else may explain it.
    expect(chanceOf).toBeLessThan(0.9);
    expect(of(['governor'])?.forbidden).toMatch(/renewed once already/);
    expect(of(['governor', 'governor'])?.forbidden).toMatch(/done twice already/);
  });
});
