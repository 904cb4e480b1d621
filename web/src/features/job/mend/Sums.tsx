/** Sums in place: those that the readings of this job feed stand first, their fields filled from the log. */
import { prefill, type StageId } from '@amber-gauge/core/bench';
import { ownEntry } from '@amber-gauge/core/quantity';
import { WORKINGS, type Working, type WorkingAnswer, type WorkingTexts } from '@amber-gauge/core/workings';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useMemo, useRef } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { WorkingPanel } from '../../workings/WorkingPanel.js';
import { useJobFind } from '../find/findContext.js';
import type { JobView } from '../useJobView.js';
import { useSumWish } from './sumWish.js';
import classes from './Mend.module.css';
import { say } from '@amber-gauge/core/words';

/** A line of the log holds so many signs of a sum. */
const MOST_WORDS = 2000;

export function Sums({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const wish = useSumWish();
  const open = wish.jobId === view.job.id ? wish.id : null;
  const setOpen = (id: string | null) => wish.ask(view.job.id, id);
  const codes = useJobFind()?.kept?.sheet.codes?.trim() ?? '';
  const section = useRef<HTMLElement>(null);
  // What was asked for from the log comes into sight.
  useEffect(() => {
    if (open !== null) section.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const filled = useMemo(
    () =>
      new Map(
        WORKINGS.map((one) => {
          const sheet = one.fields.flatMap((field): [string, string][] =>
            field.fromSheet && codes !== '' ? [[field.id, codes]] : [],
          );
          return [one.id, { ...prefill(one.fields, view.state.readings), ...Object.fromEntries(sheet) }];
        }),
      ),
    [view.state.readings, codes],
  );
  const has = (one: Working) => Object.keys(filled.get(one.id) ?? {}).length;
  const order = [...WORKINGS].sort((a, b) => has(b) - has(a));
  const working = WORKINGS.find((one) => one.id === open);
  const keep = (one: Working, texts: WorkingTexts, answer: WorkingAnswer) => {
    const inputs = one.fields.flatMap(({ id }) => {
      const text = (ownEntry(texts, id) ?? '').trim();
      return text === '' ? [] : [{ id, text }];
    });
    const words = answer.rows
      .map((row) => `${row.label} ${row.value}`)
      .join('; ')
      .slice(0, MOST_WORDS);
    const { verdict, expects } = answer;
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'working', workingId: one.id, name: one.name, inputs, words, verdict, expects }),
    );
    setOpen(null);
  };
  return (
    <section aria-label={say`Sums`} ref={section}>
      <h2>{say`Sums`}</h2>
      <div className={classes.sums}>
        {order
          .filter((one) => has(one) > 0)
          .map((one) => (
            <Button
              key={one.id}
              variant={open === one.id ? 'contained' : 'outlined'}
              aria-expanded={open === one.id}
              onClick={() => setOpen(open === one.id ? null : one.id)}
            >{say`${one.name}: as read here`}</Button>
          ))}
        <Field
          select
          label={say`Any sum`}
          value={open ?? ''}
          onChange={(event) => setOpen(event.target.value === '' ? null : event.target.value)}
          sx={{ width: 380 }}
        >
          <MenuItem value="">{say`none`}</MenuItem>
          {WORKINGS.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </Field>
      </div>
      {working && (
        <WorkingPanel
          key={working.id}
          working={working}
          start={filled.get(working.id) ?? {}}
          onKeep={(texts, answer) => keep(working, texts, answer)}
        />
      )}
    </section>
  );
}
