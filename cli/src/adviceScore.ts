/** `advice-score [--units tables|practice] [--family ID] [--seed N] [--runs N] [--engine-alone]`: the advice against simulated units, beside other ways of choosing. */
import { engineOf, scoreAdvice, WAYS, type FamilyScore } from '@amber-gauge/core/diagnosis';
import { PATHS } from '@amber-gauge/core/families';
import { fixed } from '@amber-gauge/core/quantity';
import type { CommandAnswer } from './answer.js';
import { practiceScores } from './practiceScore.js';
import { positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';

const DEFAULTS = { runs: '40', seed: '1' };
const USAGE = 'advice-score [--units tables|practice [--engine-alone]] [--family ID] [--seed N] [--runs N]';

export async function adviceScoreCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { values, flags } = readOptions(['-', ...args], ['units', 'family', 'seed', 'runs'], USAGE, ['engine-alone']);
  const { family: only, seed: typedSeed, runs: typedRuns, units = 'tables' } = values;
  if (units !== 'tables' && units !== 'practice')
    throw new CliRefusal('USAGE', `--units is tables or practice. ${USAGE}`);
  const runs = positive(typedRuns ?? DEFAULTS.runs, 'runs');
  const seed = positive(typedSeed ?? DEFAULTS.seed, 'seed');
  if (!Number.isInteger(runs) || !Number.isInteger(seed))
    throw new CliRefusal('USAGE', `--runs and --seed are whole numbers. ${USAGE}`);
  if (only !== undefined && !PATHS.has(only))
    throw new CliRefusal(
      'UNKNOWN_FAMILY',
      `There is no drive path for “${only}”. Families: ${[...PATHS.keys()].join(', ')}.`,
    );
  if (units === 'practice') return practiceScores(only, runs, seed, flags['engine-alone'] ? ['engine'] : undefined);
  if (flags['engine-alone']) throw new CliRefusal('USAGE', `--engine-alone goes with --units practice. ${USAGE}`);
  const families = [...PATHS]
    .filter(([id]) => only === undefined || id === only)
    .map(([family, path]) => ({ family, ...scoreAdvice(engineOf(path), runs, seed) }));
  return { json: { runs, seed, families: families.map(snake) }, words: wordsOf(families) };
}

const snake = (one: { family: string } & FamilyScore) => ({
  family: one.family,
  units: one.units,
  outside_units: one.outsideUnits,
  bound_minutes: one.boundMinutes,
  ways: Object.fromEntries(
    WAYS.map((way) => {
      const score = one.ways[way];
      return [
        way,
        {
          tests: score.tests,
          minutes: score.minutes,
          minutes_standard_error: score.minutesError,
          live_tests: score.live,
          wrong_parts: score.wrongParts,
          found_share: score.found,
          needless_live_tests: score.needlessLive,
          outside_led_share: score.outsideLed,
        },
      ];
    }),
  ),
});

/** A table in Markdown, so that it can stand in the docs as it is printed. */
function wordsOf(families: readonly ({ family: string } & FamilyScore)[]): string {
  const head = [
    '| family | units | way | tests | minutes | live | wrong parts | found % | outside led % | minutes to checklist | to plain |',
    '|---|---|---|---|---|---|---|---|---|---|---|',
  ];
  const rows = families.flatMap((one) => [
    ...WAYS.map((way) => rowOf(one, way)),
    `| | | bound | | ${fixed(one.boundMinutes, 1)} | | | | | | |`,
  ]);
  return [...head, ...rows, ...(families.length > 1 ? [meanRow(families)] : [])].join('\n');
}

function rowOf(one: { family: string } & FamilyScore, way: (typeof WAYS)[number]): string {
  const score = one.ways[way];
  const first = way === 'engine';
  const ratio = (to: (typeof WAYS)[number]) =>
    first && one.ways[to].minutes > 0 ? fixed(score.minutes / one.ways[to].minutes, 2) : '';
  const cells = [
    first ? one.family : '',
    first ? `${one.units} + ${one.outsideUnits}` : '',
    way,
    fixed(score.tests, 1),
    `${fixed(score.minutes, 1)} ± ${fixed(score.minutesError, 1)}`,
    fixed(score.live, 2),
    fixed(score.wrongParts, 2),
    fixed(100 * score.found, 1),
    score.outsideLed === null ? '' : fixed(100 * score.outsideLed, 0),
    ratio('checklist'),
    ratio('plain'),
  ];
  return `| ${cells.join(' | ')} |`;
}

/** Over the families: each counts alike. */
function meanRow(families: readonly FamilyScore[]): string {
  const mean = (of: (one: FamilyScore) => number) => families.reduce((sum, one) => sum + of(one), 0) / families.length;
  const minutes = (way: (typeof WAYS)[number]) => mean((one) => one.ways[way].minutes);
  const outside = families.reduce((sum, one) => sum + one.outsideUnits, 0);
  const led = families.reduce((sum, one) => sum + (one.ways.engine.outsideLed ?? 0) * one.outsideUnits, 0);
  const cells = [
    'all, mean of families',
    `${families.reduce((sum, one) => sum + one.units, 0)} + ${outside}`,
    'engine',
    fixed(
      mean((one) => one.ways.engine.tests),
      1,
    ),
    fixed(minutes('engine'), 1),
    fixed(
      mean((one) => one.ways.engine.live),
      2,
    ),
    `${fixed(
      mean((one) => one.ways.engine.wrongParts),
      3,
    )} (checklist ${fixed(
      mean((one) => one.ways.checklist.wrongParts),
      3,
    )})`,
    fixed(100 * mean((one) => one.ways.engine.found), 1),
    outside > 0 ? fixed((100 * led) / outside, 0) : '',
    fixed(minutes('engine') / minutes('checklist'), 2),
    fixed(minutes('engine') / minutes('plain'), 2),
  ];
  return `| ${cells.join(' | ')} |`;
}
