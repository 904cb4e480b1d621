/**
 * Drive trains against sums worked by hand from the handbook's formulae (machine design handbooks: belt and gear
 * trains, from memory), record and tape speeds (IEC 60098, IEC 60094, from memory) and facts of the trade (marked).
 */
import { describe, expect, it } from 'vitest';
import {
  beltLength,
  blameOf,
  knobsOf,
  signatureOf,
  slipOf,
  solveKnob,
  spreadOf,
  stretchPercent,
  takeUpMargin,
  trainTurns,
  windingRpm,
  type Train,
  type TrainMotor,
  type TrainPart,
} from '../src/drive/index.js';

const motor = (more: Partial<TrainMotor> = {}): TrainMotor => ({
  name: 'motor',
  kind: 'synchronous',
  poles: [16],
  slipPercent: 0,
  rpm: [2400],
  sense: 'clockwise',
  seenFrom: 'shaft end',
  shaft: 'towards you',
  segments: null,
  generator: null,
  ...more,
});
const part = (
  id: string,
  by: string,
  contact: TrainPart['contact'],
  sizes: number[],
  more: Partial<TrainPart> = {},
) => ({
  id,
  name: id,
  kind: 'pulley' as const,
  by,
  contact,
  sizes,
  toleranceMm: null,
  belt: null,
  centreMm: null,
  slipPercent: 0,
  ...more,
});
const belt = (thicknessMm: number, lengthMm: number | null = null) => ({
  belt: { thicknessMm, shape: 'flat' as const, lengthMm },
});
const train = (parts: TrainPart[], more: Partial<Train> = {}): Train => ({
  motor: motor(),
  parts,
  output: { part: parts.at(-1)?.id ?? '', kind: 'turns', tapeThicknessMm: 0 },
  speeds: [{ id: '33', label: '33', nominal: 100 / 3 }],
  ...more,
});
const rpm = (one: Train, id: string, hz = 60, speed = 0) =>
  60 * (trainTurns(one, speed, hz).turning.find((turning) => turning.id === id)?.revPerS ?? Number.NaN);

/** Ten millimetres with half a millimetre of belt on two hundred. */
const belted = (mm = 10, thick = 0.5): Train =>
  train([part('pulley', 'motor', 'shaft', [mm]), part('platter', 'pulley', 'belt', [200], belt(thick))]);

describe('motors and ratios', () => {
  it('120 f / poles: 16 poles 450 and 375, 24 poles 300 and 250 a minute (exact)', () => {
    const at = (poles: number, hz: number) =>
      rpm(train([part('p', 'motor', 'shaft', [10])], { motor: motor({ poles: [poles] }) }), 'p', hz);
    [at(16, 60), at(16, 50), at(24, 60), at(24, 50)].forEach((value, i) =>
      expect(value).toBeCloseTo([450, 375, 300, 250][i] as number, 9),
    );
    // Four poles with 8 % of slip at 50 Hz: 1380.
    const induction = motor({ kind: 'induction', poles: [4], slipPercent: 8 });
    expect(rpm(train([part('p', 'motor', 'shaft', [10])], { motor: induction }), 'p', 50)).toBeCloseTo(1380, 9);
  });

  it('a belt runs on its middle line: 450 · 10.5 / 200.5 = 23.566 rpm, with 2 % of slip 23.095', () => {
    expect(rpm(belted(), 'platter')).toBeCloseTo(23.5661, 4);
    const slips = {
      ...belted(),
      parts: belted().parts.map((one) => ({ ...one, slipPercent: one.id === 'platter' ? 2 : 0 })),
    };
    expect(rpm(slips, 'platter')).toBeCloseTo(23.0948, 4);
  });

  it('an idler’s own diameter cancels: 1410 · 6.4 / 270 = 33.42 rpm with an idler of 30 or of 60', () => {
    const rim = (idler: number) =>
      train(
        [
          part('step', 'motor', 'shaft', [6.4]),
          part('idler', 'step', 'rim', [idler]),
          part('platter', 'idler', 'inside of a rim', [270]),
        ],
        { motor: motor({ kind: 'induction', poles: [4], slipPercent: 6 }) },
      );
    expect(rpm(rim(30), 'platter', 50)).toBeCloseTo(33.4222, 4);
    expect(rpm(rim(60), 'platter', 50)).toBeCloseTo(33.4222, 4);
    // So nothing of the idler’s can be to blame.
    expect(blameOf(rim(45), 33, 0, 50).map((one) => one.knob.id)).toEqual(['step.size', 'platter.size']);
  });

  it('gears by teeth: 20 drives 50 drives, on its shaft, 15 drives 60: 1500 becomes 150; a planetary of sun 20, ring 60: a quarter', () => {
    const gear = { kind: 'gear' as const };
    const two = train(
      [
        part('a', 'motor', 'shaft', [20], gear),
        part('b', 'a', 'gear', [50], gear),
        part('c', 'b', 'shaft', [15], gear),
        part('d', 'c', 'gear', [60], gear),
        part('sun', 'd', 'shaft', [20], gear),
        part('carrier', 'sun', 'planetary', [60], { kind: 'load' }),
      ],
      { motor: motor({ kind: 'governed', rpm: [1500] }) },
    );
    expect(rpm(two, 'd')).toBeCloseTo(150, 9);
    expect(rpm(two, 'carrier')).toBeCloseTo(37.5, 9);
  });

  it('capstan pi (d + t) n: 18 against 12 µm of tape on 2 mm is 0.30 % (common practice)', () => {
    const tape = (thick: number) =>
      train([part('capstan', 'motor', 'shaft', [2], { kind: 'capstan' })], {
        output: { part: 'capstan', kind: 'tape', tapeThicknessMm: thick },
      });
    const value = (thick: number) => trainTurns(tape(thick), 0, 50).output.value;
    expect(100 * (value(0.018) / value(0.012) - 1)).toBeCloseTo(0.298, 3);
    // 375 rpm: pi · 2.018 · 6.25 mm/s.
    expect(value(0.018)).toBeCloseTo((Math.PI * 2.018 * 6.25) / 10, 9);
  });
});

describe('sense of rotation', () => {
  const sense = (one: Train, id: string) => trainTurns(one, 0, 50).turning.find((turning) => turning.id === id)?.sense;

  it('motor counter-clockwise, idler clockwise, rim clockwise', () => {
    const rim = train(
      [
        part('step', 'motor', 'shaft', [6]),
        part('idler', 'step', 'rim', [45]),
        part('rim', 'idler', 'inside of a rim', [270]),
      ],
      { motor: motor({ sense: 'counter-clockwise' }) },
    );
    expect(['step', 'idler', 'rim'].map((id) => sense(rim, id))).toEqual([
      'counter-clockwise',
      'clockwise',
      'clockwise',
    ]);
  });

  it('an open belt keeps it, a crossed one and the back of a belt turn it round', () => {
    const by = (contact: TrainPart['contact']) =>
      sense(train([part('p', 'motor', 'shaft', [10]), part('q', 'p', contact, [50], belt(1))]), 'q');
    expect([by('belt'), by('crossed belt'), by('back of a belt')]).toEqual([
      'clockwise',
      'counter-clockwise',
      'counter-clockwise',
    ]);
  });

  it('seen from the shaft end counter-clockwise is from behind clockwise: the face it is mounted by decides', () => {
    const of = (more: Partial<TrainMotor>) =>
      sense(train([part('p', 'motor', 'shaft', [10])], { motor: motor(more) }), 'p');
    expect(of({ sense: 'counter-clockwise', seenFrom: 'shaft end', shaft: 'towards you' })).toBe('counter-clockwise');
    expect(of({ sense: 'clockwise', seenFrom: 'rear', shaft: 'towards you' })).toBe('counter-clockwise');
    expect(of({ sense: 'counter-clockwise', seenFrom: 'shaft end', shaft: 'away from you' })).toBe('clockwise');
  });
});

describe('sizes and speeds', () => {
  const knob = (one: Train, id: string) => {
    const found = knobsOf(one, 0).find((each) => each.id === id);
    if (!found) throw new Error(id);
    return found;
  };

  it('a pulley of 10 mm with 0.5 of belt, 1.5 % fast: 9.845 mm', () => {
    const right = trainTurns(belted(), 0, 60).output.value;
    // The one fitted is fast: what would it have to be to run 1.5 % slower than it does?
    expect(solveKnob(knob(belted(), 'pulley.size'), right / 1.015, 0, 60)).toBeCloseTo(9.845, 3);
  });

  it('60 to 50 Hz: the pulley of 10.0 becomes 12.1 with its belt, a step of an idler drive 12.0', () => {
    const was = trainTurns(belted(), 0, 60).output.value;
    expect(solveKnob(knob(belted(), 'pulley.size'), was, 0, 50)).toBeCloseTo(12.1, 6);
    const rim = train([part('step', 'motor', 'shaft', [10]), part('platter', 'step', 'rim', [270])]);
    expect(solveKnob(knob(rim, 'step.size'), trainTurns(rim, 0, 60).output.value, 0, 50)).toBeCloseTo(12, 6);
  });

  it('half a millimetre of belt to 0.6 is +0.90 %; 0.1 mm on a pulley of 10 about 1 %', () => {
    const thicker = trainTurns(belted(10, 0.6), 0, 60).output.value / trainTurns(belted(), 0, 60).output.value - 1;
    expect(100 * thicker).toBeCloseTo(0.9, 2);
    const spread = spreadOf(belted(), 0, 60);
    const per = Object.fromEntries(spread.each.map((one) => [one.knob.id, one.percentPerTenthMm]));
    // +d1/(d1+t) per relative mm: 0.1/10.5; -0.1/200.5; 0.1 (1/10.5 - 1/200.5).
    expect(per['pulley.size']).toBeCloseTo(0.95238, 4);
    expect(per['platter.size']).toBeCloseTo(-0.049875, 5);
    expect(per['platter.belt']).toBeCloseTo(0.902505, 4);
    // Tolerances of 0.02, 0.02 and 0.05 mm: 0.1905, 0.0100, 0.4513 %.
    expect(spread.worstCasePercent).toBeCloseTo(0.6517, 3);
    expect(spread.rssPercent).toBeCloseTo(Math.hypot(0.19048, 0.009975, 0.45125), 4);
  });

  it('a belt’s thickness can only take the ratio from its sizes’ to one: what lies outside has no answer', () => {
    const bare = trainTurns(belted(10, 0), 0, 60).output.value;
    expect(solveKnob(knob(belted(), 'platter.belt'), 0.98 * bare, 0, 60)).toBeNull();
    expect(blameOf(belted(), bare, 0, 60)[0]?.byMm).toBeLessThan(0);
  });
});

describe('belts (machine design handbooks, from memory)', () => {
  it('equal wheels: 2 C + pi d; 100 at 200: 714.16', () => {
    expect(beltLength({ first: 100, second: 100, centre: 200, crossed: false })).toBeCloseTo(714.159, 3);
  });

  it('open belt 300 and 900 at 2000: 2 C cos a + pi/2 (D + d) + a (D - d), sin a = 0.15', () => {
    // By hand: a = 0.150568; 4000 · 0.988686 + 1884.956 + 0.150568 · 600 = 5930.04.
    expect(beltLength({ first: 300, second: 900, centre: 2000, crossed: false })).toBeCloseTo(5930.04, 1);
    // The handbook’s short form 2 C + pi (D + d)/2 + (D - d)^2/4C = 5929.96 agrees to 0.002 %.
    expect(beltLength({ first: 300, second: 900, centre: 2000, crossed: false })).toBeCloseTo(5929.96, 0);
  });

  it('the same crossed: sin b = 0.3, 4000 · 0.953939 + 1200 (pi/2 + 0.304693) = 6066.3', () => {
    expect(beltLength({ first: 300, second: 900, centre: 2000, crossed: true })).toBeCloseTo(6066.34, 1);
    expect(beltLength({ first: 300, second: 900, centre: 500, crossed: false })).toBeNull();
  });

  it('a belt of 680 on a run of 714.16 stands 5.0 % stretched', () => {
    expect(stretchPercent(714.16, 680)).toBeCloseTo(5.02, 2);
  });
});

describe('what comes round, and where speed is lost', () => {
  it('platter 0.5556 Hz, motor 6.25, poles 100, belt a little under the platter’s rate', () => {
    const one = train([
      part('pulley', 'motor', 'shaft', [22.03]),
      part('platter', 'pulley', 'belt', [254], belt(0.6, 900)),
    ]);
    const lines = Object.fromEntries(signatureOf(one, 0, 50).map((line) => [line.name, line.hz]));
    expect(lines['motor, pulley']).toBeCloseTo(6.25, 9);
    expect(lines.platter).toBeCloseTo(0.5555, 3);
    expect(lines['poles of motor']).toBeCloseTo(100, 9);
    // pi · 254.6 · 0.55554 / 900.
    expect(lines['belt to platter']).toBeCloseTo(0.4937, 3);
  });

  it('three segments at 2400 rpm commutate 240 times a second: six a turn (common practice)', () => {
    const one = train([part('p', 'motor', 'shaft', [10])], { motor: motor({ kind: 'governed', segments: 3 }) });
    expect(signatureOf(one, 0, 50).find((line) => line.kind === 'commutator')?.hz).toBeCloseTo(240, 9);
    const even = train([part('p', 'motor', 'shaft', [10])], { motor: motor({ kind: 'governed', segments: 24 }) });
    expect(signatureOf(even, 0, 50).find((line) => line.kind === 'commutator')?.hz).toBeCloseTo(960, 9);
  });

  it('brushless at 2400 rpm: twelve poles are six pairs, 240 Hz; a generator of 24 a turn gives 960 (definitions)', () => {
    const one = train([part('p', 'motor', 'shaft', [10])], {
      motor: motor({ kind: 'brushless', poles: [12], generator: 24 }),
    });
    const of = (kind: string) => signatureOf(one, 0, 50).filter((line) => line.kind === kind);
    expect(of('poles').map(({ hz }) => hz)).toEqual([expect.closeTo(240, 9)]);
    expect(of('generator').map(({ hz }) => hz)).toEqual([expect.closeTo(960, 9)]);
  });

  it('motor right, platter 3 % slow: the belt slips 3 %; a motor under its frequency is named itself', () => {
    const one = belted();
    const found = slipOf(
      one,
      [
        { part: 'motor', rpm: 450, expandedPercent: 0.1 },
        { part: 'platter', rpm: 23.5661 * 0.97, expandedPercent: 0.24 },
      ],
      0,
      60,
    );
    expect(found.motorPercent).toBeCloseTo(0, 9);
    expect(found.between[0]?.slipPercent).toBeCloseTo(3, 3);
    expect(found.between[0]?.expandedPercent).toBeCloseTo(0.26, 9);
    expect(found.between[0]?.contacts).toEqual(['platter']);
    expect(slipOf(one, [{ part: 'motor', rpm: 427.5, expandedPercent: null }], 0, 60).motorPercent).toBeCloseTo(-5, 9);
  });

  it('a 60 Hz pulley on 50 Hz is 16.7 % slow, the reverse 20 % fast, the 33 step in 45 25.9 % slow', () => {
    const at = (hz: number) => trainTurns(belted(), 0, hz).output.value;
    expect(100 * (at(50) / at(60) - 1)).toBeCloseTo(-16.67, 2);
    expect(100 * (at(60) / at(50) - 1)).toBeCloseTo(20, 9);
    const steps = train([part('p', 'motor', 'shaft', [22.031, 29.952]), part('q', 'p', 'belt', [254], belt(0.6))], {
      speeds: [
        { id: '33', label: '33', nominal: 100 / 3 },
        { id: '45', label: '45', nominal: 45 },
      ],
    });
    const [slow, fast] = [0, 1].map((speed) => trainTurns(steps, speed, 50).output.value) as [number, number];
    expect(fast).toBeCloseTo(45, 2);
    expect(100 * (slow / 45 - 1)).toBeCloseTo(-25.9, 1);
  });

  it('take-up at 47.625 mm/s: more than 41.3 rpm at the hub of 11 mm, 18.2 at 25 mm', () => {
    expect(windingRpm(47.625, 11)).toBeCloseTo(41.34, 2);
    // The bench’s page of formulae says 18.20; 60 · 47.625 / (2 pi · 25) is 18.19.
    expect(windingRpm(47.625, 25)).toBeCloseTo(18.19, 2);
    expect(takeUpMargin(47.625, 11, 50)).toBeCloseTo(20.9, 1);
    expect(takeUpMargin(47.625, 11, 40)).toBeLessThan(0);
  });
});
