/**
 * The list of everything that is said: sentences in code, and the words of the tables (families, practice machines),
 * which are heard as they are read. Node must read TypeScript here (tsx), and nothing of the core be read before.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import gettext from 'gettext-parser';
import { namesIn, saidIn, SILENT, SPEAKING, unsaidIn } from './sentences.mjs';
import { ROOT } from './run.mjs';

/** The list itself: a template of gettext, the open form that translators' programs read. */
export const LIST = join(ROOT, 'words', 'amber-gauge.pot');

const filesBelow = (dir) =>
  readdirSync(dir, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => {
      const path = join(dir, entry.name);
      if (entry.isDirectory()) return filesBelow(path);
      return /\.tsx?$/.test(path) && !SILENT.test(path) ? [path] : [];
    });

let read;
/** Every file of code that speaks, as a tree; read once. */
const speakingFiles = () => (read ??= readSpeaking());

async function readSpeaking() {
  const { default: ts } = await import('typescript');
  const files = SPEAKING.flatMap((dir) => filesBelow(join(ROOT, dir))).map((path) =>
    ts.createSourceFile(
      relative(ROOT, path),
      readFileSync(path, 'utf8'),
      ts.ScriptTarget.Latest,
      true,
      path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
    ),
  );
  return { ts, files };
}

/** Places where something is shown that is not said: "file:line text". */
export async function unsaid() {
  const { ts, files } = await speakingFiles();
  return files.flatMap((file) =>
    unsaidIn(ts, file).map((node) => {
      const { line } = file.getLineAndCharacterOfPosition(node.getStart());
      return `${file.fileName}:${line + 1} ${node.getText().trim()}`;
    }),
  );
}

/** What the tables say: by sentence, with the table that says it. */
async function heard() {
  const out = new Map();
  const hear = (where) => (sentence) => {
    if (typeof sentence === 'string' && sentence !== '' && !out.has(sentence)) out.set(sentence, where);
    return sentence;
  };
  const { speakThrough } = await import('../../core/src/words/index.ts');
  speakThrough(hear('families'));
  const { PATHS, FAMILIES, CONSUMABLES, BANS, provingOf } = await import('../../core/src/families/index.ts');
  for (const family of FAMILIES) provingOf(family.id);
  for (const words of [...Object.values(CONSUMABLES), ...BANS.flatMap(({ why, lift }) => [why, lift])])
    hear('families')(words);
  // Names that are ids as well are said where they are shown.
  for (const path of PATHS.values()) {
    for (const { states } of path.signals) states.forEach(hear('states'));
    for (const { values } of path.contexts) values.forEach(hear('conditions'));
  }
  const { PRACTICE_MACHINES } = await import('../../core/src/practice/index.ts');
  for (const { faults, hands } of PRACTICE_MACHINES)
    for (const { name } of [...faults, ...hands]) hear('practice')(name);
  speakThrough(undefined);
  return out;
}

/** The list as text, the same for the same code. */
export async function wordList() {
  const { ts, files } = await speakingFiles();
  const entries = new Map();
  const put = (msgid, where, gaps) => {
    const entry = entries.get(msgid) ?? { msgid, msgstr: [''], places: new Set(), gaps: new Set() };
    entry.places.add(where);
    gaps.forEach((gap, i) => entry.gaps.add(`{${i}} ${gap.replace(/\s+/g, ' ').slice(0, 100)}`));
    entries.set(msgid, entry);
  };
  for (const file of files) for (const { key, gaps } of saidIn(ts, file)) put(key, file.fileName, gaps);
  for (const file of files) for (const name of namesIn(ts, file)) put(name, file.fileName, []);
  for (const [sentence, where] of await heard()) put(sentence, where, []);
  const translations = {};
  for (const { places, gaps, ...entry } of entries.values())
    translations[entry.msgid] = {
      ...entry,
      comments: {
        reference: [...places].join('\n'),
        ...(gaps.size > 0 ? { extracted: [...gaps].join('\n') } : {}),
      },
    };
  const headers = { 'content-type': 'text/plain; charset=utf-8', 'content-transfer-encoding': '8bit' };
  return gettext.po
    .compile({ charset: 'utf-8', headers, translations: { '': translations } }, { foldLength: 0 })
    .toString();
}
