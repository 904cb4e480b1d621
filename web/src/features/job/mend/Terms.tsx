/** What the unit is worth, what was agreed, and when it is wanted: all of it may stay open. */
import { numberIn } from '@amber-gauge/core/quantity';
import type { StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { useSettings } from '../../../shared/api/queries.js';
import type { JobView } from '../useJobView.js';
import classes from './Mend.module.css';
import { say } from '@amber-gauge/core/words';

const AMOUNTS = [
  ['worth', say`Worth, working`],
  ['price', say`Price agreed`],
  ['ceiling', say`No more than`],
] as const;
type Amount = (typeof AMOUNTS)[number][0];

export function Terms({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const currency = useSettings().data?.currency ?? 'EUR';
  const { terms } = view.state;
  const [typed, setTyped] = useState<Partial<Record<Amount | 'wantedBy', string>>>({});
  const textOf = (id: Amount) => typed[id] ?? (terms?.[id] == null ? '' : String(terms[id]));
  const wanted = typed.wantedBy ?? terms?.wantedBy ?? '';
  const wrong = AMOUNTS.find(([id]) => textOf(id).trim() !== '' && !((numberIn(textOf(id)) ?? -1) >= 0))?.[1];
  const keep = () => {
    const amount = (id: Amount) => (textOf(id).trim() === '' ? null : numberIn(textOf(id)));
    void submitLines(
      view.job.id,
      makeLine(stage, {
        kind: 'terms',
        worth: amount('worth'),
        price: amount('price'),
        ceiling: amount('ceiling'),
        wantedBy: wanted === '' ? null : wanted,
      }),
    );
    setTyped({});
  };
  return (
    <section aria-label={say`Worth and price`} className="stack">
      <h2>{say`Worth and price, if known`}</h2>
      <div className={classes.terms}>
        {AMOUNTS.map(([id, label]) => (
          <Field
            key={id}
            label={label}
            unit={currency}
            value={textOf(id)}
            onChange={(event) => setTyped({ ...typed, [id]: event.target.value })}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
        ))}
        <Field
          label={say`Wanted by`}
          type="date"
          value={wanted}
          onChange={(event) => setTyped({ ...typed, wantedBy: event.target.value })}
        />
        <Button
          variant="outlined"
          disabled={wrong !== undefined || Object.keys(typed).length === 0}
          onClick={keep}
          sx={{ whiteSpace: 'nowrap' }}
        >{say`Keep worth and price`}</Button>
      </div>
      {wrong && <p role="alert" className="danger">{say`${wrong}: an amount of money, or nothing.`}</p>}
    </section>
  );
}
