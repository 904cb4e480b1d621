/** A figure that cannot be: what speaks against it, and the readings that would make sense, likeliest first. */
import { numberIn } from '@amber-gauge/core/quantity';
import type { Answer, AskedSpeed } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly question: AskedSpeed;
  readonly onAnswer: (answer: Answer & { readonly sampleIntervalS?: number }) => void;
  readonly onCancel: () => void;
}

/** Choices that name nothing to change only say what the speed might be. */
const isChoice = (answer: Answer): boolean => Object.keys(answer).length > 0;

export function Question({ question, onAnswer, onCancel }: Props) {
  const [interval, setInterval] = useState('');
  const intervalMs = numberIn(interval);
  const chosen = question.choices.filter(({ answer }) => isChoice(answer));
  return (
    <section role="alert" className={classes.asked} aria-label={say`Which reading is right?`}>
      <p className={classes.dropWord}>{question.message}</p>
      <div className="row">
        {chosen.map(({ words, answer }, i) => (
          <Button
            key={words}
            variant={i === 0 && !answer.asIs ? 'contained' : 'outlined'}
            className={i === 0 && !answer.asIs ? (classes.main ?? '') : ''}
            onClick={() => onAnswer(answer)}
          >
            {words}
          </Button>
        ))}
        {question.code === 'SAMPLE_INTERVAL' && (
          <>
            <Field
              label={say`Time between samples, ms`}
              value={interval}
              onChange={(event) => setInterval(event.target.value)}
              slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            />
            <Button
              variant="contained"
              disabled={intervalMs === null || intervalMs <= 0}
              onClick={() => onAnswer({ sampleIntervalS: (intervalMs as number) / 1000 })}
            >{say`Measure`}</Button>
          </>
        )}
        <Button variant="outlined" onClick={onCancel}>{say`Leave it`}</Button>
      </div>
      <p className="small quiet">{say`Nothing is filed until one is chosen.`}</p>
    </section>
  );
}
