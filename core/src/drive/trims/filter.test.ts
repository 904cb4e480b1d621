/**
 * The coach's belief against an extended Kalman filter written out with a library of matrices (textbook form): the error of
 * a speed and what a turn of each trim does to it, read now and then, moved by turns that the hand does to a tenth and that lose
 * some play on the way back. Numbers are those that the coach is documented with.
 */
import { Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { beliefOf } from './belief.js';
import type { CoachLine, CoachTask } from './course.js';

const IDS = ['33', '45'] as const;
const WAYS = ['clockwise', null] as const;
const task: CoachTask = {
  watched: 'typed',
  speeds: IDS.map((id) => ({ id, label: id, lowerPercent: -0.3, upperPercent: 0.3 })),
  trims: IDS.map((id, j) => ({
    id: `trim ${id}`,
    name: id,
    serves: [id],
    faster: WAYS[j] ?? null,
    travelTurns: null,
    stoodTurns: null,
  })),
};

/** A course of reads and turns by chance, either way, each speed read at first. */
function courseBy(seed: number): CoachLine[] {
  const random = seeded(seed);
  const read = (speedId: string): CoachLine => ({
    kind: 'read',
    speedId,
    errorPercent: 6 * random() - 3,
    expandedPercent: random() < 0.3 ? null : 0.02 + 0.3 * random(),
  });
  const more = Array.from({ length: 14 }, (): CoachLine => {
    const id = IDS[random() < 0.5 ? 0 : 1];
    return random() < 0.55 ? read(id) : { kind: 'turned', trimId: `trim ${id}`, turns: 2 * random() - 1 };
  });
  return [...IDS.map(read), ...more];
}

/** The same by matrices. */
function filtered(lines: readonly CoachLine[]) {
  const states = IDS.map((_, i) => ({
    x: Matrix.columnVector([0, i === 0 ? 2 : 0, 0]),
    p: Matrix.diag([1e4, i === 0 ? 16 : 1.44, i === 1 ? 16 : 1.44]),
    read: false,
    fresh: null as number | null,
  }));
  const trims = IDS.map(() => ({
    way: 0,
    play: 0.07,
    doubt: 0.04 ** 2,
    back: null as { t: number; from: number } | null,
  }));
  lines.forEach((line, n) => {
    if (line.kind === 'read') {
      const i = IDS.indexOf(line.speedId as (typeof IDS)[number]);
      const [state, trim] = [states[i] as (typeof states)[number], trims[i] as (typeof trims)[number]];
      const u = (line.expandedPercent ?? 0.2) / 2;
      if (trim.back) {
        const { t, from } = trim.back;
        const effect = state.x.get(i + 1, 0);
        const lost = Math.abs(t) - (Math.sign(t) * (line.errorPercent - from)) / effect;
        const gain = trim.doubt / (trim.doubt + (0.1 * t) ** 2 + 2 * (u / effect) ** 2);
        // Of a trim whose effect nobody knows yet nothing is learnt.
        if (effect !== 0) trim.play = Math.max(0, trim.play + gain * (lost - trim.play));
        if (effect !== 0) trim.doubt *= 1 - gain;
        trim.back = null;
      }
      const h = Matrix.rowVector([1, 0, 0]);
      const k = state.p.mmul(h.transpose()).div(state.p.get(0, 0) + u * u);
      state.x = Matrix.add(state.x, Matrix.mul(k, line.errorPercent - state.x.get(0, 0)));
      state.p = Matrix.eye(3).sub(k.mmul(h)).mmul(state.p);
      Object.assign(state, { read: true, fresh: line.errorPercent });
    } else if (line.kind === 'turned') {
      const j = task.trims.findIndex(({ id }) => id === line.trimId);
      const [trim, own] = [trims[j] as (typeof trims)[number], states[j] as (typeof states)[number]];
      const t = line.turns ?? 0;
      const way = Math.sign(t);
      const part = trim.way === 0 ? 0.5 : way === trim.way ? 0 : 1;
      const size = t - way * Math.min(Math.abs(t), part * trim.play);
      const variance = (0.1 * t) ** 2 + (trim.way === 0 ? trim.play / 2 : part * Math.sqrt(trim.doubt)) ** 2;
      trim.back = part === 1 ? { t, from: own.fresh ?? own.x.get(0, 0) } : null;
      trim.way = way || trim.way;
      const stop = lines.findIndex((one, m) => m > n && one.kind === 'turned');
      const until = lines.slice(n + 1, stop < 0 ? undefined : stop);
      states.forEach((state, i) => {
        const next = until.find((one) => one.kind === 'read' && one.speedId === IDS[i]);
        const effect = state.x.get(j + 1, 0);
        const squared =
          next?.kind === 'read' && state.read && size !== 0
            ? ((next.errorPercent - state.x.get(0, 0)) / size) ** 2
            : effect ** 2 + state.p.get(j + 1, j + 1);
        const f = Matrix.eye(3);
        f.set(0, j + 1, size);
        state.x = f.mmul(state.x);
        state.p = f.mmul(state.p).mmul(f.transpose());
        state.p.set(0, 0, state.p.get(0, 0) + squared * variance);
        state.fresh = null;
      });
    }
  });
  return { states, trims };
}

describe('what is known after any course', () => {
  it.each(Array.from({ length: 25 }, (_, i) => i + 1))('%d', (seed) => {
    const lines = courseBy(seed);
    const { speeds, trims } = beliefOf(task, lines);
    const wanted = filtered(lines);
    wanted.states.forEach(({ x, p }, i) => {
      x.to1DArray().forEach((value, r) => expect(speeds[i]?.mean[r]).toBeCloseTo(value, 6));
      p.to2DArray().forEach((row, r) =>
        row.forEach((value, c) => expect(speeds[i]?.covariance[r]?.[c]).toBeCloseTo(value, 6)),
      );
    });
    wanted.trims.forEach(({ play, doubt, way }, j) => {
      expect([trims[j]?.play, trims[j]?.playVariance]).toEqual([expect.closeTo(play, 9), expect.closeTo(doubt, 9)]);
      expect(trims[j]?.lastWay).toBe(way);
    });
    const turns = lines.flatMap((line) => (line.kind === 'turned' ? [line] : []));
    trims.forEach((one, j) => {
      const own = turns.filter(({ trimId }) => trimId === task.trims[j]?.id).map((line) => line.turns ?? 0);
      expect(one.turned).toBeCloseTo(
        own.reduce((sum, t) => sum + t, 0),
        9,
      );
      expect(one.walked).toBeCloseTo(
        own.reduce((sum, t) => sum + Math.abs(t), 0),
        9,
      );
      expect(one.moves).toBe(own.length);
    });
  });
});
