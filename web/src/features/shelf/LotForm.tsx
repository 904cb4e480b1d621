/** A lot that was bought: what, from whom, how many, when it comes. */
import type { ShelfBody } from '@amber-gauge/core/bench';
import { numberIn } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../../shared/ui/Field.js';
import { useSettings } from '../../shared/api/queries.js';
import { filled, MotorFields, type MotorTexts } from './MotorFields.js';
import { ServesField } from './ServesField.js';
import { today } from './useShelf.js';
import classes from './Shelf.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly parts: readonly string[];
  readonly suppliers: readonly string[];
  readonly busy: boolean;
  readonly onAdd: (lot: ShelfBody) => void;
}

const EMPTY = { part: '', supplier: '', quantity: '1', price: '', expectedOn: '', claimDays: '30', place: '' };

export function LotForm({ parts, suppliers, busy, onAdd }: Props) {
  const currency = useSettings().data?.currency ?? 'EUR';
  const [typed, setTyped] = useState(EMPTY);
  const [motor, setMotor] = useState<MotorTexts | null>(null);
  const [serves, setServes] = useState<readonly string[]>([]);
  const quantity = numberIn(typed.quantity);
  const claimDays = numberIn(typed.claimDays);
  const price = typed.price.trim() === '' ? null : numberIn(typed.price);
  const wrong = problemOf(typed, motor);
  const ready = typed.part.trim() !== '' && typed.supplier.trim() !== '' && wrong === null;
  const set = (name: keyof typeof EMPTY) => (event: { readonly target: { readonly value: string } }) =>
    setTyped({ ...typed, [name]: event.target.value });
  const add = () => {
    const { part, supplier, place, expectedOn } = typed;
    onAdd({
      kind: 'lot',
      part: part.trim(),
      supplier: supplier.trim(),
      quantity: quantity ?? 1,
      price,
      orderedOn: today(),
      expectedOn: expectedOn || null,
      claimDays: claimDays ?? 0,
      place: place.trim(),
      ...(motor === null ? {} : { motor: filled(motor) }),
      ...(serves.length > 0 ? { serves } : {}),
    });
    setServes([]);
    setMotor(null);
    setTyped({ ...EMPTY, supplier: typed.supplier });
  };
  return (
    <section aria-label={say`Put a lot on the shelf`}>
      <h2>{say`Put a lot on the shelf`}</h2>
      <div className={classes.form}>
        <Field
          label={say`Part`}
          value={typed.part}
          onChange={set('part')}
          slotProps={{ htmlInput: { list: 'shelf-parts' } }}
        />
        <Field
          label={say`Supplier`}
          value={typed.supplier}
          onChange={set('supplier')}
          slotProps={{ htmlInput: { list: 'shelf-suppliers' } }}
        />
        <Field
          label={say`How many`}
          value={typed.quantity}
          onChange={set('quantity')}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <Field
          label={say`Price of one`}
          unit={currency}
          value={typed.price}
          onChange={set('price')}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <Field
          label={say`Comes on (empty: it is here)`}
          type="date"
          value={typed.expectedOn}
          onChange={set('expectedOn')}
        />
        <Field
          label={say`Claim within, days`}
          value={typed.claimDays}
          onChange={set('claimDays')}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <Field label={say`Lies in`} value={typed.place} onChange={set('place')} />
        <ServesField serves={serves} onChange={setServes} />
        {motor !== null && <MotorFields motor={motor} onChange={setMotor} />}
        <Button variant="outlined" aria-pressed={motor !== null} onClick={() => setMotor(motor === null ? {} : null)}>
          {motor === null ? say`It is a motor` : say`It is no motor`}
        </Button>
        <Button variant="contained" disabled={!ready || busy} onClick={add}>
          {typed.expectedOn ? say`Keep the order` : say`Put it on the shelf`}
        </Button>
      </div>
      {wrong && (
        <p role="alert" className="danger">
          {wrong}
        </p>
      )}
      <datalist id="shelf-parts">
        {parts.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <datalist id="shelf-suppliers">
        {suppliers.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
    </section>
  );
}

/** What cannot be, and what to do about it; null when the lot can be kept. */
function problemOf(typed: typeof EMPTY, motor: MotorTexts | null): string | null {
  const whole = (value: number | null, least: number) => value !== null && Number.isInteger(value) && value >= least;
  const price = numberIn(typed.price);
  return !whole(numberIn(typed.quantity), 1)
    ? say`How many: a whole number from 1.`
    : !whole(numberIn(typed.claimDays), 0)
      ? say`Claim days: a whole number, nought for none.`
      : typed.price.trim() !== '' && (price === null || price < 0)
        ? say`The price is no amount of money.`
        : motor !== null && !((numberIn(motor.newRpm ?? '') ?? 0) > 0)
          ? say`The motor’s speed: a number of turns a minute.`
          : null;
}
