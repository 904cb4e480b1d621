/** The rings as the eye sees them under the lamp: the pattern's own motion is drawn, nothing flashes. */
import { fixed, numberIn, speedName, THIN } from '@amber-gauge/core/quantity';
import { discRings, ringLook, ringRadii, type DiscWish, type RingLook } from '@amber-gauge/core/speed';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useRef, useState } from 'react';
import { Field } from '../../shared/ui/Field.js';
import classes from './Discs.module.css';
import { say } from '@amber-gauge/core/words';

/** Redraws a second. */
const REDRAWS = 20;
const SIZE = 190;

type Stand = 'near' | 'far';

export function Preview({ wish }: { readonly wish: DiscWish }) {
  const rings = discRings(wish);
  const [typed, setTyped] = useState(String(Number(((rings[0]?.nominalRpm ?? 33) * 1.003).toFixed(3))));
  const [lamp, setLamp] = useState<'flashes' | 'steady'>('flashes');
  const [edge, setEdge] = useState<Stand>('near');
  const rpm = numberIn(typed);
  const flashHz = lamp === 'flashes' ? wish.lampHz * wish.flashesPerCycle : null;
  const good = rpm !== null && rpm >= 0 && rpm < 10_000;
  const looks = good ? rings.map((ring) => ringLook(ring.bars, rpm, flashHz, { edge, clockwise: true })) : [];
  return (
    <section aria-label={say`Under the lamp`} className="stack">
      <h2>{say`Under the lamp`}</h2>
      <div className="row">
        <Field
          label={say`Platter turns at`}
          unit="rpm"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          error={!good}
          sx={{ width: 180 }}
        />
        <Field
          select
          label={say`Light`}
          value={lamp}
          onChange={(event) => setLamp(event.target.value as typeof lamp)}
          sx={{ width: 220 }}
        >
          <MenuItem value="flashes">{say`the lamp above`}</MenuItem>
          <MenuItem value="steady">{say`daylight, steady LED`}</MenuItem>
        </Field>
        <Field
          select
          label={say`You look at`}
          value={edge}
          onChange={(event) => setEdge(event.target.value as Stand)}
          sx={{ width: 220 }}
        >
          <MenuItem value="near">{say`the near edge`}</MenuItem>
          <MenuItem value="far">{say`the far edge`}</MenuItem>
        </Field>
      </div>
      <ul aria-label={say`What is seen`}>
        {looks.map((look, i) => (
          <li
            key={rings[i]?.nominalRpm}
            className={classes.seen}
          >{say`${speedName(rings[i]?.nominalRpm ?? 0)} ring ${lookWords(look)}`}</li>
        ))}
      </ul>
      {wish.stripMm === null && <Turning rings={rings} looks={looks} />}
      <p className="quiet">{say`A platter that turns clockwise, seen from above. Only the pattern’s own motion is
        drawn; nothing flashes here. Under a real lamp turning parts look still: keep fingers clear.`}</p>
    </section>
  );
}

/** "runs left, 0.40 bars a second"; "stands still"; "is a grey blur". */
function lookWords(look: RingLook): string {
  if (look.looks === 'still') return say`stands still`;
  if (look.looks === 'grey') return say`is a grey blur`;
  return say`runs ${look.runs ?? ''}, ${fixed(Math.abs(look.barsPerS), 2)}${THIN}bars a second:
    ${look.barsPerS > 0 ? say`fast` : say`slow`}`;
}

interface TurningProps {
  readonly rings: readonly { readonly bars: number; readonly nominalRpm: number }[];
  readonly looks: readonly RingLook[];
}

/** The rings, each turned by its own apparent motion. */
function Turning({ rings, looks }: TurningProps) {
  const groups = useRef<(SVGPathElement | null)[]>([]);
  const speeds = useRef<readonly number[]>([]);
  useEffect(() => {
    speeds.current = looks.map((look, i) =>
      look.looks === 'moves' ? (360 * look.barsPerS) / (rings[i]?.bars ?? 1) : 0,
    );
  });
  useEffect(() => {
    if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    const angles: number[] = [];
    const timer = setInterval(() => {
      speeds.current.forEach((perS, i) => {
        angles[i] = ((angles[i] ?? 0) + perS / REDRAWS) % 360;
        groups.current[i]?.setAttribute('transform', `rotate(${(angles[i] ?? 0).toFixed(4)})`);
      });
    }, 1000 / REDRAWS);
    return () => clearInterval(timer);
  }, []);
  return (
    <svg
      viewBox={`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`}
      className={classes.disc}
      role="img"
      aria-label={say`The disc as it looks`}
    >
      <circle r={SIZE / 2 - 0.5} className={classes.edge} />
      {rings.map((ring, i) => {
        const [inner, outer] = ringRadii(SIZE, i);
        const grey = looks[i]?.looks === 'grey';
        return grey ? (
          <circle key={ring.nominalRpm} r={(inner + outer) / 2} strokeWidth={outer - inner} className={classes.grey} />
        ) : (
          <path
            key={ring.nominalRpm}
            ref={(element) => {
              groups.current[i] = element;
            }}
            d={barsPath(ring.bars, inner, outer)}
            className={classes.bars}
          />
        );
      })}
      <circle r={3.6} className={classes.edge} />
    </svg>
  );
}

function barsPath(bars: number, inner: number, outer: number): string {
  const at = (radius: number, turn: number) =>
    `${(radius * Math.sin(2 * Math.PI * turn)).toFixed(3)} ${(-radius * Math.cos(2 * Math.PI * turn)).toFixed(3)}`;
  return Array.from({ length: bars }, (_, k) => {
    const [from, to] = [(k - 0.25) / bars, (k + 0.25) / bars];
    return `M${at(inner, from)}L${at(outer, from)}L${at(outer, to)}L${at(inner, to)}Z`;
  }).join('');
}
