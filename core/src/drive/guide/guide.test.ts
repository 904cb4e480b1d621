/** The guide at a trim: the wow is taken off, a move and its end are told, the sound leads as the product's identity has it. */
import { describe, expect, it } from 'vitest';
import { guideScale, soundGuide, watchSpeeds, type GuideNow } from './index.js';
import { lineFree } from './lineFree.js';

const STEP_S = 0.05;
/** Pushes for so long; `percentAt` is told the angle turned so far, radians. */
function run(turnS: number | null, seconds: number, percentAt: (t: number, angle: number) => number) {
  const free = lineFree(turnS);
  const out: { t: number; value: number }[] = [];
  let [angle, percent] = [0, percentAt(0, 0)];
  for (let n = 0; n * STEP_S <= seconds; n++) {
    out.push({ t: n * STEP_S, value: free.push(n * STEP_S, percent) });
    angle += (2 * Math.PI * STEP_S * (1 + percent / 100)) / (turnS ?? 1);
    percent = percentAt((n + 1) * STEP_S, angle);
  }
  return out;
}

describe('the speed without its lines', () => {
  it('begins where it is and follows a step as a time constant of a quarter second does: 63 % after it (definition)', () => {
    const out = run(null, 3, (t) => (t < 0.99 ? 2 : 3));
    const at = (t: number) => out.find((one) => Math.abs(one.t - t) < 1e-6)?.value;
    expect(at(0)).toBe(2);
    expect(at(0.95)).toBeCloseTo(2, 12);
    // The first value of the step comes at 1.00 s: after it 0.05 s are over.
    expect(at(1.2)).toBeCloseTo(2 + 1 - Math.exp(-1), 9);
    expect(at(1.45)).toBeCloseTo(2 + 1 - Math.exp(-2), 9);
    const even = lineFree(null);
    even.push(0, 2);
    expect(even.push(0.25, 3)).toBeCloseTo(2 + 1 - Math.exp(-1), 9);
  });

  it('has no wow of one and two to the turn, once a turn is over, wherever it stands and however it drifts a little', () => {
    for (const level of [-3, 0, 2])
      for (const drift of [0, 0.01]) {
        const wow = (angle: number) => 0.3 * Math.cos(angle + 0.4) + 0.1 * Math.sin(2 * angle);
        const out = run(1.8, 12, (t, angle) => level + drift * t + wow(angle));
        for (const { t, value } of out.filter((one) => one.t > 4))
          expect(Math.abs(value - level - drift * (t - 0.25))).toBeLessThan(0.02);
        // Before it is learnt it shows.
        expect(
          Math.max(...out.filter((one) => one.t < 1.5).map(({ value }) => Math.abs(value - level))),
        ).toBeGreaterThan(0.1);
      }
  });

  it('keeps what it learnt while the screw turns: a ramp comes through, its wow does not', () => {
    const wow = (angle: number) => 0.3 * Math.cos(angle);
    const ramp = (t: number) => Math.max(0, t - 6) * 0.5;
    const out = run(1.8, 12, (t, angle) => ramp(t) + wow(angle));
    // It lags by the quarter second.
    for (const { t, value } of out.filter((one) => one.t > 7.5))
      expect(Math.abs(value - ramp(t - 0.25))).toBeLessThan(0.05);
  });
});

describe('what is seen from the speed alone', () => {
  const SPEEDS = [
    { id: '33', nominalHz: 3150, turnS: null },
    { id: '45', nominalHz: 4252.5, turnS: null },
  ];
  const watching = () => {
    const watch = watchSpeeds(SPEEDS);
    let t = -STEP_S;
    return (seconds: number, hz: number | null) =>
      Array.from({ length: Math.round(seconds / STEP_S) }, () => watch.push((t += STEP_S), hz));
  };
  const reads = (views: ReturnType<ReturnType<typeof watching>>) =>
    views.flatMap(({ read, movedSince }) =>
      read ? [[read.speedId, Number(read.errorPercent.toFixed(2)), movedSince]] : [],
    );

  it('waits, moves, settles after a second and a half, and is read once', () => {
    const hear = watching();
    expect(hear(0.5, null).every(({ state, speedId }) => state === 'waiting' && speedId === null)).toBe(true);
    const views = hear(4, 3150 * 1.005);
    expect(views.findIndex(({ state }) => state === 'settled')).toBe(29);
    expect(views.slice(0, 29).every(({ state }) => state === 'moving')).toBe(true);
    expect(reads(views)).toEqual([['33', 0.5, false]]);
    expect(views.at(-1)?.errorPercent).toBeCloseTo(0.5, 6);
  });

  it('a tenth of a percent is no move, half a percent is one; each move is read once it has settled', () => {
    const hear = watching();
    hear(3, 3150 * 1.005);
    expect(reads(hear(4, 3150 * 1.006))).toEqual([]);
    const moved = hear(4, 3150 * 1.001);
    expect(moved[3]?.state).toBe('moving');
    // Its mean of a second and a half still holds the end of the move.
    expect(reads(moved)).toEqual([['33', expect.closeTo(0.11, 1.4), true]]);
  });

  it('is the nearest speed, within eighteen hundredths of it, and none beyond', () => {
    const hear = watching();
    expect(hear(0.2, 3150 * 1.15).at(-1)?.speedId).toBe('33');
    expect(hear(0.2, 4252.5 / 1.14).at(-1)?.speedId).toBe('45');
    expect(hear(0.2, 4252.5 * 1.17).at(-1)).toMatchObject({ speedId: '45', state: 'moving' });
    const none = watching()(1, 3150 / 1.19);
    expect(none.every(({ state, errorPercent }) => state === 'waiting' && errorPercent === null)).toBe(true);
  });

  it('has ended after six tenths of a second of silence, and begins anew after it; a shorter silence is none', () => {
    const hear = watching();
    hear(3, 3150);
    const quiet = hear(2, null);
    expect(quiet.findIndex(({ state }) => state === 'ended')).toBe(12);
    expect(quiet.every(({ speedId, errorPercent }) => speedId === '33' && errorPercent === null)).toBe(true);
    expect(reads(hear(3, 3150 * 1.002))).toEqual([['33', 0.2, true]]);
    hear(0.4, null);
    expect(reads(hear(3, 3150 * 1.002))).toEqual([]);
    // The other speed has a reading of its own.
    expect(reads(hear(3, 4252.5 * 0.99))).toEqual([['45', -1, false]]);
  });
});

describe('the sound that leads', () => {
  const now = (offPercent: number | null, more: Partial<GuideNow> = {}): GuideNow => ({
    offPercent,
    expandedPercent: 0.05,
    halfWindowPercent: 0.3,
    toneHz: 3150,
    elsewhere: false,
    stop: false,
    ...more,
  });
  // The ribbon's place: asinh 2u over asinh 80 of the error u in half windows.
  const x = (u: number) => Math.asinh(2 * u) / Math.asinh(80);

  it.each([-2.4, -0.6, -0.31, 0.31, 0.6, 3])(
    '%d %% off: the follower 2^x above the drone, 1 + 9|x| notes a second',
    (off) => {
      const heard = soundGuide().push(0, now(off));
      expect(heard).toMatchObject({
        word: off < 0 ? 'slow' : 'fast',
        shape: off < 0 ? 'soft' : 'pips',
        droneHz: 520,
        droneDb: -30,
        octave: true,
      });
      expect(heard.followerHz).toBeCloseTo(520 * 2 ** x(off / 0.3), 6);
      expect(heard.notesPerS).toBeCloseTo(1 + 9 * Math.abs(x(off / 0.3)), 6);
    },
  );

  it('stays out of the band of the tone: as it is for 3000 and 3150 Hz, 0.65 without octave for 1000, 2.4 for 300', () => {
    expect([3150, 3000, null].map(guideScale)).toEqual(Array(3).fill({ factor: 1, octave: true }));
    expect(guideScale(1000)).toEqual({ factor: 0.65, octave: false });
    expect(guideScale(300)).toEqual({ factor: 2.4, octave: true });
    expect(soundGuide().push(0, now(3, { toneHz: 1000 }))).toMatchObject({ droneHz: 338, octave: false });
    expect(soundGuide().push(0, now(3, { toneHz: 300 })).droneHz).toBeCloseTo(1248, 9);
  });

  it('right needs its uncertainty within the window, for two seconds; then a chord of one and a half, then it listens', () => {
    const guide = soundGuide();
    const words = [0, 1.99, 2, 3.49, 3.5, 9].map((t) => guide.push(t, now(0.25)).word);
    expect(words).toEqual(['inside', 'inside', 'right', 'right', 'listening', 'listening']);
    const unsure = soundGuide();
    expect([0, 1.99, 2, 9].map((t) => unsure.push(t, now(0.26)).word)).toEqual([
      'inside',
      'inside',
      'undecided',
      'undecided',
    ]);
    expect(unsure.push(10, now(0.26))).toMatchObject({ followerHz: 520, notesPerS: null });
    // Out and in again counts from nought.
    guide.push(10, now(0.31));
    expect(guide.push(11, now(0.2)).word).toBe('inside');
    expect(guide.push(12.9, now(0.2)).word).toBe('inside');
    expect(guide.push(13, now(0.2)).word).toBe('right');
  });

  it('stop before all else, another speed before silence', () => {
    const guide = soundGuide();
    expect(guide.push(0, now(null, { stop: true, elsewhere: true })).word).toBe('stop');
    expect(guide.push(0, now(1, { elsewhere: true })).word).toBe('listening');
    expect(guide.push(0, now(null))).toMatchObject({ word: 'ended', followerHz: null, notesPerS: null });
  });
});
