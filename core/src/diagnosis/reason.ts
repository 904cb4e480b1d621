/** Why a test is the next one, in words. */
import { fixed } from '../quantity/index.js';
import type { TestAdvice } from './nextTests.js';

const list = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}` : (names[0] ?? '');

/** "splits supply from governor; 2 min; dead; 0.84 bits". */
export function reasonOf(advice: TestAdvice): string {
  const [one, other] = [...advice.splits].sort((a, b) => b.length - a.length);
  const split =
    one && other
      ? `splits ${list(one)} from ${list(other)}`
      : one
        ? `says more of ${list(one)}`
        : 'says a little of everything';
  return `${split}; ${costOf(advice)}`;
}

/** "2 min; dead; 0.84 bits". */
export function costOf({ minutes, bits, test }: TestAdvice): string {
  const time = minutes < 1 ? 'under 1 min' : `${fixed(minutes, 0)} min`;
  const power = test.power === 'any' ? [] : [test.power];
  return [time, ...power, `${fixed(bits, 2)} bits`].join('; ');
}
