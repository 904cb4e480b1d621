/** The train drawn to scale from the side looked at, every wheel with its name and the way it turns. */
import { drawTrain, type DrawnWheel, type Train } from '@amber-gauge/core/drive';
import classes from './Train.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly train: Train;
  readonly speed: number;
  readonly hz: number;
}

const WIDTH = 860;
const HEIGHT = 300;
const EDGE = 24;

export function Picture({ train, speed, hz }: Props) {
  const { wheels, runs, bounds } = drawTrain(train, speed, hz);
  const [left, top, width, height] = bounds;
  const scale = Math.min((WIDTH - 2 * EDGE - 200) / width, (HEIGHT - 2 * EDGE) / height, 12);
  const place = (x: number, y: number): [number, number] => [EDGE + (x - left) * scale, EDGE + (y - top) * scale];
  // Large ones lie under small ones, or they would hide them.
  const order = [...wheels].sort((a, b) => b.radius - a.radius);
  const words = wheels.map((one) => `${one.name} ${one.sense}`).join(', ');
  return (
    <figure className={classes.figure}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={say`Drawn to scale: ${words}`}>
        {order.map((one) => (
          <Wheel key={one.id} one={one} scale={scale} place={place} />
        ))}
        {runs.map(({ from, to }, i) => {
          const [[x1, y1], [x2, y2]] = [place(...from), place(...to)];
          return <line key={i} x1={x1} y1={y1} x2={x2} y2={y2} className={classes.belt} />;
        })}
        {wheels.map((one, i) => {
          const [x, y] = place(one.x, one.y);
          const at = EDGE + 12 + i * ((HEIGHT - 2 * EDGE) / Math.max(1, wheels.length));
          return (
            <g key={one.id}>
              <line x1={x} y1={y} x2={WIDTH - 204} y2={at - 5} className={classes.lead} />
              <text x={WIDTH - 198} y={at} className={classes.label}>
                {one.name} {one.sense === 'clockwise' ? '↻' : '↺'}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="quiet small">{say`To scale, from the side looked at. Distances not typed are drawn as
        usual.`}</figcaption>
    </figure>
  );
}

interface WheelProps {
  readonly one: DrawnWheel;
  readonly scale: number;
  readonly place: (x: number, y: number) => [number, number];
}

function Wheel({ one, scale, place }: WheelProps) {
  const [x, y] = place(one.x, one.y);
  const radius = Math.max(2, one.radius * scale);
  const arc = Math.max(8, 0.72 * radius);
  const turn = one.sense === 'clockwise' ? '' : `translate(${2 * x} 0) scale(-1 1)`;
  return (
    <g>
      <circle cx={x} cy={y} r={radius} className={one.id === 'motor' ? classes.motor : classes.wheel} />
      <circle cx={x} cy={y} r={1.5} className={classes.dot} />
      {radius > 14 && (
        <g transform={turn}>
          <path
            d={`M${x - arc * Math.sin(0.6)} ${y - arc * Math.cos(0.6)}A${arc} ${arc} 0 0 1 ${x + arc * Math.sin(0.6)} ${y - arc * Math.cos(0.6)}`}
            className={classes.arrow}
          />
          <path
            d={`M${x + arc * Math.sin(0.6) + 5} ${y - arc * Math.cos(0.6) + 5}l-10 -2l7 -7z`}
            className={classes.head2}
          />
        </g>
      )}
    </g>
  );
}
