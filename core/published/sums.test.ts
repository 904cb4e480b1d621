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

const USUAL = told.edges.usual as Readonly<Record<string, WorkingTexts>>;

describe('on either side of a limit', () => {
  it.each(told.edges.lines)('%s', (line) => {
    const [, id = '', typed = '', want = ''] = /^(\S+) \|(.*)\| (.*)$/.exec(line) ?? [];
    const texts = Object.fromEntries(
      typed
        .split(';')
        .filter((one) => one.includes(':'))
        .map((one) => one.split(/:(.*)/s).map((part) => part.trim()) as [string, string]),
    );
    const result = solveWorking(workingOf(id) as Working, { ...USUAL[id], ...texts });
    if (want.startsWith('?')) {
      expect(result.kind).not.toBe('answer');
      expect(plain(JSON.stringify(result))).toContain(want.slice(1));
      return;
    }
    if (result.kind !== 'answer') throw new Error(JSON.stringify(result));
    const said = plain(result.says.join(' '));
    if (want.startsWith('=')) expect(result.verdict ?? '').toBe(want.slice(1));
    else if (want.startsWith('~')) expect(said).toContain(want.slice(1));
    else if (want.startsWith('!')) expect(said).not.toContain(want.slice(1));
    else if (want.startsWith('-')) expect(result.rows.map(({ label }) => label)).not.toContain(want.slice(1));
    else {
      const [label = '', value = ''] = want.split(' = ');
      expect(plain(result.rows.find((row) => row.label === label)?.value ?? 'no such row')).toBe(value);
    }
  });
});
