/** Two faults in one unit: what a mend of one of them is worth. Sums by hand, an hour of hands at 60, so a minute is 1. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { engineOf, faultSetsOf, posteriorOf, type FaultSet, type MendAdvice } from '../../diagnosis/index.js';
import { PATHS, type DrivePath } from '../../families/index.js';
import { decide, type Decision } from './index.js';

/** Ten minutes of hands, no parts, one fault cured for good. */
const mendOf = (id: string, mode: string, level: string): MendAdvice =>
  ({
    repair: { id, name: id, cures: [mode], handsMin: 10, waitMin: 0, money: 0, level, residual: 0, power: 'dead' },
    chance: 0.5,
    minutes: 10,
    reachMin: 0,
    found: false,
    forbidden: null,
    seek: [],
  }) as unknown as MendAdvice;

function weighed(mends: readonly MendAdvice[], faults: readonly FaultSet[], tryMin: number): Decision {
  const path = { repairs: mends.map(({ repair }) => repair), ways: [], blocks: [], levels: [{ id: 'outside' }] };
  return decide(
    { mends, faults, path: path as unknown as DrivePath },
    { costs: { hourMoney: 60, dayMoney: 0, tryMin } },
  );
}

describe('two faults in one unit', () => {
  it('of two faults at once both have to go: the fuse alone cures nothing, with the bridge that blew it all of it', () => {
    // Seven in ten: bridge and fuse. Two in ten: the fuse alone. One in ten: the cord. An hour at 60, 10 each.
    const faults = [
      { modes: ['bridge.shorted', 'fuse.blown'], share: 0.7 },
      { modes: ['fuse.blown'], share: 0.2 },
      { modes: ['cord.broken'], share: 0.1 },
    ];
    const cures = { bridge: 'bridge.shorted', fuse: 'fuse.blown', cord: 'cord.broken' };
    const mends = Object.entries(cures).map(([id, mode]) => mendOf(id, mode, 'outside'));
    const { options, uncured } = weighed(mends, faults, 0);
    const of = (id: string) => options.find((one) => one.id === id);
    expect(of('fuse')?.chance).toBeCloseTo(0.2, 9);
    expect(of('bridge')?.chance).toBeCloseTo(0, 9);
    expect(of('cord')?.chance).toBeCloseTo(0.1, 9);
    // Fuse, then the bridge in eight of ten, then the cord in one of ten. Bridge, then the fuse always, then the cord.
    expect(of('fuse')?.expectedCost).toBeCloseTo(10 + 8 + 1, 9);
    expect(of('bridge')?.expectedCost).toBeCloseTo(10 + 10 + 1, 9);
    expect(uncured).toBeCloseTo(0, 9);
  });

  it('what is done together cures at least as often as any of it alone', () => {
    const share = fc.double({ min: 0.01, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, (...raw) => {
        const whole = raw.reduce((sum, one) => sum + one, 0);
        const [a = 0, b = 0, both = 0] = raw.map((one) => one / whole);
        const faults = [
          { modes: ['a.bad'], share: a },
          { modes: ['b.bad'], share: b },
          { modes: ['a.bad', 'b.bad'], share: both },
        ];
        const { options } = weighed([mendOf('a', 'a.bad', 'cover'), mendOf('b', 'b.bad', 'cover')], faults, 500);
        const set = options.find((one) => one.also.length > 0);
        expect(set?.chance).toBeCloseTo(a + b + both, 9);
        for (const one of options) expect(one.chance).toBeLessThanOrEqual((set?.chance ?? 0) + 1e-9);
      }),
      { numRuns: 30 },
    );
  });

  it('the sets of a path hold what its suspects hold, and no more than the whole', () => {
    for (const path of PATHS.values()) {
      const engine = engineOf(path);
      const posterior = posteriorOf(engine, []);
      const sets = faultSetsOf(engine, posterior);
      const whole = sets.reduce((sum, one) => sum + one.share, 0);
      expect(whole).toBeGreaterThan(0.8);
      expect(whole).toBeLessThanOrEqual(1 + 1e-9);
      expect(sets.map(({ share }) => share)).toEqual(sets.map(({ share }) => share).sort((a, b) => b - a));
      expect(sets.some(({ modes }) => modes.length === 2)).toBe(true);
    }
  });
});
