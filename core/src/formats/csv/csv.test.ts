import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readTable } from './table.js';
import { namedSeconds } from './time.js';

const table = (text: string) => {
  const read = readTable(text);
  if (read.kind !== 'table') throw new Error(read.reason);
  return read;
};

describe('tables of instruments', () => {
  it('come back from every separator and decimal sign', () => {
    const cell = fc.integer({ min: -99999, max: 99999 }).map((n) => n / 100);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(cell, cell, cell), { minLength: 4, maxLength: 40 }),
        fc.constantFrom(';', '\t', ' '),
        fc.boolean(),
        (rows, separator, comma) => {
          const text = rows
            .map((row) => row.map((value) => value.toFixed(2).replace('.', comma ? ',' : '.')).join(separator))
            .join('\n');
          const { columns } = table(text);
          expect(columns).toHaveLength(3);
          rows.forEach((row, i) => row.forEach((value, c) => expect(columns[c]?.[i]).toBeCloseTo(value, 9)));
        },
      ),
    );
  });

  it('pass over comments, blank lines, a byte-order mark and quotes, and join header and unit row', () => {
    const read = table('\uFEFF# exported\n\nTime;Volts\n(ms);(V)\n"0,0";"1,5"\n\n"0,1";"1,6"\n"0,2";"1,7"');
    expect(read.names).toEqual(['Time (ms)', 'Volts (V)']);
    expect(Array.from(read.columns[1] ?? [])).toEqual([1.5, 1.6, 1.7]);
    expect(Array.from(read.lineOf)).toEqual([5, 7, 8]);
  });

  it('leave out a last row that was broken off, but refuse text in the middle with its line', () => {
    expect(table('1,2\n3,4\n5,6\n7,8\n9,').columns[0]).toHaveLength(4);
    expect(readTable('1,2\n3,4\n5,x\n7,8')).toMatchObject({ reason: 'TEXT_IN_NUMBERS', line: 3 });
  });

  it('of numbers and names hold both, were it one row alone', () => {
    for (const rows of ['0.5;rising', '0.5;rising\n0.7;falling']) {
      const read = table(`time;edge\n${rows}`);
      expect([read.names, [...(read.columns[0] ?? [])][0], read.texts[0]?.cells[0]]).toEqual([['time'], 0.5, 'rising']);
    }
  });

  it('refuse numbers beyond all sense and files without any', () => {
    expect(readTable('1\n2\n1e400\n4')).toMatchObject({ reason: 'TEXT_IN_NUMBERS', line: 3 });
    expect(readTable('once upon a time')).toMatchObject({ reason: 'NOT_A_TABLE' });
    expect(readTable(' \n\n')).toMatchObject({ reason: 'EMPTY_FILE' });
  });

  it.each([
    ['Time (ms)', 1e-3],
    ['t [us]', 1e-6],
    ['timestamp_ns', 1e-9],
    ['elapsed minutes', 60],
    ['Time', null],
    ['seconds', 1],
  ])('%s counts %s s', (name, factor) => expect(namedSeconds(name)).toBe(factor));
});
