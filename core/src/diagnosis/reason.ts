/** Why a test is the next one, in words and minutes. */
import { fixed } from '../quantity/index.js';
import type { TestAdvice } from './adviceTypes.js';
import { say } from '../words/index.js';
import { LEAST_BITS } from './defaults.js';

const list = (names: readonly string[]): string =>
  names.length > 1 ? say`${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}` : (names[0] ?? '');

/** "parts supply from governor; about 2 min, dead". */
export function reasonOf(advice: TestAdvice): string {
  if (advice.first === 'repeat')
    return say`two looks at this part contradict each other: take one again; ${costOf(advice)}`;
  if (advice.first === 'cause') return say`what may have done the damage comes first; ${costOf(advice)}`;
  if (advice.first === 'before-power') {
    const why = advice.test.lifts.includes('frame')
      ? say`a case may be live`
      : say`power would make worse what this may find`;
    return say`before it is switched on: ${why}; ${costOf(advice)}`;
  }
  if (advice.first === 'twice')
    return say`seen sound once, and everything else speaks against it: once more before it is switched on; ${costOf(advice)}`;
  if (advice.first === 'before-buying') return say`looked at before it is bought; ${costOf(advice)}`;
  const [one, other] = [...advice.splits].sort((a, b) => b.length - a.length);
  const split =
    one && other
      ? say`parts ${list(one)} from ${list(other)}`
      : one
        ? say`tells more of ${list(one)}`
        : advice.bits < LEAST_BITS
          ? say`would tell next to nothing now`
          : say`tells a little of everything`;
  return `${split}; ${costOf(advice)}`;
}

const NEEDS: Readonly<Record<TestAdvice['test']['power'], string | null>> = {
  dead: 'dead',
  powered: say`switched on`,
  running: 'running',
  either: null,
};

/** "about 2 min, dead"; "about 5 min, running, probe on live parts". */
export function costOf({ minutes, test }: TestAdvice): string {
  const time = minutes < 1 ? say`under 1 min` : say`about ${fixed(minutes, 0)} min`;
  const probe = test.probe ? say`probe on live parts` : null;
  return [time, NEEDS[test.power], probe].filter(Boolean).join(', ');
}
