/** The capture key, learnt by pressing it (or the foot pedal that types it). */
import type { Settings } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { useSettingsChange } from './useSettingsChange.js';
import classes from './Setup.module.css';
import { say } from '@amber-gauge/core/words';

/** Keys that work elsewhere and may not be taken; a letter or a figure is always the beginning of a line. */
const TAKEN = new Set(['Tab', 'Enter', 'Escape', 'Shift', 'Control', 'Alt', 'Meta', 'Backspace', 'F6', 'F7', 'F8']);

const isTaken = (key: string): boolean => TAKEN.has(key) || (key.length === 1 && key !== ' ');

export function CaptureKey({ settings }: { readonly settings: Settings }) {
  const [learning, setLearning] = useState(false);
  const [message, setMessage] = useState('');
  const { change } = useSettingsChange();
  const { mutate } = change;
  useEffect(() => {
    if (!learning) return;
    const onKey = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopPropagation();
      setLearning(false);
      if (event.key === 'Escape') return;
      if (isTaken(event.key))
        return setMessage(say`${event.key} has another use here. Press a function key, or set the pedal to one.`);
      setMessage('');
      mutate({ version: settings.version, fields: { captureKey: event.key } });
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [learning, mutate, settings.version]);
  return (
    <div className="row">
      <span className={`mono ${classes.key}`}>{settings.captureKey === ' ' ? say`Space` : settings.captureKey}</span>
      <Button variant="outlined" onClick={() => setLearning(true)}>
        {learning ? say`Press the key or pedal now` : say`Learn another`}
      </Button>
      <span role="status">
        {message ||
          (change.error
            ? change.error.message
            : say`One press with both hands busy stamps time and prompt; the value is typed later.`)}
      </span>
    </div>
  );
}
