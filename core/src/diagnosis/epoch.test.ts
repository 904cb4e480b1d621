import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../families/index.js';
import { curedBy, engineOf, observationFrom, posteriorOf, type Event } from './index.js';
import { SMALL } from './smallPath.test-data.js';

const DC = PATHS.get('belt-turntable-dc') as DrivePath;

const saw = (path: DrivePath, ...entries: readonly string[]): Event[] =>
  entries.map((entry, i) => {
    const [test = '', outcome = ''] = entry.split('=');
    const read = observationFrom(path, { test, outcome }, `${entry}${i}`);
    if (read.kind !== 'observation') throw new Error(read.message);
    return { kind: 'saw', observation: read.observation };
  });

const mended = (path: DrivePath, repair: string, touched: readonly string[] = []): Event => ({
  kind: 'epoch',
  mended: curedBy(path, repair),
  touched,
});

/** Chance of a mode after these events. */
function chance(path: DrivePath, mode: string, ...events: readonly Event[]): number {
  const engine = engineOf(path);
  const index = engine.model.modeOf.get(mode) ?? -1;
  return posteriorOf(engine, events).hypotheses.reduce(
    (sum, share, h) => (engine.space.hypotheses[h]?.modes.includes(index) ? sum + share : sum),
    0,
  );
}

describe('what a mend leaves of the belief', () => {
  const slow = saw(DC, 'speed-33=slow', 'speed-45=slow', 'belt-look=sound', 'supply-volts=right', 'drive-45=right');

  it('a weak governor that had its volts with the belt off has them after the belt was renewed', () => {
    const alone = saw(DC, 'motor-alone=right');
    const before = chance(DC, 'governor.weak', ...slow, ...alone, mended(DC, 'new-belt'));
    const again = chance(DC, 'governor.weak', ...slow, ...alone, mended(DC, 'new-belt'), ...alone);
    expect(before).toBeGreaterThan(0.05);
    // Read once more it says what it said: it does not count against the governor a second time.
    expect(again / before).toBeGreaterThan(0.9);
    expect(again / before).toBeLessThan(1.1);
  });

  it('the mended fault is gone but for what such a mend leaves, every other keeps its place among the others', () => {
    const seen = saw(DC, 'speed-33=slow', 'belt-look=slack-or-shiny');
    expect(chance(DC, 'belt.slips', ...seen)).toBeGreaterThan(0.9);
    expect(chance(DC, 'belt.slips', ...seen, mended(DC, 'new-belt'))).toBeLessThan(0.03);
    const of = (mode: string, ...more: readonly Event[]) => chance(DC, mode, ...seen, ...more);
    const ratio = of('motor.dry') / of('bearing.dry');
    const after = of('motor.dry', mended(DC, 'new-belt')) / of('bearing.dry', mended(DC, 'new-belt'));
    expect(after / ratio).toBeGreaterThan(0.7);
    expect(after / ratio).toBeLessThan(1.4);
  });

  it('work where something can be left undone makes that likely, and nothing of what it did not touch', () => {
    const work: Event = { kind: 'epoch', mended: [], touched: ['belt'] };
    expect(chance(DC, 'belt.left-off')).toBeLessThan(0.002);
    expect(chance(DC, 'belt.left-off', work)).toBeGreaterThan(0.02);
    expect(chance(DC, 'tacho.unplugged', work)).toBeLessThan(0.002);
  });

  it('shares sum to one after any number of epochs', () => {
    const engine = engineOf(SMALL);
    const events = [0, 1, 2].flatMap((): Event[] => [...saw(SMALL, 'light=dark'), mended(SMALL, 'supply')]);
    const { hypotheses, outside } = posteriorOf(engine, events);
    expect(hypotheses.reduce((sum, share) => sum + share, 0) + outside).toBeCloseTo(1, 9);
  });
});
