/** The next step in words: what to do, why, what it needs, what it must not. */
import { banWords, CAUTIONS, type DrivePath } from '../families/index.js';
import { fixed } from '../quantity/index.js';
import type { MendAdvice } from './mends.js';
import type { Advice, MendReason, TestAdvice } from './adviceTypes.js';
import { reasonOf } from './reason.js';
import { say } from '../words/index.js';

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
  found: say`it was seen at the part itself`,
  sure: say`hardly anything else is left`,
  cheaper: say`knowing more would cost more than trying it`,
  only: say`there is nothing left to ask`,
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

const powerOff = (advice: Advice): string[] => advice.bans.map((ban) => say`no power: ${banWords(ban)}`);

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
      ...one.putBack.map((part) => say`${part} put back`),
      ...(test.waitMin > 0 ? [say`${fixed(test.waitMin, 0)} min of waiting`] : []),
    ],
    must_not: [...(test.power === 'dead' ? powerOff(advice) : []), ...cautions],
  };
}

const NEEDS = {
  dead: say`power off, charge measured gone`,
  powered: say`power on`,
  running: say`power on, running`,
} as const;

function mendStep(path: DrivePath, advice: Advice, { repair, chance, minutes }: MendAdvice): NextStep {
  const share = say`${fixed(100 * chance, 0)} % that it cures`;
  return {
    kind: 'mend',
    id: repair.id,
    what: repair.name,
    why: say`${BECAUSE[advice.reason ?? 'only']}; ${share}, about ${fixed(minutes, 0)} min with its parts`,
    needs: [
      ...levelWords(path, repair.level),
      repair.power === 'running' ? NEEDS.running : NEEDS.dead,
      ...(repair.money > 0 ? [say`parts for about ${fixed(repair.money, 0)}`] : []),
      ...(repair.waitMin > 0 ? [say`${fixed(repair.waitMin, 0)} min of waiting`] : []),
    ],
    must_not: [...powerOff(advice), ...(repair.leaves ? [say`leave it at that: ${repair.leaves}`] : [])],
  };
}
