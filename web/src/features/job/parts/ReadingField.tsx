/** The large reading field of a prompt: the entry line's grammar, in the present number's size. */
import { entryWords, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { JobView } from '../useJobView.js';
import { useEntry } from './useEntry.js';
import classes from '../stages/Stages.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
  readonly place: string | null;
  readonly placeholder: string;
  readonly label: string;
  readonly keepWord?: string;
  readonly words?: boolean;
}

export function ReadingField({
  view,
  stage,
  speedId,
  place,
  placeholder,
  label,
  keepWord = 'Keep reading',
  words = false,
}: Props) {
  const [text, setText] = useState('');
  const { entry, keep } = useEntry(view, stage, speedId, place, text);
  const enter = () => {
    if (keep()) setText('');
  };
  return (
    <div>
      <div className={classes.ask}>
        <input
          className={words ? `${classes.field} ${classes.words}` : classes.field}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && enter()}
          placeholder={placeholder}
          aria-label={label}
          autoComplete="off"
          spellCheck={false}
        />
        <Button
          variant="contained"
          className={classes.keep ?? ''}
          disabled={text.trim() === '' || entry.kind === 'bad' || entry.kind === 'ask'}
          onClick={enter}
        >
          {keepWord}
        </Button>
      </div>
      <p className={entry.kind === 'bad' ? `${classes.understood} danger` : classes.understood} role="status">
        {text &&
          `→ ${place && entry.kind === 'reading' && !entry.place ? entryWords({ ...entry, place }) : entryWords(entry)}`}
      </p>
      {entry.kind === 'ask' && (
        <div className="row">
          {entry.readings.map((reading) => (
            <Button key={reading.values[0]} variant="outlined" onClick={() => keep(reading) && setText('')}>
              {entryWords(reading).split(',')[0]}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
