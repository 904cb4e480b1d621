/** The marks of a photo over it, in the photo's own measure, so that they print with it. */
import type { PhotoMark } from '@amber-gauge/core/bench';
import classes from './Sheet.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly marks: readonly PhotoMark[];
  readonly width: number;
  readonly height: number;
}

/** Strokes and letters as parts of the longer side. */
const PART = { rim: 0.02, line: 0.01, head: 0.045, radius: 0.035, letters: 0.04 } as const;

export function PhotoMarks({ marks, width, height }: Props) {
  if (marks.length === 0) return null;
  const long = Math.max(width, height);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="xMinYMin meet"
      className={classes.marks}
      aria-label={say`${marks.length} marks`}
    >
      {marks.map((mark, i) => {
        const [x, y] = [mark.x * width, mark.y * height];
        if (mark.shape === 'arrow')
          return <ArrowMark key={i} from={[x, y]} to={[mark.toX * width, mark.toY * height]} long={long} />;
        const letters = PART.letters * long;
        const wide = mark.shape === 'number' ? 2 * PART.radius * long : letters * (0.62 * mark.text.length + 1);
        return (
          <g key={i}>
            {mark.shape === 'number' ? (
              <circle cx={x} cy={y} r={PART.radius * long} strokeWidth={(PART.line * long) / 2} />
            ) : (
              <rect x={x} y={y} width={wide} height={1.5 * letters} strokeWidth={(PART.line * long) / 2} />
            )}
            <text
              x={mark.shape === 'number' ? x : x + wide / 2}
              y={mark.shape === 'number' ? y + 0.36 * letters : y + 1.1 * letters}
              fontSize={letters}
              textAnchor="middle"
            >
              {mark.text}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function ArrowMark({
  from,
  to,
  long,
}: {
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly long: number;
}) {
  const [[x, y], [tx, ty]] = [from, to] as [[number, number], [number, number]];
  const along = Math.atan2(ty - y, tx - x);
  const barb = (turn: number) =>
    `${tx - PART.head * long * Math.cos(along + turn)},${ty - PART.head * long * Math.sin(along + turn)}`;
  const path = `M${x},${y} L${tx},${ty} M${barb(0.5)} L${tx},${ty} L${barb(-0.5)}`;
  return (
    <>
      <path d={path} className={classes.rim} strokeWidth={PART.rim * long} />
      <path d={path} strokeWidth={PART.line * long} />
    </>
  );
}
