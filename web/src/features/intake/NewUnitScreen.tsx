/** Taking a unit in. What is typed survives a reload until the job is made. */
import { jobSchema, type JobFields } from '@amber-gauge/contract';
import { useMutation } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../../shared/api/client.js';
import { keys, queryClient, useSettings } from '../../shared/api/queries.js';
import { useStored } from '../../shared/ui/useStored.js';
import { blankFields, JobFieldsForm } from './JobFieldsForm.js';
import classes from './Intake.module.css';

const DRAFT = 'amber-gauge-new-unit';

export function NewUnitScreen() {
  const navigate = useNavigate();
  const settings = useSettings().data;
  const first = useMemo(() => blankFields('belt-turntable-dc', settings?.mainsVolts ?? 230), [settings?.mainsVolts]);
  const [draft, setDraft] = useStored<{ id: string; fields: JobFields } | null>(DRAFT, null);
  const id = useMemo(() => draft?.id ?? crypto.randomUUID(), [draft?.id]);
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
      <h1 className="prompt">Take in a unit</h1>
      {take.error && (
        <p role="alert" className="danger">
          {take.error.message} What you typed stays here.
        </p>
      )}
      <JobFieldsForm
        start={draft?.fields ?? first}
        submitWord="Take it in"
        busy={take.isPending}
        onSubmit={(fields) => take.mutate(fields)}
        onDraft={keep}
      />
    </main>
  );
}
