/** The entry line at the foot of the job: always one key away, says how it understood before Enter. */
import {
  bearsOnNothing,
  valueWords,
  type Entry,
  type EventBody,
  type PromptAsked,
  type StageId,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useEffect, useState, type KeyboardEvent, type RefObject } from 'react';
import { useStored } from '../../../shared/ui/useStored.js';
import { useJobFind } from '../find/findContext.js';
import type { JobView } from '../useJobView.js';
import { TakeReading } from './TakeReading.js';
import { useTypeAgain } from './typeAgain.js';
import { useEntry, withPlace } from './useEntry.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
  readonly prompt: PromptAsked | null;
  readonly field: RefObject<HTMLInputElement | null>;
  /** The next key is a command: what each does stands here meanwhile. */
  readonly commands: boolean;
}

export function EntryLine({ view, stage, speedId, prompt, field, commands }: Props) {
  const [text, setText] = useStored(`amber-gauge-entry-${view.job.id}`, '');
  const [tried, setTried] = useState(false);
  const { kept, bearing, note } = useBearing(view);
  const { entry, preview, keep, keepText, keepAsNote, places } = useEntry(view, stage, speedId, prompt, text);
  const change = (value: string) => {
    setText(value);
    setTried(false);
  };
  const done = (bodies: readonly EventBody[] | null) => {
    if (bodies === null) return setTried(true);
    note(bodies);
    change('');
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Enter' && !event.repeat) done(keep());
    const place = places[0];
    if (event.key === 'Tab' && !event.shiftKey && place) {
      event.preventDefault();
      change(withPlace(text, place));
    }
  };
  useTypedAgain(change, field);
  const held = view.state.holds[0];
  const bad = entry.kind === 'bad';
  return (
    <footer className={classes.entry}>
      {places.length > 0 && (
        <div className={classes.places} aria-label={say`Known places`}>
          {places.map((place) => (
            <Button key={place} variant="outlined" onClick={() => change(withPlace(text, place))}>
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
            placeholder={held ? say`value held: ${held.prompt}` : say`27.5 V at reservoir, or a note`}
            aria-label={say`Entry line`}
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
          {commands && !text ? KEYS_NOW : text ? `→ ${preview}` : kept && bearing}
        </div>
        <Choices entry={entry} onChosen={(reading) => done(keep(reading))} />
        {(entry.kind === 'answer' || entry.kind === 'ends' || entry.kind === 'timer') && (
          <Button onClick={() => done(keepAsNote())}>{say`Only a note`}</Button>
        )}
        {!view.job.practice && (
          <TakeReading
            prompt={prompt}
            onTaken={(reading, by) => {
              const bodies = keepText(reading, by);
              return bodies ? note(bodies) : change(reading);
            }}
          />
        )}
      </div>
    </footer>
  );
}

/** What the line may have meant: one tap says which. */
function Choices({
  entry,
  onChosen,
}: {
  readonly entry: Entry;
  readonly onChosen: (reading: Extract<Entry, { kind: 'ask-place' }>['reading']) => void;
}) {
  if (entry.kind === 'ask')
    return entry.readings.map((reading) => (
      <Button key={reading.values[0]} variant="outlined" onClick={() => onChosen(reading)}>
        {valueWords(reading)}
      </Button>
    ));
  if (entry.kind !== 'ask-place') return null;
  return (
    <>
      {entry.near.map((name) => (
        <Button key={name} variant="outlined" onClick={() => onChosen({ ...entry.reading, place: name })}>
          {name}?
        </Button>
      ))}
      <Button onClick={() => onChosen({ ...entry.reading, place: entry.typed, newPlace: true })}>
        {say`new place: ${entry.typed}`}
      </Button>
    </>
  );
}

/** Takes up a line that is to be mended. */
function useTypedAgain(change: (text: string) => void, field: RefObject<HTMLInputElement | null>) {
  const { text, ask } = useTypeAgain();
  useEffect(() => {
    if (text === null) return;
    change(text);
    ask(null);
    field.current?.focus();
  });
}

const KEYS_NOW = say`Next key: 1 to 8 a stage, p power, h hold, b bench, ? all keys`;

/** What the line kept last bears on: what moved in the path, or why nothing did. */
function useBearing(view: JobView) {
  const find = useJobFind();
  const turn = find?.turn ?? 0;
  const [kept, setKept] = useState<{ readonly bodies: readonly EventBody[]; readonly turn: number } | null>(null);
  const reason = kept?.bodies.map((body) => bearsOnNothing(body, view.job.familyId)).find((one) => one !== null);
  const moved = kept !== null && turn > kept.turn ? (find?.change ?? null) : null;
  // Kept in this browser, and refused by the server: the log says why.
  const said = new Set(kept?.bodies.map((body) => JSON.stringify(body)));
  const refused = view.lines.some((line) => line.refused !== null && said.has(JSON.stringify(line.event.body)));
  const bearing =
    kept === null
      ? ''
      : refused
        ? say`cannot be kept: see the log`
        : reason
          ? say`kept; ${reason}`
          : moved
            ? say`kept; ${moved}`
            : say`kept`;
  return {
    kept: kept !== null,
    bearing,
    note: (bodies: readonly EventBody[]) => setKept(bodies.length > 0 ? { bodies, turn } : null),
  };
}
