import { USUAL_SAFETY_LIMITS } from '@amber-gauge/core/bench';
import { describe, expect, it } from 'vitest';
import { eventBodySchema, eventSchema } from './events.js';
import { jobFieldsSchema } from './jobs.js';
import { settingFieldsSchema, sourceFieldsSchema } from './settings.js';

const tolerance = { use: 'x', lowerPercent: -1, upperPercent: 1, origin: { kind: 'practice', text: 'x' } };
const job = {
  familyId: 'a',
  make: '',
  model: '',
  serial: '',
  customer: '',
  powerKind: 'mains',
  ratedVolts: 230,
  speedIds: ['33'],
  complaint: '',
  tried: '',
  tolerance,
};

describe('the contract', () => {
  it('takes no number that is none', () => {
    const reading = {
      kind: 'reading',
      text: '',
      values: [Number.NaN],
      unit: 'V',
      qualifier: null,
      bound: 'exact',
      place: null,
      speedId: null,
      condition: null,
      holdKey: null,
    };
    expect(eventBodySchema.safeParse(reading).success).toBe(false);
    expect(eventBodySchema.safeParse({ ...reading, values: [1] }).success).toBe(true);
  });

  it('wants keys that are UUIDs and times that are times', () => {
    const line = {
      key: 'x',
      enteredAt: 'noon',
      device: 'd',
      sequence: 0,
      stage: 'find',
      body: { kind: 'note', text: 'a' },
    };
    const paths = eventSchema.safeParse(line).error?.issues.map((issue) => issue.path[0]);
    expect(paths).toEqual(['key', 'enteredAt']);
  });

  it.each([
    [jobFieldsSchema, { ...job, ratedVolts: 5000 }, 'at most 1000'],
    [jobFieldsSchema, { ...job, speedIds: [] }, 'at least one speed'],
    [
      settingFieldsSchema,
      {
        shopName: ' ',
        shopAddress: '',
        currency: 'eur',
        mainsVolts: 230,
        mainsHz: 50,
        captureKey: 'F9',
        flutterStandard: 'unweighted-peak',
        hourMoney: 60,
        dayMoney: 1,
        partsDays: 7,
        safety: USUAL_SAFETY_LIMITS,
        hours: { from: '09:00', to: '17:00', days: [1, 2, 3, 4, 5], places: 2, isolators: 1, variacs: 1, tapes: 1 },
        clockLimitPpm: 100,
      },
      'needs a name',
    ],
    [sourceFieldsSchema, { name: 'x', nominalHz: 3, tolerancePercent: null }, 'Between 20 Hz'],
  ] as const)('says what to do about a bad field (%#)', (schema, value, message) => {
    expect(schema.safeParse(value).error?.issues[0]?.message).toContain(message);
  });
});
