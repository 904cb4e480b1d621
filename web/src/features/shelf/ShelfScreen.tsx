/** The shelf: what is here, what comes, what must be tested while it can be claimed, and how suppliers fare. */
import { lotsFromCsv, lotsToCsv, type ReadLots } from '@amber-gauge/contract';
import type { Lot, Shelf, ShelfBody } from '@amber-gauge/core/bench';
import { fixed, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { download } from '../../shared/ui/download.js';
import { Field } from '../../shared/ui/Field.js';
import { LotForm } from './LotForm.js';
import { LotRow } from './LotRow.js';
import { today, useAddToShelf, useShelf } from './useShelf.js';
import classes from './Shelf.module.css';

export function ShelfScreen() {
  const { shelf, error } = useShelf();
  const add = useAddToShelf();
  const [wanted, setWanted] = useState('');
  if (!shelf)
    return (
      <main className={classes.shelf}>
        <h1 className="prompt">Shelf</h1>
        {error && <p className="danger">{error.message} It is tried again.</p>}
      </main>
    );
  const keep = (...bodies: readonly ShelfBody[]) => add.mutate(bodies);
  const lots = found(shelf.lots, wanted);
  return (
    <main className={classes.shelf}>
      <h1 className="prompt">{headline(shelf)}</h1>
      {add.error && (
        <p role="alert" className="danger">
          {add.error.message} Nothing was changed.
        </p>
      )}
      {shelf.lots.length > 0 && (
        <Field
          label="Find a part or supplier"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          sx={{ width: 360 }}
        />
      )}
      <ul className={classes.lots} aria-label="Lots">
        {lots.slice(0, SHOWN).map((lot) => (
          <LotRow key={lot.key} one={lot} busy={add.isPending} onKeep={keep} />
        ))}
      </ul>
      {lots.length > SHOWN && <p className="quiet">{lots.length - SHOWN} more: find one by its part or supplier.</p>}
      <LotForm
        parts={shelf.parts.map((one) => one.name)}
        suppliers={shelf.suppliers.map((one) => one.name)}
        busy={add.isPending}
        onAdd={keep}
      />
      <Stock shelf={shelf} />
      <Tables lots={shelf.lots} onImport={(read) => read.lots.length > 0 && keep(...read.lots)} />
    </main>
  );
}

/** Rows drawn at once. */
const SHOWN = 60;

/** What wants a test first, then what is here, then what comes, then what is used up. */
function found(lots: readonly Lot[], wanted: string): Lot[] {
  const words = wanted.trim().toLowerCase();
  const rank = (one: Lot) => (one.testBy ? 0 : one.onHand > 0 ? 1 : one.onOrder > 0 ? 2 : 3);
  return lots
    .filter(({ lot }) => words === '' || `${lot.part} ${lot.supplier}`.toLowerCase().includes(words))
    .sort(
      (a, b) =>
        rank(a) - rank(b) || (a.testBy ?? '').localeCompare(b.testBy ?? '') || a.lot.part.localeCompare(b.lot.part),
    );
}

/** The one thing that matters now. */
function headline(shelf: Shelf): string {
  const [due] = shelf.lots
    .flatMap((one) => (one.testBy ? [one] : []))
    .sort((a, b) => (a.testBy as string).localeCompare(b.testBy as string));
  if (due) return `Test ${due.lot.part} by ${due.testBy}: until then a bad one can be claimed`;
  const low = shelf.parts.find((part) => part.reorderAt !== null && part.free + part.onOrder <= part.reorderAt);
  if (low) return `Order ${low.name}: ${low.free} free, ${low.onOrder} on order`;
  return shelf.lots.length === 0 ? 'The shelf is empty: put a lot on it' : 'Nothing on the shelf wants hands';
}

function Stock({ shelf }: { readonly shelf: Shelf }) {
  if (shelf.parts.length === 0) return null;
  const share = (value: number) => `${fixed(100 * value, 0)}`;
  const rows = (some: Shelf['suppliers']) =>
    some.map((one) => (
      <tr key={one.name}>
        <th scope="row">{one.name}</th>
        <td className="mono">
          {one.deadOnArrival} + {one.failedEarly} of {one.known}
        </td>
        <td className="mono">
          {one.known === 0
            ? 'not known'
            : `${share(one.badShare)}${THIN}% (${share(one.interval[0])} to ${share(one.interval[1])})`}
        </td>
      </tr>
    ));
  return (
    <section className={classes.scores} aria-label="How suppliers and parts fare" tabIndex={0}>
      <table aria-label="Suppliers">
        <thead>
          <tr>
            <th scope="col">supplier</th>
            <th scope="col">dead on arrival + failed early</th>
            <th scope="col">bad, 95 % interval</th>
          </tr>
        </thead>
        <tbody>{rows(shelf.suppliers)}</tbody>
      </table>
      <table aria-label="Parts">
        <thead>
          <tr>
            <th scope="col">part</th>
            <th scope="col">dead on arrival + failed early</th>
            <th scope="col">bad, 95 % interval</th>
            <th scope="col">free + on order</th>
            <th scope="col">order at</th>
          </tr>
        </thead>
        <tbody>
          {shelf.parts.map((part) => (
            <tr key={part.name}>
              <th scope="row">{part.name}</th>
              <td className="mono">
                {part.deadOnArrival} + {part.failedEarly} of {part.known}
              </td>
              <td className="mono">
                {part.known === 0
                  ? 'not known'
                  : `${share(part.badShare)}${THIN}% (${share(part.interval[0])} to ${share(part.interval[1])})`}
              </td>
              <td className="mono">
                {part.free} + {part.onOrder}
              </td>
              <td className="mono">
                {part.reorderAt === null
                  ? 'not known'
                  : `${part.reorderAt} (${fixed(part.leadDays ?? 0, 0)} days to come)`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Tables({ lots, onImport }: { readonly lots: readonly Lot[]; readonly onImport: (read: ReadLots) => void }) {
  const [read, setRead] = useState<ReadLots | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const result: ReadLots =
      file.size > 1_000_000
        ? { lots: [], problems: [{ row: 1, message: 'The file is larger than a megabyte: cut it into parts.' }] }
        : lotsFromCsv(await file.text(), today());
    setRead(result);
    onImport(result);
  };
  return (
    <section className={classes.tables} aria-label="As a table">
      <Button
        variant="outlined"
        disabled={lots.length === 0}
        onClick={() => download('shelf.csv', 'text/csv', lotsToCsv(lots))}
      >
        Export as CSV
      </Button>
      <label className={classes.file}>
        Import lots from CSV (part, supplier, quantity)
        <input type="file" accept=".csv,text/csv" onChange={(event) => void take(event.target.files?.[0])} />
      </label>
      {read && (
        <div role="status">
          <p>{read.lots.length === 1 ? '1 lot taken' : `${read.lots.length} lots taken`}</p>
          {read.problems.slice(0, 10).map((one) => (
            <p key={one.row} className="danger">
              Row {one.row}: {one.message}
            </p>
          ))}
        </div>
      )}
    </section>
  );
}
