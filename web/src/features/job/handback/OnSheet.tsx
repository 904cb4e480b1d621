/** What goes on the owner's sheet: photos and notes are chosen, nothing strays onto it. */
import { standing, type SheetBody, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { when } from '../../../shared/ui/when.js';
import { usePicture } from '../photos/usePicture.js';
import type { JobView } from '../useJobView.js';
import classes from './HandBack.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
}

const NOTHING: Omit<SheetBody, 'kind'> = { photos: [], notes: [], watch: '' };

export function OnSheet({ view, stage }: Props) {
  const chosen = view.state.sheet ?? NOTHING;
  const [watch, setWatch] = useState<string | null>(null);
  const notes = standing(view.lines.map((one) => one.event)).flatMap(({ key, enteredAt, body }) =>
    body.kind === 'note' ? [{ key, at: enteredAt, text: body.text }] : [],
  );
  const keep = (more: Partial<SheetBody>) => {
    const { photos, notes: kept, watch: words } = { ...chosen, ...more };
    void submitLines(view.job.id, makeLine(stage, { kind: 'sheet', photos, notes: kept, watch: words }));
  };
  const toggled = (list: readonly string[], key: string) =>
    list.includes(key) ? list.filter((one) => one !== key) : [...list, key];
  return (
    <section className="stack" aria-label={say`On the sheet`}>
      <h2>{say`On the owner’s sheet`}</h2>
      {view.state.photos.length > 0 && (
        <ul className={classes.photos}>
          {view.state.photos.map(({ key, photo }) => (
            <li key={key}>
              <Choice
                label={photo.caption || say`photo`}
                checked={chosen.photos.includes(key)}
                onChange={() => keep({ photos: toggled(chosen.photos, key) })}
              >
                <Thumb photoId={photo.photoId} />
              </Choice>
            </li>
          ))}
        </ul>
      )}
      {notes.map((note) => (
        <Choice
          key={note.key}
          label={`${note.text}, ${when(note.at)}`}
          checked={chosen.notes.includes(note.key)}
          onChange={() => keep({ notes: toggled(chosen.notes, note.key) })}
        />
      ))}
      {notes.length + view.state.photos.length === 0 && (
        <p className="quiet">{say`No photos and no notes: the sheet carries the speeds, the work and what was
          shown.`}</p>
      )}
      <div className="row">
        <Field
          label={say`What the owner should watch`}
          value={watch ?? chosen.watch}
          onChange={(event) => setWatch(event.target.value)}
          sx={{ flex: '1 1 320px' }}
        />
        <Button
          variant="outlined"
          disabled={watch === null || watch.trim() === chosen.watch}
          onClick={() => {
            keep({ watch: (watch ?? '').trim() });
            setWatch(null);
          }}
        >{say`On the sheet`}</Button>
      </div>
    </section>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: () => void;
  readonly children?: React.ReactNode;
}

function Choice({ label, checked, onChange, children }: ChoiceProps) {
  return (
    <label className={classes.choice}>
      <Checkbox checked={checked} onChange={onChange} />
      {children}
      <span>{label}</span>
    </label>
  );
}

const Thumb = ({ photoId }: { readonly photoId: string }) => (
  <img className={classes.thumb} src={usePicture(photoId, true)} alt="" />
);
