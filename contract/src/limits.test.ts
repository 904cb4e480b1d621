import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { ERROR_TABLE } from './errors.js';
import written from './limits.json' with { type: 'json' };
import {
  addShelfSchema,
  askReadingSchema,
  attachmentKeptSchema,
  bookQuerySchema,
  bundleSchema,
  changeJobSchema,
  changeSettingsSchema,
  changeSheetSchema,
  changeSourceSchema,
  dayFirstSchema,
  fileRunSchema,
  listQuerySchema,
  liveCaptureSchema,
  liveFrameSchema,
  newJobSchema,
  newRunSchema,
  newSourceSchema,
  postEventsSchema,
  tryInstrumentSchema,
} from './index.js';
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
      INSTRUMENT: 422,
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

/** Lengths, numbers and counts of a schema, a line each. */
function limitsOf(schema: z.core.JSONSchema.JSONSchema, path: string): string[] {
  const { minLength: least = 0, maxLength, minItems = 0, maxItems, exclusiveMinimum: above, minimum, maximum } = schema;
  const { exclusiveMaximum: below } = schema;
  const own = [
    ...(maxLength === undefined ? [] : [`${least} to ${maxLength}`]),
    ...(maxItems === undefined ? [] : [minItems > 0 ? `${minItems} to ${maxItems} of them` : `at most ${maxItems}`]),
    ...(minimum === undefined || minimum <= Number.MIN_SAFE_INTEGER ? [] : [`from ${minimum}`]),
    ...(maximum === undefined || maximum >= Number.MAX_SAFE_INTEGER ? [] : [`to ${maximum}`]),
    ...(above === undefined ? [] : [`above ${above}`]),
    ...(below === undefined ? [] : [`below ${below}`]),
    ...(typeof schema.const === 'number' ? [`is ${schema.const}`] : []),
  ];
  const inner = (one: unknown, at: string) => limitsOf(one as z.core.JSONSchema.JSONSchema, at);
  return [
    ...(own.length > 0 ? [`${path}: ${own.join(', ')}`] : []),
    ...Object.entries(schema.properties ?? {}).flatMap(([name, one]) => inner(one, `${path}.${name}`)),
    ...(schema.items ? inner(schema.items, `${path}[]`) : []),
    ...(typeof schema.additionalProperties === 'object' ? inner(schema.additionalProperties, `${path}{}`) : []),
    ...[...(schema.anyOf ?? []), ...(schema.oneOf ?? [])].flatMap((one) => inner(one, path + kindOf(one))),
  ];
}

/** Of one among several kinds: which. */
function kindOf(schema: z.core.JSONSchema._JSONSchema): string {
  const kind = (schema as z.core.JSONSchema.JSONSchema).properties?.kind as z.core.JSONSchema.JSONSchema | undefined;
  return kind ? ` ${(kind.enum ?? [kind.const]).join('|')}` : '';
}

describe('the lines of a log', () => {
  it('have the limits that are written here, and no others', () => {
    const schema = z.toJSONSchema(eventBodySchema, { unrepresentable: 'any', io: 'input' });
    const kinds = (schema.oneOf ?? []) as z.core.JSONSchema.JSONSchema[];
    const found = kinds.flatMap((one) =>
      limitsOf(one, String((one.properties?.kind as z.core.JSONSchema.JSONSchema | undefined)?.const)),
    );
    expect(found).toEqual(written.lines);
  });
});

describe('what is sent to the server', () => {
  it('has the limits that are written here, and no others', () => {
    const requests = {
      newJob: newJobSchema,
      changeJob: changeJobSchema,
      listQuery: listQuerySchema,
      postEvents: postEventsSchema,
      changeSettings: changeSettingsSchema,
      newSource: newSourceSchema,
      changeSource: changeSourceSchema,
      changeSheet: changeSheetSchema,
      addShelf: addShelfSchema,
      bookQuery: bookQuerySchema,
      newRun: newRunSchema,
      fileRun: fileRunSchema,
      bundle: bundleSchema,
      dayFirst: dayFirstSchema,
      askReading: askReadingSchema,
      tryInstrument: tryInstrumentSchema,
      liveFrame: liveFrameSchema,
      liveCapture: liveCaptureSchema,
      attachmentKept: attachmentKeptSchema,
    };
    const found = Object.entries(requests).flatMap(([name, schema]) =>
      limitsOf(z.toJSONSchema(schema, { unrepresentable: 'any', io: 'input' }), name),
    );
    // The same fields once more, and the log's lines, which have a list of their own.
    const again = /^(change(Job|Source)\.fields|postEvents\.events\[\]\.body|bundle\.(job\.|events\[\]))/;
    expect(found.filter((limit) => !again.test(limit))).toEqual(written.requests);
  });
});
