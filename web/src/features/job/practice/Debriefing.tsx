/** How it went: beside the advice and the best possible order, then the log played back line by line. */
import { fixed } from '@amber-gauge/core/quantity';
import { LESSONS, practiceFile, type Debrief, type ReplayStep } from '@amber-gauge/core/training';
import { jobLabel } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { download } from '../../../shared/ui/download.js';
import { percent } from '../find/useFind.js';
import type { JobView } from '../useJobView.js';
import { useDebrief } from './useMarking.js';
import table from '../../../shared/ui/Table.module.css';
import classes from './Practice.module.css';
import { say } from '@amber-gauge/core/words';

/** Stands at the end of a practice unit; until it is worked out it says so. */
export function Debriefing({ view }: { readonly view: JobView }) {
  const { ended, debrief } = useDebrief(view);
  if (!ended) return null;
  return (
    <section className={classes.debrief} aria-label={say`How it went`}>
      {debrief ? (
        <Told view={view} debrief={debrief} />
      ) : (
        <p role="status">{say`Playing the advice on the same unit, and your log back.`}</p>
      )}
    </section>
  );
}

/** All of it, once it is worked out. */
export function Told({ view, debrief }: { readonly view: JobView; readonly debrief: Debrief }) {
  const lesson = LESSONS.find(({ id }) => id === view.job.practice?.lesson);
  return (
    <>
      <h1 className="prompt">{headWords(debrief)}</h1>
      {lesson && <p className={classes.after}>{lesson.after}</p>}
      <Beside debrief={debrief} />
      <Replay steps={debrief.replay} />
      <SaveUnit view={view} />
    </>
  );
}

/** The unit as a file, for somebody else to try: told only once it has ended, for it names what is hidden. */
function SaveUnit({ view: { job } }: { readonly view: JobView }) {
  if (!job.practice) return null;
  const text = practiceFile(job.practice, job.complaint);
  return (
    <Button
      variant="outlined"
      className={classes.save ?? ''}
      onClick={() => download(`${jobLabel(job)}.json`, 'application/json', text)}
    >{say`This unit as a file, for somebody else`}</Button>
  );
}

function headWords({ found, left, spoiled }: Debrief): string {
  const still = [...left, ...spoiled.map((one) => say`${one}, by a wrong step`)];
  const mended = found.length > 0 ? say`Mended: ${found.join(', ')}.` : '';
  if (still.length > 0) return say`${mended} Still there: ${still.join(', ')}.`.trim();
  return mended || say`Nothing was wrong with it.`;
}

/** "3", "none". */
const counted = (n: number): string => (n === 0 ? say`none` : String(n));

/** "12"; "12, not found" where they led to nothing. */
const minutesTo = (minutes: number, found: boolean): string =>
  found ? fixed(minutes, 0) : say`${fixed(minutes, 0)}, not found`;

function Beside({ debrief: { own, advice, bestMinutes, left } }: { readonly debrief: Debrief }) {
  const rows: readonly (readonly [string, string, string, string])[] = [
    [
      say`minutes to the fault`,
      minutesTo(own.minutes, left.length === 0),
      minutesTo(advice.minutes, advice.found),
      fixed(bestMinutes, 0),
    ],
    [say`live readings`, counted(own.live), counted(advice.live), ''],
    [say`parts for nothing`, counted(own.wrongParts), counted(advice.wrongParts), counted(0)],
    [say`danger`, own.harm.join(', ') || counted(0), advice.harm.join(', ') || counted(0), counted(0)],
  ];
  return (
    <table className={table.table}>
      <thead>
        <tr>
          <th />
          <th scope="col">{say`you`}</th>
          <th scope="col">{say`the advice`}</th>
          <th scope="col">{say`knowing it`}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, ...cells]) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            {cells.map((cell, i) => (
              <td key={i} className="mono">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Replay({ steps }: { readonly steps: readonly ReplayStep[] }) {
  if (steps.length === 0) return <p>{say`Nothing was measured or answered.`}</p>;
  return (
    <ol className={classes.replay} aria-label={say`Played back`}>
      {steps.map((step) => (
        <li key={step.key}>
          <span className="mono">{fixed(step.clockMin, 0)} min</span>
          <span>
            {step.words}
            {step.missed && <strong className={classes.missed}> {step.missed}</strong>}
            {step.harm.map((one) => (
              <strong key={one} className="danger">
                {' '}
                {one}
              </strong>
            ))}
          </span>
          <span className="quiet">{toldWords(step)}</span>
        </li>
      ))}
    </ol>
  );
}

/** A change of less than this told nothing. */
const TELLS = 0.02;

/** "the right part 12 to 48 %, first". */
function toldWords({ share, moved, rank }: ReplayStep): string {
  if (share === null || moved === null) return '';
  const place = rank === null ? '' : rank === 1 ? say`, first` : say`, place ${rank}`;
  if (Math.abs(moved) < TELLS) return say`told nothing of it: ${percent(share)} %${place}`;
  return say`${moved > 0 ? say`towards` : say`away from`} the fault: ${percent(share - moved)} to ${percent(share)}
    %${place}`;
}
