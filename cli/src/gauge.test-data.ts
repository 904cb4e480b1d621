/** The command line as tests call it: within their own process, or started as a bench starts it. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ranCommand } from './command.js';

/** What starts it. */
export const GAUGE = join(import.meta.dirname, '../bin/gauge.mjs');

/** Runs `gauge ... --json` in this process; its exit code and its one JSON object. */
export async function gauge(...args: string[]) {
  const { status, out, errors } = await ranCommand([...args, '--json']);
  if (errors) throw new Error(`Words beside the JSON object: ${errors}`);
  return { status, json: JSON.parse(out) as Record<string, unknown> };
}

/** Starts it in a process of its own, as it is given. */
export function started(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [GAUGE, ...args], { encoding: 'utf8' });
  if (status === 1) throw new Error(`The command line could not start: ${stderr}`);
  return { status, out: stdout, errors: stderr };
}
