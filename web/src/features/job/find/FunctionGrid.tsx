/** What works, and under which condition: filled from the log, and itself an input. */
import { ownEntry } from '@amber-gauge/core/quantity';
import type { StageId } from '@amber-gauge/core/bench';
import type { DrivePath, PathTest } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import type { Find } from './useFind.js';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly find: Find;
}

interface Cell {
  readonly test: PathTest;
  /** The states seen, in words; null while nobody has looked. */
  readonly seen: string | null;
}

/** What the unit does and does not, seen from outside. */
export function FunctionGrid({ view, stage, find }: Props) {
  const [open, setOpen] = useState(false);
  const rows = gridOf(find);
  return (
    <section aria-label={say`What works, and when`}>
      <Button onClick={() => setOpen(!open)} aria-expanded={open}>{say`What works, and when`}</Button>
      {open && (
        <table className={classes.grid}>
          <tbody>
            {rows.map((row) => (
              <tr key={row.name}>
                <th scope="row">{row.name}</th>
                {row.cells.map((cell) => (
                  <td key={cell.test.id}>
                    <GridCell view={view} stage={stage} path={find.path} cell={cell} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** Functions seen from outside, each with the conditions under which it can be looked at. */
export function gridOf({ path, evidence }: Find): { name: string; cells: Cell[] }[] {
  const rows = new Map<string, Cell[]>();
  for (const test of path.tests) {
    if (!test.outside || test.signal === null) continue;
    rows.set(test.signal, [...(rows.get(test.signal) ?? []), { test, seen: seenBy(path, evidence.events, test) }]);
  }
  return [...rows.entries()].map(([signal, cells]) => ({
    name: path.signals.find((one) => one.id === signal)?.name ?? signal,
    cells,
  }));
}

function seenBy(path: DrivePath, events: Find['evidence']['events'], test: PathTest): string | null {
  const same = (context: Readonly<Record<string, string>>) =>
    path.contexts.every(
      ({ id, values }) => (ownEntry(context, id) ?? values[0]) === (ownEntry(test.context, id) ?? values[0]),
    );
  let seen: string | null = null;
  for (const event of events) {
    if (event.kind === 'epoch') seen = null;
    if (event.kind !== 'saw' || event.observation.saw.kind !== 'signal') continue;
    if (event.observation.saw.signal !== test.signal || !same(event.observation.context)) continue;
    const states = Object.keys(event.observation.saw.weights);
    seen = test.outcomes.find((one) => one.states.some((state) => states.includes(state)))?.words ?? states.join(', ');
  }
  return seen;
}

function GridCell({
  view,
  stage,
  path,
  cell,
}: {
  readonly view: JobView;
  readonly stage: StageId;
  readonly path: DrivePath;
  readonly cell: Cell;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { test, seen } = cell;
  const condition =
    path.contexts
      .filter((one) => ownEntry(test.context, one.id))
      .map((one) => ownEntry(test.context, one.id))
      .join(', ') || say`as it stands`;
  const tell = (outcome: string, words: string) => {
    setAnchor(null);
    const body = { kind: 'answer', testId: test.id, name: test.name, outcome, words, value: null, unit: null } as const;
    void submitLines(view.job.id, makeLine(stage, body));
  };
  return (
    <>
      <Button
        variant={seen ? 'outlined' : 'text'}
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`${test.name}: ${seen ?? say`not looked at`}`}
      >
        <span className={classes.cell}>
          <span className="small quiet">{condition}</span>
          <span>{seen ?? '?'}</span>
        </span>
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {test.outcomes.map((outcome) => (
          <MenuItem key={outcome.id} onClick={() => tell(outcome.id, outcome.words)}>
            {outcome.words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
