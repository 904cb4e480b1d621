/** One test tape or record. */
import { decimal } from '@amber-gauge/core/quantity';
import { zodResolver } from '@hookform/resolvers/zod';
import { sourceFieldsSchema, sourceSchema, type Source } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { Field } from '../../shared/ui/Field.js';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { call } from '../../shared/api/client.js';
import { keys, queryClient } from '../../shared/api/queries.js';
import classes from './Setup.module.css';
import { say } from '@amber-gauge/core/words';

type Fields = z.infer<typeof sourceFieldsSchema>;

export function SourceForm({ source, onDone }: { readonly source: Source | null; readonly onDone: () => void }) {
  const { register, handleSubmit, formState } = useForm<Fields>({
    resolver: zodResolver(sourceFieldsSchema),
    defaultValues: source ?? { name: '', nominalHz: 3150, tolerancePercent: null },
  });
  const save = useMutation({
    mutationFn: (fields: Fields) =>
      source
        ? call(`/sources/${source.id}`, sourceSchema, { method: 'PATCH', body: { version: source.version, fields } })
        : call('/sources', sourceSchema, { method: 'POST', body: { id: crypto.randomUUID(), ...fields } }),
    onSuccess: async () => {
      await queryClient.invalidateQueries({ queryKey: keys.sources });
      onDone();
    },
  });
  const wrong = Object.values(formState.errors)[0];
  const number = (value: string | number | null) => (value === '' || value === null ? null : decimal(String(value)));
  return (
    <form
      className={classes.grid}
      onSubmit={(event) => void handleSubmit((fields) => save.mutate(fields))(event)}
      noValidate
      style={{ padding: '16px 0' }}
    >
      <Field label={say`Name`} {...register('name')} />
      <Field label={say`Nominal, Hz`} {...register('nominalHz', { setValueAs: number })} />
      <Field
        label={say`Tolerance, ± % (empty: not known; a good trade tape has 0.3)`}
        {...register('tolerancePercent', { setValueAs: number })}
      />
      <div className={`row ${classes.end}`}>
        <Button type="submit" variant="contained" disabled={save.isPending}>{say`Keep`}</Button>
        <Button variant="outlined" onClick={onDone}>{say`Leave it`}</Button>
        {(wrong ?? save.error) && (
          <span role="alert" className="danger">
            {wrong?.message ?? save.error?.message}
          </span>
        )}
      </div>
    </form>
  );
}
