/** Every export of the page says what it is: in a line of its own, or at the head of a file that exports nothing else. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { expect, it } from 'vitest';

const web = new URL('../../web/src', import.meta.url).pathname;

/** Names exported without a word. */
function undocumented(path: string, text: string): string[] {
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const exported = file.statements.filter(
    (one) => ts.canHaveModifiers(one) && ts.getModifiers(one)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword),
  );
  if (exported.length === 1 && text.startsWith('/**')) return [];
  return exported
    .filter((one) => ts.getJSDocCommentsAndTags(one).length === 0)
    .map((one) => `${path}: ${one.getText().split('\n')[0]}`);
}

it('holds for all of them', () => {
  const files = readdirSync(web, { recursive: true, encoding: 'utf8' }).filter(
    (name) => /\.tsx?$/.test(name) && !/\.test\.|test-data|\.d\.ts$/.test(name),
  );
  expect(files.length).toBeGreaterThan(200);
  expect(files.flatMap((name) => undocumented(name, readFileSync(join(web, name), 'utf8')))).toEqual([]);
});

it('is told where one is planted', () => {
  expect(undocumented('a.ts', '/** Two things. */\nexport const a = 1;\nexport const b = 2;\n')).toEqual([
    'a.ts: export const b = 2;',
  ]);
  expect(undocumented('a.ts', '/** One thing. */\nimport x from "x";\nexport const a = x;\n')).toEqual([]);
  expect(undocumented('a.ts', 'export const a = 1;\n')).toEqual(['a.ts: export const a = 1;']);
});
