/** One line of the log: time, words, its small ribbon, and whether it is kept yet. */
import {
  eventWords,
  jobTolerance,
  lineWords,
  sumsFedBy,
  whereWords,
  valueWords,
  type BenchEvent,
} from '@amber-gauge/core/bench';
import { workingOf, WORKINGS } from '@amber-gauge/core/workings';
import Button from '@mui/material/Button';
import type { LiHTMLAttributes, Ref } from 'react';
import { RibbonSmall } from '../../../shared/ribbon/RibbonSmall.js';
import { dropRefused } from '../../../shared/outbox/outbox.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView, LogLine } from '../useJobView.js';
import { typedText, useTypeAgain } from './typeAgain.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly line: LogLine;
  readonly view: JobView;
  readonly index: LogIndex;
  readonly onStrike: () => void;
  /** Opens the sum that a reading feeds. */
  readonly onSum: (id: string) => void;
  /** Where the row stands when only those in sight are drawn. */
  readonly place?: LiHTMLAttributes<HTMLLIElement> & {
    readonly ref: Ref<HTMLLIElement>;
    readonly 'data-index': number;
  };
}

/** One line of the log with what may be done to it. */
export function LogRow({ line, view, index, onStrike, onSum, place }: Props) {
  const { event } = line;
  const struck = view.state.struck.has(event.key);
  const reason = struck ? index.reasons.get(event.key) : undefined;
  return (
    <li className={classes.line} data-status={line.status} {...place}>
      <div>
        <span className="mono quiet">{when(event.enteredAt)}</span>{' '}
        <span className={struck ? classes.struck : undefined}>{wordsOf(line, view, index)}</span>
        {!struck && view.state.judged.has(event.key) && (
          <span className="quiet"> ({view.state.judged.get(event.key)?.words})</span>
        )}
        {!struck && event.body.kind === 'reading' && (
          <SumOf body={event.body} place={index.places.get(event.key) ?? event.body.place} onSum={onSum} />
        )}
        {line.status === 'waiting' && <span className={classes.waiting}>{say` waiting`}</span>}
        {line.status === 'kept' && <span className="off-screen">{say` kept`}</span>}
        {reason !== undefined && <span className="quiet">{say` (struck out: ${reason})`}</span>}
        {line.refused && <NotKept event={event} why={line.refused} />}
        {event.body.kind === 'speed' && event.body.errorPercent !== null && !struck && (
          <RibbonSmall reading={event.body} limits={jobTolerance(view.job)} width={200} />
        )}
      </div>
      {!struck && line.status === 'kept' && event.body.kind !== 'field' && (
        <button
          type="button"
          className={classes.strike}
          onClick={onStrike}
          title={say`Strike out`}
          aria-label={say`Strike out: ${eventWords(event.body)}`}
        >
          ×
        </button>
      )}
    </li>
  );
}

/** The sum that this reading feeds, one key away. */
function SumOf({
  body,
  place,
  onSum,
}: {
  readonly body: Extract<BenchEvent['body'], { kind: 'reading' }>;
  readonly place: string | null;
  readonly onSum: Props['onSum'];
}) {
  const [id] = sumsFedBy(WORKINGS, place, body);
  if (id === undefined) return null;
  return (
    <button
      type="button"
      className={classes.sum}
      onClick={() => onSum(id)}
      aria-label={say`Sum: ${workingOf(id)?.name ?? ''}`}
    >{say`sum`}</button>
  );
}

/** A line set aside: the others went on. It is mended in the entry line, copied, or dropped. */
function NotKept({ event, why }: { readonly event: BenchEvent; readonly why: string }) {
  const typeAgain = useTypeAgain((one) => one.ask);
  const text = typedText(event);
  const edit = () => {
    typeAgain(text);
    void dropRefused(event.key);
  };
  return (
    <div role="alert">
      <span className="danger">{say`Cannot be kept: ${why}`}</span>
      <div className={classes.notKept}>
        <Button variant="outlined" onClick={edit}>{say`Edit`}</Button>
        <Button variant="outlined" onClick={() => void navigator.clipboard.writeText(text)}>{say`Copy`}</Button>
        <Button variant="outlined" onClick={() => void dropRefused(event.key)}>{say`Drop`}</Button>
      </div>
    </div>
  );
}

/** What rows look up of other lines of their log. */
export interface LogIndex {
  readonly bodies: ReadonlyMap<string, BenchEvent['body']>;
  /** Where readings were taken, by the reading's key. */
  readonly places: ReadonlyMap<string, string | null>;
  /** Why lines were struck out, by the struck line's key. */
  readonly reasons: ReadonlyMap<string, string>;
}

/** Lines by key, and which of them are struck out. */
export const logIndex = ({ lines, state }: Pick<JobView, 'lines' | 'state'>): LogIndex => ({
  bodies: new Map(lines.map(({ event }) => [event.key, event.body])),
  places: new Map(state.readings.map(({ key, place }) => [key, place])),
  reasons: new Map(
    lines.flatMap(({ event: { body } }) => (body.kind === 'strike' ? [[body.target, body.reason] as const] : [])),
  ),
});

/** A reading that was placed later is shown at its place. */
function wordsOf({ event }: LogLine, view: JobView, index: LogIndex): string {
  const power = view.powerWords.get(event.key);
  if (power !== undefined) return power;
  if (event.body.kind !== 'reading') return lineWords(event.body, (key) => index.bodies.get(key));
  const place = index.places.get(event.key) ?? event.body.place;
  return `${valueWords(event.body)}, ${whereWords({ ...event.body, place })}`;
}
