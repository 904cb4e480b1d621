/** One lot: what is here, and what may be done with it. */
import type { Lot, ShelfBody } from '@amber-gauge/core/bench';
import { numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../../shared/ui/Field.js';
import { servesWords } from './ServesField.js';
import { today } from './useShelf.js';
import classes from './Shelf.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly one: Lot;
  readonly busy: boolean;
  readonly onKeep: (...bodies: readonly ShelfBody[]) => void;
}

export function LotRow({ one, busy, onKeep }: Props) {
  const { key, lot } = one;
  const [doing, setDoing] = useState<'test' | 'move' | null>(null);
  const standing = [
    one.onOrder > 0
      ? say`${one.onOrder} on order${lot.expectedOn ? say`, expected ${lot.expectedOn}` : ''}`
      : say`${one.free} free of ${one.onHand} here`,
    ...[...one.reserved].map(([job, count]) => say`${count} for ${job === null ? say`no job` : jobName(job)}`),
    one.bad > 0 ? say`${one.bad} bad` : '',
    one.used > 0 ? say`${one.used} used` : '',
    one.failed > 0 ? say`${one.failed} failed early` : '',
  ].filter(Boolean);
  return (
    <li className={classes.lot}>
      <div>
        <p className={classes.part}>{lot.part}</p>
        <p className="quiet">
          {lot.supplier}
          {lot.place ? say`, in ${lot.place}` : ''} · {standing.join(' · ')}
        </p>
        {one.serves.size > 0 && (
          <p className="quiet small">{say`For: ${[...one.serves].map(servesWords).join('; ')}`}</p>
        )}
        {one.testBy && <p className={classes.due}>{say`Not tested: bad ones can be claimed until ${one.testBy}`}</p>}
      </div>
      <div className="row">
        {one.onOrder > 0 ? (
          <Button
            variant="contained"
            disabled={busy}
            onClick={() => onKeep({ kind: 'arrived', lot: key, on: today() })}
            aria-label={say`Arrived: ${lot.part}`}
          >{say`It has come`}</Button>
        ) : (
          <>
            <Button
              variant={one.testBy ? 'contained' : 'outlined'}
              disabled={one.onHand === 0}
              onClick={() => setDoing(doing === 'test' ? null : 'test')}
              aria-label={say`Test: ${lot.part}`}
            >{say`Tested`}</Button>
            <Button
              variant="outlined"
              onClick={() => setDoing(doing === 'move' ? null : 'move')}
              aria-label={say`Take: ${lot.part}`}
            >{say`Take, set aside`}</Button>
          </>
        )}
        <Button
          disabled={busy}
          onClick={() => onKeep({ kind: 'strike', target: one.last.key, reason: say`taken back` })}
          aria-label={say`Take back the last line of ${lot.part}`}
        >{say`Take back: ${LAST_WORDS[one.last.kind]}`}</Button>
      </div>
      {doing === 'test' && <Test one={one} busy={busy} onKeep={(body) => (onKeep(body), setDoing(null))} />}
      {doing === 'move' && <Move one={one} busy={busy} onKeep={(body) => (onKeep(body), setDoing(null))} />}
    </li>
  );
}

/** The newest line of a lot, as one takes it back. */
const LAST_WORDS: Readonly<Record<ShelfBody['kind'], string>> = {
  lot: say`the lot`,
  arrived: say`it has come`,
  tested: say`the test`,
  reserved: say`set aside`,
  released: say`given back`,
  used: say`built in`,
  failed: say`failed`,
  strike: say`the stroke`,
};

const jobName = (job: number): string => say`job ${String(job).padStart(4, '0')}`;

interface InsideProps {
  readonly one: Lot;
  readonly busy: boolean;
  readonly onKeep: (body: ShelfBody) => void;
}

function Test({ one, busy, onKeep }: InsideProps) {
  const [good, setGood] = useState(String(one.lot.quantity - one.tested - Math.max(0, one.used - one.tested)));
  const [bad, setBad] = useState('0');
  const counts = [good, bad].map(numberIn);
  const [goods, bads] = counts;
  const whole = counts.every((count) => count !== null && Number.isInteger(count) && count >= 0);
  return (
    <div className={classes.inside}>
      <Field label={say`Good`} value={good} onChange={(event) => setGood(event.target.value)} sx={{ width: 120 }} />
      <Field label={say`Bad`} value={bad} onChange={(event) => setBad(event.target.value)} sx={{ width: 120 }} />
      <Button
        variant="contained"
        disabled={busy || !whole || (goods ?? 0) + (bads ?? 0) === 0}
        onClick={() => onKeep({ kind: 'tested', lot: one.key, good: goods ?? 0, bad: bads ?? 0 })}
      >{say`Keep the test`}</Button>
    </div>
  );
}

const MOVES = [
  ['reserved', say`Set aside`],
  ['released', say`Give back`],
  ['used', say`Built in`],
  ['failed', say`Failed soon after`],
] as const;

function Move({ one, busy, onKeep }: InsideProps) {
  const [quantity, setQuantity] = useState('1');
  const [job, setJob] = useState('');
  const [count, number] = [numberIn(quantity), job.trim() === '' ? null : numberIn(job)];
  const right =
    count !== null &&
    Number.isInteger(count) &&
    count > 0 &&
    (job.trim() === '' || (number !== null && Number.isInteger(number) && number > 0));
  return (
    <div className={classes.inside}>
      <Field
        label={say`How many`}
        value={quantity}
        onChange={(event) => setQuantity(event.target.value)}
        sx={{ width: 120 }}
      />
      <Field
        label={say`For job number`}
        value={job}
        onChange={(event) => setJob(event.target.value)}
        sx={{ width: 160 }}
      />
      {MOVES.map(([kind, word]) => (
        <Button
          key={kind}
          variant="outlined"
          disabled={busy || !right}
          onClick={() => onKeep({ kind, lot: one.key, quantity: count ?? 1, job: number })}
        >
          {word}
        </Button>
      ))}
    </div>
  );
}
