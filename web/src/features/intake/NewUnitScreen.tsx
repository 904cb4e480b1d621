/** Taking a unit in. It opens empty; what an earlier visit left is offered. What is typed survives a reload. */
import { jobSchema, type JobFields } from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../../shared/api/client.js';
import { keys, queryClient, useSettings } from '../../shared/api/queries.js';
import { useStored } from '../../shared/ui/useStored.js';
import { blankFields, JobFieldsForm } from './JobFieldsForm.js';
import classes from './Intake.module.css';
import { say } from '@amber-gauge/core/words';

const DRAFT = 'amber-gauge-new-unit';

interface Draft {
  readonly id: string;
  readonly fields: JobFields;
}

export function NewUnitScreen() {
  const navigate = useNavigate();
  const settings = useSettings().data;
  const first = useMemo(() => blankFields('belt-turntable-dc', settings?.mainsVolts ?? 230), [settings?.mainsVolts]);
  const [draft, setDraft] = useStored<Draft | null>(DRAFT, null);
  // What an earlier visit left is offered, never filled in silently: it belongs to another unit.
  const [left, setLeft] = useState(draft);
  const [began, setBegan] = useState<Draft | null>(null);
  const id = useMemo(() => began?.id ?? crypto.randomUUID(), [began?.id]);
  const keep = useCallback((fields: JobFields) => setDraft({ id, fields }), [id, setDraft]);
  const take = useMutation({
    mutationFn: (fields: JobFields) => call('/jobs', jobSchema, { method: 'POST', body: { id, ...fields } }),
    onSuccess: async (job) => {
      setDraft(null);
      await queryClient.invalidateQueries({ queryKey: keys.jobs });
      await navigate(`/job/${job.id}/take-in`);
    },
  });
  return (
    <main className={classes.screen}>
      <h1 className="prompt">{say`Take in a unit`}</h1>
      {left && (
        <div className={`row ${classes.left}`} role="status">
          <span>
            {say`Begun and not taken in: `}
            <strong>{draftWords(left.fields)}</strong>
          </span>
          <Button
            variant="outlined"
            onClick={() => {
              setBegan(left);
              setLeft(null);
            }}
          >{say`Go on with it`}</Button>
          <Button
            onClick={() => {
              setDraft(null);
              setLeft(null);
            }}
          >{say`Drop it`}</Button>
        </div>
      )}
      {take.error && <p role="alert" className="danger">{say`${take.error.message} What you typed stays here.`}</p>}
      <JobFieldsForm
        key={began?.id ?? 'blank'}
        start={began?.fields ?? first}
        submitWord={say`Take it in`}
        busy={take.isPending || take.isSuccess}
        onSubmit={(fields) => !take.isPending && !take.isSuccess && take.mutate(fields)}
        onDraft={keep}
      />
    </main>
  );
}

/** What a draft is, in few words. */
const draftWords = (fields: JobFields): string =>
  [
    `${fields.make} ${fields.model}`.trim() || familyOf(fields.familyId).name,
    fields.customer,
    fields.complaint.slice(0, 60),
  ]
    .filter(Boolean)
    .join(', ');
