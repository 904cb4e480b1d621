/** What the contract asks beyond lengths and sizes: order, form, what belongs together. */
import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { bundleProblem } from './bundle.js';
import { eventBodySchema } from './events.js';
import { figuresOf, runOfFigures, type RunFigures } from './runs.js';
import { hoursSchema, instrumentSchema, serialBaud, settingFieldsSchema } from './settings.js';
import { lotsFromCsv, MOST_SHELF_LINES, shelfLineSchema } from './shelf.js';
import { daySchema } from './stored.js';

const takes = (schema: z.ZodType, value: unknown) => schema.safeParse(value).success;
const KEY = '6f9619ff-8b86-4d11-b42d-00c04fc964ff';

describe('hours', () => {
  const hours = { from: '09:00', to: '17:00', days: [1, 2], places: 2, isolators: 1, variacs: 1, tapes: 1 };
  it('open before they close, by a clock of twenty-four hours', () => {
    expect(takes(hoursSchema, hours)).toBe(true);
    expect(takes(hoursSchema, { ...hours, from: '00:00', to: '23:59' })).toBe(true);
    for (const to of ['09:00', '08:59', '24:00', '17:60', '7:00', '17'])
      expect(takes(hoursSchema, { ...hours, to }), to).toBe(false);
  });
  it('are on days of the week, in whole benches', () => {
    for (const days of [[], [0], [8], [1.5]]) expect(takes(hoursSchema, { ...hours, days }), String(days)).toBe(false);
    for (const places of [0, 21, 1.5]) expect(takes(hoursSchema, { ...hours, places }), String(places)).toBe(false);
    expect(takes(hoursSchema, { ...hours, days: [7], places: 20 })).toBe(true);
  });
});

describe('an instrument', () => {
  const at = (address: string) => takes(instrumentSchema, { id: KEY, kind: 'meter', name: 'M', address });
  it('stands on the network, at a port that programs may open', () => {
    for (const good of ['127.0.0.1:5025', '127.0.0.1:1024', '192.168.0.7:5025', 'localhost:65535', ' 127.0.0.1:5025 '])
      expect(at(good), good).toBe(true);
    for (const bad of ['127.0.0.1', '127.0.0.1:1023', '127.0.0.1:65536', ':5025', '']) expect(at(bad), bad).toBe(false);
  });
  it('or on a serial line at one of the usual rates', () => {
    expect(['serial:300', 'serial:9600', 'serial:115200'].map(serialBaud)).toEqual([300, 9600, 115200]);
    for (const none of ['serial:9601', 'serial:', 'Serial:9600', '9600', '127.0.0.1:9600', 'xserial:9600'])
      expect(serialBaud(none), none).toBeNull();
    expect(at('serial:9600')).toBe(true);
    for (const bad of ['serial:9601', 'SERIAL:9601', 'serial:9600:1024']) expect(at(bad), bad).toBe(false);
  });
});

describe('the shop', () => {
  const fields = settingFieldsSchema.partial();
  it('has money of three letters and mains of 50 or 60 Hz', () => {
    expect(takes(fields, { currency: ' EUR ' })).toBe(true);
    for (const currency of ['EURO', 'eur', 'E', '']) expect(takes(fields, { currency }), currency).toBe(false);
    expect([49, 50, 60, 61].map((mainsHz) => takes(fields, { mainsHz }))).toEqual([false, true, true, false]);
  });
  it('is told what to do about a figure outside', () => {
    const say = (value: object) => fields.safeParse(value).error?.issues[0]?.message;
    expect(say({ mainsVolts: 89 })).toBe('Mains volts lie between 90 and 260');
    expect(say({ hourMoney: 0 })).toBe('An hour costs more than nothing');
    expect(say({ partsDays: 366 })).toBe('At most a year');
    expect(say({ safety: { earthOhm: 0 } })).toBe('Above 0 Ω');
  });
});

describe('days', () => {
  const lot = (orderedOn: string) => ({
    key: KEY,
    at: '2026-01-01T08:00:00.000Z',
    body: {
      kind: 'lot',
      part: 'belt',
      supplier: 'Quay',
      quantity: 1,
      price: null,
      orderedOn,
      expectedOn: null,
      claimDays: 30,
      place: '',
      serves: ['belt-turntable-dc/new-belt'],
    },
  });
  it.each([
    ['2000-01-01', true],
    ['2099-12-31', true],
    ['1999-12-31', false],
    ['2100-01-01', false],
    ['2026-02-29', false],
    ['2028-02-29', true],
    ['1.2.2026', false],
  ])('%s', (day, good) => {
    expect(takes(daySchema, day)).toBe(good);
    expect(takes(shelfLineSchema, lot(day))).toBe(good);
  });
  it('what a part serves is named as family/mend', () => {
    const serving = (serves: string) => {
      const line = lot('2026-01-01');
      return takes(shelfLineSchema, { ...line, body: { ...line.body, serves: [serves] } });
    };
    expect(['a/b', 'use/belt-dressing', 'washer-2/new-1'].map(serving)).toEqual([true, true, true]);
    expect(['a', 'a/', '/b', 'a/b/c', 'A/b', 'a b/c'].map(serving)).toEqual(Array(6).fill(false));
  });
});

describe('lines of a log', () => {
  it('a run down ends slower than it began', () => {
    const coast = (toRpm: number) =>
      takes(eventBodySchema, {
        kind: 'coast',
        speedId: '33',
        fromRpm: 33,
        toRpm,
        seconds: 10,
        how: 'taps',
        conditions: '',
      });
    expect([0, 32.9, 33, 34].map(coast)).toEqual([true, true, false, false]);
  });
});

describe('a table of the shelf', () => {
  const rows = (count: number) =>
    `part,supplier,quantity,claim days,serves\n${Array.from({ length: count }, (_, i) => `p${i},Quay,1,,`).join('\n')}`;
  it('is read up to five hundred rows; the rest is said to be left', () => {
    expect(MOST_SHELF_LINES).toBe(500);
    const whole = lotsFromCsv(rows(500), '2026-01-01');
    expect([whole.lots.length, whole.problems.length]).toEqual([500, 0]);
    const more = lotsFromCsv(rows(501), '2026-01-01');
    expect(more.lots).toHaveLength(500);
    // The head is row one: the five hundredth lot stands in row 501.
    expect(more.problems).toEqual([{ row: 502, message: 'Only 500 rows at a time: import the rest after.' }]);
  });
  it('claims run thirty days where none are named; what it serves is parted by spaces', () => {
    const [one, two] = lotsFromCsv(
      'part,supplier,quantity,claim days,serves,expected\nbelt,Quay,2,,,\nbelt,Quay,2,0,use/a  use/b,2026-03-01',
      '2026-01-01',
    ).lots;
    expect([one?.claimDays, one?.serves, one?.expectedOn]).toEqual([30, undefined, null]);
    expect([two?.claimDays, two?.serves, two?.expectedOn]).toEqual([0, ['use/a', 'use/b'], '2026-03-01']);
  });
});

describe('a file that is no bundle', () => {
  it('is told apart from one of another version', () => {
    expect(bundleProblem({ format: 'amber-gauge-job', version: 1 })).toBeNull();
    for (const none of [null, 'text', 7, {}, { format: 'other', version: 1 }])
      expect(bundleProblem(none)).toContain('no job bundle');
    expect(bundleProblem({ format: 'amber-gauge-job', version: 2 })).toContain('of version 2; version 1 is read here');
    expect(bundleProblem({ format: 'amber-gauge-job' })).toContain('of version undefined');
    expect(bundleProblem({ format: 'amber-gauge-job', version: 'x'.repeat(50) })).toContain(`${'x'.repeat(20)};`);
  });
});

describe('a run', () => {
  it('travels as plain lists and comes back as it was', () => {
    const figures: RunFigures = {
      unit: 'rpm',
      nominal: 33.25,
      mean: 33.5,
      errorPercent: 0.75,
      expandedPercent: 0.125,
      uncertainty: [{ name: 'clock', standardPercent: 0.0625, why: 'card' }],
      driftPercent: null,
      flutter: null,
      lines: [{ frequencyHz: 0.5, peakPercent: 0.25 }],
      warnings: [],
      detail: { way: 'stopwatch', taps: 3, turns: 10, reactionS: 0.25 },
      series: { startS: 1, stepS: 0.5, errorPercent: [0.5, 0.25], halfWidthPercent: [0.125, 0.125] },
      spectrum: { frequencyHz: [0.5, 1], peakPercent: [0.25, 0.125] },
    };
    const run = runOfFigures(figures);
    expect(run.series?.errorPercent).toBeInstanceOf(Float32Array);
    expect(figuresOf(run)).toEqual(figures);
    const bare = { ...figures, series: null, spectrum: null };
    expect(figuresOf(runOfFigures(bare))).toEqual(bare);
  });
});
