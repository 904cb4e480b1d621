/** The trace on the screen of a scope of Set-up, as a file to measure. */
import { traceSchema } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { ApiError, call } from '../../../shared/api/client.js';
import { useSettings } from '../../../shared/api/queries.js';
import { usePracticeStands } from './practiceStands.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly disabled: boolean;
  readonly onFile: (file: File) => void;
}

export function TakeTrace({ disabled, onFile }: Props) {
  const scopes = useSettings().data?.instruments.filter(({ kind }) => kind === 'scope') ?? [];
  const taking = useMutation({
    mutationFn: (id: string) => call('/instruments/trace', traceSchema, { method: 'POST', body: { id } }),
    onSuccess: ({ name, csv }) => onFile(new File([csv], `${name}.csv`, { type: 'text/csv' })),
  });
  const standing = usePracticeStands((state) => state.csv);
  return (
    <>
      {standing !== null && (
        <Button
          variant="outlined"
          disabled={disabled}
          onClick={() => onFile(new File([standing], 'practice-scope.csv', { type: 'text/csv' }))}
        >{say`Take the trace of the practice scope`}</Button>
      )}
      {scopes.map(({ id, name }) => (
        <Button
          key={id}
          variant="outlined"
          disabled={disabled || taking.isPending}
          onClick={() => taking.mutate(id)}
        >{say`Take the trace of ${name}`}</Button>
      ))}
      {taking.error && (
        <span role="alert" className="danger">
          {taking.error instanceof ApiError
            ? (Object.values(taking.error.wire.fields ?? {})[0] ?? taking.error.message)
            : say`The server is not answering: nothing was taken.`}
        </span>
      )}
    </>
  );
}
