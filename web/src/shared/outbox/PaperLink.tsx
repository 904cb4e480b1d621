/** A file that the server makes of a job: it is fetched when everything entered for the job is kept, so that it holds it. */
import Button, { type ButtonProps } from '@mui/material/Button';
import { notice } from '../ui/Notice.js';
import { flush, useOutbox } from './outbox.js';
import { say } from '@amber-gauge/core/words';

interface Props extends Pick<ButtonProps, 'variant' | 'className' | 'children'> {
  readonly jobId: string;
  /** Behind the job's own address: "sheet.pdf". */
  readonly file: string;
}

const waitsFor = (jobId: string): boolean =>
  useOutbox.getState().entries.some((entry) => entry.jobId === jobId && !entry.refused);

/** When nothing of the job waits any more. */
const kept = (jobId: string): Promise<void> =>
  new Promise((resolve) => {
    const leave = useOutbox.subscribe(() => {
      if (waitsFor(jobId)) return;
      leave();
      resolve();
    });
    void flush();
  });

export function PaperLink({ jobId, file, children, ...looks }: Props) {
  const href = `/api/v1/jobs/${jobId}/${file}`;
  const hold = (event: React.MouseEvent) => {
    if (!waitsFor(jobId)) return;
    event.preventDefault();
    if (useOutbox.getState().away) notice(say`The server is away: it comes when what was entered last is kept`);
    void kept(jobId).then(() => window.location.assign(href));
  };
  return (
    <Button component="a" href={href} onClick={hold} {...looks}>
      {children}
    </Button>
  );
}
