/** The advice marked on the machines of the practice bench, as a table that can stand in the docs. */
import { MAPS, PRACTICE_WAYS, scorePractice, type PracticeScore, type PracticeWay } from '@amber-gauge/core/marking';
import { fixed } from '@amber-gauge/core/quantity';
import type { CommandAnswer } from './answer.js';
import { CliRefusal } from './refusal.js';

type Row = { readonly family: string } & PracticeScore;

/** All families that have a machine, or the one asked for. @throws CliRefusal UNKNOWN_FAMILY where it has none. */
export function practiceScores(
  only: string | undefined,
  runs: number,
  seed: number,
  ways: readonly PracticeWay[] = PRACTICE_WAYS,
): CommandAnswer {
  const maps = MAPS.filter(({ family }) => only === undefined || family === only);
  if (maps.length === 0)
    throw new CliRefusal(
      'UNKNOWN_FAMILY',
      `“${only ?? ''}” has no machine on the practice bench. There are: ${MAPS.map(({ family }) => family).join(', ')}.`,
    );
  const rows = maps.map((map) => ({ family: map.family, ...scorePractice(map, runs, seed, ways) }));
  return {
    json: { units: 'practice', runs, seed, families: rows.map((row) => snake(row, ways)) },
    words: wordsOf(rows, ways),
  };
}

const snake = (row: Row, asked: readonly PracticeWay[]) => ({
  family: row.family,
  units: row.units,
  sound_units: row.soundUnits,
  best_minutes: row.bestMinutes,
  sound_parts: row.soundParts,
  missed: row.missed,
  harms: row.harms,
  ways: Object.fromEntries(
    asked.map((way) => {
      const { found, led, minutes, live, wrongParts, harmed } = row.ways[way];
      return [
        way,
        {
          found_share: found,
          led_share: led,
          minutes,
          live_tests: live,
          wrong_parts: wrongParts,
          harmed_share: harmed,
        },
      ];
    }),
  ),
});

function wordsOf(rows: readonly Row[], ways: readonly PracticeWay[]): string {
  const head = [
    '| family | units | way | found % | led % | minutes | live | wrong parts | harmed % | minutes to plain | to best |',
    '|---|---|---|---|---|---|---|---|---|---|---|',
  ];
  const missed = rows.flatMap(({ family, missed: list }) =>
    list.length === 0
      ? []
      : [`- ${family}: ${list.map(({ fault, times, of }) => `${fault} ${times} of ${of}`).join(', ')}`],
  );
  const harms = rows.flatMap((row) =>
    row.harms.map(({ faults, words }) => `- ${row.family}: ${words} (${faults.join(' and ')})`),
  );
  return [
    ...head,
    ...rows.flatMap((row) => ways.map((way) => lineOf(row, way))),
    ...(rows.length > 1 ? [meanLine(rows)] : []),
    ...(missed.length > 0 ? ['', 'Not found by the advice:', '', ...missed] : []),
    ...(harms.length > 0 ? ['', 'What power did under the advice:', '', ...harms] : []),
  ].join('\n');
}

function lineOf(row: Row, way: PracticeWay): string {
  const score = row.ways[way];
  const first = way === 'engine';
  const cells = [
    first ? row.family : '',
    first ? `${row.units} + ${row.soundUnits} sound` : '',
    way,
    fixed(100 * score.found, 1),
    score.led === null ? '' : fixed(100 * score.led, 1),
    fixed(score.minutes, 1),
    fixed(score.live, 2),
    fixed(score.wrongParts, 3),
    fixed(100 * score.harmed, 1),
    first ? ratio(score.minutes, row.ways.plain.minutes) : '',
    first ? `${ratio(score.minutes, row.bestMinutes)} (${fixed(row.bestMinutes, 1)})` : '',
  ];
  return `| ${cells.join(' | ')} |`;
}

const ratio = (a: number, b: number): string => (b > 0 ? fixed(a / b, 2) : '');

/** Over the families, each alike. */
function meanLine(rows: readonly Row[]): string {
  const mean = (of: (row: Row) => number) => rows.reduce((sum, row) => sum + of(row), 0) / rows.length;
  const minutes = (way: PracticeWay) => mean((row) => row.ways[way].minutes);
  const cells = [
    'all, mean of families',
    `${rows.reduce((sum, row) => sum + row.units, 0)} + ${rows.reduce((sum, row) => sum + row.soundUnits, 0)} sound`,
    'engine',
    fixed(100 * mean((row) => row.ways.engine.found), 1),
    fixed(100 * mean((row) => row.ways.engine.led ?? 0), 1),
    fixed(minutes('engine'), 1),
    fixed(
      mean((row) => row.ways.engine.live),
      2,
    ),
    `${fixed(
      mean((row) => row.ways.engine.wrongParts),
      3,
    )}${
      minutes('symptoms') > 0
        ? ` (symptoms ${fixed(
            mean((row) => row.ways.symptoms.wrongParts),
            3,
          )})`
        : ''
    }`,
    fixed(100 * mean((row) => row.ways.engine.harmed), 1),
    ratio(minutes('engine'), minutes('plain')),
    ratio(
      minutes('engine'),
      mean((row) => row.bestMinutes),
    ),
  ];
  return `| ${cells.join(' | ')} |`;
}
