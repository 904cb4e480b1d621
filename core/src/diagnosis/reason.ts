/** Why a test is the next one, in words and minutes. */
import { fixed } from '../quantity/index.js';
import type { TestAdvice } from './adviceTypes.js';
import { LEAST_BITS } from './nextTests.js';

const list = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}` : (names[0] ?? '');

/** "parts supply from governor; about 2 min, dead". */
export function reasonOf(advice: TestAdvice): string {
  if (advice.first === 'repeat')
    return `two looks at this part contradict each other: take one again; ${costOf(advice)}`;
  if (advice.first === 'cause') return `what may have done the damage comes first; ${costOf(advice)}`;
  if (advice.first === 'before-power') {
    const why = advice.test.lifts.includes('frame')
      ? 'a case may be live'
      : 'power would make worse what this may find';
    return `before it is switched on: ${why}; ${costOf(advice)}`;
  }
  if (advice.first === 'before-buying') return `looked at before it is bought; ${costOf(advice)}`;
  const [one, other] = [...advice.splits].sort((a, b) => b.length - a.length);
  const split =
    one && other
      ? `parts ${list(one)} from ${list(other)}`
      : one
        ? `tells more of ${list(one)}`
        : advice.bits < LEAST_BITS
          ? 'would tell next to nothing now'
          : 'tells a little of everything';
  return `${split}; ${costOf(advice)}`;
}

const NEEDS: Readonly<Record<TestAdvice['test']['power'], string | null>> = {
  dead: 'dead',
  powered: 'switched on',
  running: 'running',
  either: null,
};

/** "about 2 min, dead"; "about 5 min, running, probe on live parts". */
export function costOf({ minutes, test }: TestAdvice): string {
  const time = minutes < 1 ? 'under 1 min' : `about ${fixed(minutes, 0)} min`;
  const probe = test.probe ? 'probe on live parts' : null;
  return [time, NEEDS[test.power], probe].filter(Boolean).join(', ');
}
