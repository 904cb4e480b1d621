/** The entry line at the foot of the job: always one key away, says how it understood before Enter. */
import { entryWords, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { fieldHasFocus } from '../../../shared/ui/focus.js';
import { useStored } from '../../../shared/ui/useStored.js';
import type { JobView } from '../useJobView.js';
import { useEntry } from './useEntry.js';
import classes from '../Job.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
  readonly promptPlace: string | null;
}

export function EntryLine({ view, stage, speedId, promptPlace }: Props) {
  const field = useRef<HTMLInputElement>(null);
  const [text, setText] = useStored(`amber-gauge-entry-${view.job.id}`, '');
  const [tried, setTried] = useState(false);
  const { entry, keep, places } = useEntry(view, stage, speedId, promptPlace, text);
  useSlashKey(field);
  const change = (value: string) => {
    setText(value);
    setTried(false);
  };
  const enter = () => (keep() ? change('') : setTried(true));
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Enter') enter();
    const place = places[0];
    if (event.key === 'Tab' && !event.shiftKey && place) {
      event.preventDefault();
      change(`${text.slice(0, text.indexOf('@') + 1)}${place} `);
    }
  };
  const held = view.state.holds[0];
  const bad = entry.kind === 'bad';
  return (
    <footer className={classes.entry}>
      {places.length > 0 && (
        <div className={classes.places} aria-label="Known places">
          {places.map((place) => (
            <Button
              key={place}
              variant="outlined"
              onClick={() => change(`${text.slice(0, text.indexOf('@') + 1)}${place} `)}
            >
              {place}
            </Button>
          ))}
        </div>
      )}
      <div className={classes.entryRow}>
        <div className={classes.entryBox}>
          <div className={classes.entryMark} aria-hidden="true">
            {bad && (
              <>
                {text.slice(0, entry.from)}
                <mark>{text.slice(entry.from, entry.to)}</mark>
              </>
            )}
          </div>
          <input
            ref={field}
            className={classes.entryField}
            value={text}
            onChange={(event) => change(event.target.value)}
            onKeyDown={onKey}
            placeholder={held ? `value held: ${held.prompt}` : '/ reading @place, or a note'}
            aria-label="Entry line"
            aria-invalid={bad}
            aria-describedby="understood"
            autoComplete="off"
            spellCheck={false}
          />
        </div>
        <div
          id="understood"
          className={tried && bad ? `${classes.understood} danger` : classes.understood}
          role="status"
        >
          {text && `→ ${entryWords(entry)}`}
        </div>
        {entry.kind === 'ask' &&
          entry.readings.map((reading) => (
            <Button key={reading.values[0]} variant="outlined" onClick={() => keep(reading) && change('')}>
              {entryWords(reading).split(',')[0]}
            </Button>
          ))}
      </div>
    </footer>
  );
}

function useSlashKey(field: React.RefObject<HTMLInputElement | null>): void {
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (event.key !== '/' || fieldHasFocus()) return;
      event.preventDefault();
      field.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [field]);
}
