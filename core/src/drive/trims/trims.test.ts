/** The coach's belief and its next step by hand: one speed and one trim, sums written out. */
import { describe, expect, it } from 'vitest';
import { coach } from './advise.js';
import { beliefOf, ownSpeed } from './belief.js';
import type { CoachLine, CoachTask, CoachTrim } from './course.js';
import { lockMiddle } from './lock.js';

const trim = (more: Partial<CoachTrim> = {}): CoachTrim => ({
  id: 't',
  name: 't',
  serves: ['s'],
  faster: null,
  travelTurns: null,
  stoodTurns: null,
  ...more,
});
const task = (more: Partial<CoachTask> = {}): CoachTask => ({
  watched: 'typed',
  speeds: [{ id: 's', label: 's', lowerPercent: -0.3, upperPercent: 0.3 }],
  trims: [trim()],
  ...more,
});
const read = (errorPercent: number, expandedPercent: number | null = 0.1, speedId = 's'): CoachLine => ({
  kind: 'read',
  speedId,
  errorPercent,
  expandedPercent,
});
const turned = (turns: number | null, trimId = 't'): CoachLine => ({ kind: 'turned', trimId, turns });
const next = (lines: readonly CoachLine[], more: Partial<CoachTask> = {}) => coach(task(more), lines).advice;

describe('the belief', () => {
  it('after a reading has its value and the variance of half its U; an effect of ±4 % a turn is not touched by it', () => {
    const { speeds } = beliefOf(task(), [read(1.2)]);
    // Before it 10⁴: 1.2 · 10⁴/(10⁴ + 0.0025).
    expect(speeds[0]?.mean[0]).toBeCloseTo(1.2, 5);
    expect(speeds[0]?.covariance[0]?.[0]).toBeCloseTo(0.0025, 6);
    expect(speeds[0]?.mean[1]).toBe(0);
    expect(speeds[0]?.covariance[1]?.[1]).toBe(16);
    expect(speeds[0]?.fresh).toEqual({ errorPercent: 1.2, expandedPercent: 0.1 });
    // Without its U it is taken for 0.2.
    expect(beliefOf(task(), [read(1.2, null)]).speeds[0]?.covariance[0]?.[0]).toBeCloseTo(0.01, 5);
  });

  it('knows which way is faster where it was said: 2 % a turn that way', () => {
    const effect = (faster: CoachTrim['faster']) =>
      beliefOf(task({ trims: [trim({ faster })] }), []).speeds[0]?.mean[1];
    expect([effect('clockwise'), effect('counter-clockwise'), effect(null)]).toEqual([2, -2, 0]);
  });

  it('of another speed’s trim expects nothing, give or take three tenths of that', () => {
    const two = task({
      speeds: ['s', 'r'].map((id) => ({ id, label: id, lowerPercent: -0.3, upperPercent: 0.3 })),
    });
    const [own, other] = beliefOf(two, []).speeds;
    expect([own?.covariance[1]?.[1], other?.covariance[1]?.[1]]).toEqual([16, expect.closeTo(1.44, 9)]);
    expect(ownSpeed(two, trim({ serves: ['r'] }))).toBe(1);
    // One that serves nothing known is watched at the first.
    expect(ownSpeed(two, trim({ serves: ['x'] }))).toBe(0);
  });

  it('a screw that was looked at stands there: the count begins anew', () => {
    const stood = task({ trims: [trim({ stoodTurns: 2, travelTurns: 10 })] });
    expect(beliefOf(stood, [turned(3), { kind: 'stands', trimId: 't', turns: 4.5 }]).trims[0]?.turned).toBeCloseTo(
      2.5,
      9,
    );
    // Where nobody noted how it stood at first there is nothing to count from.
    expect(beliefOf(task(), [turned(3), { kind: 'stands', trimId: 't', turns: 4.5 }]).trims[0]?.turned).toBe(3);
  });

  it('lines of what the task has not are left out', () => {
    const known = beliefOf(task(), [read(1)]);
    expect(beliefOf(task(), [read(1), read(9, 0.1, 'x'), turned(4, 'x')])).toEqual(known);
  });
});

describe('the next step', () => {
  it('reads first, then nudges half a turn, the way that is faster where it is slow', () => {
    expect(next([])).toEqual({ kind: 'measure', speedId: 's', why: 'first' });
    expect(next([read(1), turned(1)])).toEqual({ kind: 'measure', speedId: 's', why: 'after the move' });
    const nudged = (error: number, faster: CoachTrim['faster'], more: Partial<CoachTrim> = {}) =>
      next([read(error)], { trims: [trim({ faster, ...more })] });
    expect(nudged(-1, 'clockwise')).toEqual({ kind: 'nudge', trimId: 't', turns: 0.5, watchSpeedId: 's' });
    expect(nudged(1, 'clockwise')).toMatchObject({ turns: -0.5 });
    expect(nudged(-1, 'counter-clockwise')).toMatchObject({ turns: -0.5 });
    expect(nudged(1, null)).toMatchObject({ turns: 0.5 });
    // A sixth of a single turn's travel at most.
    expect(nudged(-1, 'clockwise', { travelTurns: 0.75 })).toMatchObject({ turns: 0.125 });
    // At its stop it is nudged the other way.
    expect(nudged(-1, 'clockwise', { travelTurns: 10, stoodTurns: 9.9 })).toMatchObject({ turns: -0.5 });
    expect(nudged(1, 'clockwise', { travelTurns: 10, stoodTurns: 0.1 })).toMatchObject({ turns: 0.5 });
    // A fiftieth of a turn is left at either end; short of that three quarters of the way.
    const near = (error: number, stoodTurns: number) => nudged(error, 'clockwise', { travelTurns: 10, stoodTurns });
    expect([near(-1, 9.49), near(-1, 9.47), near(1, 0.51), near(1, 0.53)]).toMatchObject(
      [-0.5, 0.75 * 0.51, 0.5, -0.75 * 0.51].map((turns) => ({ turns: expect.closeTo(turns, 9) as number })),
    );
  });

  it('nudges twice as far when the first showed nothing', () => {
    expect(next([read(1), turned(0.5), read(1)])).toMatchObject({ kind: 'nudge', turns: 1 });
  });

  it('turns to the middle of the window once it knows: 2 % off at 2 % a turn is about a turn', () => {
    const advice = next([read(1), turned(0.5), read(2)]);
    if (advice.kind !== 'turn') throw new Error(advice.kind);
    // Back by a turn less the doubt, and the play on top.
    expect(advice.turns).toBeLessThan(-0.85);
    expect(advice.turns).toBeGreaterThan(-1.1);
    expect(advice).toMatchObject({ trimId: 't', watchSpeedId: 's', turnsBack: true });
    // The play is turned, and moves nothing.
    expect(Math.abs(advice.untilPercent)).toBeLessThan(0.06);
    const lopsided = next([read(1), turned(0.5), read(2)], {
      speeds: [{ id: 's', label: 's', lowerPercent: -1, upperPercent: 2 }],
    });
    // Half a percent is the middle of −1 to 2: right already there? 2 ± 0.1 is not inside.
    if (lopsided.kind !== 'turn') throw new Error(lopsided.kind);
    expect(Math.abs(lopsided.untilPercent - 0.5)).toBeLessThan(0.2);
  });

  it('stops inside with the whole of U; a U as wide as half the window decides nothing; without one it is to be proved', () => {
    expect(next([read(0.2, 0.1)])).toEqual({ kind: 'stop' });
    expect(next([read(0.21, 0.1)]).kind).not.toBe('stop');
    expect(next([read(0, 0.3)])).toEqual({ kind: 'undecidable', speedId: 's' });
    expect(next([read(0, 0.29)])).toEqual({ kind: 'stop' });
    // Unknown: a quarter of the window, 0.15, is taken.
    expect(next([read(0.15, null)])).toEqual({ kind: 'prove', speedId: 's' });
    expect(next([read(0.16, null)]).kind).toBe('nudge');
  });

  it('a trim that did nothing over four turns is useless, over half of its travel where that is known', () => {
    const still = (turns: number, travel: number | null = null) =>
      next([read(1), turned(turns / 2), read(1), turned(turns / 2), read(1)], {
        trims: [trim({ travelTurns: travel })],
      }).kind;
    expect(still(4)).toBe('useless');
    expect(still(3.9)).toBe('nudge');
    expect(still(1, 2)).not.toBe('nudge');
  });

  it('fifteen percent faster after a move ran away', () => {
    expect(next([read(0), turned(0.1), read(15.1)])).toEqual({ kind: 'runaway', trimId: 't' });
    expect(next([read(0), turned(0.1), read(14.9)]).kind).not.toBe('runaway');
    // Slower is none, nor is the first reading.
    expect(next([read(0), turned(0.1), read(-40)]).kind).not.toBe('runaway');
    expect(next([turned(0.1), read(40)]).kind).not.toBe('runaway');
    // Read again as it was: over.
    expect(next([read(0), turned(0.1), read(15.1), read(0)]).kind).not.toBe('runaway');
  });

  it('by ear turns until the speed is there; a visit that left it as it was shows that the trim does nothing', () => {
    const live = { watched: 'live' as const };
    expect(next([read(1)], live)).toMatchObject({ kind: 'turn', turns: null, turnsBack: false });
    const advice = next([read(1)], live);
    if (advice.kind === 'turn') expect(Math.abs(advice.untilPercent)).toBeLessThan(1e-3);
    expect(next([read(1), turned(null), read(1)], live)).toEqual({ kind: 'useless', trimId: 't' });
    expect(next([read(1), turned(null), read(0)], live)).toEqual({ kind: 'stop' });
  });
});

describe('the middle of a lock', () => {
  it('whichever way its edges were typed; none where there are none, apart where they do not meet', () => {
    const cold = { condition: 'cold', lowTurns: 0.6, highTurns: 0.2 };
    const warm = { condition: 'warm', lowTurns: 0.3, highTurns: 0.7 };
    expect(lockMiddle([cold, warm])).toEqual({
      kind: 'middle',
      turns: expect.closeTo(0.45, 9),
      eitherWayTurns: expect.closeTo(0.15, 9),
    });
    expect(lockMiddle([])).toEqual({ kind: 'none' });
    expect(lockMiddle([cold, { condition: 'hot', lowTurns: 0.65, highTurns: 0.9 }])).toEqual({
      kind: 'apart',
      first: 'hot',
      second: 'cold',
    });
    // They just meet.
    expect(lockMiddle([cold, { condition: 'hot', lowTurns: 0.6, highTurns: 0.9 }])).toMatchObject({
      kind: 'middle',
      eitherWayTurns: 0,
    });
  });
});
