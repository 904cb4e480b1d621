import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { solveWorking, workingOf, WORKINGS, type Working, type WorkingTexts } from './index.js';

const wild = fc.oneof(
  fc.constantFrom(
    '',
    '0',
    '-1',
    '1e308',
    '1e-300',
    'NaN',
    'Infinity',
    'OL OL OL',
    '1 2 3',
    '0 0 0',
    '2,3 2,3 2,0',
    '104K275',
    'constructor',
  ),
  fc.double({ min: -1e6, max: 1e6, noNaN: true }).map(String),
  fc.double({ min: 0.001, max: 500, noNaN: true }).map((value) => value.toFixed(3)),
  fc.string({ maxLength: 12 }),
);

/** Texts for a working: usual, chosen, or anything. */
const textsFor = (working: Working) =>
  fc.record(
    Object.fromEntries(
      working.fields.map((field) => [
        field.id,
        field.choices ? fc.oneof(fc.constantFrom(...field.choices), wild) : wild,
      ]),
    ),
  ) as fc.Arbitrary<WorkingTexts>;

describe.each(WORKINGS.map((one) => [one.id, one] as const))('%s', (_id, working) => {
  it('answers, asks, or refuses at a field, whatever is typed; no figure is without a number', () => {
    fc.assert(
      fc.property(textsFor(working), (texts) => {
        const result = solveWorking(working, texts);
        if (result.kind === 'answer') {
          const shown = [result.verdict ?? '', ...result.says, ...result.rows.flatMap((row) => [row.label, row.value])];
          for (const text of shown) expect(text).not.toMatch(/NaN|Infinity|undefined|null|–/);
          if (result.expects) expect(result.expects.high).toBeGreaterThanOrEqual(result.expects.low);
        } else if (result.kind === 'wrong') {
          expect(working.fields.map((field) => field.id)).toContain(result.field);
          expect(result.message.length).toBeGreaterThan(5);
        } else expect(result.fields.length).toBeGreaterThan(0);
      }),
      { numRuns: 300 },
    );
  });

  it('says what is missing when nothing is typed, and names what it takes for granted', () => {
    const result = solveWorking(working, {});
    expect(['missing', 'wrong', 'answer']).toContain(result.kind);
    expect(working.assumes.length).toBeGreaterThan(0);
    for (const name of ['id', 'label'] as const)
      expect(new Set(working.fields.map((field) => field[name])).size).toBe(working.fields.length);
    for (const field of working.fields)
      if (field.choices && field.usual !== undefined) expect(field.choices).toContain(field.usual);
  });
});

describe('what is typed', () => {
  const supply = workingOf('supply') as Working;
  const good = { secondary: '23', load: '0,1', reservoir: '2200' };

  it('is read with a decimal comma, and what cannot be is refused at its field', () => {
    expect(solveWorking(supply, good).kind).toBe('answer');
    expect(solveWorking(supply, { ...good, secondary: '0' })).toEqual({
      kind: 'wrong',
      field: 'secondary',
      message: 'It must be above zero.',
    });
    expect(solveWorking(supply, { ...good, load: '-1' })).toEqual({
      kind: 'wrong',
      field: 'load',
      message: 'It cannot be below zero.',
    });
    expect(solveWorking(supply, { ...good, reservoir: '1e30' })).toMatchObject({ kind: 'wrong', field: 'reservoir' });
    expect(solveWorking(supply, { ...good, reservoir: 'big' })).toEqual({
      kind: 'wrong',
      field: 'reservoir',
      message: '“big” is no number.',
    });
    expect(solveWorking(supply, { ...good, rectifier: 'triple' })).toMatchObject({ kind: 'wrong', field: 'rectifier' });
    expect(solveWorking(supply, { load: '1' })).toEqual({ kind: 'missing', fields: ['secondary', 'reservoir'] });
    expect(workingOf('nothing')).toBeNull();
  });

  it('more load always means less d.c. and more ripple; a larger reservoir less ripple', () => {
    const at = (load: number, reservoir: number) => {
      const result = solveWorking(supply, { secondary: '12', load: String(load), reservoir: String(reservoir) });
      if (result.kind !== 'answer') throw new Error(result.kind);
      return { low: result.expects?.low ?? 0, high: result.expects?.high ?? 0 };
    };
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        fc.double({ min: 500, max: 9000, noNaN: true }),
        (load, c) => {
          expect(at(load * 1.5, c).high).toBeLessThanOrEqual(at(load, c).high);
          expect(at(load, c * 1.5).low).toBeGreaterThanOrEqual(at(load, c).low);
        },
      ),
    );
  });
});
