/** The screen of the practice scope: the wave between its graticule, with what a division is. */
import type { PracticeTrace } from '@amber-gauge/core/practice';
import { THIN } from '@amber-gauge/core/quantity';
import classes from './Practice.module.css';
import { say } from '@amber-gauge/core/words';

const [WIDTH, HEIGHT] = [500, 120];
const DIVISIONS = { across: 10, up: 6 } as const;
/** More points than pixels say nothing more. */
const MOST_POINTS = 2000;

/** The next of 1, 2, 5 that is not smaller. */
function niceStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least));
  return ([1, 2, 5, 10].find((one) => one * power >= least * (1 - 1e-9)) ?? 10) * power;
}

export function ScopeScreen({ trace }: { readonly trace: PracticeTrace }) {
  const { volts, intervalS } = trace;
  const [low, high] = volts.reduce(([l, h], one) => [Math.min(l, one), Math.max(h, one)], [Infinity, -Infinity]);
  const upV = niceStep(Math.max(1e-6, (high - low) / (DIVISIONS.up - 0.5)));
  const acrossS = niceStep((volts.length * intervalS) / DIVISIONS.across);
  const middle = (low + high) / 2;
  const every = Math.ceil(volts.length / MOST_POINTS);
  const path = Array.from(volts)
    .flatMap((one, i) => (i % every === 0 ? [[i, one] as const] : []))
    .map(([i, one], k) => {
      const x = (i * intervalS * WIDTH) / (acrossS * DIVISIONS.across);
      const y = HEIGHT / 2 - ((one - middle) * HEIGHT) / (upV * DIVISIONS.up);
      return `${k === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join('');
  const words = say`${short(upV)}${THIN}V and
    ${acrossS < 1 ? say`${short(1000 * acrossS)}${THIN}ms` : `${short(acrossS)}${THIN}s`} a division`;
  return (
    <figure className={classes.scope} aria-label={say`Scope`}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" role="img" aria-label={words}>
        {Array.from({ length: DIVISIONS.across + 1 }, (_one, i) => (
          <line
            key={`x${i}`}
            x1={(i * WIDTH) / DIVISIONS.across}
            x2={(i * WIDTH) / DIVISIONS.across}
            y1={0}
            y2={HEIGHT}
          />
        ))}
        {Array.from({ length: DIVISIONS.up + 1 }, (_one, i) => (
          <line key={`y${i}`} y1={(i * HEIGHT) / DIVISIONS.up} y2={(i * HEIGHT) / DIVISIONS.up} x1={0} x2={WIDTH} />
        ))}
        <path d={path} />
      </svg>
      <figcaption className="mono">{words}</figcaption>
    </figure>
  );
}

const short = (value: number): string => String(Number(value.toPrecision(3)));
