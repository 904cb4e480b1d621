/** The rails of the path's list: for each row the straight lines and square turns at its left, in pixels. */
import type { PathBlock } from '@amber-gauge/core/families';

type Lane = PathBlock['lane'];

/** Each lane has an x of its own; feedback runs at the outer left. */
export const RAIL_X: Readonly<Record<Lane, number>> = { feedback: 6, supply: 19, control: 32, mechanical: 46 };

/** A piece of rail in a row: from one edge to the other, or a turn at its foot. */
interface Rail {
  readonly lane: Lane;
  /** Path data within a row of width 56 and height 1 (scaled by the row's own height). */
  readonly from: 'top' | 'middle';
  readonly to: 'bottom' | 'middle';
}

/** Rails that a row of the path draws at its side. */
export interface RowRails {
  readonly rails: readonly Rail[];
  /** A square turn along the foot of the row to the next lane. */
  readonly turn: { readonly lane: Lane; readonly fromX: number; readonly toX: number } | null;
  /** The dashed way back passes this row; at its ends it turns to the row's own rail. */
  readonly feedback: 'none' | 'passes' | 'leaves' | 'arrives';
}

/** Rails of each row, for rows in the order of the list; `returns` is the row to which feedback goes. */
export function railsOf(lanes: readonly Lane[], returns: number | null): RowRails[] {
  const firstFeedback = lanes.indexOf('feedback');
  const from = firstFeedback < 0 ? null : lanes.lastIndexOf('feedback');
  return lanes.map((lane, i) => {
    const next = lanes[i + 1];
    const rails: Rail[] =
      lane === 'feedback'
        ? []
        : [
            {
              lane,
              from: i === 0 ? 'middle' : 'top',
              to: next === undefined || next === 'feedback' ? 'middle' : 'bottom',
            },
          ];
    const turn =
      lane !== 'feedback' && next !== undefined && next !== lane && next !== 'feedback'
        ? { lane: next, fromX: RAIL_X[lane], toX: RAIL_X[next] }
        : null;
    return { rails, turn, feedback: feedbackAt(i, returns, from) };
  });
}

function feedbackAt(row: number, returns: number | null, from: number | null): RowRails['feedback'] {
  if (returns === null || from === null || row < returns || row > from) return 'none';
  if (row === returns) return 'arrives';
  return row === from ? 'leaves' : 'passes';
}
