import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  engineOf,
  evidenceFor,
  healthyShare,
  HEALTHY_WEIGHT,
  posteriorOf,
  suspectsOf,
  unexplained,
  type Event,
  type Observation,
} from './index.js';
import { SMALL } from './smallPath.test-data.js';

const engine = engineOf(SMALL, { leastMore: Infinity });
const wide = engineOf(SMALL);
let count = 0;
const saw = (name: string, states: readonly string[], more: Partial<Observation> = {}): Event => ({
  kind: 'saw',
  observation: {
    id: `o${++count}`,
    context: {},
    reliability: 0.97,
    saw: { kind: 'signal', signal: name, weights: Object.fromEntries(states.map((state) => [state, 1])) },
    ...more,
  },
});
const looked = (name: string, modes: readonly string[]): Event => ({
  kind: 'saw',
  observation: { id: `o${++count}`, context: {}, reliability: 0.98, saw: { kind: 'block', block: name, modes } },
});
const shares = (events: readonly Event[]) =>
  Object.fromEntries(suspectsOf(engine, posteriorOf(engine, events)).map((one) => [one.block, one.share]));

describe('Bayes by hand on a small path', () => {
  it('one reading moves the odds by its likelihood ratio', () => {
    // Dark lamp: supply dead, lamp burnt, or a slip; sums over the same weights written out here.
    const odds = [0.2 / 0.8, 0.1 / 0.9];
    const motor = [0.1 / 0.9, 0.1 / 0.9, 0.05 / 0.95, 0.001 / 0.999].reduce((sum, one) => sum + one, 0);
    const [s, l] = odds as [number, number];
    const fit = 0.97 + 0.03 / 3;
    const miss = 0.03 / 3;
    const dark = s * (1 + l + motor) + l * (1 + motor);
    const lit = HEALTHY_WEIGHT + motor;
    const inside = dark * fit + lit * miss;
    const all = (HEALTHY_WEIGHT + s + l + motor + s * l + s * motor + l * motor) as number;
    // Outside the model: dead supply or dark lamp unexplained (two ways of three give a dark lamp), or anything.
    const outside = (0.03 / 0.97) * all * (0.7 * ((2 / 3) * fit + (1 / 3) * miss) + 0.3 / 3);
    const expected = (s * (1 + l + motor) * fit) / (inside + outside);
    expect(shares([saw('light', ['dark'])]).supply).toBeCloseTo(expected, 6);
  });

  it('sums to one whatever is seen', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('dark', 'lit'), { maxLength: 5 }), fc.boolean(), (lights, warm) => {
        const events = lights.map((one) => saw('light', [one], { context: warm ? { heat: 'warm' } : {} }));
        const posterior = posteriorOf(engine, events);
        const total = posterior.worlds.reduce((sum, one) => sum + one, posterior.outside);
        expect(total).toBeCloseTo(1, 9);
        expect(posterior.worlds.every((one) => one >= 0 && Number.isFinite(one))).toBe(true);
      }),
    );
  });

  it('does not depend on the order of readings', () => {
    const events = [saw('light', ['lit']), saw('turn', ['still']), looked('motor', ['healthy', 'sometimes', 'warm'])];
    const there = posteriorOf(engine, events).hypotheses;
    const back = posteriorOf(engine, [...events].reverse()).hypotheses;
    there.forEach((share, h) => expect(back[h]).toBeCloseTo(share, 12));
  });

  it('three equal readings are not three proofs', () => {
    const once = shares([saw('light', ['dark'])]).supply as number;
    const thrice = shares([saw('light', ['dark']), saw('light', ['dark']), saw('light', ['dark'])]).supply as number;
    expect(thrice).toBeGreaterThan(once);
    // Independent draws would bring the slip from 3 % to 0.003 %; a shared one leaves it near 3 %.
    expect(1 - thrice).toBeGreaterThan(0.5 * (1 - once) * 0.5);
  });
});

describe('what a lamp clears', () => {
  it('a lit lamp lowers the supply, it does not clear it for certain', () => {
    const before = shares([saw('turn', ['still'])]).supply as number;
    const after = shares([saw('turn', ['still']), saw('light', ['lit'])]).supply as number;
    expect(after).toBeLessThan(before / 5);
    expect(after).toBeGreaterThan(0);
  });

  it('the context speaks: works cold, fails warm', () => {
    const events = [
      saw('turn', ['turns']),
      saw('turn', ['still'], { context: { heat: 'warm' } }),
      saw('light', ['lit'], { context: { heat: 'warm' } }),
    ];
    const modes = suspectsOf(engine, posteriorOf(engine, events))[0]?.modes ?? [];
    expect(modes[0]?.mode).toBe('motor.warm');
  });

  it('a look at the part itself decides', () => {
    expect(shares([saw('turn', ['still']), looked('motor', ['stuck'])]).motor).toBeGreaterThan(0.95);
  });
});

describe('evidence', () => {
  it('speaks for and against, in bits', () => {
    const events = [saw('turn', ['still']), saw('light', ['lit'])];
    const posterior = posteriorOf(engine, events);
    const [forMotor] = evidenceFor(engine, posterior, 'motor');
    expect(forMotor?.bits).toBeGreaterThan(1);
    const against = evidenceFor(engine, posterior, 'supply').find((one) => one.bits < 0);
    expect(against?.bits).toBeLessThan(-2);
  });

  it('flags what nothing likely accounts for', () => {
    const odd = saw('turn', ['turns'], { context: { heat: 'warm' } });
    const events = [saw('volts', ['none']), saw('light', ['dark']), odd];
    const ids = unexplained(posteriorOf(engine, events));
    expect(ids.length).toBeGreaterThan(0);
    expect(unexplained(posteriorOf(engine, [saw('light', ['dark'])]))).toEqual([]);
  });

  it('the outside of the model leads when readings contradict every fault', () => {
    const contradiction = ['volts', 'light', 'turn'].flatMap((name) => [
      saw(name, [name === 'light' ? 'dark' : name === 'volts' ? 'right' : 'turns']),
      saw(name, [name === 'light' ? 'lit' : name === 'volts' ? 'none' : 'still']),
    ]);
    expect(posteriorOf(engine, contradiction).outside).toBeGreaterThan(
      posteriorOf(engine, [saw('light', ['dark'])]).outside,
    );
  });
});

describe('epochs', () => {
  const mended: Event = { kind: 'epoch', mended: [{ mode: 'supply.dead', residual: 0.02 }], touched: ['motor'] };

  it('earlier readings speak only of the unit as it was', () => {
    const before = [saw('light', ['dark']), saw('turn', ['still']), saw('volts', ['none'])];
    const after = posteriorOf(engine, [...before, mended, saw('light', ['lit']), saw('turn', ['turns'])]);
    expect(healthyShare(engine, after)).toBeGreaterThan(0.6);
    expect(unexplained(after)).toEqual([]);
  });

  it('a new symptom after work points at what was touched', () => {
    const before = [saw('light', ['dark']), saw('turn', ['still']), saw('volts', ['none'])];
    const unplugged = (events: readonly Event[]) =>
      suspectsOf(engine, posteriorOf(engine, events))
        .flatMap((one) => one.modes)
        .find((one) => one.mode === 'motor.unplugged')?.share ?? 0;
    const touched = unplugged([...before, mended, saw('light', ['lit']), saw('turn', ['still'])]);
    const untouched = unplugged([
      ...before,
      { ...mended, touched: [] } as Event,
      saw('light', ['lit']),
      saw('turn', ['still']),
    ]);
    expect(touched).toBeGreaterThan(5 * untouched);
  });

  it('a mend that leaves a residual leaves the suspicion with it', () => {
    const before = [saw('volts', ['none']), saw('light', ['dark'])];
    const share = (residual: number) =>
      suspectsOf(
        engine,
        posteriorOf(engine, [...before, { kind: 'epoch', mended: [{ mode: 'supply.dead', residual }], touched: [] }]),
      ).find((one) => one.block === 'supply')?.share ?? 0;
    expect(share(0.5)).toBeGreaterThan(5 * share(0.02));
  });
});

describe('by hand', () => {
  it('a ruled-out suspect falls, a pinned one rises, and neither for certain', () => {
    const seen = [saw('light', ['dark'])];
    const base = shares(seen).supply as number;
    const out = shares([{ kind: 'hand', block: 'supply', verdict: 'ruled-out' }, ...seen]).supply as number;
    const pinned = shares([{ kind: 'hand', block: 'supply', verdict: 'pinned' }, ...seen]).supply as number;
    expect(out).toBeLessThan(base / 10);
    expect(out).toBeGreaterThan(0);
    expect(pinned).toBeGreaterThan(base);
  });
});

describe('what the repairer found and no path knows', () => {
  it('puts the outside of the model ahead, and never for certain', () => {
    const { outside } = posteriorOf(engine, [saw('light', ['dark']), { kind: 'hand', block: '', verdict: 'outside' }]);
    expect(outside).toBeGreaterThan(0.5);
    expect(outside).toBeLessThan(1);
  });
});

describe('three faults at once', () => {
  it('are thought of where their odds ask for it, and found when all three are seen', () => {
    const sizes = (one: typeof engine) => one.space.hypotheses.filter((h) => h.modes.length === 3).length;
    expect(sizes(engine)).toBe(0);
    expect(sizes(wide)).toBeGreaterThan(0);
    expect(sizes(wide)).toBeLessThan(sizes(engineOf(SMALL, { most: 3 })));
    const seen = [looked('supply', ['dead']), looked('lamp', ['burnt']), looked('motor', ['stuck'])];
    const blocks = suspectsOf(wide, posteriorOf(wide, seen)).filter((one) => one.share > 0.5);
    expect(blocks.map((one) => one.block).sort()).toEqual(['lamp', 'motor', 'supply']);
  });
});
