/** What comes before the step that would be best by its worth alone: a look before buying, the insulation before power. */
import type { Advice, TestAdvice } from './adviceTypes.js';
import type { Engine } from './engine.js';
import { curedModes, type MendAdvice } from './mends.js';
import { LOOK_PART, QUICK_MIN, SHORT_TEST_MIN } from './defaults.js';

/** The same tests with this one before all others. */
export function asFirst(
  one: TestAdvice,
  first: TestAdvice['first'],
  tests: readonly TestAdvice[],
  rest: readonly TestAdvice[],
): Pick<Advice, 'tests' | 'rest'> {
  const others = (list: readonly TestAdvice[]) => list.filter(({ test }) => test.id !== one.test.id);
  return { tests: [{ ...one, first }, ...others(tests)], rest: others(rest) };
}

/**
 * A live case kills: the insulation is measured before the first test that switches a unit on the mains on. A bad cell
 * burns: the pack is looked at before it is put in. And what power makes worse, likely enough to be thought of and too unlikely to forbid power, is looked for while it is off.
 */
export function beforePower(
  engine: Engine,
  risks: ReadonlySet<string>,
  all: readonly TestAdvice[],
  afterMend: boolean,
): TestAdvice | null {
  const insulation = all.find(
    ({ test, forbidden }) => forbidden === null && test.marks && test.lifts.includes('frame'),
  );
  if (insulation) return insulation;
  const pack = all.find((one) => one.forbidden === null && !one.powered && shows(engine, one, (ban) => ban === 'cell'));
  if (pack) return pack;
  const sees = (one: TestAdvice) =>
    shows(engine, one, (ban) => risks.has(ban)) || one.test.lifts.some((ban) => risks.has(ban));
  return (
    all
      .filter(
        (one) =>
          one.forbidden === null &&
          one.test.power === 'dead' &&
          one.minutes <= (afterMend ? SHORT_TEST_MIN : QUICK_MIN) &&
          sees(one),
      )
      .sort((a, b) => a.minutes - b.minutes)[0] ?? null
  );
}

/** Whether a look can show a fault of a ban that is asked for. */
const shows = ({ model }: Engine, { test }: TestAdvice, known: (ban: string) => boolean): boolean =>
  test.outcomes.some(({ modes }) =>
    modes.some((mode) => {
      const ban = model.modes[model.modeOf.get(`${test.block ?? ''}.${mode}`) ?? -1]?.bans;
      return ban != null && known(ban);
    }),
  );

/** The look to take once more before power, of those made at parts in doubt; null where there is none. */
export const lookTwice = (engine: Engine, made: readonly TestAdvice[]): TestAdvice | null =>
  made
    .filter((one) => one.forbidden === null && one.test.power === 'dead' && shows(engine, one, () => true))
    .sort((a, b) => a.minutes - b.minutes)[0] ?? null;

/** The cheapest look, not made yet, at a part that would be bought on odds alone; null where there is none worth it. */
export function lookBeforeBuying(
  engine: Engine,
  mends: readonly MendAdvice[],
  tests: readonly TestAdvice[],
): TestAdvice | null {
  const mend = mends.find((one) => one.forbidden === null);
  if (!mend || mend.found || mend.repair.money === 0) return null;
  const cures = curedModes(engine, mend.repair);
  const shows = ({ test, forbidden, minutes }: TestAdvice) =>
    forbidden === null &&
    minutes <= LOOK_PART * mend.minutes &&
    test.outcomes.some(
      ({ modes }) => !modes.includes('healthy') && modes.some((mode) => cures.includes(`${test.block ?? ''}.${mode}`)),
    );
  return tests.filter(shows).sort((a, b) => a.minutes - b.minutes)[0] ?? null;
}
