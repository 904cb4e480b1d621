/** The scope and the stopwatch of the practice bench against what a scope shows of such circuits (textbook, from memory). */
import { describe, expect, it } from 'vitest';
import { turntableDc } from '../practice/index.js';
import { deck, ON, OFF, visit } from './training.test-data.js';
import { measureAt, type ToolPlace } from './index.js';

const place = (quantity: string): ToolPlace => ({ quantity, words: quantity });
const reservoir = place('reservoir.ripple.Vpp');
const board = place('board.ripple.Vpp');
const platter = place('platter.rpm');
const swing = (volts: ArrayLike<number>) => Math.max(...Array.from(volts)) - Math.min(...Array.from(volts));
const rises = (volts: ArrayLike<number>, at: number): number[] =>
  Array.from(volts).flatMap((one, i) => (i > 0 && (volts[i - 1] as number) < at && one >= at ? [i] : []));

describe('the scope at the supply', () => {
  const ripple = (...faults: string[]) => measureAt(visit(deck(...faults), ON()), 'ripple', reservoir, {}, 3);

  it('a full wave at 50 Hz ripples at 100 Hz, with one diode open at 50 Hz and about twice as much', () => {
    const sound = ripple();
    const half = ripple('diode-open');
    expect(sound.done.words).toMatch(/ at 100\u202fHz$/);
    expect(half.done.words).toMatch(/ at 50\u202fHz$/);
    const ratio = swing(half.trace?.volts ?? []) / swing(sound.trace?.volts ?? [1]);
    expect(ratio).toBeGreaterThan(1.7);
    expect(ratio).toBeLessThan(2.6);
    // The wave stands around nought, over five cycles of the mains.
    const { intervalS, volts } = sound.trace as NonNullable<typeof sound.trace>;
    expect(intervalS * volts.length).toBeCloseTo(0.1, 6);
    expect(volts.reduce((sum, one) => sum + one, 0) / volts.length).toBeCloseTo(0, 2);
  });

  it('what it types is the swing of the wave on the screen and of the meter’s quantity', () => {
    for (const fault of [[], ['diode-open'], ['reservoir-dry']]) {
      const { done, trace } = ripple(...fault);
      const typed = parseFloat(done.typed ?? '');
      expect(done.typed).toMatch(/Vpp$/);
      expect(swing(trace?.volts ?? [])).toBeGreaterThan(typed * 0.98);
      expect(swing(trace?.volts ?? [])).toBeLessThan(typed * 1.05);
      expect(turntableDc.unit(fault, 5).moment()['reservoir.ripple.Vpp']).toBeCloseTo(typed, 1);
    }
  });

  it('a regulator with head room leaves a flat line, one that is shorted through leaves the reservoir’s ripple', () => {
    const at = (...faults: string[]) => measureAt(visit(deck(...faults), ON()), 'ripple', board, {}, 3);
    expect(at()).toMatchObject({ done: { words: 'a flat line', typed: '0Vpp' }, trace: null });
    const through = at('regulator-through');
    expect(swing(through.trace?.volts ?? [])).toBeCloseTo(swing(ripple('regulator-through').trace?.volts ?? []), 1);
  });

  it('a unit that is off shows nothing, and nothing is typed', () => {
    const { done, trace } = measureAt(visit(deck(), ON(), OFF()), 'ripple', reservoir, {}, 3);
    expect([done.words, done.typed, trace]).toEqual(['a flat line', null, null]);
  });
});

describe('the scope at what turns', () => {
  it('one pulse of 5 V a turn, as far apart as the turns are', () => {
    const on = visit(deck(), ON());
    const rpm = on.unit.see('platter.rpm', { setting: '33' }).mean;
    const { done, trace } = measureAt(on, 'pulses', platter, { setting: '33' }, 3);
    const { intervalS, volts } = trace as NonNullable<typeof trace>;
    const at = rises(volts, 2.5);
    const apart = (intervalS * ((at.at(-1) as number) - (at[0] as number))) / (at.length - 1);
    expect(60 / apart).toBeCloseTo(rpm, 0);
    expect(Math.abs(60 / apart / rpm - 1)).toBeLessThan(0.002);
    expect(done.words).toMatch(/^pulses of 5\u202fV, 1[78]\d\d(\.\d)?\u202fms apart$/);
    expect(measureAt(visit(deck('belt-off'), ON()), 'pulses', platter, {}, 3).trace).toBeNull();
  });
});

it('a stopwatch counts no motor, and says what stands still', () => {
  const said = (v: ReturnType<typeof visit>, quantity: string) =>
    measureAt(v, 'stopwatch', place(quantity), {}, 1).done.words;
  expect(said(visit(deck(), ON()), 'motor.rpm')).toBe('too fast to be counted by eye');
  expect(said(visit(deck(), OFF()), 'platter.rpm')).toBe('nothing turns');
});
