/** Before it is listened: by the tone, or by the pulses of a shaft. */
import type { ToneSource } from '@amber-gauge/core/bench';
import { numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import type { Pulses } from './useHearing.js';
import classes from './Coach.module.css';
import { say } from '@amber-gauge/core/words';

/** Pulses on the line input instead of the tone, as typed. */
export interface Counted {
  readonly on: boolean;
  readonly perTurn: string;
  readonly rpm: string;
}

/** Null while it cannot be counted so. */
export function pulsesOf({ perTurn, rpm }: Counted, nominalRpm: number | null): Pulses | null {
  const [count, turns] = [numberIn(perTurn), nominalRpm ?? numberIn(rpm)];
  const good =
    count !== null && Number.isInteger(count) && count >= 1 && count <= 10_000 && turns !== null && turns > 0;
  return good ? { perTurn: count, nominalRpm: turns } : null;
}

function heardWords(source: ToneSource | null, counted: boolean, cutFor: string): string {
  if (counted)
    return say`Pulses or a generator’s sine on the line input, at their mean of two turns. They lead; a measured run
      proves.`;
  return source
    ? say`The tone of ${source.name}, cut for ${cutFor}. No key between moves: moved, settled and another speed are
      heard.`
    : say`Name a test tape or record in Set-up first, or listen to pulses.`;
}

interface OffProps {
  readonly pulses: Pulses | null;
  readonly counted: Counted;
  readonly onCounted: (counted: Counted) => void;
  readonly rpm: number | null;
  readonly source: ToneSource | null;
  readonly problem: string | null;
  readonly opening: boolean;
  readonly start: () => void;
  readonly cutFor: string;
}

/** Why the coach hears nothing, and what to do. */
export function NotListening({ source, pulses, counted, onCounted, rpm, problem, opening, start, cutFor }: OffProps) {
  return (
    <div className="row">
      <Button
        variant="contained"
        className={classes.done ?? ''}
        disabled={(counted.on ? !pulses : !source) || opening}
        onClick={() => start()}
      >
        {opening ? say`Opening the input` : say`Listen`}
      </Button>
      <Button variant="outlined" aria-pressed={counted.on} onClick={() => onCounted({ ...counted, on: !counted.on })}>
        {counted.on ? say`By pulses of a shaft` : say`By the tone`}
      </Button>
      {counted.on && (
        <>
          <Field
            label={say`Pulses a turn`}
            value={counted.perTurn}
            onChange={(event) => onCounted({ ...counted, perTurn: event.target.value })}
            sx={{ width: 140 }}
          />
          {rpm === null && (
            <Field
              label={say`Shaft’s turns at ${cutFor}`}
              unit="rpm"
              value={counted.rpm}
              onChange={(event) => onCounted({ ...counted, rpm: event.target.value })}
              sx={{ width: 200 }}
            />
          )}
        </>
      )}
      <span className="quiet">{heardWords(source, counted.on, cutFor)}</span>
      {problem && (
        <p role="alert" className="danger">
          {problem}
        </p>
      )}
    </div>
  );
}
