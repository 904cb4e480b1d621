/**
 * Wakes the change whose number stands in CHANGED, in every process that reads the changed sources. With REACHED, a
 * file: writes there which test file came to which change, a line each.
 */
import { appendFileSync } from 'node:fs';

const { CHANGED, REACHED } = process.env;
let [file, seen] = ['', new Set()];

function reached(number) {
  const now = globalThis.__vitest_worker__?.filepath ?? '';
  if (now !== file) [file, seen] = [now, new Set()];
  if (!seen.has(number)) {
    seen.add(number);
    appendFileSync(REACHED, `${number} ${file}\n`);
  }
  return false;
}

globalThis.__changed ??= REACHED ? reached : (number) => String(number) === CHANGED;
