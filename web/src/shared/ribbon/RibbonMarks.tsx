/** Paints a ribbon's marks as SVG: the core says where each stands, the classes (named as the roles) how it looks. */
import type { RibbonMark, RibbonRole } from '@amber-gauge/core/speed';
import { useId } from 'react';

interface Props {
  readonly marks: readonly RibbonMark[];
  /** A class for each role, from the medium's own style sheet. */
  readonly classes: Readonly<Partial<Record<RibbonRole, string>>>;
  /** Distance of the hatch's lines, in the medium's unit. */
  readonly hatchPitch: number;
}

/** The marks in their order; hatched areas get a pattern of their own. */
export function RibbonMarks({ marks, classes, hatchPitch }: Props) {
  const hatch = useId();
  return (
    <>
      <defs>
        <pattern id={hatch} width={hatchPitch} height={hatchPitch} patternUnits="userSpaceOnUse">
          <path d={`M0 ${hatchPitch}L${hatchPitch} 0`} className={classes.hatch} />
        </pattern>
      </defs>
      {marks.map((mark, i) => {
        const look = { className: classes[mark.role], 'data-role': mark.role };
        if (mark.kind === 'word')
          return (
            <text key={i} {...look} x={mark.x} y={mark.y} textAnchor={mark.anchor}>
              {mark.text}
            </text>
          );
        if (mark.kind === 'line') return <path key={i} {...look} d={pathOf(mark.points, mark.filled)} />;
        const { x, y, width, height } = mark;
        const place = { x, y, width, height };
        return mark.role === 'hatch' ? (
          <rect key={i} data-role="hatch" {...place} fill={`url(#${hatch})`} />
        ) : (
          <rect key={i} {...look} {...place} />
        );
      })}
    </>
  );
}

const pathOf = (points: readonly (readonly [number, number])[], closed: boolean): string =>
  `M${points.map(([x, y]) => `${round(x)} ${round(y)}`).join('L')}${closed ? 'z' : ''}`;

const round = (value: number) => Math.round(value * 100) / 100;
