/** `gauge coach-score [--runs N] [--seed S]`: the trim coach on simulated units, watched live and typed. */
import { madeUnit, playCoach } from '@amber-gauge/core/drive';
import { seeded } from '@amber-gauge/core/numeric';
import type { CommandAnswer } from './answer.js';
import { positive, readFlags } from './options.js';

const USAGE = 'Usage: gauge coach-score [--runs 1000] [--seed 1] [--json]';
const CASES = [
  { watched: 'live', trims: 2 },
  { watched: 'live', trims: 3 },
  { watched: 'typed', trims: 2 },
  { watched: 'typed', trims: 3 },
] as const;

export async function coachScoreCommand(args: readonly string[]): Promise<CommandAnswer> {
  const values = readFlags(args, ['runs', 'seed'], USAGE);
  const runs = Math.round(positive(values.runs ?? '1000', 'runs'));
  const seed = Math.round(positive(values.seed ?? '1', 'seed'));
  const rows = CASES.map(({ watched, trims }) => {
    const random = seeded(seed);
    const played = Array.from({ length: runs }, () => playCoach(madeUnit(random, trims, watched), random));
    const moves = played.map((one) => one.moves).sort((a, b) => a - b);
    const at = (part: number) => moves[Math.floor(part * (moves.length - 1))] ?? 0;
    return {
      watched,
      trims,
      median_moves: at(0.5),
      p90_moves: at(0.9),
      most_moves: at(1),
      brought_in: played.filter((one) => one.done).length,
      runs,
      worst_error_percent: Math.max(...played.map((one) => one.worstPercent)),
      beyond_stop: played.reduce((sum, one) => sum + one.beyondStop, 0),
    };
  });
  return {
    json: { seed, rows },
    words: rows
      .map(
        (row) =>
          `${row.watched}, ${row.trims} trims: median ${row.median_moves} moves, nine tenths within ${row.p90_moves}, most ${row.most_moves}; ${row.brought_in} of ${row.runs} brought in; never farther off than ${row.worst_error_percent.toFixed(1)} %; ${row.beyond_stop} advised beyond a stop`,
      )
      .join('\n'),
  };
}
