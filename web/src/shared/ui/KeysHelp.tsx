/** The list of keys, on ?. */
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useState } from 'react';
import { fieldHasFocus } from './focus.js';
import { useSettings } from '../api/queries.js';
import classes from './KeysHelp.module.css';
import { say } from '@amber-gauge/core/words';

export function KeysHelp() {
  const [open, setOpen] = useState(false);
  const capture = useSettings().data?.captureKey ?? 'F9';
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '?' && !fieldHasFocus()) setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const keys: readonly (readonly [string, string])[] = [
    [say`a letter, a figure`, say`on a job: opens the entry line with itself in it; it changes nothing else`],
    ['/', say`on a job: the entry line, empty`],
    ['Esc', say`leave a field; on a job the next key is then a command: 1 to 8 a stage, p power, h hold, b bench`],
    ['Alt 1 … 8', say`on a job: the stages, also from inside a field`],
    ['F8', say`power of the job: live through the gate, or unplugged; it can be undone for 10 s`],
    ['F4', say`on a job: take what stands on the bench meter of Set-up, or stop waiting for it`],
    ['F6, F7', say`the answers where the log shows it was on: on now, or unplugged again`],
    [
      capture === ' ' ? say`Space` : capture,
      say`capture: stamp time and prompt, also inside a field (a foot pedal may type it); Space does it only when
        nothing has focus and nobody types`,
    ],
    [
      'b d s w h p k u n',
      say`elsewhere: bench, day plan, speed desk, workings, shelf, practice, book, set-up, take in`,
    ],
    ['/', say`on the bench: find a unit`],
    ['?', say`this list`],
  ];
  return (
    <>
      <Button color="inherit" onClick={() => setOpen(true)} title={say`Key ?`} aria-label={say`Keys`}>
        ?
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)}>
        <DialogTitle>{say`Keys`}</DialogTitle>
        <DialogContent>
          <dl className={classes.keys}>
            {keys.map(([key, word]) => (
              <div key={key} className={classes.pair}>
                <dt className="mono">{key}</dt>
                <dd>{word}</dd>
              </div>
            ))}
          </dl>
        </DialogContent>
      </Dialog>
    </>
  );
}
