/** A small mains supply by what follows from each of its faults: Ohm, Faraday and a look at the circuit. */
import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { AT_REST, type Condition } from '../machine.js';
import { smallSupply, supplyFaults, supplyHarm, supplyQuantities, supplyTrace, type SmallSupply } from './supply.js';

const made = (...faults: readonly string[]): SmallSupply => {
  const unit = { supply: smallSupply(seeded(5), { secondaryV: 15, regulatorV: 12, loadA: 0.1 }) };
  for (const id of faults) {
    const fault = supplyFaults().find((one) => one.id === id);
    if (!fault) throw new Error(id);
    fault.make(unit, seeded(9));
  }
  return unit.supply;
};
const at = (supply: SmallSupply, more: Partial<Condition> = {}) =>
  supplyQuantities(supply, { ...AT_REST, setting: '', ...more });

describe('a sound supply', () => {
  const sound = made();
  const seen = at(sound);

  it('gives at its secondary what mains and turns make, at the board what its regulator holds', () => {
    expect(seen['secondary.Vac']).toBeCloseTo((sound.mainsV / 230) * sound.secondaryV, 9);
    expect(seen['board.V']).toBeGreaterThan(11.6);
    expect(seen['board.V']).toBeLessThan(12.4);
    expect(seen['board.ripple.Vpp']).toBeCloseTo(0, 6);
    // √2 · 15 V less two diodes, under load: between 17 and 20.
    expect(seen['reservoir.V']).toBeGreaterThan(16.5);
    expect(seen['reservoir.V']).toBeLessThan(20.5);
    // I/(2 f C) = 0.1/(2 · 50 · 2.2 mF) = 0.45 V; the diodes take part of the time.
    expect(seen['reservoir.ripple.Vpp']).toBeGreaterThan(0.25);
    expect(seen['reservoir.ripple.Vpp']).toBeLessThan(0.55);
  });

  it('measures as made when dead, and does no harm', () => {
    expect(seen['fuse.ohm']).toBeLessThan(1);
    expect(seen['cord.itself.ohm']).toBeLessThan(1);
    expect(seen['primary.ohm']).toBeGreaterThan(280);
    expect(seen['insulation.Mohm']).toBeGreaterThan(20);
    expect(seen['rail.ohm']).toBe(1e4);
    expect([seen['burnt'], seen['blew'], seen['tingles']]).toEqual([0, 0, 0]);
    expect(supplyHarm(sound)).toEqual([]);
  });

  it('shows on a scope five cycles about nought, as high as the ripple that is read', () => {
    const trace = supplyTrace(sound, { ...AT_REST, setting: '' }, 'reservoir.ripple.Vpp');
    if (!trace) throw new Error('no trace');
    expect(trace.intervalS * trace.volts.length).toBeCloseTo(5 / 50, 9);
    expect(trace.volts.reduce((sum, one) => sum + one, 0) / trace.volts.length).toBeCloseTo(0, 9);
    const swing = Math.max(...trace.volts) - Math.min(...trace.volts);
    expect(swing / (seen['reservoir.ripple.Vpp'] ?? 1)).toBeCloseTo(1, 1);
    // Behind a regulator with head nothing is left of it.
    const board = supplyTrace(sound, { ...AT_REST, setting: '' }, 'board.ripple.Vpp');
    expect(Math.max(...(board?.volts ?? [1]))).toBeCloseTo(0, 9);
    expect(supplyTrace(sound, { ...AT_REST, setting: '' }, 'platter.rpm')).toBeNull();
  });
});

describe('with a fault', () => {
  it.each(['cord-open', 'fuse-aged', 'primary-open'])('%s: nothing behind it has volts', (fault) => {
    const seen = at(made(fault));
    for (const place of ['secondary.Vac', 'reservoir.V', 'board.V'] as const) expect(seen[place], place).toBe(0);
    const open = ['cord.itself.ohm', 'fuse.ohm', 'primary.ohm'].filter((place) => !Number.isFinite(seen[place]));
    expect(open).toEqual([
      { 'cord-open': 'cord.itself.ohm', 'fuse-aged': 'fuse.ohm', 'primary-open': 'primary.ohm' }[fault],
    ]);
  });

  it('rectifier open: volts before it, none behind; one diode: half the charges, twice the ripple or more', () => {
    const open = at(made('diodes-open'));
    expect(open['secondary.Vac']).toBeGreaterThan(14);
    expect([open['reservoir.V'], open['board.V']]).toEqual([0, 0]);
    const [sound, half] = [at(made()), at(made('diode-open'))];
    const ratio = (half['reservoir.ripple.Vpp'] ?? 0) / (sound['reservoir.ripple.Vpp'] ?? 1);
    expect(ratio).toBeGreaterThan(1.8);
    expect(ratio).toBeLessThan(3);
    expect(half['reservoir.V']).toBeLessThan(sound['reservoir.V'] ?? 0);
  });

  it('a dry reservoir ripples through to the board', () => {
    const dry = at(made('reservoir-dry'));
    expect(dry['reservoir.ripple.Vpp']).toBeGreaterThan(5 * (at(made())['reservoir.ripple.Vpp'] ?? 0));
    expect(dry['board.V']).toBeLessThan(at(made())['board.V']);
  });

  it('the regulator: open gives nothing, shorted through all that is before it, a low reference a lower board', () => {
    expect(at(made('regulator-open'))['board.V']).toBe(0);
    const through = at(made('regulator-through'));
    expect(through['board.V'] / (through['reservoir.V'] ?? 1)).toBeGreaterThan(0.99);
    const low = at(made('reference-low'))['board.V'] / at(made())['board.V'];
    expect(low).toBeGreaterThan(0.5);
    expect(low).toBeLessThan(0.85);
  });

  it('what gives way when warm is right cold; a tap brings a joint back, not a regulator', () => {
    for (const fault of ['joint-warm', 'regulator-warm']) {
      const bad = made(fault);
      expect(at(bad)['board.V'] / at(made())['board.V'], fault).toBeGreaterThan(0.97);
      expect(at(bad, { warm: 1 })['board.V'] / at(made())['board.V'], fault).toBeLessThan(0.9);
    }
    expect(at(made('joint-warm'), { warm: 1, tapped: true })['board.V']).toBeGreaterThan(11.5);
    expect(at(made('regulator-warm'), { warm: 1, tapped: true })['board.V']).toBeLessThan(10.8);
  });

  it('a selector for a higher mains gives about half; shorted turns pull it down, measure less and cook', () => {
    const [sound, tap, turns] = [at(made()), at(made('wrong-tap')), made('turns-shorted')];
    expect((tap['secondary.Vac'] ?? 0) / (sound['secondary.Vac'] ?? 1)).toBeCloseTo(0.52, 6);
    const shorted = at(turns);
    expect(shorted['secondary.Vac']).toBeLessThan(0.85 * (sound['secondary.Vac'] ?? 0));
    expect(shorted['primary.ohm']).toBeCloseTo(turns.primaryOhm * (1 - turns.shortedTurns), 9);
    expect(shorted['burnt']).toBe(1);
    expect(supplyHarm(turns)).toEqual(['the transformer cooks']);
    // Not without mains.
    expect(supplyHarm(made('turns-shorted', 'fuse-aged'))).toEqual([]);
    expect(supplyHarm(made('turns-shorted', 'cord-open'))).toEqual([]);
  });

  it('a shorted rail reads so, has hardly any volts, cooks, and was heard to blow', () => {
    const shorted = made('rail-shorted');
    const seen = at(shorted);
    expect(seen['rail.ohm']).toBeLessThan(2.2);
    expect(seen['board.V']).toBeLessThan(1);
    expect(seen['blew']).toBe(1);
    expect(supplyHarm(shorted)).toEqual(['the transformer cooks']);
  });

  it('a lead on the case tingles and makes it live, while the cord is whole', () => {
    const live = made('lead-on-case');
    live.leakMohm = 0.01;
    expect(at(live)['tingles']).toBe(1);
    expect(supplyHarm(live)).toEqual(['the case is live']);
    expect(supplyHarm({ ...live, cordOpen: true })).toEqual([]);
    // A blown fuse does not help: the other lead may be it.
    expect(supplyHarm({ ...live, fuseOpen: true })).toEqual(['the case is live']);
    expect(at({ ...live, leakMohm: 0.21 })['tingles']).toBe(0);
  });
});
