/** A command of the command line, from its words to what it prints; see docs/command-line.md. */
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

/** What a command line ended with: its exit code, what it prints, what it says to whoever sits there. */
export interface Ended {
  readonly status: 0 | 2;
  readonly out: string;
  readonly errors: string;
}

/** Runs what was typed after `gauge`. Refusals end with 2: as one JSON object with `--json`, else in words. */
export async function ranCommand(argv: readonly string[]): Promise<Ended> {
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
    return { status: 0, out: json ? JSON.stringify(answer.json) : answer.words, errors: '' };
  } catch (error) {
    const refusal =
      error instanceof CliRefusal
        ? error
        : new CliRefusal('INTERNAL', 'Something unforeseen happened; please report the command and the file.');
    const { code, message, guess } = refusal;
    return json
      ? { status: 2, out: JSON.stringify({ error: { code, message, ...(guess ?? {}) } }), errors: '' }
      : { status: 2, out: '', errors: refusal.message };
  }
}
