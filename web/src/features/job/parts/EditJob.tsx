/** Correcting what was taken in. When somebody else was faster, both versions are shown and one chooses. */
import { jobSchema, type Job, type JobFields } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError, call } from '../../../shared/api/client.js';
import { keys, queryClient } from '../../../shared/api/queries.js';
import { makeLine } from '../../../shared/outbox/outbox.js';
import { ConflictChoice } from '../../../shared/ui/ConflictChoice.js';
import { JobFieldsForm } from '../../intake/JobFieldsForm.js';
import { say } from '@amber-gauge/core/words';

export function EditJob({ job, onDone }: { readonly job: Job; readonly onDone: () => void }) {
  const [base] = useState(job);
  const [wish, setWish] = useState<JobFields | null>(null);
  const [theirs, setTheirs] = useState<Job | null>(null);
  const change = useMutation({
    mutationFn: ({ version, fields }: { version: number; fields: JobFields }) => {
      const line = makeLine('take-in', { kind: 'field', field: '', from: '', to: '' });
      const { key, enteredAt, device, sequence } = line;
      return call(`/jobs/${job.id}`, jobSchema, {
        method: 'PATCH',
        body: { version, fields, key, enteredAt, device, sequence },
      });
    },
    onSuccess: async () => {
      await queryClient.invalidateQueries({ queryKey: keys.job(job.id) });
      await queryClient.invalidateQueries({ queryKey: keys.jobs });
      onDone();
    },
    onError: (error) => {
      if (error instanceof ApiError && error.code === 'CONFLICT') setTheirs(jobSchema.parse(error.wire.present));
    },
  });
  const submit = (fields: JobFields) => {
    setWish(fields);
    change.mutate({ version: base.version, fields });
  };
  return (
    <Dialog open fullWidth maxWidth="md" onClose={onDone}>
      <DialogTitle>{say`Correct what was taken in`}</DialogTitle>
      <DialogContent>
        {theirs && wish ? (
          <ConflictChoice
            mine={wish}
            theirs={theirs}
            onMine={() => {
              setTheirs(null);
              change.mutate({ version: theirs.version, fields: wish });
            }}
            onTheirs={() => {
              void queryClient.invalidateQueries({ queryKey: keys.job(job.id) });
              onDone();
            }}
          />
        ) : (
          <div className="stack" style={{ paddingTop: 8 }}>
            {change.error && (
              <p role="alert" className="danger">{say`${change.error.message} What you typed stays here.`}</p>
            )}
            <JobFieldsForm
              start={fieldsOf(wish ?? base)}
              submitWord={say`Keep the correction`}
              busy={change.isPending}
              onSubmit={submit}
            />
            <div>
              <Button variant="outlined" onClick={onDone}>{say`Leave as it was`}</Button>
            </div>
          </div>
        )}
      </DialogContent>
    </Dialog>
  );
}

function fieldsOf(job: JobFields): JobFields {
  const { familyId, make, model, serial, customer, powerKind, ratedVolts, speedIds, complaint, tried, tolerance } = job;
  return { familyId, make, model, serial, customer, powerKind, ratedVolts, speedIds, complaint, tried, tolerance };
}
