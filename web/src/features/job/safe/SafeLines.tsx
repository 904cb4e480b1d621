/** What to do before this unit is opened, each line with why; the plug and the charge answer for themselves. */
import { countdown, type StageId, type UnitSafeLine } from '@amber-gauge/core/bench';
import { useNow } from '../../../shared/ui/useNow.js';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import classes from './Safe.module.css';
import { say } from '@amber-gauge/core/words';

export function SafeLines({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const done = ({ line }: UnitSafeLine) =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'safe', lineId: line.id, text: line.text }));
  return (
    <ol className={classes.lines} aria-label={say`Before it is opened`}>
      {view.state.safeLines.map((one) => (
        <li key={one.line.id} className={classes.line} data-state={one.state}>
          <span className={classes.mark} aria-hidden="true">
            {one.state === 'open' ? '' : '✓'}
          </span>
          <span>
            <span className={classes.text}>{one.line.text}</span>
            <span className={classes.why}>{one.line.why}</span>
          </span>
          <Answer one={one} onDone={() => done(one)} />
        </li>
      ))}
    </ol>
  );
}

function Waits({ until }: { readonly until: string | null }) {
  const now = useNow(1000);
  if (until === null) return <span className="quiet">{say`once unplugged`}</span>;
  const over = Date.parse(until) <= now.getTime();
  return over ? <strong>{say`over: measure`}</strong> : <span className="mono">{countdown(until, now)}</span>;
}

function Answer({ one, onDone }: { readonly one: UnitSafeLine; readonly onDone: () => void }) {
  if (one.state === 'answered') return <span className="quiet">{one.line.byReading ? say`measured` : say`it is`}</span>;
  if (one.state === 'said') return <span className="quiet">{say`done`}</span>;
  if (one.line.waitMin !== null) return <Waits until={one.waitUntil} />;
  if (one.line.byReading) return <span className="quiet">{say`by a reading`}</span>;
  if (one.line.id === 'unplug' || one.line.id === 'pack-out') return <span className="quiet">{say`say so above`}</span>;
  return (
    <Button
      variant="outlined"
      className={classes.done ?? ''}
      onClick={onDone}
      aria-label={say`Done: ${one.line.text}`}
    >{say`Done`}</Button>
  );
}
