/** Pieces of a drive train: edges of what its fields take, how often belts and teeth come round, slip between two parts. */
import { describe, expect, it } from 'vitest';
import { beltLength, stretchPercent } from './belts.js';
import { trainProblems } from './check.js';
import { knobsOf, spreadOf } from './knobs.js';
import type { Train, TrainPart } from './schema.js';
import { signatureOf } from './signature.js';
import { slipOf } from './slip.js';
import { takeUpMargin } from './takeUp.js';
import { trainTurns } from './turns.js';

const part = (id: string, more: Partial<TrainPart> = {}): TrainPart => ({
  id,
  name: id,
  kind: 'pulley',
  by: 'motor',
  contact: 'shaft',
  sizes: [20],
  toleranceMm: null,
  belt: null,
  centreMm: null,
  slipPercent: 0,
  ...more,
});
const BELT: NonNullable<TrainPart['belt']> = { thicknessMm: 0.5, shape: 'flat', lengthMm: null };
/** A pulley of 20 on 600 a minute, a belt of 0.5 to a platter of 200. */
const train = (more: Partial<Train> = {}, parts: readonly TrainPart[] = []): Train => ({
  motor: {
    name: 'motor',
    kind: 'governed',
    poles: [2],
    slipPercent: 0,
    rpm: [600],
    sense: 'clockwise',
    seenFrom: 'shaft end',
    shaft: 'towards you',
    segments: null,
    generator: null,
  },
  parts:
    parts.length > 0
      ? [...parts]
      : [part('pulley'), part('platter', { kind: 'platter', by: 'pulley', contact: 'belt', sizes: [200], belt: BELT })],
  output: { part: parts.at(-1)?.id ?? 'platter', kind: 'turns', tapeThicknessMm: 0 },
  speeds: [{ id: '60', label: '60', nominal: 60 }],
  ...more,
});
const wrong = (one: Train, hz = 50) => trainProblems(one, hz).map(({ part: at, field }) => `${at}.${field}`);
const motor = (more: Partial<Train['motor']>) => train({ motor: { ...train().motor, ...more } });
const belted = (more: Partial<TrainPart>) =>
  train({}, [
    part('pulley'),
    part('platter', { kind: 'platter', by: 'pulley', contact: 'belt', sizes: [200], belt: BELT, ...more }),
  ]);

describe('a train as it turns', () => {
  it('runs by its diameters, half of the belt on either side, each rim as fast as its belt or hand would feel', () => {
    const { turning, output } = trainTurns(train(), 0, 50);
    const [shaft, pulley, platter] = turning;
    // 600 a minute are ten a second; 20.5 : 200.5 of it, 61.3 a minute.
    expect([shaft, pulley, platter].map((one) => one?.revPerS)).toEqual(
      [10, 10, (10 * 20.5) / 200.5].map((one) => expect.closeTo(one, 9) as number),
    );
    expect(output.value).toBeCloseTo((600 * 20.5) / 200.5, 9);
    expect(pulley?.rimMmPerS).toBeCloseTo(Math.PI * 20 * 10, 9);
    // The belt's middle runs as fast over the platter as over the pulley.
    expect(platter?.rimMmPerS).toBeCloseTo(Math.PI * 20.5 * 10, 9);
    const geared = train({}, [
      part('worm', { kind: 'gear' }),
      part('wheel', { kind: 'gear', by: 'worm', contact: 'gear', sizes: [40] }),
    ]);
    expect(trainTurns(geared, 0, 50).turning.map((one) => one.rimMmPerS)).toEqual([null, null, null]);
    const tape = train({ output: { part: 'pulley', kind: 'tape', tapeThicknessMm: 0.018 } });
    expect(trainTurns(tape, 0, 50).output.value).toBeCloseTo((Math.PI * 20.018 * 10) / 10, 9);
  });
});

describe('edges of what is taken', () => {
  it('mains from 15 to 70 or so, 16.7 of railways and 60 among them', () => {
    expect([16.7, 50, 60].flatMap((hz) => wrong(train(), hz))).toEqual([]);
    expect([-50, 0, 1000].map((hz) => wrong(train(), hz))).toEqual([
      ['mains.mainsHz'],
      ['mains.mainsHz'],
      ['mains.mainsHz'],
    ]);
  });

  it('nominals above nought and under a million, or none', () => {
    const nominal = (value: number | null) => wrong(train({ speeds: [{ id: 'a', label: 'a', nominal: value }] }));
    expect([nominal(null), nominal(1e-3), nominal(999_999)]).toEqual([[], [], []]);
    expect([nominal(0), nominal(-1), nominal(1e6), nominal(Number.NaN)]).toEqual(Array(4).fill(['speeds.a']));
  });

  it('tape from nought to under a millimetre; of turns it does not matter', () => {
    const tape = (mm: number, kind: 'tape' | 'turns' = 'tape') =>
      wrong(train({ output: { part: 'platter', kind, tapeThicknessMm: mm } }));
    expect([tape(0), tape(0.018), tape(0.999), tape(5, 'turns')]).toEqual([[], [], [], []]);
    expect([tape(-0.001), tape(1)]).toEqual([['output.tapeThicknessMm'], ['output.tapeThicknessMm']]);
  });

  it('poles in pairs from 2 to 200 where the mains or an inverter drives, slip under 100 of an induction motor', () => {
    const poles = (kind: Train['motor']['kind'], count: number) => wrong(motor({ kind, poles: [count] }));
    for (const kind of ['synchronous', 'induction', 'brushless'] as const) {
      expect([2, 24, 200].flatMap((count) => poles(kind, count))).toEqual([]);
      for (const count of [0, 1, 3, 202, 4.5]) expect(poles(kind, count), `${kind} ${count}`).toEqual(['motor.poles']);
    }
    for (const kind of ['governed', 'servo'] as const) expect(poles(kind, 3)).toEqual([]);
    const slip = (percent: number, kind: Train['motor']['kind'] = 'induction') =>
      wrong(motor({ kind, poles: [4], slipPercent: percent }));
    expect([slip(0), slip(99.9), slip(100, 'synchronous')]).toEqual([[], [], []]);
    expect([slip(-0.1), slip(100)]).toEqual([['motor.slipPercent'], ['motor.slipPercent']]);
  });

  it('turns up to a hundred thousand, of motors the mains do not set', () => {
    const rpm = (value: number, kind: Train['motor']['kind'] = 'governed') => wrong(motor({ kind, rpm: [value] }));
    expect([rpm(0.1), rpm(100_000), rpm(100_000, 'brushless'), rpm(0, 'synchronous'), rpm(0, 'induction')]).toEqual(
      Array(5).fill([]),
    );
    expect([rpm(0), rpm(100_001), rpm(0, 'brushless'), rpm(0, 'servo')]).toEqual(Array(4).fill(['motor.rpm']));
  });

  it('bars from 2 to 200 and pulses from 1 to 10,000, whole', () => {
    const bars = (segments: number | null) => wrong(motor({ segments }));
    expect([bars(null), bars(2), bars(200)]).toEqual([[], [], []]);
    expect([bars(1), bars(201), bars(3.5)]).toEqual(Array(3).fill(['motor.segments']));
    const pulses = (generator: number | null) => wrong(motor({ generator }));
    expect([pulses(null), pulses(1), pulses(10_000)]).toEqual([[], [], []]);
    expect([pulses(0), pulses(10_001), pulses(1.5)]).toEqual(Array(3).fill(['motor.generator']));
  });

  it('slip of a contact from nought to under 100, sizes above nought', () => {
    const slip = (slipPercent: number) => wrong(belted({ slipPercent }));
    expect([slip(0), slip(99.99)]).toEqual([[], []]);
    expect([slip(-0.01), slip(100)]).toEqual([['platter.slipPercent'], ['platter.slipPercent']]);
  });

  it('belts up to 30 mm thick and 20 m long, shafts apart by more than nought', () => {
    const belt = (more: Partial<NonNullable<TrainPart['belt']>>) => wrong(belted({ belt: { ...BELT, ...more } }));
    expect([belt({ thicknessMm: 0 }), belt({ thicknessMm: 30 }), belt({ lengthMm: 20_000 })]).toEqual([[], [], []]);
    expect([belt({ thicknessMm: -0.1 }), belt({ thicknessMm: 30.1 })]).toEqual(Array(2).fill(['platter.thicknessMm']));
    expect([belt({ lengthMm: 0 }), belt({ lengthMm: 20_001 })]).toEqual(Array(2).fill(['platter.lengthMm']));
    expect(wrong(belted({ centreMm: 0 }))).toEqual(['platter.centreMm']);
    expect(wrong(belted({ centreMm: 0.1 }))).toEqual([]);
    // Five metres at most.
    expect([wrong(belted({ centreMm: 5000 })), wrong(belted({ centreMm: 5001 }))]).toEqual([[], ['platter.centreMm']]);
  });

  it('teeth whole and no more than 2000, of gears and whatever gears drive', () => {
    const teeth = (count: number) =>
      wrong(
        train({}, [
          part('g1', { kind: 'gear', sizes: [12] }),
          part('g2', { kind: 'drum', by: 'g1', contact: 'gear', sizes: [count] }),
        ]),
      );
    expect([teeth(1), teeth(2000)]).toEqual([[], []]);
    expect([teeth(0), teeth(2001), teeth(40.5)]).toEqual(Array(3).fill(['g2.sizes']));
  });

  it('a name once, and never the motor’s', () => {
    expect(wrong(train({}, [part('motor')]))).toContain('motor.id');
    expect(wrong(train({}, [part('a'), part('a')]))).toEqual(['a.id']);
  });
});

describe('what comes round how often', () => {
  const lines = (one: Train, speed = 0) =>
    signatureOf(one, speed, 50).map(({ name, kind, hz }) => [name, kind, hz] as const);

  it('a belt by its middle line: π d n over its length, known or round its wheels', () => {
    // Pulley 10 a second; platter 10 · 20.5/200.5 a second.
    const platter = (10 * 20.5) / 200.5;
    const known = lines(belted({ belt: { ...BELT, lengthMm: 700 } }));
    expect(known).toContainEqual(['belt to platter', 'belt', expect.closeTo((Math.PI * 200.5 * platter) / 700, 9)]);
    const measured = belted({ centreMm: 150 });
    const run = beltLength({ first: 20.5, second: 200.5, centre: 150, crossed: false }) as number;
    expect(lines(measured)).toContainEqual([
      'belt to platter',
      'belt',
      expect.closeTo((Math.PI * 200.5 * platter) / run, 9),
    ]);
    // Neither length nor distance: nobody knows.
    expect(lines(belted({})).map(([, kind]) => kind)).toEqual(['turn', 'turn']);
    expect(lines(belted({})).map(([, , hz]) => hz)).toEqual([expect.closeTo(platter, 9), expect.closeTo(10, 9)]);
    // Crossed it is longer.
    const crossed = beltLength({ first: 20.5, second: 200.5, centre: 150, crossed: true }) as number;
    expect(lines(belted({ centreMm: 150, contact: 'crossed belt' }))).toContainEqual([
      'belt to platter',
      'belt',
      expect.closeTo((Math.PI * 200.5 * platter) / crossed, 9),
    ]);
  });

  it('teeth by the wheel that has them; a planetary has no such line', () => {
    const geared = (contact: TrainPart['contact']) =>
      lines(
        train({}, [
          part('g1', { kind: 'gear', sizes: [20] }),
          part('g2', { kind: 'gear', by: 'g1', contact, sizes: [50] }),
        ]),
      );
    // 20 teeth at 10 a second are 200 teeth a second, on the wheel of 50 the same 200.
    expect(geared('gear')).toContainEqual(['teeth of g2', 'teeth', expect.closeTo(200, 9)]);
    expect(geared('planetary').some(([, kind]) => kind === 'teeth')).toBe(false);
  });

  it('a commutator of even bars once a bar, of odd bars twice', () => {
    const hz = (segments: number) =>
      signatureOf(motor({ segments }), 0, 50).find(({ kind }) => kind === 'commutator')?.hz;
    expect([hz(3), hz(5), hz(12)]).toEqual([60, 100, 120]);
  });

  it('all that sits on one shaft is one line, slowest first', () => {
    const one = train({}, [
      part('pulley'),
      part('fan', { kind: 'fan' }),
      part('wheel', { kind: 'idler', by: 'pulley', contact: 'rim', sizes: [40] }),
    ]);
    expect(lines(one)).toEqual([
      ['wheel', 'turn', expect.closeTo(5, 9)],
      ['motor, pulley, fan', 'turn', expect.closeTo(10, 9)],
    ]);
  });
});

describe('belts round two wheels', () => {
  it('that overlap have none; an open one needs less room than a crossed one', () => {
    expect(beltLength({ first: 100, second: 100, centre: 100, crossed: false })).toBeNull();
    expect(beltLength({ first: 100, second: 100, centre: 100.1, crossed: false })).not.toBeNull();
    expect(beltLength({ first: 100, second: 100, centre: 100, crossed: true })).toBeNull();
    // One inside of the other.
    expect(beltLength({ first: 300, second: 20, centre: 100, crossed: false })).toBeNull();
  });
  it('stretch: 515 on 500 is three percent', () => {
    expect(stretchPercent(515, 500)).toBeCloseTo(3, 9);
  });
});

describe('slip between parts that were measured', () => {
  it('is what they lose beyond their sizes; the uncertainties add by squares; the contacts between are named', () => {
    const three = train({}, [
      part('pulley'),
      part('wheel', { kind: 'idler', by: 'pulley', contact: 'rim', sizes: [40] }),
      part('drum', { kind: 'drum', by: 'wheel', contact: 'belt', sizes: [80], belt: { ...BELT, thicknessMm: 0 } }),
    ]);
    const found = slipOf(
      three,
      [
        { part: 'motor', rpm: 606, expandedPercent: 0.3 },
        // 606 · 20/80 = 151.5 without slip.
        { part: 'drum', rpm: 150, expandedPercent: 0.4 },
      ],
      0,
      50,
    );
    expect(found.motorPercent).toBeCloseTo(1, 9);
    expect(found.between).toEqual([
      {
        from: 'motor',
        to: 'drum',
        slipPercent: expect.closeTo(100 * (1 - 150 / 151.5), 9),
        expandedPercent: expect.closeTo(0.5, 9),
        contacts: ['wheel', 'drum'],
      },
    ]);
    const unknown = slipOf(
      three,
      [
        { part: 'wheel', rpm: 300, expandedPercent: null },
        { part: 'drum', rpm: 150, expandedPercent: 0.4 },
      ],
      0,
      50,
    );
    expect(unknown).toEqual({
      motorPercent: null,
      between: [
        { from: 'wheel', to: 'drum', slipPercent: expect.closeTo(0, 9), expandedPercent: null, contacts: ['drum'] },
      ],
    });
  });
});

describe('dimensions and what they are worth', () => {
  it('a pulley of 20 with half a millimetre of belt: a tenth more is 0.488 %, its usual 0.02 a fifth of that', () => {
    const { each, rssPercent, worstCasePercent } = spreadOf(train(), 0, 50);
    const by = (id: string) => each.find(({ knob }) => knob.id === id);
    // d/dx ln(20.5 + x) = 1/20.5; platter 1/200.5; belt 1/20.5 − 1/200.5.
    expect(by('pulley.size')?.percentPerTenthMm).toBeCloseTo(10 / 20.5, 6);
    expect(by('pulley.size')?.tolerancePercent).toBeCloseTo(2 / 20.5, 6);
    expect(by('platter.size')?.percentPerTenthMm).toBeCloseTo(-10 / 200.5, 6);
    expect(by('platter.size')?.tolerancePercent).toBeCloseTo(20 / 200.5, 6);
    expect(by('platter.belt')?.percentPerTenthMm).toBeCloseTo(10 / 20.5 - 10 / 200.5, 6);
    const each5 = 5 / 20.5 - 5 / 200.5;
    expect(worstCasePercent).toBeCloseTo(2 / 20.5 + 20 / 200.5 + each5, 6);
    expect(rssPercent).toBeCloseTo(Math.hypot(2 / 20.5, 20 / 200.5, each5), 6);
    // The largest first.
    expect(each.map(({ knob }) => knob.id)).toEqual(['platter.belt', 'platter.size', 'pulley.size']);
  });

  it('one of several sizes changes alone; teeth are no dimension; tape is one where tape is moved', () => {
    const two = train({ speeds: ['a', 'b'].map((id) => ({ id, label: id, nominal: null })) }, [
      part('pulley', { sizes: [20, 30] }),
      part('wheel', { kind: 'gear', by: 'pulley', contact: 'rim', sizes: [40] }),
    ]);
    const [knob, ...more] = knobsOf(two, 1);
    expect(more).toEqual([]);
    expect(knob?.valueMm).toBe(30);
    expect(knob?.at(31).parts[0]?.sizes).toEqual([20, 31]);
    const tape = knobsOf(train({ output: { part: 'platter', kind: 'tape', tapeThicknessMm: 0.018 } }), 0);
    expect(tape.at(-1)).toMatchObject({ id: 'output.tape', valueMm: 0.018, toleranceMm: 0.001 });
  });
});

it('a reel that turns as fast as the hub asks has no margin; half as fast again has half', () => {
  // 47.625 mm/s on a hub of 11 mm: 47.625/(2π·11)·60 = 41.344.
  expect(takeUpMargin(47.625, 11, 41.344)).toBeCloseTo(0, 2);
  expect(takeUpMargin(47.625, 11, 62.016)).toBeCloseTo(50, 1);
});
