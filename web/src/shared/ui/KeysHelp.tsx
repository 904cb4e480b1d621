/** The list of keys, on ?. */
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useState } from 'react';
import { fieldHasFocus } from './focus.js';
import { useSettings } from '../api/queries.js';
import classes from './KeysHelp.module.css';

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
    ['/', 'entry line of the job'],
    ['1 … 8', 'the stages, when no field has focus'],
    ['Esc', 'leave a field'],
    [
      capture === ' ' ? 'Space' : capture,
      'capture: stamp time and prompt, also inside a field (a foot pedal may type it)',
    ],
    ['b s u', 'bench, speed desk, set-up'],
    ['n', 'take in a unit'],
    ['p', 'power of the job: live through the gate, or unplugged'],
    ['?', 'this list'],
  ];
  return (
    <>
      <Button color="inherit" onClick={() => setOpen(true)} title="Key ?" aria-label="Keys">
        ?
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)}>
        <DialogTitle>Keys</DialogTitle>
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
