/**
 * Values that a schema of the contract may be asked to take: made from the schema itself (by way of JSON
 * Schema), with the signs, sizes and moments that storage trips over thrown in.
 */
import fc from 'fast-check';
import { z } from 'zod';

interface Shape {
  readonly type?: string | readonly string[];
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
  readonly allOf?: readonly Shape[];
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: Shape | boolean;
  readonly items?: Shape;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly format?: string;
  readonly pattern?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly exclusiveMaximum?: number;
}

/** Signs that text columns, JSON columns and logs stumble over. */
const NASTY = [
  '\0',
  'a\0b',
  '\ud800',
  'x\udc00y',
  '\uffff',
  '🎛️',
  "'; drop table job; --",
  '{}[]\\"',
  '\u202eright to left',
  '<b>',
  '__proto__',
];

const MOMENT = '2026-03-01T09:30:00.000Z';
const MOMENTS = [
  '2026-03-01T10:00:00.000Z',
  '2026-03-01T10:00:00Z',
  '2026-02-30T00:00:00.000Z',
  '0000-01-01T00:00:00.000Z',
  '1970-01-01T00:00:00.000Z',
  '2099-12-31T23:59:59.999Z',
  '9999-12-31T23:59:59.999Z',
  '2026-03-01T09:59:59.9999999Z',
];

const NUMBERS = [0, -0, 1e-320, 5e-324, 1e-46, 3.5e38, 1.79e308, -1.79e308, 2147483648, 9007199254740991, 0.1];

/** Values that mostly fit `schema`, and some at and beyond its edges. */
export const arbitraryOf = (schema: z.ZodType): fc.Arbitrary<unknown> =>
  ofShape(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape);

function ofShape(shape: Shape): fc.Arbitrary<unknown> {
  if (shape.const !== undefined) return fc.constant(shape.const);
  if (shape.enum) return fc.constantFrom(...shape.enum);
  const choices = shape.anyOf ?? shape.oneOf;
  if (choices) return fc.oneof(...choices.map(ofShape));
  if (shape.allOf) return ofShape(Object.assign({}, ...shape.allOf) as Shape);
  if (Array.isArray(shape.type)) return fc.oneof(...shape.type.map((type: string) => ofShape({ ...shape, type })));
  switch (shape.type) {
    case 'object':
      return ofObject(shape);
    case 'array':
      return fc.array(ofShape(shape.items ?? {}), {
        minLength: shape.minItems ?? 0,
        maxLength: Math.min(shape.maxItems ?? 3, (shape.minItems ?? 0) + 3),
      });
    case 'string':
      return ofString(shape);
    case 'integer':
      return ofNumber(shape, true);
    case 'number':
      return ofNumber(shape, false);
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    default:
      return fc.jsonValue({ maxDepth: 2 });
  }
}

function ofObject({ properties = {}, required = [], additionalProperties }: Shape): fc.Arbitrary<unknown> {
  const own = fc.record(Object.fromEntries(Object.entries(properties).map(([name, inner]) => [name, ofShape(inner)])), {
    requiredKeys: [...required],
  });
  if (typeof additionalProperties !== 'object') return own;
  const names = fc.oneof(
    { weight: 8, arbitrary: fc.string({ minLength: 1, maxLength: 12 }) },
    { weight: 1, arbitrary: fc.constantFrom(...NASTY) },
  );
  const more = fc.dictionary(names, ofShape(additionalProperties), { maxKeys: 4 });
  return fc.tuple(own, more).map(([a, b]) => ({ ...b, ...a }));
}

function ofString({ format, pattern, minLength = 0, maxLength = 40 }: Shape): fc.Arbitrary<unknown> {
  if (format === 'uuid')
    return fc.oneof(
      { weight: 9, arbitrary: fc.uuid() },
      { weight: 1, arbitrary: fc.uuid().map((key) => key.toUpperCase()) },
    );
  if (pattern && !format) return fc.stringMatching(new RegExp(pattern));
  if (format === 'date-time')
    return fc.oneof(
      { weight: 8, arbitrary: fc.constant(MOMENT) },
      { weight: 1, arbitrary: fc.constantFrom(...MOMENTS) },
    );
  if (format === 'date')
    return fc.constantFrom('2000-01-01', '2026-02-28', '2099-12-31', '2026-02-30', '0000-01-01', '9999-12-31', '');
  const plain = fc.string({ minLength, maxLength: Math.min(maxLength, minLength + 20), unit: 'grapheme' });
  return fc.oneof(
    { weight: 12, arbitrary: plain },
    { weight: 1, arbitrary: fc.constantFrom(...NASTY) },
    { weight: 1, arbitrary: fc.constant('m'.repeat(Math.min(maxLength, 5000))) },
  );
}

function ofNumber(shape: Shape, whole: boolean): fc.Arbitrary<unknown> {
  const low = Math.max(shape.minimum ?? shape.exclusiveMinimum ?? -1e6, -1e15);
  const high = Math.min(shape.maximum ?? shape.exclusiveMaximum ?? 1e6, 1e15);
  const usual = whole
    ? fc.integer({ min: Math.ceil(Math.max(low, -2e9)), max: Math.floor(Math.min(high, 2e9)) })
    : fc.double({ min: low, max: high, noNaN: true });
  const edges = NUMBERS.filter((value) => !whole || Number.isInteger(value));
  return fc.oneof({ weight: 12, arbitrary: usual }, { weight: 1, arbitrary: fc.constantFrom(...edges, low, high) });
}
