/** One line of the log: time, words, its small ribbon, and whether it is kept yet. */
import { eventWords, jobTolerance, lineWords, whereWords, valueWords, type BenchEvent } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { RibbonSmall } from '../../../shared/ribbon/RibbonSmall.js';
import { dropRefused } from '../../../shared/outbox/outbox.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView, LogLine } from '../useJobView.js';
import { typedText, useTypeAgain } from './typeAgain.js';
import classes from '../Job.module.css';

interface Props {
  readonly line: LogLine;
  readonly view: JobView;
  readonly onStrike: () => void;
}

export function LogRow({ line, view, onStrike }: Props) {
  const { event } = line;
  const struck = view.state.struck.has(event.key);
  const reason = struck ? strikeReason(view, event.key) : null;
  return (
    <li className={classes.line} data-status={line.status}>
      <div>
        <span className="mono quiet">{when(event.enteredAt)}</span>{' '}
        <span className={struck ? classes.struck : undefined}>{wordsOf(line, view)}</span>
        {line.status === 'waiting' && <span className={classes.waiting}> waiting</span>}
        {line.status === 'kept' && <span className="off-screen"> kept</span>}
        {reason && <span className="quiet"> {reason}</span>}
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
          title="Strike out"
          aria-label={`Strike out: ${eventWords(event.body)}`}
        >
          ×
        </button>
      )}
    </li>
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
      <span className="danger">Cannot be kept: {why}</span>
      <div className={classes.notKept}>
        <Button variant="outlined" onClick={edit}>
          Edit
        </Button>
        <Button variant="outlined" onClick={() => void navigator.clipboard.writeText(text)}>
          Copy
        </Button>
        <Button variant="outlined" onClick={() => void dropRefused(event.key)}>
          Drop
        </Button>
      </div>
    </div>
  );
}

/** A reading that was placed later is shown at its place. */
function wordsOf({ event }: LogLine, view: JobView): string {
  const power = view.powerWords.get(event.key);
  if (power !== undefined) return power;
  if (event.body.kind !== 'reading')
    return lineWords(event.body, (key) => view.lines.find((one) => one.event.key === key)?.event.body);
  const placed = view.state.readings.find((reading) => reading.key === event.key);
  return `${valueWords(event.body)}, ${whereWords({ ...event.body, place: placed?.place ?? event.body.place })}`;
}

function strikeReason(view: JobView, key: string): string {
  const stroke = view.lines.find((line) => line.event.body.kind === 'strike' && line.event.body.target === key);
  return stroke?.event.body.kind === 'strike' ? `(struck out: ${stroke.event.body.reason})` : '';
}
