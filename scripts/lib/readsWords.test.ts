/** What decides stands in fields and ids: words are read where they are typed, and in the places named here. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const root = new URL('../..', import.meta.url).pathname;

/** Rungs whose logic must not hang on how something is called. */
const LOGIC = ['core/src/bench', 'core/src/diagnosis', 'core/src/training', 'core/src/drive', 'core/src/speed'];

/** Files and folders that read what a hand typed, or turn words into words; each with what for. */
const READERS: readonly (readonly [path: string, why: string])[] = [
  ['core/src/bench/entry/', 'the line that was typed'],
  ['core/src/bench/fromEntry.ts', 'words to words'],
  ['core/src/bench/workSaid.ts', 'work that was typed, into blocks and reach'],
  ['core/src/bench/ledger/parse.ts', 'a step that was typed'],
  ['core/src/bench/ledger/words.ts', 'ends that were typed'],
  ['core/src/bench/ledger/wires.ts', 'a row of wires that was typed'],
  ['core/src/bench/timers/duration.ts', 'a duration that was typed'],
  ['core/src/bench/find/named.ts', 'parts that a step or an end was typed with'],
  ['core/src/bench/find/bandEnd.ts', 'an end of a band that was typed'],
  ['core/src/bench/find/workOf.ts', 'words to words'],
  ['core/src/bench/handback/done.ts', 'words to words'],
  ['core/src/bench/coach/coach.ts', 'a clock position that was typed'],
  ['core/src/bench/safety/refuse.ts', 'a wish that was typed: dangerous ones are refused'],
  ['core/src/bench/safety/caution.ts', 'a wish that was typed: what to mind is shown'],
  ['core/src/bench/mend/expected.ts', 'the place of a reading, as it was typed'],
  ['core/src/bench/needsPower.ts', 'the place of a reading, as it was typed'],
  ['core/src/bench/prove/usualChecks.ts', 'the complaint, as the owner said it'],
  ['core/src/speed/made/', 'made recordings to try it on'],
  ['core/src/speed/typedPart.ts', 'the name of a part that was typed'],
  ['core/src/speed/rotation/', 'names of columns and channels in files of others'],
  ['core/src/speed/strobe/discDrawing.ts', 'the width of letters'],
  ['core/src/diagnosis/row.ts', 'a value that was typed'],
  ['core/src/diagnosis/case.ts', 'the number in a message of its own'],
  ['core/src/diagnosis/nextTests.ts', 'names of states, which are their ids'],
];

const READS = /\.(?:test|exec|match|matchAll|search)\(|\.(?:startsWith|endsWith)\('[A-Za-z]{3,}/;

/** Files below a folder that read words. */
const readersIn = (folder: string): string[] =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !/\.test\.ts$|\.test-data\.ts$/.test(name))
    .map((name) => `${folder}/${name}`)
    .filter((path) => READS.test(readFileSync(join(root, path), 'utf8')));

it('no other file of the core decides by what something is called', () => {
  const readers = LOGIC.flatMap(readersIn);
  expect(readers.filter((path) => !READERS.some(([known]) => path.startsWith(known)))).toEqual([]);
  // Who reads no more is struck off the list.
  for (const [known] of READERS)
    expect(
      readers.some((path) => path.startsWith(known)),
      known,
    ).toBe(true);
});
