/** A line that plans the defeat of a safety device: the rule, its reason, what to do instead, and how to keep a finding. */
import type { Refusal } from '@amber-gauge/core/families';
import classes from '../stages/Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function Refused({ rule }: { readonly rule: Refusal }) {
  return (
    <p
      className={classes.caution}
      role="alert"
    >{say`${rule.name}. ${rule.reason} ${rule.instead} Found it so? Begin the line with “found”.`}</p>
  );
}
