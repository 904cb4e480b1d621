/** The pieces of listening, each against what can be said of it by hand: combs, paths, runs. */
import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { combEvidence, refined, speedGrid } from './comb.js';
import { SOUND_DEFAULTS } from './defaults.js';
import type { SoundFrame } from './frames.js';
import { bestPath, rivals } from './path.js';
import type { MeasuredSound } from './result.js';
import { droopOf, runsOf } from './runs.js';

describe('candidate speeds', () => {
  it('rise by 0.15 % each from the least to at least the most, in turns a second', () => {
    const grid = speedGrid(600, 1200);
    expect(grid[0]).toBeCloseTo(10, 12);
    for (let i = 1; i < grid.length; i++) expect((grid[i] as number) / (grid[i - 1] as number)).toBeCloseTo(1.0015, 12);
    // ln 2 / ln 1.0015 = 462.4: the 463rd step is the first past twice.
    expect(grid.length).toBe(464);
    expect(grid.at(-1)).toBeGreaterThanOrEqual(20);
    expect(grid.at(-2)).toBeLessThan(20);
    // Nothing between: still two.
    expect(speedGrid(600, 600)).toHaveLength(2);
  });
});

const frame = (lines: readonly (readonly [number, 1 | 2])[], more: Partial<SoundFrame> = {}): SoundFrame => ({
  timeS: 0,
  rms: 0.1,
  lineHz: Float64Array.from(lines, ([hz]) => hz),
  level: Uint8Array.from(lines, ([, level]) => level),
  binHz: 2.5,
  topHz: 8000,
  ...more,
});

describe('a comb', () => {
  const grid = speedGrid(600, 6000);
  const bestOf = (evidence: Float32Array) =>
    grid[evidence.reduce((best, value, i) => (value > (evidence[best] as number) ? i : best), 0)] as number;

  it('fits best at the turns whose seven blades make the lines there are', () => {
    // 40 turns a second of seven blades: 280, 560, 840 Hz, and a turn's own 40.
    const of = combEvidence(grid, [7]);
    const heard = frame([
      [40, 1],
      [280, 2],
      [560, 2],
      [840, 1],
    ]);
    expect(bestOf(of(heard)) / 40).toBeCloseTo(1, 2);
    // With three times as many blades the same lines are a third of the speed.
    const other = combEvidence(speedGrid(300, 6000), [21]);
    const third = speedGrid(300, 6000);
    const evidence = other(heard);
    const at = (hz: number) =>
      evidence[third.reduce((best, f, i) => (Math.abs(f - hz) < Math.abs((third[best] as number) - hz) ? i : best), 0)];
    expect(at(40 / 3)).toBeGreaterThan(at(40) as number);
  });

  it('says nothing of a frame without lines', () => {
    expect([...combEvidence(grid, [7])(frame([]))].every((one) => one === 0)).toBe(true);
  });

  it('says the same of a frame whatever frames came before it', () => {
    const heard = frame([
      [280, 2],
      [560, 1],
    ]);
    const wide = frame([[300, 2]], { topHz: 4000, binHz: 5 });
    const once = combEvidence(grid, [7]);
    const first = [...once(heard)];
    once(wide);
    expect([...once(heard)]).toEqual(first);
    expect([...combEvidence(grid, [7])(wide)]).toEqual([...once(wide)]);
  });

  it('of two counts on one shaft hears both', () => {
    // Three poles' bars (6) and a fan's seven blades at 25 turns a second.
    const heard = frame([
      [150, 2],
      [175, 2],
      [300, 1],
      [350, 1],
    ]);
    // The lowest line may lie 3.3 Hz off, two parts in a hundred; the lines then say it exactly.
    const rough = bestOf(combEvidence(grid, [6, 7])(heard));
    expect(Math.abs(rough / 25 - 1)).toBeLessThan(0.022);
    expect(refined(heard, rough, [6, 7])).toEqual({ hz: expect.closeTo(25, 9), lineTeeth: 4 });
  });

  it('sharpens a rough speed by its lines: k · f by least squares, strong ones and blades counting more', () => {
    // 7 · 40.1 = 280.7 and 14 · 40.1 = 561.4, both strong blades.
    const exact = refined(
      frame([
        [280.7, 2],
        [561.4, 2],
      ]),
      40,
      [7],
    );
    expect(exact.hz).toBeCloseTo(40.1, 9);
    expect(exact.lineTeeth).toBe(2);
    // A blade (weight 4) at 281 and a weak turn line (1) at 120: (4·7·281 + 3·120)/(4·49 + 9).
    const mixed = refined(
      frame([
        [120, 1],
        [281, 1],
      ]),
      40,
      [7],
    );
    expect(mixed.hz).toBeCloseTo((4 * 7 * 281 + 3 * 120) / (4 * 49 + 9), 9);
    expect(mixed.lineTeeth).toBe(1);
    // Strong counts four times: (16·7·281 + 3·120)/(16·49 + 9).
    const strong = refined(
      frame([
        [120, 1],
        [281, 2],
      ]),
      40,
      [7],
    );
    expect(strong.hz).toBeCloseTo((16 * 7 * 281 + 3 * 120) / (16 * 49 + 9), 9);
    // What lies between the teeth is left out; without any the rough speed stays.
    expect(refined(frame([[300, 2]]), 40, [7])).toEqual({ hz: 40, lineTeeth: 0 });
    // 20 Hz is nearer to nought than to the first tooth; the 40th tooth lies past 28 (four times seven).
    expect(
      refined(
        frame([
          [1, 2],
          [40 * 40, 2],
        ]),
        40,
        [7],
      ),
    ).toEqual({ hz: 40, lineTeeth: 0 });
  });
});

describe('the likeliest path', () => {
  /** All ways looked at, as nobody would do it for more than a few. */
  function byTrying(evidence: readonly Float32Array[]): number {
    const size = evidence[0]?.length ?? 0;
    const best = (t: number, from: number): number => {
      const here = (evidence[t] as Float32Array)[from] as number;
      if (t === evidence.length - 1) return here;
      const ways = Array.from({ length: size }, (_, to) =>
        Math.abs(to - from) > SOUND_DEFAULTS.reach
          ? -Infinity
          : best(t + 1, to) - SOUND_DEFAULTS.stepCost * Math.abs(to - from),
      );
      return here + Math.max(...ways);
    };
    return Math.max(...Array.from({ length: size }, (_, g) => best(0, g)));
  }
  const worth = (evidence: readonly Float32Array[], path: Int32Array) =>
    evidence.reduce(
      (sum, row, t) =>
        sum +
        (row[path[t] as number] as number) -
        (t > 0 ? SOUND_DEFAULTS.stepCost * Math.abs((path[t] as number) - (path[t - 1] as number)) : 0),
      0,
    );

  it('is as good as the best of all ways', () => {
    const random = seeded(3);
    for (let round = 0; round < 30; round++) {
      const evidence = Array.from({ length: 4 }, () => Float32Array.from({ length: 9 }, () => random()));
      const path = bestPath(evidence);
      expect(worth(evidence, path)).toBeCloseTo(byTrying(evidence), 6);
    }
  });

  it('does not jump farther than its reach in a step, however good it is there', () => {
    const row = (at: number) => Float32Array.from({ length: 80 }, (_, i) => (i === at ? 100 : 0));
    const path = bestPath([row(5), row(60), row(60)]);
    for (let t = 1; t < path.length; t++)
      expect(Math.abs((path[t] as number) - (path[t - 1] as number))).toBeLessThanOrEqual(27);
    // From 33 it can be at 60 in one step: 27 apart is allowed, 28 is not.
    expect([...bestPath([row(33), row(60)])]).toEqual([33, 60]);
    expect([...bestPath([row(32), row(60)])]).not.toEqual([32, 60]);
  });

  it('goes on over frames that say nothing', () => {
    const some = Float32Array.from({ length: 30 }, (_, i) => (i === 12 ? 5 : 0));
    expect([...bestPath([some, new Float32Array(30), new Float32Array(30), some])]).toEqual([12, 12, 12, 12]);
    expect([...bestPath([some])]).toEqual([12]);
  });
});

describe('rivals of a path', () => {
  it('are the mean evidence at fixed steps from it, best first, each 3 % apart', () => {
    const size = 300;
    const evidence = [10, 12].map((at) => {
      const row = new Float32Array(size);
      row[at] = 8;
      row[at + 100] = 6;
      row[at + 105] = 5.9; // 0.75 % from the one before: the same one.
      row[at + 150] = 2;
      return row;
    });
    const found = rivals([{ evidence, path: Int32Array.of(10, 12) }], size);
    expect(found.slice(0, 3)).toEqual([
      { offset: 0, evidence: 8 },
      { offset: 100, evidence: 6 },
      { offset: 150, evidence: 2 },
    ]);
    expect(found.length).toBeLessThanOrEqual(6);
    // 21 steps are 3.2 %: another one.
    const near = new Float32Array(size);
    near[10] = 8;
    near[31] = 7;
    near[51] = 6;
    const close = rivals([{ evidence: [near], path: Int32Array.of(10) }], size);
    expect(close.slice(0, 2).map(({ offset }) => offset)).toEqual([0, 21]);
    // The third is 20 steps from the second: 3 %, the same one.
    expect(close.some(({ offset }) => offset === 41)).toBe(false);
    for (const a of found)
      for (const b of found) if (a !== b) expect(Math.abs(a.offset - b.offset)).toBeGreaterThan(20);
  });

  it('count only where four frames of five can be looked at', () => {
    const size = 50;
    const row = () => new Float32Array(size).fill(1);
    const path = Int32Array.of(0, 0, 0, 0, 40);
    const evidence = [row(), row(), row(), row(), row()];
    const at = (offset: number) =>
      rivals([{ evidence, path }], size).find((one) => one.offset === offset)?.evidence ?? null;
    // 45 above the last is past the end: four of five are not more than four fifths.
    expect(at(45)).toBeNull();
    expect(at(0)).toBe(1);
  });
});

describe('runs and droop that were heard', () => {
  const heard = (more: Partial<MeasuredSound>): MeasuredSound =>
    ({ nominalRpm: 1000, meanRpm: 980, stretches: [{ startS: 0, endS: 10, rpm: 980 }], ...more }) as MeasuredSound;
  const series = (of: (t: number) => number) => ({
    startS: 0,
    stepS: 0.1,
    errorPercent: Float32Array.from({ length: 100 }, (_, i) => of(i / 10)),
    halfWidthPercent: new Float32Array(100),
  });

  it('runs turn to and fro, whatever their sign', () => {
    const stretches = [
      { startS: 0, endS: 2, rpm: 50 },
      { startS: 3, endS: 5, rpm: -51 },
      { startS: 6, endS: 8, rpm: 52 },
    ];
    expect(runsOf(heard({ stretches }))).toEqual([
      { startS: 0, endS: 2, rpm: 50, sense: 1 },
      { startS: 3, endS: 5, rpm: 51, sense: -1 },
      { startS: 6, endS: 8, rpm: 52, sense: 1 },
    ]);
  });

  it('1000 free and 900 loaded is ten percent; of the nominal where there is one, else of the mean', () => {
    const step = series((t) => (t < 5 ? 0 : -10));
    const droop = droopOf(heard({ series: step }));
    expect(droop?.freeRpm).toBeCloseTo(1000, 1);
    expect(droop?.loadedRpm).toBeCloseTo(900, 1);
    expect(droop?.droopPercent).toBeCloseTo(10, 2);
    expect(droopOf(heard({ series: step, nominalRpm: null }))?.freeRpm).toBeCloseTo(980, 1);
  });

  it('a fan that settles by two percent has no droop, nor has one level, nor what stops between', () => {
    expect(droopOf(heard({ series: series((t) => (t < 5 ? 0 : -2)) }))).toBeNull();
    expect(droopOf(heard({ series: series(() => 0) }))).toBeNull();
    const two = [
      { startS: 0, endS: 5, rpm: 1000 },
      { startS: 5, endS: 10, rpm: 900 },
    ];
    expect(droopOf(heard({ series: series((t) => (t < 5 ? 0 : -10)), stretches: two }))).toBeNull();
  });
});
