import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isBelt, isGear } from './schema.js';
import { seeded } from '../../numeric/index.js';
import {
  drawTrain,
  knobsOf,
  partsOfTrain,
  solveKnob,
  spreadOf,
  trainProblems,
  trainSchema,
  trainTurns,
  USUAL_TRAINS,
  type Train,
} from './index.js';

const usual = (id: string): Train => {
  const found = USUAL_TRAINS.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found.train;
};
const outputs = (train: Train) => train.speeds.map((_, i) => trainTurns(train, i, 50).output);
/** The train with a part changed. */
const changed = (train: Train, id: string, more: object): Train => ({
  ...train,
  parts: train.parts.map((part) => (part.id === id ? { ...part, ...more } : part)),
});

describe('trains to begin with', () => {
  it.each(USUAL_TRAINS.map(({ id, train }) => [id, train] as const))(
    '%s connects and comes near its speeds',
    (_, train) => {
      expect(trainSchema.parse(train)).toEqual(train);
      expect(trainProblems(train, 50)).toEqual([]);
      for (const { errorPercent } of outputs(train))
        if (errorPercent !== null) expect(Math.abs(errorPercent)).toBeLessThan(0.5);
    },
  );

  it('the mixer’s hook turns as its gears say: two threads into 44 teeth, a sun of 15 in a ring of 45', () => {
    const [run] = outputs(USUAL_TRAINS.find(({ id }) => id === 'mixer')?.train as Train);
    expect(run?.value).toBeCloseTo((7200 * (2 / 44) * 15) / (15 + 45), 9);
  });
});

describe('what cannot be is said at its field', () => {
  const at = (train: Train, hz = 50) => trainProblems(train, hz).map(({ part, field }) => `${part}.${field}`);

  it('zero and negative diameters, absurd ones, belts without thickness, slip of everything', () => {
    const one = usual('belt-mains');
    expect(at(changed(one, 'pulley', { sizes: [0, 30] }))).toEqual(['pulley.sizes']);
    expect(at(changed(one, 'pulley', { sizes: [22, -3] }))).toEqual(['pulley.sizes']);
    expect(at(changed(one, 'pulley', { sizes: [22, Number.NaN] }))).toEqual(['pulley.sizes']);
    expect(at(changed(one, 'pulley', { sizes: [1e9] }))).toEqual(['pulley.sizes']);
    expect(at(changed(one, 'pulley', { sizes: [22, 30, 40] }))).toEqual([]);
    expect(at(changed(one, 'platter', { belt: null }))).toEqual(['platter.belt']);
    expect(at(changed(one, 'platter', { belt: { thicknessMm: -1, shape: 'flat', lengthMm: 0 } }))).toEqual([
      'platter.thicknessMm',
      'platter.lengthMm',
    ]);
    expect(at(changed(one, 'platter', { slipPercent: 100, centreMm: 0 }))).toEqual([
      'platter.slipPercent',
      'platter.centreMm',
    ]);
  });

  it('parts that do not connect, circles, a motor that drives a rim with its bare shaft, two of one name', () => {
    const one = usual('cassette');
    expect(at(changed(one, 'flywheel', { by: 'nothing' }))).toEqual(['flywheel.by', 'capstan.by']);
    expect(at(changed(one, 'flywheel', { by: 'capstan' }))).toEqual(['flywheel.by', 'capstan.by']);
    expect(at(changed(one, 'pulley', { contact: 'rim' }))).toEqual(['pulley.by']);
    expect(at(changed(one, 'capstan', { id: 'pulley' }))).toContain('pulley.id');
    expect(at({ ...one, parts: [] })).toEqual(['output.part']);
  });

  it('mains that no grid has, odd poles, no turns, half teeth, tape of a millimetre', () => {
    const one = usual('open-reel');
    expect(at(one, 0)).toEqual(['mains.mainsHz']);
    expect(at(one, 400)).toEqual(['mains.mainsHz']);
    expect(at(one, Number.NaN)).toEqual(['mains.mainsHz']);
    expect(at({ ...one, motor: { ...one.motor, poles: [8, 5] } })).toEqual(['motor.poles']);
    expect(at({ ...one, output: { ...one.output, tapeThicknessMm: 1 } })).toEqual(['output.tapeThicknessMm']);
    const dc = usual('cassette');
    expect(at({ ...dc, motor: { ...dc.motor, rpm: [0] } })).toEqual(['motor.rpm']);
    expect(at(changed(usual('mixer'), 'wheel', { sizes: [43.5] }))).toEqual(['wheel.sizes']);
    expect(at({ ...dc, speeds: [{ id: 'x', label: 'x', nominal: -1 }] })).toEqual(['speeds.x']);
  });
});

describe('laws', () => {
  const train = usual('cassette');
  const sizes = fc.record({
    pulley: fc.double({ min: 3, max: 40, noNaN: true }),
    flywheel: fc.double({ min: 41, max: 200, noNaN: true }),
    thick: fc.double({ min: 0.2, max: 3, noNaN: true }),
  });
  const made = ({ pulley, flywheel, thick }: { pulley: number; flywheel: number; thick: number }): Train =>
    changed(changed(train, 'pulley', { sizes: [pulley] }), 'flywheel', {
      sizes: [flywheel],
      belt: { thicknessMm: thick, shape: 'flat', lengthMm: null },
    });

  it('what a dimension is solved to gives the speed that was asked for, and back', () => {
    fc.assert(
      fc.property(sizes, fc.double({ min: 0.9, max: 1.1, noNaN: true }), (drawn, factor) => {
        const one = made(drawn);
        const wanted = trainTurns(one, 0, 50).output.value * factor;
        for (const knob of knobsOf(one, 0)) {
          const value = solveKnob(knob, wanted, 0, 50);
          if (value !== null) expect(trainTurns(knob.at(value), 0, 50).output.value / wanted).toBeCloseTo(1, 6);
        }
        // A pulley always does it.
        expect(solveKnob(knobsOf(one, 0)[0] as never, wanted, 0, 50)).not.toBeNull();
      }),
      { numRuns: 60 },
    );
  });

  it('twice every length, half the tape over one turn: ratios stay when all sizes and belts scale', () => {
    fc.assert(
      fc.property(sizes, fc.double({ min: 0.2, max: 5, noNaN: true }), (drawn, scale) => {
        const large = { pulley: drawn.pulley * scale, flywheel: drawn.flywheel * scale, thick: drawn.thick * scale };
        const turns = (one: Train) => trainTurns(one, 0, 50).turning.find(({ id }) => id === 'flywheel')?.revPerS ?? 0;
        expect(turns(made(large)) / turns(made(drawn))).toBeCloseTo(1, 9);
      }),
    );
  });

  it('units drawn inside their tolerances stay inside the worst case; most inside the root of squares', () => {
    const random = seeded(7);
    const spread = spreadOf(train, 0, 50);
    const right = trainTurns(train, 0, 50).output.value;
    let inside = 0;
    for (let i = 0; i < 500; i++) {
      let one = train;
      for (const { id } of knobsOf(train, 0)) {
        const knob = knobsOf(one, 0).find((each) => each.id === id);
        if (knob) one = knob.at(knob.valueMm + (2 * random() - 1) * knob.toleranceMm);
      }
      const off = Math.abs(100 * (trainTurns(one, 0, 50).output.value / right - 1));
      expect(off).toBeLessThanOrEqual(spread.worstCasePercent * 1.01);
      if (off <= spread.rssPercent) inside += 1;
    }
    expect(inside).toBeGreaterThan(400);
  });
});

describe('a model’s train names the lines of its speed', () => {
  it('the belt to a platter comes round as a belt, teeth as teeth, whatever they lead to', () => {
    const train = usual('belt-mains');
    const parts = train.parts.map((part) =>
      part.contact === 'belt'
        ? { ...part, centreMm: 200, belt: { thicknessMm: 0.6, lengthMm: null, shape: 'flat' as const } }
        : part,
    );
    const belt = partsOfTrain({ ...train, parts }, { id: '45', nominal: 45 }, 50).find(({ name }) =>
      /^belt/.test(name),
    );
    expect(belt?.kind).toBe('belt');
  });

  it('by the speed’s id or its nominal; none under a mains that cannot be, or for a speed it has not', () => {
    const parts = partsOfTrain(usual('belt-mains'), { id: '45', nominal: 45 }, 50);
    expect(parts.map(({ name }) => name)).toEqual(['inner platter', 'motor, motor pulley', 'poles of motor']);
    // What usually makes the wow goes by what comes round: a pulley on the motor's shaft before the motor.
    expect(parts.map(({ kind }) => kind)).toEqual(['platter', 'pulley', 'poles']);
    expect(parts[0]?.hz).toBeCloseTo(0.75, 2);
    expect(parts[1]?.hz).toBeCloseTo(6.25, 9);
    const other = partsOfTrain(usual('belt-mains'), { id: 'single', nominal: 45.1 }, 50);
    expect(other[0]?.hz).toBeCloseTo(0.75, 2);
    expect(partsOfTrain(usual('belt-mains'), { id: '78', nominal: 78.26 }, 50)).toEqual([]);
    expect(partsOfTrain(usual('belt-mains'), { id: '45', nominal: 45 }, 0)).toEqual([]);
  });
});

describe('the drawing', () => {
  it('rims touch from outside and inside, shafts share a centre, runs are tangents of both wheels', () => {
    const rim = drawTrain(usual('rim'), 0, 50);
    const wheel = (id: string) => {
      const found = [...rim.wheels, ...belted.wheels].find((one) => one.id === id);
      if (!found) throw new Error(id);
      return found;
    };
    const belted = drawTrain(usual('belt-mains'), 0, 50);
    const apart = (a: string, b: string) => Math.hypot(wheel(a).x - wheel(b).x, wheel(a).y - wheel(b).y);
    expect(apart('motor', 'step')).toBe(0);
    expect(apart('step', 'idler')).toBeCloseTo((6.38 + 45) / 2, 9);
    expect(apart('idler', 'platter')).toBeCloseTo((270 - 45) / 2, 9);
    const [pulley, platter] = ['pulley', 'platter'].map((id) =>
      belted.wheels.find((one) => one.id === id),
    ) as never as [{ x: number; y: number; radius: number }, { x: number; y: number; radius: number }];
    expect(belted.runs).toHaveLength(2);
    for (const { from, to } of belted.runs) {
      const along = [to[0] - from[0], to[1] - from[1]];
      expect(Math.hypot(from[0] - pulley.x, from[1] - pulley.y)).toBeCloseTo(pulley.radius, 9);
      expect(Math.hypot(to[0] - platter.x, to[1] - platter.y)).toBeCloseTo(platter.radius, 9);
      // A tangent stands square on both radii.
      expect((along[0] as number) * (from[0] - pulley.x) + (along[1] as number) * (from[1] - pulley.y)).toBeCloseTo(
        0,
        6,
      );
      expect((along[0] as number) * (to[0] - platter.x) + (along[1] as number) * (to[1] - platter.y)).toBeCloseTo(0, 6);
    }
    const [left, top, width, height] = belted.bounds;
    for (const one of belted.wheels) {
      expect(one.x - one.radius).toBeGreaterThanOrEqual(left);
      expect(one.y + one.radius).toBeLessThanOrEqual(top + height + 1e-9);
      expect(one.x + one.radius).toBeLessThanOrEqual(left + width + 1e-9);
    }
  });

  it('a belt’s wheels stand as far apart as was measured, and never one inside the other', () => {
    const apart = (centreMm: number | null) => {
      const { wheels } = drawTrain(changed(usual('belt-mains'), 'platter', { centreMm }), 0, 50);
      const [a, b] = ['pulley', 'platter'].map((id) => wheels.find((one) => one.id === id)) as never as {
        x: number;
        y: number;
      }[];
      return Math.hypot((a?.x ?? 0) - (b?.x ?? 0), (a?.y ?? 0) - (b?.y ?? 0));
    };
    expect(apart(160)).toBeCloseTo(160, 9);
    expect(apart(120)).toBeCloseTo(120, 9);
    // 254 and 22.03 mm: nearer than 116 mm the pulley would lie inside.
    expect(apart(40)).toBeCloseTo((254 - 22.03) / 2 + 1, 9);
    // Not measured: the radii and four tenths of them between.
    expect(apart(null)).toBeCloseTo((1.4 * (254 + 22.03)) / 2, 9);
  });

  it('wheels that one wheel drives go off to different sides', () => {
    const train = usual('rim');
    const idler = train.parts.find(({ id }) => id === 'idler') as (typeof train.parts)[number];
    const three = {
      ...train,
      parts: [...train.parts, { ...idler, id: 'second' }, { ...idler, id: 'third' }, { ...idler, id: 'fourth' }],
    };
    const { wheels } = drawTrain(three, 0, 50);
    const at = (id: string) => wheels.find((one) => one.id === id) as (typeof wheels)[number];
    const reach = (6.38 + 45) / 2;
    const offs = ['idler', 'second', 'third', 'fourth'].map((id) =>
      [at(id).x - at('step').x, at(id).y - at('step').y].map((one) => Math.round(one / reach) + 0),
    );
    expect(offs).toEqual([
      [1, 0],
      [0, 1],
      [0, -1],
      [-1, 0],
    ]);
  });

  it('a crossed belt’s runs cross between the wheels', () => {
    const crossed = drawTrain(changed(usual('belt-mains'), 'platter', { contact: 'crossed belt', sizes: [60] }), 0, 50);
    const [a, b] = crossed.runs as [(typeof crossed.runs)[number], (typeof crossed.runs)[number]];
    expect(Math.sign(a.from[1])).toBe(-Math.sign(a.to[1]));
    expect(Math.sign(a.from[1])).toBe(-Math.sign(b.from[1]));
    const [pulley, disc] = ['pulley', 'platter'].map((id) => crossed.wheels.find((one) => one.id === id));
    if (!pulley || !disc) throw new Error('no wheels');
    for (const { from, to } of crossed.runs) {
      const along = [to[0] - from[0], to[1] - from[1]] as const;
      // A tangent stands square on both radii, and meets each wheel at its rim.
      expect(along[0] * (from[0] - pulley.x) + along[1] * (from[1] - pulley.y)).toBeCloseTo(0, 6);
      expect(along[0] * (to[0] - disc.x) + along[1] * (to[1] - disc.y)).toBeCloseTo(0, 6);
      expect(Math.hypot(to[0] - disc.x, to[1] - disc.y)).toBeCloseTo(30, 9);
    }
  });
});

describe('a contact', () => {
  it('is a belt’s or by teeth, whichever kind of it; a rim and a shaft are neither', () => {
    expect((['belt', 'crossed belt', 'back of a belt'] as const).every(isBelt)).toBe(true);
    expect((['gear', 'ring gear', 'planetary'] as const).every(isGear)).toBe(true);
    for (const other of ['shaft', 'rim', 'inside of a rim'] as const)
      expect(isBelt(other) || isGear(other)).toBe(false);
    expect(isBelt('gear') || isGear('belt')).toBe(false);
  });
});
