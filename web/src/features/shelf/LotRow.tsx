/** One lot: what is here, and what may be done with it. */
import type { Lot, ShelfBody } from '@amber-gauge/core/bench';
import { numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../../shared/ui/Field.js';
import { servesWords } from './ServesField.js';
import { today } from './useShelf.js';
import classes from './Shelf.module.css';

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
      ? `${one.onOrder} on order${lot.expectedOn ? `, expected ${lot.expectedOn}` : ''}`
      : `${one.free} free of ${one.onHand} here`,
    ...[...one.reserved].map(([job, count]) => `${count} for ${job === null ? 'no job' : jobName(job)}`),
    one.bad > 0 ? `${one.bad} bad` : '',
    one.used > 0 ? `${one.used} used` : '',
    one.failed > 0 ? `${one.failed} failed early` : '',
  ].filter(Boolean);
  return (
    <li className={classes.lot}>
      <div>
        <p className={classes.part}>{lot.part}</p>
        <p className="quiet">
          {lot.supplier}
          {lot.place ? `, in ${lot.place}` : ''} · {standing.join(' · ')}
        </p>
        {one.serves.size > 0 && <p className="quiet small">For: {[...one.serves].map(servesWords).join('; ')}</p>}
        {one.testBy && <p className={classes.due}>Not tested: bad ones can be claimed until {one.testBy}</p>}
      </div>
      <div className="row">
        {one.onOrder > 0 ? (
          <Button
            variant="contained"
            disabled={busy}
            onClick={() => onKeep({ kind: 'arrived', lot: key, on: today() })}
            aria-label={`Arrived: ${lot.part}`}
          >
            It has come
          </Button>
        ) : (
          <>
            <Button
              variant={one.testBy ? 'contained' : 'outlined'}
              disabled={one.onHand === 0}
              onClick={() => setDoing(doing === 'test' ? null : 'test')}
              aria-label={`Test: ${lot.part}`}
            >
              Tested
            </Button>
            <Button
              variant="outlined"
              onClick={() => setDoing(doing === 'move' ? null : 'move')}
              aria-label={`Take: ${lot.part}`}
            >
              Take, set aside
            </Button>
          </>
        )}
        <Button
          disabled={busy}
          onClick={() => onKeep({ kind: 'strike', target: one.last.key, reason: 'taken back' })}
          aria-label={`Take back the last line of ${lot.part}`}
        >
          Take back: {LAST_WORDS[one.last.kind]}
        </Button>
      </div>
      {doing === 'test' && <Test one={one} busy={busy} onKeep={(body) => (onKeep(body), setDoing(null))} />}
      {doing === 'move' && <Move one={one} busy={busy} onKeep={(body) => (onKeep(body), setDoing(null))} />}
    </li>
  );
}

/** The newest line of a lot, as one takes it back. */
const LAST_WORDS: Readonly<Record<ShelfBody['kind'], string>> = {
  lot: 'the lot',
  arrived: 'it has come',
  tested: 'the test',
  reserved: 'set aside',
  released: 'given back',
  used: 'built in',
  failed: 'failed',
  strike: 'the stroke',
};

const jobName = (job: number): string => `job ${String(job).padStart(4, '0')}`;

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
      <Field label="Good" value={good} onChange={(event) => setGood(event.target.value)} sx={{ width: 120 }} />
      <Field label="Bad" value={bad} onChange={(event) => setBad(event.target.value)} sx={{ width: 120 }} />
      <Button
        variant="contained"
        disabled={busy || !whole || (goods ?? 0) + (bads ?? 0) === 0}
        onClick={() => onKeep({ kind: 'tested', lot: one.key, good: goods ?? 0, bad: bads ?? 0 })}
      >
        Keep the test
      </Button>
    </div>
  );
}

const MOVES = [
  ['reserved', 'Set aside'],
  ['released', 'Give back'],
  ['used', 'Built in'],
  ['failed', 'Failed soon after'],
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
        label="How many"
        value={quantity}
        onChange={(event) => setQuantity(event.target.value)}
        sx={{ width: 120 }}
      />
      <Field label="For job number" value={job} onChange={(event) => setJob(event.target.value)} sx={{ width: 160 }} />
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
