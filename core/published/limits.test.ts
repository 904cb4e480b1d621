/** Limits of families, paths, model sheets, trains, cautions and case files, written out: whoever changes one changes it here too, on purpose. */
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import written from './limits.json' with { type: 'json' };
import { entrySchema } from '../src/diagnosis/caseFile.js';
import { trainSchema } from '../src/drive/train/schema.js';
import { modelSheetSchema } from '../src/families/path/fit.js';
import { pathSchema } from '../src/families/path/schema.js';
import { familySchema } from '../src/families/schema.js';
import { cautionSchema } from '../src/families/shared/cautions.js';

/** Every bound of a schema by its place: "trims[] maxItems 6". */
function boundsOf(node: unknown, at: string): string[] {
  if (typeof node !== 'object' || node === null) return [];
  return Object.entries(node).flatMap(([key, value]) => {
    if (/^(min|max|exclusive)/.test(key) && typeof value === 'number')
      return Math.abs(value) < Number.MAX_SAFE_INTEGER ? [`${at} ${key} ${value}`] : [];
    return boundsOf(value, /^(properties|anyOf|oneOf|\d+)$/.test(key) ? at : `${at}.${key}`);
  });
}

describe.each(
  Object.entries({
    family: familySchema,
    path: pathSchema,
    sheet: modelSheetSchema,
    train: trainSchema,
    caution: cautionSchema,
    entry: entrySchema,
  }),
)('%s', (name, schema) => {
  it('has the limits that are written here, and no others', () => {
    const json = z.toJSONSchema(schema, { unrepresentable: 'any', io: 'input' });
    expect(boundsOf(json, name)).toEqual(written.limits[name as keyof typeof written.limits]);
  });
});
