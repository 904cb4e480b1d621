/** Lines of a model's train for a speed of its family: what wow, flutter and noise are put against. */
import type { TurningPart } from '../../speed/index.js';
import type { Train } from './schema.js';
import { trainProblems } from './check.js';
import { signatureOf } from './signature.js';
import { SAME_NOMINAL_PART } from '../defaults.js';

/** The speed as its family names it: nominal in rpm or cm/s, null for none. */
export interface SpeedAsked {
  readonly id: string;
  readonly nominal: number | null;
}

/** Parts with their turns a second; empty where the train has no such speed or cannot be reckoned under this mains. */
export function partsOfTrain(train: Train, asked: SpeedAsked, mainsHz: number): TurningPart[] {
  if (trainProblems(train, mainsHz).length > 0) return [];
  const near = (nominal: number | null) =>
    nominal !== null && asked.nominal !== null && Math.abs(nominal / asked.nominal - 1) < SAME_NOMINAL_PART;
  const byId = train.speeds.findIndex((speed) => speed.id === asked.id);
  const speed = byId >= 0 ? byId : train.speeds.findIndex((one) => near(one.nominal));
  return speed < 0
    ? []
    : signatureOf(train, speed, mainsHz).map(({ name, turning, hz }) => ({ name, kind: turning, hz }));
}
