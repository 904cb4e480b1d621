/** What a supplier said of a mend's parts: their price and their days, kept in the log and reckoned with from then on. */
import type { MendOption, StageId } from '@amber-gauge/core/bench';
import { numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

/** Days of waiting that a line holds. */
const MOST_DAYS = 3650;

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly one: Pick<MendOption, 'id' | 'name'>;
  readonly onDone: () => void;
}

export function PartsAsk({ view, stage, one, onDone }: Props) {
  const currency = useSettings().data?.currency ?? 'EUR';
  const [typed, setTyped] = useState({ money: '', days: '' });
  const money = numberIn(typed.money);
  const days = typed.days.trim() === '' ? null : numberIn(typed.days);
  const wrong =
    typed.money.trim() !== '' && (money === null || money < 0)
      ? say`The price is no amount of money.`
      : typed.days.trim() !== '' && (days === null || days < 0 || days > MOST_DAYS || !Number.isInteger(days))
        ? say`Days: a whole number, empty for not known.`
        : null;
  const keep = () => {
    if (money === null || wrong) return;
    const { id: optionId, name } = one;
    void submitLines(view.job.id, makeLine(stage, { kind: 'quote', optionId, name, money, days }));
    onDone();
  };
  return (
    <div className="row" role="group" aria-label={say`Parts of ${one.name}`} style={{ alignItems: 'flex-end' }}>
      <Field
        label={say`Its parts cost`}
        unit={currency}
        autoFocus
        value={typed.money}
        onChange={(event) => setTyped({ ...typed, money: event.target.value })}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        sx={{ width: 180 }}
      />
      <Field
        label={say`Here in, days`}
        value={typed.days}
        onChange={(event) => setTyped({ ...typed, days: event.target.value })}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        sx={{ width: 180 }}
      />
      <Button
        variant="contained"
        disabled={money === null || wrong !== null}
        onClick={keep}
      >{say`Reckon with it`}</Button>
      <Button onClick={onDone}>{say`Cancel`}</Button>
      {wrong && (
        <p role="alert" className="danger">
          {wrong}
        </p>
      )}
    </div>
  );
}
