/** A lock's trim: its capture edges at every speed, cold and warm, and the middle of what they have in common. */
import { clockOf, turnsOfClock } from '@amber-gauge/core/bench';
import { lockMiddle } from '@amber-gauge/core/drive';
import { fixed, numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import classes from './Coach.module.css';
import { said, say } from '@amber-gauge/core/words';

interface Row {
  readonly condition: string;
  readonly low: string;
  readonly high: string;
}

const place = (text: string): number | null => turnsOfClock(text) ?? numberIn(text);

export function LockTrim({ labels }: { readonly labels: readonly string[] }) {
  const [rows, setRows] = useState<readonly Row[]>(() =>
    labels.flatMap((label) => ['cold', 'warm'].map((heat) => ({ condition: `${label}, ${heat}`, low: '', high: '' }))),
  );
  const set = (i: number, more: Partial<Row>) => setRows(rows.map((row, k) => (k === i ? { ...row, ...more } : row)));
  const edges = rows.flatMap(({ condition, low, high }) => {
    const [lowTurns, highTurns] = [place(low), place(high)];
    return lowTurns === null || highTurns === null ? [] : [{ condition, lowTurns, highTurns }];
  });
  const found = lockMiddle(edges);
  const byClock = rows.some((row) => turnsOfClock(row.low) !== null);
  return (
    <details className={classes.lock}>
      <summary>{say`A lock’s trim is not set by speed: find both edges`}</summary>
      <p className="quiet">{say`Inside lock the speed reads exact wherever it stands. Come from unlocked, from each
        side, and note where it catches: 10:30, or turns from its stop.`}</p>
      {rows.map((row, i) => (
        <div key={row.condition} className="row" style={{ alignItems: 'flex-end' }}>
          <span style={{ width: 180 }}>{said(row.condition)}</span>
          <Field
            label={say`catches from below at`}
            value={row.low}
            onChange={(event) => set(i, { low: event.target.value })}
            sx={{ width: 200 }}
          />
          <Field
            label={say`from above at`}
            value={row.high}
            onChange={(event) => set(i, { high: event.target.value })}
            sx={{ width: 200 }}
          />
        </div>
      ))}
      {found.kind === 'middle' && (
        <p className={classes.prompt} role="status">
          {say`Set it to ${byClock ? clockOf(found.turns) : say`${fixed(found.turns, 2)} turns`}`}
          <span className="quiet small">{say` ${fixed(found.eitherWayTurns, 2)} turns either way, over ${edges.length}
            of ${rows.length}`}</span>
        </p>
      )}
      {found.kind === 'apart' && (
        <p
          role="status"
          className="danger"
        >{say`${found.first} and ${found.second} have nothing in common: no place holds both. The lock itself is at
          fault: back to Find.`}</p>
      )}
      <Button onClick={() => setRows(rows.map((row) => ({ ...row, low: '', high: '' })))}>{say`Clear`}</Button>
    </details>
  );
}
