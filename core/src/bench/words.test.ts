import { BLANK_READING } from './entry/index.js';
import { describe, expect, it } from 'vitest';
import { FAMILIES, familyOf } from '../families/index.js';
import { CoreError } from '../errors.js';
import { runOfStopwatch, stopwatch, type SpeedRun } from '../speed/index.js';
import { eventWords, speedWords, valueWords, whereWords } from './describe.js';
import {
  inOrder,
  isLive,
  POWER_STATES,
  POWER_WORDS,
  STAGE_NAMES,
  STAGES,
  standing,
  type BenchEvent,
  type EventBody,
} from './event.js';
import { jobNumber, jobSpeeds, jobTolerance, toleranceOfUse, unitName } from './job.js';
import { howMeasured, toleranceWords } from './sheet.js';
import {
  didNotTurn,
  referenceUncertainty,
  speedFromReading,
  speedFromRun,
  type RunFacts,
  typedStrobe,
} from './speedReading.js';

const family = familyOf('belt-turntable-dc');
const speed33 = family.speeds.find((speed) => speed.id === '33') as (typeof family.speeds)[number];
const source = { id: 's', name: 'Record', nominalHz: 3150, tolerancePercent: 0.1 };
const plain = (text: string) => text.replaceAll('\u202f', ' ');

describe('families', () => {
  it('are fifteen, in the order of the trade, each with a name, speeds and a tolerance with its origin', () => {
    expect(FAMILIES).toHaveLength(15);
    expect(FAMILIES.map((one) => one.order)).toEqual(Array.from({ length: 15 }, (_, i) => i + 1));
    for (const one of FAMILIES) {
      expect(one.usualSpeeds.length).toBeGreaterThan(0);
      for (const tolerance of one.tolerances) expect(tolerance.origin.text).not.toBe('');
      expect(new Set(one.speeds.map((speed) => speed.id)).size).toBe(one.speeds.length);
      expect(new Set(one.tolerances.map((tolerance) => tolerance.use)).size).toBe(one.tolerances.length);
    }
  });

  it('have a test tone only where a speed has a nominal', () => {
    for (const one of FAMILIES.filter((each) => each.testTone !== 'none')) {
      for (const speed of one.speeds) expect(speed.nominalRpm ?? speed.nominalCmPerS).not.toBeNull();
    }
  });

  it('unknown ones are refused by code', () => {
    expect(() => familyOf('steam-organ')).toThrow(CoreError);
  });
});

describe('words', () => {
  const reading = { values: [27.5], unit: 'V', qualifier: 'dc', bound: 'exact' } as const;

  it.each([
    [reading, '27.5 V d.c.'],
    [{ ...reading, qualifier: 'pp' as const, values: [0.62] }, '0.62 V peak to peak'],
    [{ ...reading, qualifier: null }, '27.5 V d.c.'],
    [{ values: [2.3, 2.3, 2], unit: 'Ω', qualifier: null, bound: 'exact' as const }, '2.3, 2.3, 2 Ω'],
    [{ values: [20e6], unit: 'Ω', qualifier: null, bound: 'above' as const }, 'above 20 MΩ'],
    [{ values: [1], unit: 'Ω', qualifier: null, bound: 'below' as const }, 'below 1 Ω'],
    [{ values: [], unit: 'Ω', qualifier: null, bound: 'open' as const }, 'open'],
    [{ values: [0], unit: 'Ω', qualifier: null, bound: 'short' as const }, 'short'],
    [{ values: [], unit: null, qualifier: null, bound: 'overload' as const }, 'over range (OL)'],
  ])('a value reads %#', (value, expected) => expect(plain(valueWords(value))).toBe(expected));

  it('say where, at which speed and how warm', () => {
    expect(whereWords({ place: 'motor', speedId: '45', condition: 'warm' })).toBe('at motor, 45, warm');
    expect(whereWords({ place: null, speedId: null, condition: null })).toBe('no place');
  });

  it('give a speed with its spread, or say that it did not turn', () => {
    const speed = { turned: true, errorPercent: -1.8, expandedPercent: 0.11, rpm: 32.7 };
    expect(plain(speedWords(speed))).toBe('−1.80 ± 0.11 %');
    expect(plain(speedWords({ ...speed, expandedPercent: null }))).toBe('−1.80 %');
    expect(plain(speedWords({ ...speed, errorPercent: null }))).toBe('33 rpm');
    expect(speedWords({ ...speed, errorPercent: null, rpm: null })).toBe('turns');
    expect(speedWords({ ...speed, turned: false })).toBe('did not turn');
  });

  const bodies: readonly (readonly [EventBody, string])[] = [
    [{ kind: 'note', text: 'a knock' }, 'a knock'],
    [{ kind: 'work', action: 'replace', what: 'the belt' }, 'replaced the belt'],
    [
      {
        kind: 'speed',
        turned: true,
        speedId: '33',
        errorPercent: -2.4,
        expandedPercent: 0.05,
        conditions: 'on the new belt',
      } as never,
      '−2.40 ± 0.05\u202f%, 33, on the new belt',
    ],
    [{ kind: 'power', state: 'live-direct', conditions: [] }, 'Live direct'],
    [{ kind: 'hold', prompt: 'volts' }, 'held: volts'],
    [{ kind: 'place', target: 'x', place: 'motor' }, 'placed at motor'],
    [{ kind: 'strike', target: 'x', reason: 'mistyped' }, 'struck out: mistyped'],
    [{ kind: 'field', field: 'serial', from: '', to: '7' }, 'serial: nothing → 7'],
    [{ kind: 'hand-back', leftUndone: '' }, 'handed back'],
    [{ kind: 'hand-back', leftUndone: 'feet' }, 'handed back; left undone: feet'],
  ];
  it.each(bodies)('a line %# reads as it should', (body, expected) => expect(eventWords(body)).toBe(expected));

  it('name every stage and every power state', () => {
    for (const stage of STAGES) expect(STAGE_NAMES[stage]).not.toBe('');
    for (const state of POWER_STATES) expect(POWER_WORDS[state]).not.toBe('');
    expect(POWER_STATES.filter(isLive)).toEqual(['live-isolated', 'live-direct', 'pack-in']);
  });
});

describe('order of the log', () => {
  const line = (key: string, enteredAt: string, device: string, sequence: number): BenchEvent => ({
    key,
    enteredAt,
    device,
    sequence,
    stage: 'find',
    body: { kind: 'note', text: key },
  });

  it('is by time, then by each device’s own count', () => {
    const at = '2026-01-01T08:00:00.000Z';
    const lines = [
      line('c', at, 'b', 1),
      line('b', at, 'a', 2),
      line('a', at, 'a', 1),
      line('0', '2026-01-01T07:00:00.000Z', 'z', 9),
    ];
    expect(inOrder(lines).map((one) => one.key)).toEqual(['0', 'a', 'b', 'c']);
  });

  it('leaves struck lines and the strokes out of what stands', () => {
    const stroke: BenchEvent = {
      ...line('s', '2026-01-01T09:00:00.000Z', 'a', 3),
      body: { kind: 'strike', target: 'a', reason: 'x' },
    };
    expect(standing([line('a', '2026-01-01T08:00:00.000Z', 'a', 1), stroke])).toEqual([]);
  });
});

describe('a job', () => {
  it('has its number as on labels, its name, its speeds in the family’s order', () => {
    expect(jobNumber(147)).toBe('0147');
    expect(unitName({ make: '', model: '', familyId: family.id })).toBe(family.name);
    expect(unitName({ make: 'A', model: 'B', familyId: family.id })).toBe('A B');
    expect(jobSpeeds({ familyId: family.id, speedIds: ['45', '33'] }).map((speed) => speed.id)).toEqual(['33', '45']);
  });

  it('carries a tolerance of its family, the first unless another use is named', () => {
    expect(toleranceOfUse(family).use).toBe('home listening');
    const strict = toleranceOfUse(family, 'broadcast, dancing to pitch');
    expect(jobTolerance({ tolerance: strict })).toMatchObject({ lowerPercent: -0.3, upperPercent: 0.3 });
    expect(toleranceOfUse(family, 'no such use').use).toBe('home listening');
    expect(plain(toleranceWords({ tolerance: strict }))).toContain('±0.3 % for broadcast');
    expect(plain(toleranceWords({ tolerance: toleranceOfUse(family) }))).toContain('−1.0 to +1.5 %');
  });
});

describe('speed lines', () => {
  const reading = (value: number, unit: string) => ({ ...BLANK_READING, values: [value], unit });

  it('come from turns a minute and percent as they are, with no uncertainty invented', () => {
    expect(speedFromReading(reading(33.5, 'rpm'), '', speed33, source)).toMatchObject({
      errorPercent: expect.closeTo(0.5, 6) as number,
      expandedPercent: null,
    });
    expect(speedFromReading(reading(-1.8, '%'), '', speed33, source)).toMatchObject({
      errorPercent: -1.8,
      rpm: expect.closeTo(32.733, 3) as number,
    });
    // A tape of 1⅞ in/s, 4.7625 cm/s, at 4.70; a platter has no such speed.
    const [tape] = familyOf('cassette-belt').speeds as [typeof speed33];
    const typed = speedFromReading(reading(4.7, 'cm/s'), '4.70 cm/s', tape, null);
    expect(typed).toMatchObject({ errorPercent: expect.closeTo(-1.3123, 3) as number, rpm: null, method: 'typed' });
    expect(speedFromReading(reading(4.7, 'cm/s'), '', speed33, source)).toBeNull();
    expect(speedFromReading(reading(5, 'V'), '', speed33, source)).toBeNull();
    expect(speedFromReading(reading(50, 'Hz'), '', speed33, source)).toBeNull();
    expect(speedFromReading(reading(3150, 'Hz'), '', speed33, null)).toBeNull();
  });

  it('of a counter hold the step of its gate: 0.032 % at 3150 Hz for one hertz', () => {
    const line = speedFromReading(reading(3150, 'Hz'), '', speed33, { ...source, tolerancePercent: null });
    expect(line?.expandedPercent).toBeCloseTo((2 * 100) / 3150 / Math.sqrt(3), 6);
    expect(line?.referenceIncluded).toBe(false);
  });

  it('of a test source of ±0.3 % have U = 0.35 %', () => {
    expect(referenceUncertainty({ ...source, tolerancePercent: 0.3 })).toBeCloseTo(0.346, 3);
    expect(referenceUncertainty({ ...source, tolerancePercent: null })).toBeNull();
  });

  const run = (more: Partial<RunFacts>): RunFacts => ({
    unit: 'Hz',
    mean: 3181.5,
    errorPercent: 1,
    expandedPercent: 0.1,
    uncertainty: [{ name: 'noise', standardPercent: 0.01, why: '' }],
    flutter: null,
    warnings: [],
    detail: { way: 'tone', live: false },
    ...more,
  });

  it('of a tone know whether the reference is in the uncertainty', () => {
    const line = (more: Partial<RunFacts>) => speedFromRun(run(more), speed33, 'Record', null);
    expect(line({}).referenceIncluded).toBe(false);
    expect(line({ uncertainty: [{ name: 'reference', standardPercent: 0.1, why: '' }] }).referenceIncluded).toBe(true);
    expect(line({ detail: { way: 'pulses' }, unit: 'rpm' })).toMatchObject({
      method: 'pulses',
      referenceIncluded: true,
    });
    expect(line({ detail: { way: 'tone', live: true } }).method).toBe('tone-live');
  });

  it('without a nominal carry the turns a minute, and two octaves leave the uncertainty open', () => {
    const sound = run({ unit: 'rpm', mean: 12000, errorPercent: null, detail: { way: 'sound' } });
    expect(speedFromRun(sound, speed33, null, null)).toMatchObject({
      rpm: 12000,
      errorPercent: null,
      expandedPercent: 0.1,
    });
    // Turns a minute without a nominal to be off from are what they are; a tone without one stands at its nominal.
    expect(speedFromRun({ ...sound, errorPercent: null, unit: 'rpm', mean: 12_345 }, speed33, null, null).rpm).toBe(
      12_345,
    );
    expect(speedFromRun({ ...sound, errorPercent: null, unit: 'Hz', mean: 3150 }, speed33, null, null).rpm).toBeCloseTo(
      100 / 3,
      9,
    );
    const unsure = speedFromRun({ ...sound, warnings: ['OCTAVE_UNSURE'] }, speed33, null, null);
    expect(unsure.expandedPercent).toBeNull();
  });

  it('of counted turns need two taps', () => {
    expect(runOfStopwatch(stopwatch([1], 1), 100 / 3)).toBeNull();
    const counted = runOfStopwatch(stopwatch([0, 180], 100), 100 / 3) as SpeedRun;
    expect(speedFromRun(counted, speed33, '100 turns', null)).toMatchObject({
      method: 'stopwatch',
      errorPercent: expect.closeTo(0, 6) as number,
      sourceName: '100 turns',
    });
  });

  it('say how they were measured', () => {
    expect(
      plain(
        howMeasured({ ...didNotTurn(speed33), method: 'tone-recording', sourceName: 'Record', wowPeakPercent: 0.123 }),
      ),
    ).toBe('test tone recording, Record; wow and flutter 0.12 % unweighted peak');
    expect(howMeasured(didNotTurn(speed33))).toBe('looked at');
  });

  it('from a strobe turn their sign with the side, the direction and the sense of rotation', () => {
    const count = (direction: 'left' | 'right', edge: 'near' | 'far', clockwise: boolean) =>
      Math.sign(
        typedStrobe(
          { kind: 'strobe', speedId: '33', bars: 20, direction, edge, overS: 60 },
          { mainsHz: 50, nominalRpm: 100 / 3, clockwise },
        )?.errorPercent as number,
      );
    expect(count('left', 'near', true)).toBe(1);
    expect(count('right', 'near', true)).toBe(-1);
    expect(count('left', 'far', true)).toBe(-1);
    expect(count('left', 'near', false)).toBe(-1);
    expect(count('right', 'far', true)).toBe(1);
  });
});
