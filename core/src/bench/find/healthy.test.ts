import { lineMaker, testJob } from '../job.test-data.js';
import { describe, expect, it } from 'vitest';
import { familyOf, type DrivePath } from '../../families/index.js';
import type { EventBody } from '../event.js';
import { type JobFacts } from '../job.js';
import { parseStep } from '../ledger/index.js';
import { didNotTurn } from '../speedReading.js';
import { fittedPath, pathOf } from './evidence.js';
import { expectedOf, healthyValues, withHealthy } from './healthy.js';
import { benchKnowledge } from './known.js';

const family = familyOf('belt-turntable-dc');
const job = testJob(family.id, { make: 'Brenning', model: 'Dans 33', speedIds: ['33'], complaint: 'slow' });
const path = pathOf(job) as DrivePath;
const line = lineMaker();
const volts = (value: number, more: object = {}): EventBody => ({
  kind: 'reading',
  text: '',
  values: [value],
  unit: 'V',
  qualifier: 'dc',
  bound: 'exact',
  place: 'motor terminals',
  speedId: null,
  condition: null,
  holdKey: null,
  ...more,
});
const speed = (errorPercent: number): EventBody => ({
  ...didNotTurn(family.speeds.find((one) => one.id === '33') as (typeof family.speeds)[number]),
  method: 'tone-recording',
  turned: true,
  errorPercent,
  expandedPercent: 0.05,
  referenceIncluded: true,
});
const work: EventBody = { kind: 'work', action: 'clean', what: 'the trims' };
const handed: EventBody = { kind: 'hand-back', leftUndone: '' };
const log = (facts: JobFacts, ...bodies: EventBody[]) => ({ job: facts, lines: bodies.map(line) });
const healthy = (value: number, facts = job) => log(facts, volts(9), work, volts(value), speed(0.1), handed);

const band = (one: DrivePath, state: string) =>
  one.signals.find((signal) => signal.id === 'drive')?.measure?.bands.find((two) => two.state === state);

describe('what healthy units of this bench showed', () => {
  it('is the last value after the work, of units that left right', () => {
    const logs = [
      healthy(5.2),
      log(job, volts(3), speed(-3), handed),
      log(job, volts(5), speed(0.1)),
      log(job, volts(7, { speedId: '45' }), speed(0.1), handed),
      log(job, volts(5.4, { condition: 'cold', speedId: '33' }), speed(0), handed),
      // A reading without a value takes nothing away.
      log(job, volts(5.3), volts(5, { values: [] }), speed(0), handed),
    ];
    expect(healthyValues(path, logs)).toEqual({ drive: [5.2, 5.4, 5.3] });
  });

  it('becomes an interval from five units on: below that k passes anything (9.8 at three), narrower with more of them', () => {
    expect(expectedOf([5, 5.1, 5.2, 5])).toBeNull();
    const five = expectedOf([5.0, 5.1, 5.2, 5.1, 5.0]);
    expect(five).toMatchObject({ units: 5, mean: expect.closeTo(5.08, 6) });
    expect((five?.upper ?? 0) - 5.08).toBeCloseTo(5.079 * 0.08367, 3);
    expect(expectedOf([5, 5, 5, 5, 5])?.deviation).toBeCloseTo(0.05, 9);
  });

  it('is drawn within the family’s band, or in its place where the model is another', () => {
    const near = withHealthy(path, { drive: [5.0, 5.1, 5.2, 5.1, 5.0] });
    expect(band(near, 'right')).toMatchObject({ from: expect.closeTo(4.655, 2), to: expect.closeTo(5.505, 2) });
    expect(band(near, 'low')).toMatchObject({ from: 0.5, to: expect.closeTo(4.655, 2) });
    expect(band(near, 'high')).toMatchObject({ from: expect.closeTo(5.505, 2), to: 10 });
    expect(band(withHealthy(path, { drive: [4.2, 4.7, 5.2, 5.7, 6.2] }), 'right')).toMatchObject({ from: 4, to: 6.5 });
    const other = withHealthy(path, { drive: [8, 8.1, 8.2, 8.1, 8] });
    expect(band(other, 'right')?.from).toBeGreaterThan(7);
    expect(band(other, 'low')?.to).toBe(band(other, 'right')?.from);
    const origin = near.signals.find((signal) => signal.id === 'drive')?.measure?.origin;
    expect(origin).toEqual({ kind: 'bench', text: 'this bench, 5 units: 5.08 V, s 0.08' });
    expect(withHealthy(path, {})).toBe(path);
  });

  it('stays open where the family’s band is open, and moves the bands behind the next one too', () => {
    const made = (bands: readonly (readonly [string, number | null, number | null])[]): DrivePath => ({
      ...path,
      signals: path.signals.map((signal) =>
        signal.id === 'drive' && signal.measure
          ? {
              ...signal,
              measure: { ...signal.measure, bands: bands.map(([state, from, to]) => ({ state, from, to })) },
            }
          : signal,
      ),
    });
    const ends = (one: DrivePath) =>
      one.signals
        .find((signal) => signal.id === 'drive')
        ?.measure?.bands.map(({ state, from, to }) => [state, from, to]);
    const five = [5, 5.1, 5.2, 5.1, 5];
    const [low, high] = [expect.closeTo(4.655, 2) as unknown, expect.closeTo(5.505, 2) as unknown];
    // Open below: less than any unit had is no fault.
    const below = made([
      ['right', null, 6],
      ['high', 6, null],
    ]);
    expect(ends(withHealthy(below, { drive: five }))).toEqual([
      ['right', null, high],
      ['high', high, null],
    ]);
    const above = made([
      ['low', null, 4],
      ['right', 4, null],
    ]);
    expect(ends(withHealthy(above, { drive: five }))).toEqual([
      ['low', null, low],
      ['right', low, null],
    ]);
    // Where the model has more volts than the family's high: what lies between is swallowed.
    const steps = made([
      ['none', null, 0.5],
      ['low', 0.5, 2],
      ['right', 2, 3],
      ['high', 3, 4],
      ['over', 4, null],
    ]);
    expect(ends(withHealthy(steps, { drive: five }))).toEqual([
      ['none', null, 0.5],
      ['low', 0.5, low],
      ['right', low, high],
      ['over', high, null],
    ]);
    const less = made([
      ['none', null, 5.7],
      ['low', 5.7, 7],
      ['right', 7, 8],
      ['high', 8, null],
    ]);
    expect(ends(withHealthy(less, { drive: five }))).toEqual([
      ['none', null, low],
      ['right', low, high],
      ['high', high, null],
    ]);
  });

  it('gives way to a value typed on the model’s sheet', () => {
    const sheet = { absent: [], places: {}, bands: { drive: [{ state: 'right', from: 4.9, to: 5.3 }] } };
    const fitted = fittedPath(path, sheet, [], new Map(), { drive: [8, 8.1, 8.2, 8.1, 8] });
    expect(band(fitted, 'right')).toEqual({ state: 'right', from: 4.9, to: 5.3 });
  });

  it('is kept apart by model; faults of the other models count for the family', () => {
    const look: EventBody = {
      kind: 'answer',
      testId: 'belt-look',
      name: 'Belt',
      outcome: 'slack-or-shiny',
      words: 'slack',
      value: null,
      unit: null,
    };
    const mended: EventBody = { kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt' };
    const other = { ...job, model: 'Other 45' };
    const logs = [healthy(5.2), healthy(7, other), log(job, look, mended), log(other, look, mended)];
    expect(benchKnowledge(path, logs, 'brenning dans 33')).toEqual({
      family: { units: 1, modes: { 'belt.slips': 1 } },
      model: { units: 1, modes: { 'belt.slips': 1 } },
      healthy: { drive: [5.2] },
      cured: {},
      opening: [],
    });
    expect(benchKnowledge(path, logs, '').healthy).toEqual({});
  });

  it('what cured units that went back, and what their strip-downs noted, newest first', () => {
    const step = (what: string, more: object): EventBody => ({ ...parseStep(what), ...more });
    const belt: EventBody = { kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt' };
    const back: EventBody = { kind: 'hand-back', leftUndone: '' };
    const odd = step('bottom cover', {
      earth: true,
      fasteners: [
        { count: 1, what: 'screw with star washer', tray: 'A', odd: true },
        { count: 5, what: 'screw', tray: 'A', odd: false },
      ],
    });
    const gap = step('board', {
      distances: [{ what: 'height over the spring', value: 17, unit: 'mm', tolerance: 0.5 }],
      owes: ['cable tie'],
    });
    const newer = { ...job, number: job.number + 1 };
    const logs = [
      log(job, odd, step('lid', {}), belt, back),
      log(newer, gap, belt, { kind: 'mended', repairId: 'oil-platter', name: 'Oil' }, back),
      // Not back yet: nothing was shown to be cured.
      log({ ...job, number: job.number + 2 }, { kind: 'mended', repairId: 'pulley', name: 'Pulley' }),
    ];
    const { cured, opening } = benchKnowledge(path, logs, 'Brenning Dans 33');
    expect(cured).toEqual({ 'new-belt': 2, 'oil-platter': 1 });
    expect(opening).toEqual([
      'board: height over the spring 17\u202fmm, have cable tie ready',
      'bottom cover: earth goes back with it, 1 × screw with star washer in its own place',
    ]);
  });
});
