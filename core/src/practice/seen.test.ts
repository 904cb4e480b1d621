import { describe, expect, it } from 'vitest';
import { momentsOf, seenIn, watching } from './seen.js';
import { practiceMachine, type Condition } from './machine.js';

describe('what is seen of a machine', () => {
  it('is the mean of nine moments and their standard deviation, worked by hand', () => {
    // 1 to 9: mean 5, squares about it 60, through eight 7.5.
    let volts = 0;
    const moments = momentsOf(() => ({ volts: ++volts }));
    expect(seenIn(moments, 'volts', 'lamp').mean).toBe(5);
    expect(seenIn(moments, 'volts', 'lamp').spread).toBeCloseTo(Math.sqrt(7.5), 12);
    expect(() => seenIn(moments, 'amps', 'lamp')).toThrow('lamp has no amps');
  });

  it('is seen at the same moments in one way to stand, at others in another', () => {
    let solved = 0;
    const see = watching<{ warm: number }>('lamp', (condition) => {
      solved += 1;
      return { volts: condition.warm ?? 0, amps: solved };
    });
    expect(see('volts').mean).toBe(0);
    expect(see('amps').mean).toBe(5);
    expect(solved).toBe(9);
    expect(see('volts', { warm: 1 }).mean).toBe(1);
    expect(solved).toBe(18);
  });
});

describe('what the owner says', () => {
  /** A lamp that flickers: dim by its fault. */
  const lamp = practiceMachine<{ volts: number }>({
    id: 'lamp',
    name: 'lamp',
    settings: ['on'],
    answersTo: [],
    build: () => ({ volts: 12 }),
    faults: [{ id: 'dim', name: 'dim', share: 1, make: (p) => (p.volts = 6) }],
    solve: (p, { warm }: Condition, random) => ({ volts: p.volts - warm + 0.2 * random() }),
    complain: (at) => {
      const [cold, warm] = [at('volts').mean, at('volts', { warm: 1 }).mean];
      return cold < 10 ? `${cold.toFixed(4)} V, warm ${warm.toFixed(4)} V` : null;
    },
    harm: () => [],
  });

  it('is of the unit as it came in, whenever it is asked and whatever was done before', () => {
    const [asked, late] = [lamp.unit(['dim'], 7), lamp.unit(['dim'], 7)];
    const said = asked.complaint;
    expect(said).toMatch(/^6\.\d+ V, warm 5\.\d+ V$/);
    expect(asked.complaint).toBe(said);
    late.see('volts');
    late.cure('dim');
    expect(late.see('volts').mean).toBeGreaterThan(12);
    expect(late.complaint).toBe(said);
    // Asking changes nothing that is read.
    expect(asked.see('volts')).toEqual(lamp.unit(['dim'], 7).see('volts'));
    expect(lamp.unit([], 7).complaint).toBeNull();
  });
});
