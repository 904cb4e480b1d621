/**
 * Setting interacting trims: the linear algebra against a reference library (ml-matrix), the closed loop on simulated
 * units with the goals written down before: median at most 4 moves for two trims and 6 for three when watched live, 8
 * and 13 with typed readings; sound by the product's identity; facts of the trade as common practice.
 */
import { Matrix, solve } from 'ml-matrix';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../src/numeric/index.js';
import {
  coach,
  guideScale,
  lockMiddle,
  madeUnit,
  playCoach,
  trimTurns,
  watchSpeeds,
  type CoachLine,
  type CoachTask,
} from '../src/drive/index.js';

const task = (more: Partial<CoachTask> = {}, trim: object = {}): CoachTask => ({
  watched: 'typed',
  speeds: ['33', '45'].map((id) => ({ id, label: id, lowerPercent: -0.3, upperPercent: 0.3 })),
  trims: ['33', '45'].map((id) => ({
    id: `t${id}`,
    name: `${id} trim`,
    serves: [id],
    faster: null,
    travelTurns: null,
    stoodTurns: null,
    ...trim,
  })),
  ...more,
});
const read = (speedId: string, errorPercent: number, expandedPercent: number | null = 0.01): CoachLine => ({
  kind: 'read',
  speedId,
  errorPercent,
  expandedPercent,
});
const turned = (trimId: string, turns: number | null): CoachLine => ({ kind: 'turned', trimId, turns });

describe('turns = -J^-1 e', () => {
  it("J = [[0.8, 0.1], [0.15, 0.7]], e = (-1.2, +0.5): (+1.633, -1.064) turns, not the transpose's", () => {
    const [a, b] = trimTurns(
      [
        [0.8, 0.1],
        [0.15, 0.7],
      ],
      [-1.2, 0.5],
    );
    expect(a).toBeCloseTo(1.633, 3);
    expect(b).toBeCloseTo(-1.064, 3);
  });

  it('agrees with a library of linear algebra', () => {
    const value = fc.double({ min: -5, max: 5, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(value, { minLength: 9, maxLength: 9 }),
        fc.array(value, { minLength: 3, maxLength: 3 }),
        (j, e) => {
          const effects = [0, 1, 2].map((i) => [0, 1, 2].map((k) => (j[3 * i + k] ?? 0) + (i === k ? 20 : 0)));
          const other = solve(new Matrix(effects), Matrix.columnVector(e.map((one) => -one))).to1DArray();
          trimTurns(effects, e).forEach((turns, i) => expect(turns).toBeCloseTo(other[i] ?? Number.NaN, 9));
        },
      ),
    );
  });
});

describe('the coach', () => {
  const next = (lines: CoachLine[], of = task()) => coach(of, lines).advice;

  it('asks for every speed first, then for a nudge, then for every speed again', () => {
    expect(next([])).toEqual({ kind: 'measure', speedId: '33', why: 'first' });
    expect(next([read('33', 2)])).toEqual({ kind: 'measure', speedId: '45', why: 'first' });
    expect(next([read('33', 2), read('45', -1)])).toMatchObject({ kind: 'nudge', trimId: 't33' });
    expect(next([read('33', 2), read('45', -1), turned('t33', 0.5)])).toEqual({
      kind: 'measure',
      speedId: '33',
      why: 'after the move',
    });
  });

  it("learns from the nudges what each does and then turns both together: the vector above within the hand's tenth", () => {
    // A unit of that J that stands at (-1.2, +0.5) after half a turn of each.
    const start: [number, number] = [-1.2 - 0.5 * 0.9, 0.5 - 0.5 * 0.85];
    const first: [number, number] = [start[0] + 0.4, start[1] + 0.075];
    const lines = [
      read('33', start[0]),
      read('45', start[1]),
      turned('t33', 0.5),
      read('33', first[0]),
      read('45', first[1]),
      turned('t45', 0.5),
      read('33', -1.2),
      read('45', 0.5),
    ];
    const advice = next(lines);
    expect(advice).toMatchObject({ kind: 'turn', trimId: 't33', watchSpeedId: '33', turnsBack: false });
    // What play ate of the nudges is not known: the effects look up to a seventh smaller or larger.
    expect(advice.kind === 'turn' && advice.turns).toBeGreaterThan(1.633 * 0.8);
    expect(advice.kind === 'turn' && advice.turns).toBeLessThan(1.633 * 1.1);
  });

  it('says stop only when every speed, with the whole of its uncertainty, lies inside; asymmetric windows have their middle', () => {
    expect(next([read('33', 0.2, 0.09), read('45', -0.2, 0.09)])).toEqual({ kind: 'stop' });
    expect(next([read('33', 0.25, 0.09), read('45', 0, 0.09)]).kind).not.toBe('stop');
    const lopsided = task({ speeds: [{ id: '33', label: '33', lowerPercent: -1, upperPercent: 1.5 }] });
    expect(next([read('33', 1.4, 0.05)], lopsided)).toEqual({ kind: 'stop' });
    // Typed without an uncertainty it leads, and proves nothing.
    expect(next([read('33', 0.1, null), read('45', 0, 0.05)])).toEqual({ kind: 'prove', speedId: '33' });
    expect(next([read('33', 0, 0.4), read('45', 0, 0.4)])).toEqual({ kind: 'undecidable', speedId: '33' });
  });

  it('names the trim that does nothing, and the motor that runs away when the blade touches it (common practice)', () => {
    const nothing: CoachLine[] = [read('33', 2, 0.02), read('45', 0, 0.02)];
    for (const turns of [0.5, 1, 2, 4]) nothing.push(turned('t33', turns), read('33', 2, 0.02), read('45', 0, 0.02));
    expect(next(nothing)).toEqual({ kind: 'useless', trimId: 't33' });
    // Heard live: a visit that left the speed where it stood.
    const live = task({ watched: 'live' });
    const before = [read('33', 2, 0.1), read('45', 0, 0.1), turned('t33', null)];
    expect(next([...before, read('33', 2.05, 0.1), read('45', 0, 0.1)], live)).toEqual({
      kind: 'useless',
      trimId: 't33',
    });
    expect(next([...before, read('33', 0.9, 0.1), read('45', 0, 0.1)], live).kind).toBe('turn');
    expect(next([read('33', 1), read('45', 0), turned('t33', 0.1), read('33', 40)])).toEqual({
      kind: 'runaway',
      trimId: 't33',
    });
    // It let go again: the work goes on.
    expect(next([read('33', 1), read('45', 0), turned('t33', 0.1), read('33', 40), read('33', 1.2)]).kind).toBe(
      'measure',
    );
  });

  it('keeps between the stops; what stands at its stop is asked about', () => {
    const near = task({}, { travelTurns: 0.75, stoodTurns: 0.7 });
    const advice = next([read('33', 3), read('45', 3)], near);
    expect(advice.kind === 'nudge' && advice.turns).toBeLessThan(0);
    const wants = [read('33', -5), read('45', 0), turned('t33', -0.3), read('33', -6.5), read('45', 0)];
    const at = next(wants, near);
    expect(at).toMatchObject({ kind: 'turn', trimId: 't33' });
    expect(at.kind === 'turn' && 0.7 - 0.3 + (at.turns ?? 0)).toBeLessThanOrEqual(0.75);
    expect(next([...wants, { kind: 'stands', trimId: 't33', turns: 0.74 }], near)).toEqual({
      kind: 'end-stop',
      trimId: 't33',
    });
  });

  it.each([
    ['live', 2, 4],
    ['live', 3, 6],
    ['typed', 2, 8],
    ['typed', 3, 13],
  ] as const)(
    '%s, %d trims: median of at most %d moves, none that diverges or is sent beyond a stop',
    (watched, count, most) => {
      const random = seeded(90 + count);
      const runs = Array.from({ length: 150 }, () => playCoach(madeUnit(random, count, watched), random));
      const moves = runs.map((one) => one.moves).sort((a, b) => a - b);
      expect(moves[75]).toBeLessThanOrEqual(most);
      expect(runs.filter((one) => one.done).length).toBeGreaterThanOrEqual(149);
      // Right was said with U = 0.1 at k = 2: the truth lies within the limit and a little noise.
      for (const one of runs.filter((each) => each.done))
        for (const left of one.left) expect(Math.abs(left)).toBeLessThan(0.3 + 0.05);
      expect(runs.reduce((sum, one) => sum + one.beyondStop, 0)).toBe(0);
      expect(Math.max(...runs.map((one) => one.worstPercent))).toBeLessThan(15);
    },
  );
});

describe('a lock is set to the middle of what captures at every speed, cold and warm', () => {
  it('0.2 to 0.6 cold and 0.3 to 0.7 warm: 0.45, 0.15 either way; ranges that do not meet are named', () => {
    const edges = (condition: string, lowTurns: number, highTurns: number) => ({ condition, lowTurns, highTurns });
    const middle = lockMiddle([edges('33 cold', 0.2, 0.6), edges('33 warm', 0.7, 0.3)]);
    expect(middle.kind === 'middle' && middle.turns).toBeCloseTo(0.45, 9);
    expect(middle.kind === 'middle' && middle.eitherWayTurns).toBeCloseTo(0.15, 9);
    expect(lockMiddle([edges('33', 0.1, 0.2), edges('45', 0.5, 0.6)])).toEqual({
      kind: 'apart',
      first: '45',
      second: '33',
    });
    expect(lockMiddle([])).toEqual({ kind: 'none' });
  });
});

describe('what happens is told from the speed alone', () => {
  const TURN_S = 1.8;
  /** Twenty readings a second of a wowing platter whose error goes as `error`. */
  const course = (error: (atS: number) => number | null, lastS: number, wow = 0.15, hz = 3150) =>
    Array.from({ length: Math.round(20 * lastS) }, (_, i) => {
      const atS = i / 20;
      const percent = error(atS);
      const now = percent === null ? null : percent + wow * Math.sin((2 * Math.PI * atS) / TURN_S);
      return { atS, hz: now === null ? null : hz * (1 + now / 100) };
    });

  it('settled, moved and settled again, another speed, ended: each once, without a key', () => {
    const watch = watchSpeeds([
      { id: '33', nominalHz: 3150, turnS: 1.8 },
      { id: '45', nominalHz: 4252.5, turnS: 4 / 3 },
    ]);
    const seen = [
      ...course((atS) => (atS < 8 ? -1.2 : atS < 9 ? -1.2 + 1.2 * (atS - 8) : 0), 16, 0.1),
      ...course(() => 0.5, 6, 0, 4252.5).map((one) => ({ ...one, atS: one.atS + 16 })),
      ...course(() => null, 2).map((one) => ({ ...one, atS: one.atS + 22 })),
    ].map(({ atS, hz }) => watch.push(atS, hz));
    const reads = seen.flatMap((view) => (view.read ? [{ ...view.read, moved: view.movedSince, atS: view.atS }] : []));
    expect(reads.map(({ speedId, moved }) => [speedId, moved])).toEqual([
      ['33', false],
      ['33', true],
      ['45', false],
    ]);
    expect(reads[0]?.errorPercent).toBeCloseTo(-1.2, 1);
    expect(reads[1]?.errorPercent).toBeCloseTo(0, 1);
    expect(reads[2]?.errorPercent).toBeCloseTo(0.5, 2);
    expect(seen.at(-1)?.state).toBe('ended');
    expect(reads[1]?.atS).toBeGreaterThan(9);
  });
});

describe('the sound', () => {
  it('by microphone every partial stays clear of the tone', () => {
    for (const toneHz of [3150, 3000, 1000, 300]) {
      const { factor, octave } = guideScale(toneHz);
      const partials = [260, 520, 780, 1040].flatMap((hz) => [hz * factor, ...(octave ? [2 * hz * factor] : [])]);
      for (const hz of partials) expect(Math.abs(hz / toneHz - 1)).toBeGreaterThan(0.06);
    }
  });
});
