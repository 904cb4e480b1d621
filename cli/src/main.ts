/** Entry of the command line; see docs/command-line.md. */
import { ownEntry } from '@amber-gauge/core/quantity';
import type { CommandAnswer } from './answer.js';
import { CliRefusal } from './refusal.js';

type Command = (args: readonly string[]) => Promise<CommandAnswer>;

/** Each loads its own part of the core only. */
const COMMANDS: Readonly<Record<string, () => Promise<Command>>> = {
  tone: async () => (await import('./tone.js')).toneCommand,
  pulses: async () => (await import('./rotation.js')).pulsesCommand,
  gyro: async () => (await import('./rotation.js')).gyroCommand,
  sound: async () => (await import('./sound.js')).soundCommand,
  find: async () => (await import('./find.js')).findCommand,
  line: async () => (await import('./line.js')).lineCommand,
  families: async () => (await import('./find.js')).familiesCommand,
  'advice-score': async () => (await import('./adviceScore.js')).adviceScoreCommand,
  'coach-score': async () => (await import('./coachScore.js')).coachScoreCommand,
  meter: async () => (await import('./meter.js')).meterCommand,
  supply: async () => (await import('./supply.js')).supplyCommand,
  scope: async () => (await import('./scope.js')).scopeCommand,
  'stand-in': async () => (await import('./standIn.js')).standInCommand,
  disc: async () => (await import('./disc.js')).discCommand,
  'family-pages': async () => (await import('./familyPages.js')).familyPagesCommand,
};

async function run(argv: readonly string[]): Promise<number> {
  const json = argv.includes('--json');
  const [name = '', ...rest] = argv.filter((arg) => arg !== '--json');
  try {
    const load = Object.hasOwn(COMMANDS, name) ? ownEntry(COMMANDS, name) : undefined;
    if (!load)
      throw new CliRefusal(
        'UNKNOWN_COMMAND',
        `There is no command “${name}”. Commands: ${Object.keys(COMMANDS).join(', ')}.`,
      );
    const answer = await (await load())(rest);
    console.log(json ? JSON.stringify(answer.json) : answer.words);
    return 0;
  } catch (error) {
    const refusal =
      error instanceof CliRefusal
        ? error
        : new CliRefusal('INTERNAL', 'Something unforeseen happened; please report the command and the file.');
    const { code, message, guess } = refusal;
    if (json) console.log(JSON.stringify({ error: { code, message, ...(guess ?? {}) } }));
    else console.error(refusal.message);
    return 2;
  }
}

process.exitCode = await run(process.argv.slice(2));
