/** Fuse, lamp in series or current limit, with the sum. */
import { limitSum, LIMIT_KINDS, proposedLimit, type LimitKind } from '@amber-gauge/core/circuit';
import type { GateAnswers } from '@amber-gauge/core/bench';
import { fixed, withUnit, numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import classes from './Gate.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly limit: GateAnswers['limit'];
  readonly volts: number;
  readonly usualWatts: number;
  readonly pack: boolean;
  readonly onLimit: (limit: GateAnswers['limit']) => void;
}

const WORDS: Readonly<Record<LimitKind, string>> = {
  fuse: say`Fuse`,
  lamp: say`Lamp in series`,
  current: say`Current limit`,
};

export function GateLimit({ limit, volts, usualWatts, pack, onLimit }: Props) {
  const [kind, setKind] = useState<LimitKind | null>(limit?.kind ?? null);
  const [value, setValue] = useState('');
  const [watts, setWatts] = useState(String(usualWatts));
  const tell = (nextKind: LimitKind | null, nextValue: string, nextWatts: string) => {
    const [amount, unitWatts] = [numberIn(nextValue), numberIn(nextWatts)];
    const good = nextKind && amount !== null && amount > 0 && unitWatts !== null && unitWatts > 0;
    onLimit(good ? { kind: nextKind, value: amount, unitWatts } : null);
  };
  const choose = (next: LimitKind) => {
    const unitWatts = numberIn(watts);
    const proposed = String(proposedLimit(next, volts, unitWatts && unitWatts > 0 ? unitWatts : usualWatts));
    setKind(next);
    setValue(proposed);
    tell(next, proposed, watts);
  };
  const kinds = LIMIT_KINDS.filter((one) => !pack || one !== 'lamp');
  const sum = limit && limitSum(limit.kind, limit.value, volts, limit.unitWatts);
  return (
    <section className={classes.part} aria-label={say`Fuse, lamp or current limit`}>
      <div className="row">
        {kinds.map((one) => (
          <Button key={one} variant={kind === one ? 'contained' : 'outlined'} onClick={() => choose(one)}>
            {WORDS[one]}
          </Button>
        ))}
        {kind && (
          <>
            <Field
              label={kind === 'lamp' ? say`Lamp, W` : say`Amperes`}
              value={value}
              onChange={(event) => {
                setValue(event.target.value);
                tell(kind, event.target.value, watts);
              }}
              sx={{ width: 120 }}
            />
            <Field
              label={say`Unit’s plate, W`}
              value={watts}
              onChange={(event) => {
                setWatts(event.target.value);
                tell(kind, value, event.target.value);
              }}
              sx={{ width: 140 }}
            />
          </>
        )}
      </div>
      {sum && (
        <p className={sum.verdict === 'tight' ? 'danger' : 'quiet'}>
          {say`At ${fixed(volts, 0)} V the unit takes about ${amperes(sum.unitA)}; this lets ${amperes(sum.limitA)}
            through: ${VERDICT[sum.verdict]}.`}
          {pack && say` A fuse rated for the pack’s d.c. volts: a 32 V blade fuse arcs on at 56 V.`}
          {kind === 'lamp' && say` A lamp limits, it does not isolate.`}
        </p>
      )}
    </section>
  );
}

/** Two figures are what such a sum is worth. */
const amperes = (value: number): string => withUnit(Number(value.toPrecision(2)), 'A');

const VERDICT = {
  fits: 'fits',
  loose: say`loose, it hardly limits`,
  tight: say`too small, the unit would not start`,
} as const;
