/** A check that is looked at or tried: one tap answers it. */
import type { ProvingCheck, StageId } from '@amber-gauge/core/bench';
import type { PathTest } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import stages from '../stages/Stages.module.css';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly check: ProvingCheck;
  /** After it was answered. */
  readonly onDone: () => void;
}

/** A test of the drive path: its answers are the path's own, and Find hears them too. */
export function TestCheck({ view, stage, test, onDone }: Omit<Props, 'check'> & { readonly test: PathTest }) {
  const answer = (outcome: string, words: string) => {
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'answer', testId: test.id, name: test.name, outcome, words, value: null, unit: null }),
    );
    onDone();
  };
  return (
    <div className={classes.answers}>
      {test.outcomes.map((outcome) => (
        <Button
          key={outcome.id}
          variant="outlined"
          className={stages.big ?? ''}
          onClick={() => answer(outcome.id, outcome.words)}
        >
          {outcome.words}
        </Button>
      ))}
    </div>
  );
}

/** A check that is looked at: as it should, or not. */
export function LookCheck({ view, stage, check, onDone }: Props) {
  const [words, setWords] = useState('');
  const answer = (good: boolean) => {
    const { id: checkId, name } = check;
    void submitLines(view.job.id, makeLine(stage, { kind: 'proved', checkId, name, good, words: words.trim() }));
    setWords('');
    onDone();
  };
  return (
    <>
      <div className={classes.answers}>
        <Button
          variant="outlined"
          className={stages.big ?? ''}
          onClick={() => answer(true)}
        >{say`As it should`}</Button>
        <Button
          variant="outlined"
          className={stages.big ?? ''}
          onClick={() => answer(false)}
        >{say`Not as it should`}</Button>
      </div>
      <Field label={say`In words, when it helps`} value={words} onChange={(event) => setWords(event.target.value)} />
    </>
  );
}
