/** `FILE --name value ...` by Node's own parser, with plain refusals. */
import { decimal } from '@amber-gauge/core/quantity';
import { parseArgs } from 'node:util';
import { CliRefusal } from './refusal.js';

export interface Options {
  readonly file: string;
  readonly values: Readonly<Record<string, string | undefined>>;
  readonly flags: Readonly<Record<string, boolean>>;
}

/** Splits arguments; `names` are the options that take a value, `switches` those that take none. */
export function readOptions(
  args: readonly string[],
  names: readonly string[],
  usage: string,
  switches: readonly string[] = [],
): Options {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        ...Object.fromEntries(names.map((name) => [name, { type: 'string' as const }])),
        ...Object.fromEntries(switches.map((name) => [name, { type: 'boolean' as const }])),
      },
    });
    const [file] = positionals;
    if (!file || positionals.length > 1) throw new CliRefusal('USAGE', usage);
    const given: Record<string, string | undefined> = {};
    const flags: Record<string, boolean> = {};
    for (const [name, value] of Object.entries(values)) {
      if (typeof value === 'string') given[name] = value;
      else flags[name] = value === true;
    }
    return { file, values: given, flags };
  } catch (error) {
    if (error instanceof CliRefusal) throw error;
    throw new CliRefusal('USAGE', `${(error as Error).message.split('.')[0]}. ${usage}`);
  }
}

/** Arguments of a command that takes no file. */
export function readFlags(args: readonly string[], names: readonly string[], usage: string): Options['values'] {
  const { values } = readOptions(['-', ...args], names, usage);
  return values;
}

/** A number above zero, or a refusal that names the option. */
export function positive(value: string | undefined, name: string): number {
  const number = decimal(value ?? '');
  if (value === undefined || !Number.isFinite(number) || number <= 0) {
    throw new CliRefusal(
      'USAGE',
      `--${name} wants a number above zero${value === undefined ? '' : `, not “${value}”`}.`,
    );
  }
  return number;
}

/** As {@link positive}, undefined where the option is not given; nought is a number too. */
export function given(value: string | undefined, name: string): number | undefined {
  if (value === undefined) return undefined;
  return decimal(value) === 0 ? 0 : positive(value, name);
}
