/** The parts from the motor on: one row each with how it turns, opened in place to its sizes. */
import {
  BELT_SHAPES,
  CONTACTS,
  isBelt,
  MOTOR_ID,
  PART_KINDS,
  type TrainProblem,
  type TrainTurns,
} from '@amber-gauge/core/drive';
import { fixed, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Field } from '../../shared/ui/Field.js';
import type { PartDraft, TrainDraft } from './draft.js';
import classes from './Train.module.css';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly draft: TrainDraft;
  readonly problems: readonly TrainProblem[];
  readonly turns: TrainTurns | null;
  readonly onDraft: (draft: TrainDraft) => void;
}

export function Parts({ draft, problems, turns, onDraft }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const nameOf = (id: string) =>
    (id === MOTOR_ID ? draft.motor.name : draft.parts.find((one) => one.id === id)?.name) ?? '?';
  const set = (id: string, more: Partial<PartDraft>) =>
    onDraft({ ...draft, parts: draft.parts.map((one) => (one.id === id ? { ...one, ...more } : one)) });
  const add = () => {
    const by = draft.parts.at(-1)?.id ?? MOTOR_ID;
    const id = `p${Date.now()}`;
    const part: PartDraft = {
      id,
      name: say`part ${draft.parts.length + 1}`,
      kind: 'pulley',
      by,
      contact: 'shaft',
      sizes: '',
      tolerance: '',
      slip: '0',
      centre: '',
      thickness: '',
      length: '',
      shape: 'flat',
    };
    onDraft({ ...draft, parts: [...draft.parts, part] });
    setOpen(id);
  };
  return (
    <section aria-label={say`Parts`} className="stack">
      <h2>{say`Parts, from the motor on`}</h2>
      <ul className={classes.parts}>
        {draft.parts.map((part) => {
          const mine = problems.filter((one) => one.part === part.id);
          const turning = turns?.turning.find((one) => one.id === part.id);
          return (
            <li key={part.id} className={classes.part}>
              <div className={classes.head}>
                <span className={classes.name}>{part.name}</span>
                <span className="quiet">
                  {contactWords(part, nameOf(part.by))} · {part.sizes || '?'}
                  {THIN}
                  {unitOf(part)}
                </span>
                <span className="mono">
                  {turning
                    ? say`${fixed(60 * turning.revPerS, turning.revPerS < 1.7 ? 3 : 1)}${THIN}rpm ${turning.sense}`
                    : ''}
                </span>
                <Button
                  variant="outlined"
                  onClick={() => setOpen(open === part.id ? null : part.id)}
                  aria-expanded={open === part.id}
                  aria-label={say`Change: ${part.name}`}
                >
                  {open === part.id ? say`Close` : say`Change`}
                </Button>
              </div>
              {mine.length > 0 && (
                <p role="alert" className="danger">
                  {mine[0]?.message}
                </p>
              )}
              {open === part.id && (
                <PartFields
                  part={part}
                  others={draft.parts.filter((one) => one.id !== part.id)}
                  motor={draft.motor.name}
                  problems={mine}
                  onPart={(more) => set(part.id, more)}
                  onRemove={() => onDraft({ ...draft, parts: draft.parts.filter((one) => one.id !== part.id) })}
                />
              )}
            </li>
          );
        })}
      </ul>
      <div className="row">
        <Button variant="outlined" disabled={draft.parts.length >= 40} onClick={add}>{say`Another part`}</Button>
      </div>
    </section>
  );
}

const toothed = (part: PartDraft): boolean =>
  part.kind === 'gear' || part.contact.includes('gear') || part.contact === 'planetary';
const unitOf = (part: PartDraft): string => (toothed(part) ? say`teeth` : 'mm');

/** "on the shaft of motor", "by a belt from motor pulley". */
function contactWords({ contact }: PartDraft, by: string): string {
  if (contact === 'shaft') return say`on the shaft of ${by}`;
  if (contact === 'planetary') return say`planet carrier round ${by}`;
  return isBelt(contact)
    ? say`by ${contact === 'back of a belt' ? say`the back of the belt` : say`a ${contact}`} from ${by}`
    : say`${contact}, turned by ${by}`;
}

interface FieldsProps {
  readonly part: PartDraft;
  readonly others: readonly PartDraft[];
  readonly motor: string;
  readonly problems: readonly TrainProblem[];
  readonly onPart: (more: Partial<PartDraft>) => void;
  readonly onRemove: () => void;
}

function PartFields({ part, others, motor, problems, onPart, onRemove }: FieldsProps) {
  const text = (
    id: 'sizes' | 'tolerance' | 'slip' | 'centre' | 'thickness' | 'length',
    label: string,
    unit: string,
    field: string,
  ) => {
    const message = problems.find((one) => one.field === field)?.message;
    return (
      <Field
        label={label}
        unit={unit}
        value={part[id]}
        onChange={(event) => onPart({ [id]: event.target.value })}
        error={message !== undefined}
        helperText={message}
      />
    );
  };
  return (
    <div className={classes.fields}>
      <Field label={say`Name`} value={part.name} onChange={(event) => onPart({ name: event.target.value })} />
      <Field
        select
        label={say`It is a`}
        value={part.kind}
        onChange={(event) => onPart({ kind: event.target.value as PartDraft['kind'] })}
      >
        {PART_KINDS.map((one) => (
          <MenuItem key={one} value={one}>
            {said(one)}
          </MenuItem>
        ))}
      </Field>
      <Field
        select
        label={say`Turned by`}
        value={part.by}
        onChange={(event) => onPart({ by: event.target.value })}
        error={problems.some((one) => one.field === 'by')}
      >
        <MenuItem value={MOTOR_ID}>{motor}</MenuItem>
        {others.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
      </Field>
      <Field
        select
        label={say`through`}
        value={part.contact}
        onChange={(event) => onPart({ contact: event.target.value as PartDraft['contact'] })}
      >
        {CONTACTS.map((one) => (
          <MenuItem key={one} value={one}>
            {said(one)}
          </MenuItem>
        ))}
      </Field>
      {text('sizes', toothed(part) ? say`Teeth` : say`Diameter (one a speed: apart by spaces)`, unitOf(part), 'sizes')}
      {!toothed(part) && text('tolerance', say`Its tolerance, ±, if known`, 'mm', 'toleranceMm')}
      {isBelt(part.contact) && (
        <>
          {text('thickness', say`Belt thickness`, 'mm', 'thicknessMm')}
          <Field
            select
            label={say`Belt`}
            value={part.shape}
            onChange={(event) => onPart({ shape: event.target.value as PartDraft['shape'] })}
          >
            {BELT_SHAPES.map((one) => (
              <MenuItem key={one} value={one}>
                {said(one)}
              </MenuItem>
            ))}
          </Field>
          {text('length', say`Belt length at rest, if known`, 'mm', 'lengthMm')}
          {text('centre', say`Shaft to shaft, if known`, 'mm', 'centreMm')}
        </>
      )}
      {part.contact !== 'shaft' && !toothed(part) && text('slip', say`Slip`, '%', 'slipPercent')}
      <Button onClick={onRemove}>{say`Take it out`}</Button>
    </div>
  );
}
