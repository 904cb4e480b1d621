import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { ERROR_TABLE } from './errors.js';
import { eventBodySchema } from './events.js';
import { keySchema, momentSchema, singleSchema, unstorable, wholeSchema } from './stored.js';

const takes = (schema: z.ZodType, value: unknown) => schema.safeParse(value).success;

describe('errors on the wire', () => {
  it('carry the status that HTTP gives their meaning (RFC 9110; 429 of RFC 6585)', () => {
    expect(Object.fromEntries(Object.entries(ERROR_TABLE).map(([code, { status }]) => [code, status]))).toEqual({
      BAD_REQUEST: 400,
      BAD_ORIGIN: 403,
      NOT_FOUND: 404,
      CONFLICT: 409,
      TOO_LARGE: 413,
      UNSUPPORTED_TYPE: 415,
      BAD_HOST: 421,
      UNKNOWN_REFERENCE: 422,
      TOO_MANY: 429,
      INTERNAL: 500,
      NOT_READY: 503,
    });
  });

  it('say what to do in a sentence of their own', () => {
    const messages = Object.values(ERROR_TABLE).map(({ message }) => message);
    expect(new Set(messages).size).toBe(messages.length);
    for (const message of messages) expect(message).toMatch(/^[A-Z].*\.$/);
  });
});

describe('what can be kept', () => {
  it('moments lie from the year 2000 up to 2100, to the millisecond, in UTC', () => {
    const good = [
      '2000-01-01T00:00:00.000Z',
      '2099-12-31T23:59:59.999Z',
      '2026-02-28T12:00:00Z',
      '2026-02-28T12:00:00.1Z',
    ];
    for (const text of good) expect(takes(momentSchema, text), text).toBe(true);
    const bad = [
      '1999-12-31T23:59:59.999Z',
      '2100-01-01T00:00:00.000Z',
      '2026-02-28T12:00:00.1234Z',
      '2026-02-30T12:00:00.000Z',
      '2026-02-28T12:00:00+01:00',
      '2026-02-28',
      '',
    ];
    for (const text of bad) expect(takes(momentSchema, text), text).toBe(false);
  });

  it('whole numbers fit a signed word of 32 bits, others one of single precision (IEEE 754)', () => {
    for (const value of [0, 1, 2 ** 31 - 1]) expect(takes(wholeSchema, value), String(value)).toBe(true);
    for (const value of [-1, 2 ** 31, 0.5, NaN]) expect(takes(wholeSchema, value), String(value)).toBe(false);
    for (const value of [0, -3.4e38, 3.4e38, 1e-300]) expect(takes(singleSchema, value), String(value)).toBe(true);
    for (const value of [3.41e38, -3.41e38, Infinity, NaN])
      expect(takes(singleSchema, value), String(value)).toBe(false);
  });

  it('keys are in small letters, as the database gives them back', () => {
    expect(takes(keySchema, '6f9619ff-8b86-4d11-b42d-00c04fc964ff')).toBe(true);
    expect(takes(keySchema, '6F9619FF-8B86-4D11-B42D-00C04FC964FF')).toBe(false);
    expect(takes(keySchema, '6f9619ff')).toBe(false);
  });

  it('text holds no NUL and no half of a surrogate pair; the place is named', () => {
    expect(unstorable({ a: ['fine', 'tape 🎚 and Ω', ''] })).toBeNull();
    expect(unstorable({ a: ['x', { b: 'y\0' }] })).toMatchObject({
      path: 'a.1.b',
      why: expect.stringContaining('NUL') as unknown,
    });
    for (const half of ['\ud83c', '\udf9a', '\udf9a\ud83c', 'x\ud83cy'])
      expect(unstorable(half), JSON.stringify(half)).toMatchObject({
        path: 'body',
        why: expect.stringContaining('surrogate') as unknown,
      });
    expect(unstorable(JSON.parse('{"n": 1e999}'))).toMatchObject({ path: 'n' });
    expect(unstorable([null, true, 0, -1.5])).toBeNull();
  });

  it('names reach no prototype and hold no sign that cannot be kept, however deep', () => {
    for (const name of ['__proto__', 'constructor', 'prototype', 'a\0'])
      expect(unstorable(JSON.parse(`{"x":{${JSON.stringify(name)}:1}}`)), name).toMatchObject({ path: 'x' });
    expect(unstorable({ proto: 1, toString: 'x' })).toBeNull();
  });

  it('nests to twenty-five and no deeper', () => {
    const nested = (depth: number): unknown => (depth === 0 ? {} : { in: nested(depth - 1) });
    expect(unstorable(nested(24))).toBeNull();
    expect(unstorable(nested(25))).toMatchObject({ why: 'is nested too deep' });
  });
});

/** What the contract allows of each line, written out: whoever changes a limit changes it here too, on purpose. */
const LIMITS = `
  reading.text: 0 to 400
  reading.values: at most 64
  reading.unit: 0 to 12
  reading.place: 0 to 400
  reading.speedId: 0 to 400
  note.text: 1 to 4000
  speed.text: 0 to 400
  speed.speedId: 1 to 400
  speed.sourceName: 0 to 400
  speed.conditions: 0 to 400
  work.what: 1 to 400
  power.conditions: at most 20
  power.conditions[]: 0 to 400
  hold.prompt: 0 to 400
  place.place: 1 to 400
  strike.reason: 1 to 400
  field.field: 0 to 400
  field.from: 0 to 4000
  field.to: 0 to 4000
  hand-back.leftUndone: 0 to 4000
  safe.lineId: 1 to 64
  safe.text: 1 to 400
  charge.storeId: 1 to 64
  charge.name: 1 to 400
  charge.microfarad: above 0
  charge.volts: above 0
  charge.ohm: above 0
  charge.watts: above 0
  start-volts.volts: above 0
  gate.accepted: at most 100
  gate.accepted[].why: 1 to 400
  gate.inPlace: at most 60
  gate.inPlace[]: 0 to 64
  gate.shortOhm: from 0
  gate.limit.value: above 0
  gate.limit.unitWatts: above 0
  gate.confirmed: at most 20
  gate.confirmed[]: 0 to 64
  step.text: 0 to 400
  step.what: 1 to 400
  step.fasteners: at most 20
  step.fasteners[].count: from 1, to 999
  step.fasteners[].what: 1 to 400
  step.fasteners[].tray: 1 to 20
  step.marks: 0 to 400
  step.orientation: 0 to 400
  step.distances: at most 12
  step.distances[].what: 1 to 400
  step.distances[].unit: 1 to 12
  step.distances[].tolerance: from 0
  step.wires: at most 64
  step.wires[].pin: 1 to 8
  step.wires[].colour: 1 to 40
  step.owes: at most 12
  step.owes[]: 1 to 400
  step.traces: 0 to 400
  step.after: at most 50
  open-end.what: 1 to 400
  open-end.usualId: 0 to 64
  close.how: 0 to 400
  refit.returned: at most 20
  refit.returned[]: from 0, to 999
  refit.distances: at most 12
  refit.renewed: at most 12
  refit.renewed[]: 1 to 400
  explain.finding: 1 to 400
  explain.why: 1 to 400
  move.moveId: 1 to 64
  move.name: 1 to 400
  timer.label: 0 to 400
  timer.minutes: to 86400, above 0
  photo.caption: 0 to 400
  photo.width: from 1, to 20000
  photo.height: from 1, to 20000
  photo.place: 0 to 400
  marks.marks: at most 60
  marks.marks[].x: from 0, to 1
  marks.marks[].y: from 0, to 1
  marks.marks[].toX: from 0, to 1
  marks.marks[].toY: from 0, to 1
  marks.marks[].text: 0 to 80
  answer.testId: 1 to 64
  answer.name: 1 to 400
  answer.outcome: 1 to 64
  answer.words: 0 to 400
  answer.unit: 0 to 12
  mended.repairId: 1 to 64
  mended.name: 1 to 400
  mended.rank: from 1, to 500
  suspect.block: 1 to 64
  suspect.name: 1 to 400
  unreachable.testId: 1 to 64
  unreachable.name: 1 to 400
  tried.block: 1 to 64
  tried.name: 1 to 400
  tried.amps: from 0, to 1000
  terms.worth: from 0, to 1000000000
  terms.price: from 0, to 1000000000
  terms.ceiling: from 0, to 1000000000
  working.workingId: 1 to 64
  working.name: 1 to 400
  working.inputs: at most 40
  working.inputs[].id: 1 to 64
  working.inputs[].text: 0 to 2000
  working.words: 0 to 2000
  working.verdict: 0 to 400
  working.expects.place: 1 to 400
  working.expects.unit: 1 to 12
  mend-step.repairId: 1 to 64
  mend-step.stepId: 1 to 64
  mend-step.what: 1 to 400
  decision-dropped.optionId: 1 to 64
  decision-dropped.name: 1 to 400
  decision.optionId: 1 to 64
  decision.name: 1 to 400
  decision.reason: 0 to 400
  decision.chance: from 0, to 1
  decision.minutes: from 0, to 1000000
  decision.money: from 0, to 1000000000
  decision.expectedCost: from 0, to 1000000000
  decision.beside: 0 to 400
  coach-begin.task.speeds: at most 6
  coach-begin.task.speeds[].id: 1 to 64
  coach-begin.task.speeds[].label: 1 to 400
  coach-begin.task.speeds[].lowerPercent: from -50, below 0
  coach-begin.task.speeds[].upperPercent: to 50, above 0
  coach-begin.task.trims: at most 6
  coach-begin.task.trims[].id: 1 to 64
  coach-begin.task.trims[].name: 1 to 400
  coach-begin.task.trims[].serves: at most 6
  coach-begin.task.trims[].serves[]: 1 to 64
  coach-begin.task.trims[].travelTurns: to 100, above 0
  coach-begin.task.trims[].stoodTurns: from -1000, to 1000
  coach-begin.checks: at most 20
  coach-begin.checks[]: 1 to 64
  coach-turned.trimId: 1 to 64
  coach-turned.name: 1 to 400
  coach-turned.turns: from -1000, to 1000
  coach-stands.trimId: 1 to 64
  coach-stands.name: 1 to 400
  coach-stands.turns: from -1000, to 1000
  proved.checkId: 1 to 160
  proved.name: 1 to 400
  proved.words: 0 to 400
  unproved.checkId: 1 to 160
  unproved.name: 1 to 400
  unproved.why: 1 to 400
  trial-phase.block: 1 to 64
  trial-phase.name: 1 to 400
  coast.speedId: 1 to 64
  coast.fromRpm: to 1000000, above 0
  coast.toRpm: from 0, to 1000000
  coast.seconds: to 100000, above 0
  coast.conditions: 0 to 400
  protection-class.cordM: to 100, above 0
  safety-reading.value: from 0, to 1000000
  safety-reading.limit: to 1000000, above 0
  safety-reading.instrument: 0 to 400
  sheet.photos: at most 12
  sheet.notes: at most 200
  sheet.watch: 0 to 400
  follow-up.what: 1 to 400
  follow-up-done.words: 0 to 400
  return.number: from 0, to 2147483647
`;

/** Lengths, numbers and counts of a schema, a line each. */
function limitsOf(schema: z.core.JSONSchema.JSONSchema, path: string): string[] {
  const { minLength: least = 0, maxLength, maxItems, exclusiveMinimum: above, minimum, maximum } = schema;
  const { exclusiveMaximum: below } = schema;
  const own = [
    ...(maxLength === undefined ? [] : [`${least} to ${maxLength}`]),
    ...(maxItems === undefined ? [] : [`at most ${maxItems}`]),
    ...(minimum === undefined || minimum <= Number.MIN_SAFE_INTEGER ? [] : [`from ${minimum}`]),
    ...(maximum === undefined || maximum >= Number.MAX_SAFE_INTEGER ? [] : [`to ${maximum}`]),
    ...(above === undefined ? [] : [`above ${above}`]),
    ...(below === undefined ? [] : [`below ${below}`]),
  ];
  const inner = (one: unknown, at: string) => limitsOf(one as z.core.JSONSchema.JSONSchema, at);
  return [
    ...(own.length > 0 ? [`${path}: ${own.join(', ')}`] : []),
    ...Object.entries(schema.properties ?? {}).flatMap(([name, one]) => inner(one, `${path}.${name}`)),
    ...(schema.items ? inner(schema.items, `${path}[]`) : []),
    ...(schema.anyOf ?? []).flatMap((one) => inner(one, path)),
  ];
}

describe('the lines of a log', () => {
  it('have the limits that are written here, and no others', () => {
    const schema = z.toJSONSchema(eventBodySchema, { unrepresentable: 'any', io: 'input' });
    const kinds = (schema.oneOf ?? []) as z.core.JSONSchema.JSONSchema[];
    const found = kinds.flatMap((one) =>
      limitsOf(one, String((one.properties?.kind as z.core.JSONSchema.JSONSchema | undefined)?.const)),
    );
    expect(found).toEqual(
      LIMITS.trim()
        .split('\n')
        .map((limit) => limit.trim()),
    );
  });
});
