/** The next step in words: what to do, why, what it needs, what it must not. */
import { banWords, CAUTIONS, type DrivePath } from '../families/index.js';
import { fixed } from '../quantity/index.js';
import type { MendAdvice } from './mends.js';
import type { Advice, MendReason, TestAdvice } from './adviceTypes.js';
import { reasonOf } from './reason.js';

/** Test on, mend, or stop, and why. */
export interface NextStep {
  readonly kind: 'test' | 'mend';
  readonly id: string;
  readonly what: string;
  readonly why: string;
  readonly needs: readonly string[];
  readonly must_not: readonly string[];
}

const BECAUSE: Readonly<Record<MendReason, string>> = {
  found: 'it was seen at the part itself',
  sure: 'hardly anything else is left',
  cheaper: 'knowing more would cost more than trying it',
  only: 'there is nothing left to ask',
};

/** What the advice says to do next; null where it says nothing. */
export function nextStep(path: DrivePath, advice: Advice): NextStep | null {
  const test = advice.tests.find((one) => one.forbidden === null);
  const mend = advice.mends.find((one) => one.forbidden === null);
  if (advice.next === 'mend' && mend) return mendStep(path, advice, mend);
  if ((advice.next === 'test' || advice.next === 'repeat') && test) return testStep(path, advice, test);
  return null;
}

const levelWords = (path: DrivePath, id: string): string[] => {
  const at = path.levels.findIndex((level) => level.id === id);
  return at > 0 ? [path.levels[at]?.name ?? id] : [];
};

const powerOff = (advice: Advice): string[] => advice.bans.map((ban) => `no power: ${banWords(ban)}`);

function testStep(path: DrivePath, advice: Advice, one: TestAdvice): NextStep {
  const { test } = one;
  const cautions = test.cautions.flatMap((id) => CAUTIONS.find((caution) => caution.id === id)?.text ?? []);
  return {
    kind: 'test',
    id: test.id,
    what: `${test.name}: ${test.how}`,
    why: reasonOf(one),
    needs: [
      ...levelWords(path, test.level),
      ...(test.power === 'either' ? [] : [NEEDS[test.power]]),
      ...one.putBack.map((part) => `${part} put back`),
      ...(test.waitMin > 0 ? [`${fixed(test.waitMin, 0)} min of waiting`] : []),
    ],
    must_not: [...(test.power === 'dead' ? powerOff(advice) : []), ...cautions],
  };
}

const NEEDS = { dead: 'power off, charge measured gone', powered: 'power on', running: 'power on, running' } as const;

function mendStep(path: DrivePath, advice: Advice, { repair, chance, minutes }: MendAdvice): NextStep {
  const share = `${fixed(100 * chance, 0)} % that it cures`;
  return {
    kind: 'mend',
    id: repair.id,
    what: repair.name,
    why: `${BECAUSE[advice.reason ?? 'only']}; ${share}, about ${fixed(minutes, 0)} min with its parts`,
    needs: [
      ...levelWords(path, repair.level),
      repair.power === 'running' ? NEEDS.running : NEEDS.dead,
      ...(repair.money > 0 ? [`parts for about ${fixed(repair.money, 0)}`] : []),
      ...(repair.waitMin > 0 ? [`${fixed(repair.waitMin, 0)} min of waiting`] : []),
    ],
    must_not: [...powerOff(advice), ...(repair.leaves ? [`leave it at that: ${repair.leaves}`] : [])],
  };
}
