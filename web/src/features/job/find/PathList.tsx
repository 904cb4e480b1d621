/**
 * The drive path as one list with rails, read from plug to turning part: each block a row with its shape,
 * name and chance, between rows what was measured there. A row opens in place; there is no second list.
 */
import { type BetweenValue } from '@amber-gauge/core/bench';
import { pathOrder, type DrivePath, type PathBlock } from '@amber-gauge/core/families';
import { Fragment, useMemo, useState, type ReactNode } from 'react';
import type { Suspicion } from '@amber-gauge/core/bench';
import { SUSPICION_WORDS, SuspicionShape } from '../../../shared/shapes/SuspicionShape.js';
import { when } from '../../../shared/ui/when.js';
import { RAIL_X, railsOf, type RowRails } from './rails.js';
import { percent } from './useFind.js';
import classes from './PathList.module.css';
import { said, say } from '@amber-gauge/core/words';

/** How much suspicion is left on a block. */
export interface BlockView {
  readonly share: number;
  readonly suspicion: Suspicion;
}

interface Props {
  readonly path: DrivePath;
  readonly blocks: ReadonlyMap<string, BlockView>;
  readonly between: ReadonlyMap<string, BetweenValue>;
  /** Rows that the present test reads. */
  readonly asked: ReadonlySet<string>;
  /** The signal that the present test would read. */
  readonly askedSignal: string | null;
  readonly opened: string | null;
  readonly onOpen: (block: string | null) => void;
  /** What an opened row holds: evidence, checks, mends. */
  readonly inside: (block: PathBlock) => ReactNode;
}

/** A block, or neighbours that are cleared, folded into one. */
interface Row {
  readonly blocks: readonly PathBlock[];
}

/** The drive path as one list, what was read between its rows. */
export function PathList({ path, blocks, between, asked, askedSignal, opened, onOpen, inside }: Props) {
  const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(new Set());
  const order = useMemo(() => pathOrder(path), [path]);
  const rows = useMemo(
    () => folded(order, blocks, (id) => asked.has(id) || opened === id || unfolded.has(id)),
    [order, blocks, asked, opened, unfolded],
  );
  const lanes = rows.map((row) => (row.blocks[0] as PathBlock).lane);
  const rails = railsOf(lanes, returnRow(rows, path));
  return (
    <ol className={classes.list} aria-label={say`Drive path`}>
      {rows.map((row, i) => {
        const first = row.blocks[0] as PathBlock;
        const lane = lanes[i] !== lanes[i - 1] ? first.lane : null;
        const measured = row.blocks.some((block) =>
          block.outputs.some((signal) => between.has(signal) || signal === askedSignal),
        );
        const own = measured ? toFoot(rails[i] as RowRails) : (rails[i] as RowRails);
        return (
          <Fragment key={first.id}>
            {lane && (
              <li className={classes.lane} aria-hidden="true">
                <Turn turn={rails[i - 1]?.turn ?? null} />
                <Through
                  lane={i === 0 ? null : lane}
                  feedback={own.feedback === 'passes' || own.feedback === 'leaves'}
                />
                {said(lane)}
              </li>
            )}
            {row.blocks.length > 1 ? (
              <li className={classes.row}>
                <Rails rails={own} />
                <button
                  type="button"
                  className={classes.block}
                  onClick={() => setUnfolded(new Set([...unfolded, ...row.blocks.map((one) => one.id)]))}
                  title={row.blocks.map((one) => one.name).join(', ')}
                  aria-label={say`${row.blocks.length} cleared: ${row.blocks.map((one) => one.name).join(', ')}`}
                >
                  <SuspicionShape suspicion="cleared" />
                  <span className={classes.name}>{say`${row.blocks.length} cleared`}</span>
                </button>
              </li>
            ) : (
              <BlockRow
                block={first}
                view={blocks.get(first.id) ?? { share: 0, suspicion: 'not-judged' }}
                rails={own}
                asked={asked.has(first.id)}
                opened={opened === first.id}
                onOpen={() => onOpen(opened === first.id ? null : first.id)}
              />
            )}
            {opened === first.id && row.blocks.length === 1 && <li className={classes.inside}>{inside(first)}</li>}
            {row.blocks.flatMap((block) =>
              block.outputs.map((signal) => (
                <Value
                  key={signal}
                  name={path.signals.find((one) => one.id === signal)?.name ?? signal}
                  value={between.get(signal) ?? null}
                  next={signal === askedSignal}
                  lane={block.lane}
                  feedback={own.feedback === 'passes' || own.feedback === 'arrives'}
                />
              )),
            )}
          </Fragment>
        );
      })}
    </ol>
  );
}

interface BlockRowProps {
  readonly block: PathBlock;
  readonly view: BlockView;
  readonly rails: RowRails;
  readonly asked: boolean;
  readonly opened: boolean;
  readonly onOpen: () => void;
}

function BlockRow({ block, view, rails, asked, opened, onOpen }: BlockRowProps) {
  const { share, suspicion } = view;
  const step = suspicion.startsWith('suspect-') ? suspicion.slice(-1) : suspicion === 'found' ? '4' : null;
  const fill = step === null ? 0 : Math.round(100 * share);
  return (
    <li className={classes.row} data-asked={asked} id={`block-${block.id}`}>
      <Rails rails={rails} />
      <button
        type="button"
        className={classes.block}
        aria-expanded={opened}
        onClick={onOpen}
        title={`${block.name}: ${SUSPICION_WORDS[suspicion]}`}
        aria-label={`${block.name}, ${SUSPICION_WORDS[suspicion]}${step === null ? '' : `, ${percent(share)} %`}`}
        style={
          step === null
            ? undefined
            : {
                background: `linear-gradient(to right, color-mix(in srgb, var(--s${step}) 16%, transparent) ${fill}%, transparent ${fill}%)`,
              }
        }
      >
        <SuspicionShape suspicion={suspicion} />
        <span className={classes.name}>{block.name}</span>
        <span className={`mono ${classes.chance}`}>{step === null ? '' : `${percent(share)} %`}</span>
      </button>
    </li>
  );
}

interface ValueProps {
  readonly name: string;
  readonly value: BetweenValue | null;
  readonly next: boolean;
  readonly lane: PathBlock['lane'];
  readonly feedback: boolean;
}

/** The last value on a signal, where it passes; *?* where the next test would look. */
function Value({ name, value, next, lane, feedback }: ValueProps) {
  if (!value && !next) return null;
  const x = RAIL_X[lane];
  return (
    <li className={classes.value} data-before={value?.before ?? false} title={name}>
      <span className={classes.through}>
        <Through lane={lane} feedback={feedback} />
        <span className={value ? classes.mark : `${classes.mark} ${classes.open}`} style={{ left: x - 3 }} />
      </span>
      <span className="mono">
        {value ? [value.words, ...value.conditions].join(', ') : ''}
        {value && (
          <span className={classes.verdict}>
            {[when(value.at), value.verdict, value.before && say`earlier`]
              .filter(Boolean)
              .map((one) => `, ${String(one)}`)}
          </span>
        )}
        {next && <strong>{value ? '  ?' : '?'}</strong>}
        <span className="off-screen">, {name}</span>
      </span>
    </li>
  );
}

/** The square turn from one lane's rail to the next, above the next lane's word: below any value of the row before. */
function Turn({ turn }: { readonly turn: RowRails['turn'] }) {
  if (!turn) return null;
  const left = Math.min(turn.fromX, turn.toX) + 6;
  return <span className={classes.turn} aria-hidden="true" style={{ left, width: Math.abs(turn.toX - turn.fromX) }} />;
}

/** A rail that ends in this row goes on to its foot where a value stands below it. */
const toFoot = (rails: RowRails): RowRails => ({
  ...rails,
  rails: rails.rails.map((rail) => ({ ...rail, to: 'bottom' })),
});

/** Strokes of the lanes: supply a double line, control one, shaft and belt broad. */
const STROKES: Readonly<
  Record<'supply' | 'control' | 'mechanical', readonly (readonly [offset: number, width: number])[]>
> = {
  supply: [
    [-2, 2],
    [2, 2],
  ],
  control: [[0, 2]],
  mechanical: [[0, 6]],
};
const ROW = 40;

/** The rails that pass beside a lane's word or a value, as high as it is. */
function Through({ lane, feedback }: { readonly lane: PathBlock['lane'] | null; readonly feedback: boolean }) {
  const strokes = lane === null || lane === 'feedback' ? [] : STROKES[lane];
  return (
    <span className={classes.rail} aria-hidden="true">
      {strokes.map(([offset, width]) => (
        <span key={offset} style={{ left: RAIL_X[lane as PathBlock['lane']] + offset - width / 2, width }} />
      ))}
      {(feedback || lane === 'feedback') && <span className={classes.dashed} style={{ left: RAIL_X.feedback - 1 }} />}
    </span>
  );
}

function Rails({ rails }: { readonly rails: RowRails }) {
  return (
    <svg width={56} height={ROW} className={classes.rails} aria-hidden="true">
      {rails.rails.map(({ lane, from, to }) =>
        STROKES[lane as keyof typeof STROKES].map(([offset, width]) => (
          <line
            key={`${lane}${offset}`}
            x1={RAIL_X[lane] + offset}
            x2={RAIL_X[lane] + offset}
            y1={from === 'top' ? 0 : ROW / 2}
            y2={to === 'bottom' ? ROW : ROW / 2}
            stroke="var(--ink-2)"
            strokeWidth={width}
          />
        )),
      )}
      {rails.feedback !== 'none' && (
        <path d={feedbackPath(rails)} stroke="var(--ink-2)" strokeWidth={2} strokeDasharray="6 4" fill="none" />
      )}
    </svg>
  );
}

/** Up the outer left; at its ends it turns to the row it leaves or reaches. */
function feedbackPath({ feedback }: RowRails): string {
  const x = RAIL_X.feedback;
  if (feedback === 'arrives') return `M${x} ${ROW}V${ROW / 2}H52`;
  if (feedback === 'leaves') return `M52 ${ROW / 2}H${x}V0`;
  return `M${x} ${ROW}V0`;
}

/** The row that the feedback reaches: the first block outside its lane that reads what it gives. */
function returnRow(rows: readonly Row[], path: DrivePath): number | null {
  const given = new Set(path.blocks.filter((one) => one.lane === 'feedback').flatMap((one) => one.outputs));
  if (given.size === 0) return null;
  const at = rows.findIndex((row) =>
    row.blocks.some((block) => block.lane !== 'feedback' && block.inputs.some((signal) => given.has(signal))),
  );
  return at < 0 ? null : at;
}

/** Neighbours of one lane that are cleared fold into one; suspects and what is asked never do. */
function folded(order: readonly PathBlock[], blocks: Props['blocks'], stands: (id: string) => boolean): Row[] {
  const rows: PathBlock[][] = [];
  const folds = (block: PathBlock) => blocks.get(block.id)?.suspicion === 'cleared' && !stands(block.id);
  for (const block of order) {
    const last = rows[rows.length - 1];
    const before = last?.[0];
    if (before && last && folds(block) && folds(before) && before.lane === block.lane) last.push(block);
    else rows.push([block]);
  }
  return rows.map((list) => ({ blocks: list }));
}
