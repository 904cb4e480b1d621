/** Workings against sums made by hand (sums.json says from what). */
import { describe, expect, it } from 'vitest';
import { solveWorking, workingOf, type Working, type WorkingTexts } from '../src/workings/index.js';
import told from './sums.json' with { type: 'json' };

interface Sum {
  readonly working: string;
  readonly given: WorkingTexts;
  readonly verdict?: string | null;
  readonly rows?: readonly string[];
  readonly says?: readonly string[];
  /** The field that is refused. */
  readonly refuses?: string;
}

const plain = (text: string) => text.replace(/[\u202f\s]+/g, ' ');

describe('sums made by hand', () => {
  it.each((told.sums as unknown as readonly Sum[]).map((sum) => [`${sum.working} ${JSON.stringify(sum.given)}`, sum]))(
    '%s',
    (_name, sum) => {
      const { working, given, verdict, rows = [], says = [], refuses } = sum as Sum;
      const result = solveWorking(workingOf(working) as Working, given);
      if (result.kind !== 'answer' || refuses !== undefined) {
        expect(result).toMatchObject({ kind: 'wrong', field: refuses ?? 'nothing' });
        return;
      }
      expect(result.verdict).toBe(verdict);
      expect(result.rows.map(({ value }) => plain(value))).toEqual(expect.arrayContaining([...rows]));
      for (const words of says) expect(plain(result.says.join(' '))).toContain(words);
    },
  );
});
