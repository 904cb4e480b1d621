/** The ribbon in print on the page: 170 x 16 mm, hatched window, as found hollow, as left solid, an arrow between. */
import type { SheetSpeed, SheetSpeedSide } from '@amber-gauge/core/bench';
import type { Tolerance } from '@amber-gauge/core/quantity';
import { centreLabel, ribbonGeometry, visibleLabels, type RibbonGeometry } from '@amber-gauge/core/speed';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useId } from 'react';
import classes from './Sheet.module.css';

/** Printed width, and that on a phone, where the words would be too small to read, millimetres. */
const WIDTH = { print: 170, phone: 74 } as const;
const TOP = 2;
const FOOT = 10;
const BLANK = { errorPercent: null, expandedPercent: null, wowPeakPercent: null };

type At = (place: number) => number;

export function RibbonPrint({ speed, limits }: { readonly speed: SheetSpeed; readonly limits: Tolerance }) {
  const hatch = useId();
  const phone = useMediaQuery('screen and (max-width: 700px)');
  const width = phone ? WIDTH.phone : WIDTH.print;
  const at: At = (place) => (width * (place + 1)) / 2;
  const centre = centreLabel(speed.nominalRpm, speed.label);
  const of = (side: SheetSpeedSide | null) =>
    side?.errorPercent != null ? ribbonGeometry(side, limits, centre) : null;
  const found = of(speed.asFound);
  const left = of(speed.asLeft);
  const any = left ?? found ?? ribbonGeometry(BLANK, limits, centre);
  const [from, to] = any.window;
  return (
    <svg
      className={classes.ribbon}
      viewBox={`0 0 ${width} 16`}
      role="img"
      aria-label={`${speed.label}: as found and as left`}
    >
      <defs>
        <pattern id={hatch} width="2" height="2" patternUnits="userSpaceOnUse">
          <path d="M0 2L2 0" className={classes.hatch} />
        </pattern>
      </defs>
      <rect className={classes.window} x={at(from)} y={TOP} width={at(to) - at(from)} height={FOOT - TOP} />
      <rect fill={`url(#${hatch})`} x={at(from)} y={TOP} width={at(to) - at(from)} height={FOOT - TOP} />
      <rect className={classes.outline} x={0.125} y={TOP} width={width - 0.25} height={FOOT - TOP} />
      {any.window.map((edge) => (
        <line key={edge} className={classes.limit} x1={at(edge)} x2={at(edge)} y1={TOP} y2={FOOT} />
      ))}
      <line className={classes.thin} x1={at(0)} x2={at(0)} y1={TOP} y2={FOOT} />
      <text className={classes.word} x={1.5} y={7}>
        slow
      </text>
      <text className={classes.word} x={width - 1.5} y={7} textAnchor="end">
        fast
      </text>
      {found && <Edge geometry={found} solid={false} at={at} />}
      {left && <Edge geometry={left} solid at={at} />}
      {found?.mean != null && left?.mean != null && <Arrow from={at(found.mean)} to={at(left.mean)} />}
      {any.ticks.map((tick) => (
        <line
          key={tick.place}
          className={classes.thin}
          x1={at(tick.place)}
          x2={at(tick.place)}
          y1={FOOT}
          y2={FOOT + 1}
        />
      ))}
      {visibleLabels(any, width, phone ? 13 : 12).map(({ place, label }) => (
        <text
          key={place}
          className={classes.word}
          x={Math.min(width - 4, Math.max(4, at(place)))}
          y={15}
          textAnchor="middle"
        >
          {label}
        </text>
      ))}
    </svg>
  );
}

interface EdgeProps {
  readonly geometry: RibbonGeometry;
  readonly solid: boolean;
  readonly at: At;
}

function Edge({ geometry, solid, at }: EdgeProps) {
  const middle = at(geometry.mean ?? 0);
  return (
    <>
      {solid && geometry.wow && (
        <rect
          className={classes.wow}
          x={at(geometry.wow[0])}
          y={TOP}
          width={Math.max(0.2, at(geometry.wow[1]) - at(geometry.wow[0]))}
          height={FOOT - TOP}
        />
      )}
      <rect
        className={solid ? classes.solid : classes.hollow}
        x={middle - 0.6}
        y={TOP - 1.2}
        width={1.2}
        height={FOOT - TOP + 1.2}
      />
      {geometry.bracket && (
        <path
          className={classes.thin}
          fill="none"
          d={`M${at(geometry.bracket[0])} ${FOOT}v1.4H${at(geometry.bracket[1])}v-1.4`}
        />
      )}
    </>
  );
}

function Arrow({ from, to }: { readonly from: number; readonly to: number }) {
  if (Math.abs(to - from) < 3) return null;
  const sense = Math.sign(to - from);
  const tip = to - sense;
  return (
    <path className={classes.arrow} d={`M${from + sense} 1H${tip - sense * 1.6}M${tip} 1l${-sense * 1.6} -0.8v1.6z`} />
  );
}
