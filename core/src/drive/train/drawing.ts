/**
 * A train drawn to scale as circles and belts, mm, for whoever looks at it: parts on one shaft share a centre, rims
 * touch, belts span their distance (as given, or near enough where it is not).
 */
import { forSpeed, isBelt, MOTOR_ID, type Train, type TrainPart } from './schema.js';
import { trainTurns } from './turns.js';
import { GAP_MM, MOTOR_MM } from '../defaults.js';

/** A wheel; of gears the diameter is one millimetre a tooth. */
export interface DrawnWheel {
  readonly id: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  readonly sense: 'clockwise' | 'counter-clockwise';
}

/** A straight run of a belt. */
export interface DrawnRun {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
}

/** The whole drawing with its bounds: left, top, width, height. */
export interface TrainDrawing {
  readonly wheels: readonly DrawnWheel[];
  readonly runs: readonly DrawnRun[];
  readonly bounds: readonly [number, number, number, number];
}

/** Directions that parts driven by one wheel go off to, in turn, degrees. */
const SPREAD = [0, 90, -90, 180, 45, -45, 135, -135];

interface Placed {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

/** Lays a train out at one speed. It must connect: see `trainProblems`. */
export function drawTrain(train: Train, speed: number, mainsHz: number): TrainDrawing {
  const { turning } = trainTurns(train, speed, mainsHz);
  const places = new Map<string, Placed>([[MOTOR_ID, { x: 0, y: 0, angle: 0 }]]);
  const children = new Map<string, number>();
  let open = [...train.parts];
  while (open.length > 0) {
    const ready = open.filter((part) => places.has(part.by));
    if (ready.length === 0) break;
    for (const part of ready) places.set(part.id, placed(train, part, places, children, speed));
    open = open.filter((part) => !places.has(part.id));
  }
  const radiusOf = (id: string): number => {
    const part = train.parts.find((one) => one.id === id);
    return part ? forSpeed(part.sizes, speed) / 2 : MOTOR_MM / 2;
  };
  const wheels = turning.map(({ id, name, sense }): DrawnWheel => {
    const { x, y } = places.get(id) as Placed;
    return { id, name, x, y, radius: radiusOf(id), sense };
  });
  const runs = train.parts.flatMap((part) => {
    const [a, b] = [wheels.find(({ id }) => id === part.by), wheels.find(({ id }) => id === part.id)];
    return a && b && isBelt(part.contact) ? beltRuns(a, b, part.contact !== 'belt') : [];
  });
  return { wheels, runs, bounds: boundsOf(wheels) };
}

function placed(
  train: Train,
  part: TrainPart,
  places: ReadonlyMap<string, Placed>,
  children: Map<string, number>,
  speed: number,
): Placed {
  const by = places.get(part.by) as Placed;
  if (part.contact === 'shaft' || part.contact === 'planetary') return by;
  const driver = train.parts.find((one) => one.id === part.by);
  const [own, other] = [forSpeed(part.sizes, speed) / 2, driver ? forSpeed(driver.sizes, speed) / 2 : MOTOR_MM / 2];
  const nth = children.get(part.by) ?? 0;
  children.set(part.by, nth + 1);
  const angle = by.angle + (SPREAD[nth % SPREAD.length] as number);
  const inside = part.contact === 'inside of a rim' || part.contact === 'ring gear';
  const usual = own + other + (isBelt(part.contact) ? Math.max(GAP_MM, 0.4 * (own + other)) : 0);
  const distance = inside
    ? Math.abs(own - other)
    : isBelt(part.contact)
      ? Math.max(part.centreMm ?? usual, Math.abs(own - other) + 1)
      : own + other;
  const radians = (angle * Math.PI) / 180;
  return { x: by.x + distance * Math.cos(radians), y: by.y + distance * Math.sin(radians), angle };
}

/** The two straight runs between two wheels, open or crossed; none where one wheel lies in the other. */
function beltRuns(a: DrawnWheel, b: DrawnWheel, crossed: boolean): DrawnRun[] {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const distance = Math.hypot(dx, dy);
  const sine = (crossed ? a.radius + b.radius : a.radius - b.radius) / distance;
  if (!(Math.abs(sine) < 1)) return [];
  const along = Math.atan2(dy, dx);
  const lean = Math.acos(sine);
  return ([1, -1] as const).map((side) => {
    const at = along + side * lean;
    const other = crossed ? at + Math.PI : at;
    return {
      from: [a.x + a.radius * Math.cos(at), a.y + a.radius * Math.sin(at)],
      to: [b.x + b.radius * Math.cos(other), b.y + b.radius * Math.sin(other)],
    };
  });
}

function boundsOf(wheels: readonly DrawnWheel[]): readonly [number, number, number, number] {
  const left = Math.min(...wheels.map((one) => one.x - one.radius));
  const right = Math.max(...wheels.map((one) => one.x + one.radius));
  const top = Math.min(...wheels.map((one) => one.y - one.radius));
  const bottom = Math.max(...wheels.map((one) => one.y + one.radius));
  return [left, top, right - left, bottom - top];
}
