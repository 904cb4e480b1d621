/** `FILE --name value ...` by Node's own parser, with plain refusals. */
import { parseArgs } from 'node:util';
import { CliRefusal } from './refusal.js';

export interface Options {
  readonly file: string;
  readonly values: Readonly<Record<string, string | undefined>>;
}

/** Splits arguments; `names` are the options that take a value. */
export function readOptions(args: readonly string[], names: readonly string[], usage: string): Options {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: Object.fromEntries(names.map((name) => [name, { type: 'string' as const }])),
    });
    const [file] = positionals;
    if (!file || positionals.length > 1) throw new CliRefusal('USAGE', usage);
    return { file, values: values as Record<string, string | undefined> };
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
  const number = Number(value?.replace(',', '.'));
  if (value === undefined || !Number.isFinite(number) || number <= 0) {
    throw new CliRefusal(
      'USAGE',
      `--${name} wants a number above zero${value === undefined ? '' : `, not “${value}”`}.`,
    );
  }
  return number;
}
