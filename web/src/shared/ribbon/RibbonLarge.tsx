/** The ribbon gauge, large: trail, band, scale. Its places come from the core. */
import { placeOf, ribbonGeometry, visibleLabels, type RibbonReading } from '@amber-gauge/core/speed';
import type { Tolerance } from '@amber-gauge/core/quantity';
import { useMemo } from 'react';
import { useWidth } from '../ui/useWidth.js';
import classes from './Ribbon.module.css';

/** Speed error over the last minute, oldest first. */
export interface Trail {
  readonly stepS: number;
  readonly errorPercent: ArrayLike<number>;
}

interface Props {
  readonly reading: RibbonReading & { readonly turned: boolean };
  readonly limits: Tolerance;
  readonly centre: string;
  readonly trail?: Trail | null;
  readonly describe: string;
}

const TRAIL = 64;
const BAND = 44;
const SCALE = 28;
const TRAIL_S = 60;

export function RibbonLarge({ reading, limits, centre, trail = null, describe }: Props) {
  const [ref, width] = useWidth(1232);
  const geometry = useMemo(() => ribbonGeometry(reading, limits, centre), [reading, limits, centre]);
  const at = (place: number) => 1 + ((width - 2) * (place + 1)) / 2;
  const foot = TRAIL + BAND;
  const [from, to] = geometry.window;
  return (
    <div ref={ref} className={classes.large}>
      <svg width={width} height={TRAIL + BAND + SCALE} role="img" aria-label={describe}>
        {trail && <path className={classes.trail} d={trailPath(trail, limits, at)} />}
        <rect className={classes.band} x={1} y={TRAIL} width={width - 2} height={BAND} />
        {reading.turned ? (
          <>
            <rect className={classes.window} x={at(from)} y={TRAIL} width={at(to) - at(from)} height={BAND} />
            {geometry.window.map((edge) => (
              <line key={edge} className={classes.windowEdge} x1={at(edge)} x2={at(edge)} y1={TRAIL} y2={foot} />
            ))}
            <line className={classes.centre} x1={at(0)} x2={at(0)} y1={TRAIL} y2={foot} />
          </>
        ) : (
          <Hatch width={width} />
        )}
        <text className={classes.word} x={12} y={TRAIL + 28}>
          slow
        </text>
        <text className={classes.word} x={width - 12} y={TRAIL + 28} textAnchor="end">
          fast
        </text>
        {geometry.wow && (
          <rect
            className={classes.wow}
            x={at(geometry.wow[0])}
            y={TRAIL}
            width={Math.max(1, at(geometry.wow[1]) - at(geometry.wow[0]))}
            height={BAND}
          />
        )}
        {geometry.mean !== null && (
          <rect className={classes.mean} x={at(geometry.mean) - 2} y={TRAIL - 6} width={4} height={BAND + 6} />
        )}
        {geometry.beyond && <path className={classes.mean} d={arrowHead(geometry.beyond, width)} />}
        {geometry.ticks.map((tick) => (
          <line
            key={tick.place}
            className={classes.tick}
            x1={at(tick.place)}
            x2={at(tick.place)}
            y1={foot}
            y2={foot + 6}
          />
        ))}
        {geometry.bracket && (
          <path
            className={classes.bracket}
            d={`M${at(geometry.bracket[0])} ${foot}v8H${Math.max(at(geometry.bracket[1]), at(geometry.bracket[0]) + 2)}v-8`}
          />
        )}
        {visibleLabels(geometry, width, 48).map(({ place, label }) => (
          <text
            key={place}
            className={Math.abs(Math.abs(place) - to) < 1e-9 ? classes.limitFigure : classes.figure}
            x={Math.min(width - 24, Math.max(24, at(place)))}
            y={foot + 25}
            textAnchor="middle"
          >
            {label}
          </text>
        ))}
      </svg>
    </div>
  );
}

function Hatch({ width }: { readonly width: number }) {
  return (
    <>
      <defs>
        <pattern id="still" width="12" height="12" patternUnits="userSpaceOnUse">
          <path d="M0 12L12 0" className={classes.hatch} />
        </pattern>
      </defs>
      <rect x={1} y={TRAIL} width={width - 2} height={BAND} fill="url(#still)" />
      <text className={classes.still} x={width / 2} y={TRAIL + 29} textAnchor="middle">
        did not turn
      </text>
    </>
  );
}

function arrowHead(side: 'slow' | 'fast', width: number): string {
  const y = TRAIL + BAND / 2;
  return side === 'fast' ? `M${width - 4} ${y}l-14 -10v20z` : `M4 ${y}l14 -10v20z`;
}

/** Now at the foot, a minute ago at the top. */
function trailPath(trail: Trail, limits: Tolerance, at: (place: number) => number): string {
  const count = trail.errorPercent.length;
  const shown = Math.min(count, Math.round(TRAIL_S / trail.stepS));
  const thin = Math.max(1, Math.ceil(shown / 600));
  const points: string[] = [];
  for (let i = count - shown; i < count; i += thin) {
    const y = TRAIL - ((count - 1 - i) * trail.stepS * TRAIL) / TRAIL_S;
    points.push(`${at(placeOf(trail.errorPercent[i] as number, limits)).toFixed(1)} ${y.toFixed(1)}`);
  }
  return points.length > 1 ? `M${points.join('L')}` : '';
}
