/** Running other programs. */
import { spawn } from 'node:child_process';
import { mkdirSync, openSync, readFileSync, closeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Plain } from './say.mjs';

export const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
export const CACHE = join(ROOT, '.cache');

/** Runs to the end; output goes to a log file that is shown when it fails. Resolves with the exit code 0. */
export async function quietly(command, args, options = {}) {
  const log = join(CACHE, 'logs', `${options.log ?? command.split('/').pop()}.log`);
  mkdirSync(dirname(log), { recursive: true });
  const file = openSync(log, 'w');
  const code = await new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: ROOT, ...options, stdio: ['ignore', file, file] });
    child.on('error', reject);
    child.on('exit', (exit, signal) => resolve(exit ?? signal));
  }).finally(() => closeSync(file));
  if (code !== 0) {
    const tail = readFileSync(log, 'utf8').split('\n').slice(-25).join('\n');
    throw new Plain(`${command} ${args.join(' ')} ended with ${code}:\n${tail}\nThe whole output is in ${log}`);
  }
}

/** Runs to the end with output shown; resolves with the exit code. */
export function openly(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.on('error', reject);
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
}

/** Runs to the end with output kept back and shown in one piece; resolves with the exit code. */
export function inOnePiece(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: ROOT, ...options, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    child.stdout.on('data', (bytes) => said.push(bytes));
    child.stderr.on('data', (bytes) => said.push(bytes));
    child.on('error', reject);
    child.on('close', (code, signal) => {
      process.stdout.write(Buffer.concat(said));
      resolve(code ?? (signal ? 1 : 0));
    });
  });
}
