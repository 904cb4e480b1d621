/** The ribbon in small, for tables and the log: the number always stands beside it. */
import { ribbonGeometry, type RibbonReading } from '@amber-gauge/core/speed';
import type { Tolerance } from '@amber-gauge/core/quantity';
import classes from './Ribbon.module.css';

interface Props {
  readonly reading: RibbonReading & { readonly turned: boolean };
  readonly limits: Tolerance;
  readonly width?: number;
}

const BAND = 16;

export function RibbonSmall({ reading, limits, width = 200 }: Props) {
  const geometry = ribbonGeometry(reading, limits, '');
  const at = (place: number) => 1 + ((width - 2) * (place + 1)) / 2;
  const [from, to] = geometry.window;
  const wow = geometry.wow && { x: at(geometry.wow[0]), width: Math.max(3, at(geometry.wow[1]) - at(geometry.wow[0])) };
  return (
    <svg
      className={classes.small}
      width={width}
      height={18}
      viewBox={`0 0 ${width} 18`}
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <rect className={classes.band} x={1} y={1} width={width - 2} height={BAND} />
      {reading.turned ? (
        <>
          <rect className={classes.window} x={at(from)} y={1} width={at(to) - at(from)} height={BAND} />
          {geometry.window.map((edge) => (
            <line key={edge} className={classes.windowEdge} x1={at(edge)} x2={at(edge)} y1={1} y2={1 + BAND} />
          ))}
        </>
      ) : (
        <path
          className={classes.hatch}
          d={Array.from({ length: Math.floor(width / 8) }, (_, i) => `M${i * 8 + 1} 17l8 -16`).join('')}
        />
      )}
      {wow && <rect className={classes.wow} x={wow.x} y={1} width={wow.width} height={BAND} />}
      {geometry.mean !== null && (
        <line className={classes.smallMean} x1={at(geometry.mean)} x2={at(geometry.mean)} y1={0} y2={18} />
      )}
    </svg>
  );
}
