/** Everything that is shown is said, and stands in the list: a second language needs nothing but its own list. */
import { readFileSync } from 'node:fs';
import gettext from 'gettext-parser';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { saidIn, unsaidIn } from './sentences.mjs';
import { LIST, unsaid, wordList } from './wordList.mjs';

const fileOf = (text: string, path = 'web/src/features/planted.tsx') =>
  ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
const shown = (text: string, path?: string) => unsaidIn(ts, fileOf(text, path)).map((node) => node.getText().trim());

describe('what is shown', () => {
  it('is said, in every file that speaks', async () => {
    expect(await unsaid()).toEqual([]);
  }, 60_000);

  it('is found unsaid where it is planted: in markup, fields, conditions, errors, tables of words', () => {
    expect(shown('const A = () => <p>Unplug it now</p>;')).toEqual(['Unplug it now']);
    expect(shown('const A = () => <Field label="Volts" unit="V" className="row small" />;')).toEqual(['"Volts"']);
    expect(shown("const words = live ? 'it is on' : say`it is off`;")).toEqual(["'it is on'"]);
    expect(shown('const b = `${count} turns`; const c = `Measure ${label}`;')).toEqual([
      '`${count} turns`',
      '`Measure ${label}`',
    ]);
    expect(shown("throw new HttpError(404, 'There is no such job.');")).toEqual(["'There is no such job.'"]);
    expect(shown("const TIMER_WORDS = { soak: 'soak', cure: 'Cure' };")).toEqual(["'soak'", "'Cure'"]);
    // One word in place of something said, or given back by what gives words.
    expect(shown("const a = x ? 'owed' : y ? say`not read` : say`no work yet`;")).toEqual(["'owed'"]);
    expect(shown("function endWords(x) { if (!x) return 'open'; return kind === 'open' ? id : 0; }")).toEqual([
      "'open'",
    ]);
    expect(shown("const words = say`${n} ${n === 1 ? 'turn' : 'turns'}`;")).toEqual(["'turn'", "'turns'"]);
    expect(shown("throw new Error('The input gave nothing.'); throw new Error('no such table');")).toEqual([
      "'The input gave nothing.'",
    ]);
    expect(shown("const a = text('marks', 'Marks made'); const b = [10, 'every 10 s'];")).toEqual([
      "'Marks made'",
      "'every 10 s'",
    ]);
  });

  it('is no program: queries, paths, styles, ids, keys and units are left alone', () => {
    expect(
      shown(`
        const a = db.raw('select one from job where id = ?');
        const due = '(next_due is null or next_due > ?)'; query.count('* as n');
        const b = <div className="row small" style={{ border: '1px solid var(--line)' }} d="M0 1 L2 3" />;
        const c = ['left over', 'taped'] as const;
        const d = kind === 'pole pairs' ? 1 : 2;
        const e = useStored('amber-gauge-draft', '');
        const f = \`\${rpm} rpm, \${volts} V\`;
        if (event.key === 'Enter') table['claim days'];
      `),
    ).toEqual([]);
  });

  it('stands in the list as it is: written anew after a change (npm run words)', async () => {
    expect(readFileSync(LIST, 'utf8')).toBe(await wordList());
  }, 60_000);
});

describe('the list', () => {
  const { translations } = gettext.po.parse(readFileSync(LIST));
  const sentences = translations[''] ?? {};

  it('holds sentences of screens, papers and tables, whole, with what stands in their gaps', () => {
    expect(sentences['Every speed is read once before a screw is touched.']).toBeDefined();
    expect(sentences['Tell the owner: it is the record']).toBeDefined();
    expect(sentences['carbon track worn through'] ?? sentences['slow']).toBeDefined();
    expect(sentences['Move the {0} to {1}'] ?? sentences['Measure {0}']?.comments?.extracted).toContain('{0} ');
  });

  it('holds no query: what a program reads is never put into another language', () => {
    const queries = Object.keys(sentences).filter((one) =>
      /\bis (not )?null\b|\* as \w+$|\bselect\b.*\bfrom\b|\border by\b/.test(one),
    );
    expect(queries).toEqual([]);
  });

  it('names each gap of a sentence once and no other', () => {
    const keys = saidIn(ts, fileOf('say`a ${x} and ${y.z(1)}\n   then ${x}`;'));
    expect(keys).toEqual([{ key: 'a {0} and {1} then {2}', gaps: ['x', 'y.z(1)', 'x'], line: 1 }]);
    for (const key of Object.keys(sentences)) {
      const gaps = [...key.matchAll(/\{(\d+)\}/g)].map(([, i]) => Number(i));
      expect(gaps, key).toEqual(gaps.map((_, i) => i));
    }
  });
});
