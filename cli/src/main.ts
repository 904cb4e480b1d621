/** Entry of the command line; see docs/command-line.md. */
import { adviceScoreCommand } from './adviceScore.js';
import { familyPagesCommand } from './familyPages.js';
import { familiesCommand, findCommand } from './find.js';
import { CliRefusal } from './refusal.js';
import { lineCommand } from './line.js';
import { gyroCommand, pulsesCommand } from './rotation.js';
import { toneCommand } from './tone.js';

const COMMANDS: Readonly<Record<string, (args: readonly string[]) => Promise<CommandAnswer>>> = {
  tone: toneCommand,
  pulses: pulsesCommand,
  gyro: gyroCommand,
  find: findCommand,
  line: lineCommand,
  families: familiesCommand,
  'advice-score': adviceScoreCommand,
  'family-pages': familyPagesCommand,
};

/** What a command gives: one JSON object, and the same in words. */
export interface CommandAnswer {
  readonly json: Readonly<Record<string, unknown>>;
  readonly words: string;
}

async function run(argv: readonly string[]): Promise<number> {
  const json = argv.includes('--json');
  const [name = '', ...rest] = argv.filter((arg) => arg !== '--json');
  try {
    const command = COMMANDS[name];
    if (!command)
      throw new CliRefusal(
        'UNKNOWN_COMMAND',
        `There is no command “${name}”. Commands: ${Object.keys(COMMANDS).join(', ')}.`,
      );
    const answer = await command(rest);
    console.log(json ? JSON.stringify(answer.json) : answer.words);
    return 0;
  } catch (error) {
    const refusal =
      error instanceof CliRefusal
        ? error
        : new CliRefusal('INTERNAL', 'Something unforeseen happened; please report the command and the file.');
    if (json) console.log(JSON.stringify({ error: { code: refusal.code, message: refusal.message } }));
    else console.error(refusal.message);
    return 2;
  }
}

process.exitCode = await run(process.argv.slice(2));
