/** The large reading field of a prompt: the entry line's grammar, in the present number's size. */
import { valueWords, type PromptAsked, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { JobView } from '../useJobView.js';
import { useEntry } from './useEntry.js';
import classes from '../stages/Stages.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
  readonly prompt: PromptAsked | null;
  readonly placeholder: string;
  readonly label: string;
  readonly keepWord?: string;
  readonly disabled?: boolean;
  /** What was kept last is not in the log yet: what is typed stays in the field until it is. */
  readonly held?: boolean;
  /** After a line was kept. */
  readonly onKept?: () => void;
}

export function ReadingField({
  view,
  stage,
  speedId,
  prompt,
  placeholder,
  label,
  keepWord = say`Keep reading`,
  disabled = false,
  held = false,
  onKept,
}: Props) {
  const [text, setText] = useState('');
  const { entry, preview, keep } = useEntry(view, stage, speedId, prompt, text);
  const done = (chosen = entry) => {
    if (disabled || held || keep(chosen) === null) return;
    setText('');
    onKept?.();
  };
  const open = ['bad', 'ask', 'ask-place', 'empty'].includes(entry.kind);
  return (
    <div>
      <div className={classes.ask}>
        <input
          className={classes.field}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && !event.repeat && done()}
          placeholder={placeholder}
          aria-label={label}
          autoComplete="off"
          spellCheck={false}
          disabled={disabled}
        />
        <Button variant="contained" className={classes.keep ?? ''} disabled={disabled || open} onClick={() => done()}>
          {keepWord}
        </Button>
      </div>
      <p className={entry.kind === 'bad' ? `${classes.understood} danger` : classes.understood} role="status">
        {text && `→ ${preview}`}
      </p>
      {entry.kind === 'ask' && (
        <div className="row">
          {entry.readings.map((reading) => (
            <Button key={reading.values[0]} variant="outlined" onClick={() => done(reading)}>
              {valueWords(reading)}
            </Button>
          ))}
        </div>
      )}
      {entry.kind === 'ask-place' && (
        <div className="row">
          {entry.near.map((name) => (
            <Button key={name} variant="outlined" onClick={() => done({ ...entry.reading, place: name })}>
              {name}?
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
