/** The shelf: what is here, what comes, what must be tested while it can be claimed, and how suppliers fare. */
import { lotsFromCsv, lotsToCsv, type ReadLots } from '@amber-gauge/contract';
import type { Lot, Score, Shelf, ShelfBody } from '@amber-gauge/core/bench';
import { fixed, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { download } from '../../shared/ui/download.js';
import { Field } from '../../shared/ui/Field.js';
import { LotForm } from './LotForm.js';
import { LotRow } from './LotRow.js';
import { today, useAddToShelf, useShelf } from './useShelf.js';
import classes from './Shelf.module.css';
import { say } from '@amber-gauge/core/words';

export function ShelfScreen() {
  const { shelf, error } = useShelf();
  const add = useAddToShelf();
  const [wanted, setWanted] = useState('');
  if (!shelf)
    return (
      <main className={classes.shelf}>
        <h1 className="prompt">{say`Shelf`}</h1>
        {error && <p className="danger">{say`${error.message} It is tried again.`}</p>}
      </main>
    );
  const keep = (...bodies: readonly ShelfBody[]) => add.mutate(bodies);
  const lots = found(shelf.lots, wanted);
  return (
    <main className={classes.shelf}>
      <h1 className="prompt">{headline(shelf)}</h1>
      {add.error && <p role="alert" className="danger">{say`${add.error.message} Nothing was changed.`}</p>}
      {shelf.lots.length > 0 && (
        <Field
          label={say`Find a part or supplier`}
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          sx={{ width: 360, maxWidth: '100%' }}
        />
      )}
      <ul className={classes.lots} aria-label={say`Lots`}>
        {lots.slice(0, SHOWN).map((lot) => (
          <LotRow key={lot.key} one={lot} busy={add.isPending} onKeep={keep} />
        ))}
      </ul>
      {lots.length > SHOWN && (
        <p className="quiet">{say`${lots.length - SHOWN} more: find one by its part or supplier.`}</p>
      )}
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
  if (due) return say`Test ${due.lot.part} by ${due.testBy ?? ''}: until then a bad one can be claimed`;
  const low = shelf.parts.find((part) => part.reorderAt !== null && part.free + part.onOrder <= part.reorderAt);
  if (low) return say`Order ${low.name}: ${low.free} free, ${low.onOrder} on order`;
  return shelf.lots.length === 0 ? say`The shelf is empty: put a lot on it` : say`Nothing on the shelf wants hands`;
}

function Stock({ shelf }: { readonly shelf: Shelf }) {
  if (shelf.parts.length === 0) return null;
  return (
    <section className={classes.scores} aria-label={say`How suppliers and parts fare`} tabIndex={0}>
      <Scores name="Suppliers" head="supplier" rows={shelf.suppliers} />
      <Scores
        name="Parts"
        head="part"
        rows={shelf.parts}
        more={[
          [say`free + on order`, (part) => `${part.free} + ${part.onOrder}`],
          [
            say`order at`,
            ({ reorderAt, leadDays }) =>
              reorderAt === null ? say`not known` : say`${reorderAt} (${fixed(leadDays ?? 0, 0)} days to come)`,
          ],
        ]}
      />
    </section>
  );
}

interface ScoresProps<T extends Score> {
  readonly name: string;
  readonly head: string;
  readonly rows: readonly T[];
  readonly more?: readonly (readonly [head: string, words: (row: T) => string])[];
}

/** Dead and early failures with the interval of their share. */
function Scores<T extends Score>({ name, head, rows, more = [] }: ScoresProps<T>) {
  const share = (value: number) => fixed(100 * value, 0);
  const badWords = ({ known, badShare, interval: [low, high] }: T) =>
    known === 0 ? say`not known` : say`${share(badShare)}${THIN}% (${share(low)} to ${share(high)})`;
  const columns: NonNullable<typeof more> = [
    [say`dead on arrival + failed early`, (row) => `${row.deadOnArrival} + ${row.failedEarly} of ${row.known}`],
    [say`bad, 95 % interval`, badWords],
    ...more,
  ];
  return (
    <table aria-label={name}>
      <thead>
        <tr>
          {[head, ...columns.map(([title]) => title)].map((title) => (
            <th key={title} scope="col">
              {title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <th scope="row">{row.name}</th>
            {columns.map(([title, words]) => (
              <td key={title} className="mono">
                {words(row)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Tables({ lots, onImport }: { readonly lots: readonly Lot[]; readonly onImport: (read: ReadLots) => void }) {
  const [read, setRead] = useState<ReadLots | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const result: ReadLots =
      file.size > 1_000_000
        ? { lots: [], problems: [{ row: 1, message: say`The file is larger than a megabyte: cut it into parts.` }] }
        : lotsFromCsv(await file.text(), today());
    setRead(result);
    onImport(result);
  };
  return (
    <section className={classes.tables} aria-label={say`As a table`}>
      <Button
        variant="outlined"
        disabled={lots.length === 0}
        onClick={() => download('shelf.csv', 'text/csv', lotsToCsv(lots))}
      >{say`Export as CSV`}</Button>
      <Button variant="outlined" component="label">
        {say`Import lots from CSV`}
        <input
          type="file"
          accept=".csv,text/csv"
          hidden
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </Button>
      <span className="quiet">{say`Heads: part, supplier, quantity, and as in the export`}</span>
      {read && (
        <div role="status">
          <p>{read.lots.length === 1 ? say`1 lot taken` : say`${read.lots.length} lots taken`}</p>
          {read.problems.slice(0, 10).map((one) => (
            <p key={one.row} className="danger">{say`Row ${one.row}: ${one.message}`}</p>
          ))}
        </div>
      )}
    </section>
  );
}
