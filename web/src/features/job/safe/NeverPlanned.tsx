/** What the app never plans, by named rule with its reason, and what to do instead. */
import { familyOf, REFUSALS } from '@amber-gauge/core/families';
import { useState } from 'react';
import Button from '@mui/material/Button';
import classes from './Safe.module.css';
import { say } from '@amber-gauge/core/words';

export function NeverPlanned({ familyId }: { readonly familyId: string }) {
  const [open, setOpen] = useState(false);
  const { licensed } = familyOf(familyId);
  return (
    <section className="stack" aria-label={say`Never planned here`}>
      {licensed && <p className={classes.notes}>{licensed}</p>}
      <div>
        <Button onClick={() => setOpen(!open)} aria-expanded={open}>{say`What is never planned here`}</Button>
      </div>
      {open && (
        <ul className={classes.notes}>
          {REFUSALS.map((rule) => (
            <li key={rule.id}>
              <strong>{rule.name}.</strong> {rule.reason} <span className="quiet">{rule.instead}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
