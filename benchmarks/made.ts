/** The strict run: every made source, what came of it, and the share that holds. `npm run accuracy -- made`. */
import { MADE_LOGS } from '../core/src/speed/made/cases.js';
import { play, type Played } from '../core/src/speed/made/play.js';
import { playSound, SOUND_CASES } from '../core/src/speed/made/soundCases.js';
import { playTone, TONE_CASES } from '../core/src/speed/made/toneCases.js';

/** Plays them all and prints what falls short, and one line a kind. */
export async function strictRun(): Promise<void> {
  const kinds: readonly (readonly [string, () => Promise<Played[]>])[] = [
    ['logs, captures and gyroscopes', () => inTurn(MADE_LOGS.map((made) => () => play(made)))],
    ['recordings of a tone', () => inTurn(TONE_CASES.map((made) => () => playTone(made)))],
    ['motors and fans', () => inTurn(SOUND_CASES.map((made) => () => playSound(made)))],
  ];
  console.log('| made sources | cases | hold | worst error of the mean |\n| --- | --- | --- | --- |');
  for (const [name, run] of kinds) {
    const played = await run();
    const worst = played.reduce((a, b) => (Math.abs(b.errorPercent ?? 0) > Math.abs(a.errorPercent ?? 0) ? b : a));
    const held = played.filter((one) => one.holds).length;
    console.log(`| ${name} | ${played.length} | ${held} | ${(worst.errorPercent ?? 0).toFixed(4)} % (${worst.id}) |`);
    for (const one of played.filter((each) => !each.holds))
      console.log(`| falls short: ${one.id} | | | ${one.outcome} |`);
  }
}

async function inTurn(runs: readonly (() => Promise<Played>)[]): Promise<Played[]> {
  const out: Played[] = [];
  for (const run of runs) out.push(await run());
  return out;
}
