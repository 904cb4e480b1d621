/** The proving plan as a list: what is shown, what is owed, and what is not proved as plainly. */
import {
  CHECK_GROUP_WORDS,
  CHECK_GROUPS,
  CHECK_STATUS_WORDS,
  isOwed,
  type ProvingCheck,
  type ProvingPlan,
} from '@amber-gauge/core/bench';
import { Fragment } from 'react';
import { CheckShape } from './CheckShape.js';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly plan: ProvingPlan;
  readonly present: string | null;
  readonly onCheck: (id: string) => void;
}

/** The proving plan, each check with its shape and word. */
export function CheckGrid({ plan, present, onCheck }: Props) {
  return (
    <section aria-label={say`Proving plan`}>
      <div className={classes.plan}>
        {CHECK_GROUPS.map((group) => {
          const checks = plan.checks.filter((one) => one.group === group);
          return (
            checks.length > 0 && (
              <Fragment key={group}>
                <p className={classes.group}>{CHECK_GROUP_WORDS[group]}</p>
                {checks.map((check) => (
                  <Row key={check.id} check={check} present={check.id === present} onCheck={onCheck} />
                ))}
              </Fragment>
            )
          );
        })}
      </div>
    </section>
  );
}

/** How far it is, at arm's length: a line of words and a shape for each check that is asked. */
export function PlanGlance({ plan }: { readonly plan: ProvingPlan }) {
  return (
    <div className={classes.glance}>
      <p className={classes.summary} role="status">
        {summaryOf(plan)}
      </p>
      <span className={classes.shapes} aria-hidden="true">
        {plan.checks
          .filter((one) => one.status !== 'untouched')
          .map((one) => (
            <CheckShape key={one.id} status={one.status} />
          ))}
      </span>
    </div>
  );
}

function Row({ check, present, onCheck }: Omit<Props, 'plan' | 'present'> & { check: ProvingCheck; present: boolean }) {
  const name = [classes.row, present && classes.present].filter(Boolean).join(' ');
  return (
    <button type="button" className={name} aria-pressed={present} onClick={() => onCheck(check.id)}>
      <CheckShape status={check.status} />
      <span className={isOwed(check) ? classes.owed : undefined}>{check.name}</span>
      <span>{CHECK_STATUS_WORDS[check.status]}</span>
      <span className="small quiet">{check.words}</span>
    </button>
  );
}

/** "5 of 12 shown, 6 owed, 1 not proved." */
function summaryOf({ checks, proved }: ProvingPlan): string {
  const of = (test: (one: ProvingCheck) => boolean) => checks.filter(test).length;
  const asked = of((one) => one.status !== 'untouched');
  const [met, owed, waived] = [of((one) => one.status === 'met'), of(isOwed), of((one) => one.status === 'waived')];
  const parts = [
    met > 0 && say`${met} of ${asked} shown`,
    owed > 0 && say`${owed} owed`,
    waived > 0 && say`${waived} not proved`,
  ].filter((part) => part !== false);
  return proved ? say`Proved: ${parts.join(', ')}.` : `${parts.join(', ') || say`Nothing shown yet`}.`;
}
