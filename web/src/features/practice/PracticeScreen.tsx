/** Practice: a unit with something hidden in it, a lesson, or one begun before. Nothing here touches a real job. */
import { familyOf } from '@amber-gauge/core/families';
import {
  drawPractice,
  LESSONS,
  lessonUnit,
  PRACTICE_FAMILIES,
  PRACTICE_FILE_LIMIT,
  readPracticeFile,
  type Lesson,
  type PracticeUnitDrawn,
} from '@amber-gauge/core/training';
import { fixed } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { PickFile } from '../../shared/ui/PickFile.js';
import { useBegin, usePractice } from './usePractice.js';
import { Begun } from './Begun.js';
import classes from './PracticeScreen.module.css';
import { say } from '@amber-gauge/core/words';

/** Seeds of drawn units lie below this. */
const SEEDS = 1_000_000;
const anySeed = (): number => Math.floor(Math.random() * SEEDS);

export function PracticeScreen() {
  const begin = useBegin();
  const list = usePractice();
  const [problem, setProblem] = useState<string | null>(null);
  const take = (unit: PracticeUnitDrawn) => !begin.isPending && begin.mutate(unit);
  const known = new Map(list.data?.lessons.map((one) => [one.lesson, one]));
  return (
    <main className={classes.screen}>
      <h1 className="prompt">{say`Practise: find what is wrong, break nothing that is real`}</h1>
      {(begin.error ?? list.error) && (
        <p role="alert" className="danger">
          {(begin.error ?? list.error)?.message}
        </p>
      )}
      <div className={classes.columns}>
        <section className="stack" aria-label={say`A unit to find out`}>
          <h2>{say`Something hidden`}</h2>
          <Button
            variant="contained"
            size="large"
            className={classes.surprise ?? ''}
            disabled={begin.isPending}
            onClick={() => take(drawPractice(null, anySeed()))}
          >{say`Surprise me`}</Button>
          <div className={classes.families}>
            {PRACTICE_FAMILIES.map((id) => (
              <Button
                key={id}
                variant="outlined"
                disabled={begin.isPending}
                onClick={() => take(drawPractice(id, anySeed()))}
              >
                {familyOf(id).name}
              </Button>
            ))}
          </div>
          <FromFile onUnit={take} onProblem={setProblem} />
          {problem && (
            <p role="alert" className="danger">
              {problem}
            </p>
          )}
        </section>
        <section className="stack" aria-label={say`Lessons`}>
          <h2>
            {say`Lessons `}
            <span className="quiet">{say`${known.size} of ${LESSONS.length} done`}</span>
          </h2>
          <ul className={classes.lessons}>
            {LESSONS.map((lesson) => (
              <LessonRow
                key={lesson.id}
                lesson={lesson}
                done={known.get(lesson.id) ?? null}
                onBegin={() => take(lessonUnit(lesson))}
              />
            ))}
          </ul>
        </section>
      </div>
      <Begun units={list.data?.units ?? null} />
    </main>
  );
}

interface LessonProps {
  readonly lesson: Lesson;
  readonly done: { readonly times: number; readonly bestMinutes: number } | null;
  readonly onBegin: () => void;
}

function LessonRow({ lesson, done, onBegin }: LessonProps) {
  return (
    <li>
      <Button variant="outlined" onClick={onBegin} aria-label={say`Begin: ${lesson.title}`}>{say`Begin`}</Button>
      <div>
        <strong>{lesson.title}</strong> <span className="quiet">{lesson.theme}</span>
        <p className={classes.before}>{lesson.before}</p>
      </div>
      <span className={classes.done}>{done ? say`done, ${fixed(done.bestMinutes, 0)} min at best` : say`not yet`}</span>
    </li>
  );
}

interface FileProps {
  readonly onUnit: (unit: PracticeUnitDrawn) => void;
  readonly onProblem: (problem: string | null) => void;
}

function FromFile({ onUnit, onProblem }: FileProps) {
  const read = async (file: File) => {
    // A file far over the limit is not read to find that out.
    if (file.size > 4 * PRACTICE_FILE_LIMIT) return onProblem(say`The file is far too long for a practice unit.`);
    const found = readPracticeFile(await file.text());
    if ('problem' in found) return onProblem(found.problem);
    onProblem(null);
    onUnit(found.unit);
  };
  return (
    <PickFile
      words={say`Open a unit’s file`}
      label={say`Practice unit`}
      accept="application/json,.json"
      variant="text"
      onFile={(file) => void read(file)}
    />
  );
}
