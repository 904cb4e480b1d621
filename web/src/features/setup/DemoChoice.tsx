/** Start my own bench: hides the demo, which can be shown again. */
import { settingsSchema, type Settings } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { call } from '../../shared/api/client.js';
import { queryClient } from '../../shared/api/queries.js';
import { say } from '@amber-gauge/core/words';

export function DemoChoice({ settings }: { readonly settings: Settings }) {
  const change = useMutation({
    mutationFn: (shown: boolean) => call('/settings/demo', settingsSchema, { method: 'POST', body: { shown } }),
    onSuccess: () => queryClient.invalidateQueries(),
  });
  if (!settings.hasDemo) return <p>{say`There is no demo in this database.`}</p>;
  return (
    <div className="row">
      <Button
        variant={settings.demoShown ? 'contained' : 'outlined'}
        onClick={() => change.mutate(!settings.demoShown)}
        disabled={change.isPending}
      >
        {settings.demoShown ? say`Start my own bench` : say`Show the demo again`}
      </Button>
      <span>
        {settings.demoShown
          ? say`Hides the made-up jobs of the island; nothing is deleted.`
          : say`The made-up jobs are hidden.`}
      </span>
      {change.error && <span className="danger">{change.error.message}</span>}
    </div>
  );
}
