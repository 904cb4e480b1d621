/** The trim coach: begun with the trims and what comes first, then one thing to do at a time until every speed is right. */
import {
  coachSays,
  nudgeAnswer,
  pathOf,
  speedStands,
  trimDoes,
  turnLines,
  wantsHand,
  type JobCoach,
  type StageId,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { ReadingField } from '../parts/ReadingField.js';
import type { JobView } from '../useJobView.js';
import { Begin } from './Begin.js';
import { Hearing } from './Hearing.js';
import { LockTrim } from './LockTrim.js';
import { KeepTrims } from './KeepTrims.js';
import { TurnedField } from './TurnedField.js';
import classes from './Coach.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
}

export function Coach({ view, stage }: Props) {
  const [beginning, setBeginning] = useState(false);
  const course = view.state.coach;
  const running = course !== null && course.advice.kind !== 'stop';
  return (
    <section aria-label={say`Trim coach`} className={classes.coach}>
      {course && !beginning && <Course view={view} stage={stage} course={course} />}
      {hasLock(view) && <LockTrim labels={view.state.speeds.map((one) => one.label)} />}
      {beginning ? (
        <Begin view={view} stage={stage} onDone={() => setBeginning(false)} />
      ) : (
        <div className="row">
          <Button
            variant={course ? 'outlined' : 'contained'}
            className={classes.begin ?? ''}
            onClick={() => setBeginning(true)}
          >
            {running ? say`Begin anew` : say`Set the trims`}
          </Button>
          {!course && (
            <span className="quiet">{say`One thing at a time: what to turn, which way, how far. By ear while the tone
              plays, or typed.`}</span>
          )}
        </div>
      )}
    </section>
  );
}

function Course({ view, stage, course }: Props & { readonly course: JobCoach }) {
  const { task, advice } = course;
  // The next reading is of another speed: it is taken once this one stands in the log.
  const [keptAt, setKeptAt] = useState(-1);
  const says = coachSays(task, course);
  const turned = (turns: number | null) => {
    if (!wantsHand(advice)) return;
    const lines = turnLines(view.job.familyId, course, advice.trimId, turns);
    void submitLines(view.job.id, ...lines.map((body) => makeLine(stage, body)));
  };
  const answer = nudgeAnswer(pathOf(view.job), course);
  return (
    <>
      <h2 className={classes.prompt}>
        <span role="status" aria-label={say`What to do`}>
          {says.prompt}
        </span>
      </h2>
      <p className="quiet">{says.why}</p>
      <ul className={classes.speeds} aria-label={say`How the speeds stand`}>
        {speedStands(task, course).map((one) => (
          <li key={one.id} className={one.fresh ? undefined : 'quiet'}>
            {one.label}: <span className="mono">{one.words}</span>
          </li>
        ))}
      </ul>
      {task.watched === 'live' && <Hearing view={view} stage={stage} course={course} />}
      {task.watched === 'typed' &&
        (advice.kind === 'measure' || advice.kind === 'runaway' || advice.kind === 'prove') && (
          <ReadingField
            view={view}
            stage={stage}
            speedId={'speedId' in advice ? advice.speedId : (task.speeds[0]?.id ?? '')}
            prompt={null}
            placeholder={say`as in -0.4 % or 33.2 rpm`}
            label={say`Speed for the coach`}
            held={keptAt === course.lines.length}
            onKept={() => setKeptAt(course.lines.length)}
          />
        )}
      {wantsHand(advice) && advice.turns !== null && <TurnedField advised={advice.turns} onTurned={turned} />}
      {advice.kind === 'end-stop' && (
        <TurnedField
          advised={null}
          label={say`It stands so many turns from its counter-clockwise stop`}
          onTurned={(turns) => {
            const name = task.trims.find((one) => one.id === advice.trimId)?.name ?? advice.trimId;
            if (turns !== null)
              void submitLines(
                view.job.id,
                makeLine(stage, { kind: 'coach-stands', trimId: advice.trimId, name, turns }),
              );
          }}
        />
      )}
      <ul aria-label={say`What the trims do`} className="quiet">
        {task.trims.flatMap((trim) => {
          const does = trimDoes(task, course, trim.id);
          return does ? [<li key={trim.id}>{`${trim.name}: ${does.words}`}</li>] : [];
        })}
      </ul>
      {advice.kind === 'stop' && <KeepTrims view={view} course={course} />}
      {answer && !answered(view, course) && (
        <Button
          variant="outlined"
          onClick={() => void submitLines(view.job.id, makeLine(stage, answer))}
        >{say`Tell Find: ${answer.name}, ${answer.words}`}</Button>
      )}
    </>
  );
}

/** Units that lock to a crystal have a trim of their own kind. */
const hasLock = (view: JobView): boolean => pathOf(view.job)?.blocks.some((block) => block.id === 'lock') ?? false;

/** Told to Find already, since this course began. */
const answered = (view: JobView, course: JobCoach): boolean =>
  view.lines.some(
    ({ event }) => event.body.kind === 'answer' && event.body.testId === 'trim-nudge' && event.enteredAt > course.at,
  );
