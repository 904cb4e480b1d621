/** A reading kept without a place: one tap or a few letters give it one. */
import { valueWords, type PlacedReading, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly reading: PlacedReading;
}

export function PlaceReading({ view, stage, reading }: Props) {
  const [place, setPlace] = useState('');
  const known = [...new Set(view.state.readings.flatMap((one) => (one.place ? [one.place] : [])))].slice(0, 4);
  const put = (where: string) =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'place', target: reading.key, place: where }));
  return (
    <div className="row">
      <span>
        <span className="mono">{valueWords(reading.reading)}</span> <span className="quiet">{say`has no place`}</span>
      </span>
      {known.map((one) => (
        <Button key={one} variant="outlined" onClick={() => put(one)}>
          {one}
        </Button>
      ))}
      <Field
        label={say`Another place`}
        value={place}
        onChange={(event) => setPlace(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && place.trim() !== '' && put(place.trim())}
      />
      <Button
        variant="contained"
        disabled={place.trim() === ''}
        onClick={() => put(place.trim())}
      >{say`Place it`}</Button>
    </div>
  );
}
