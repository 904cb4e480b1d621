/** The workings of the bench: every sum by its id, in the order people look for them. */
import { CAPACITOR, CAPACITOR_MARK, SUBSTITUTE } from './capacitors.js';
import { FITTED_RESISTOR, SPEED_RESISTOR } from './resistors.js';
import { BRUSHES, HALL, LAMPS } from './sensing.js';
import { OTHER_MAINS, SUPPLY_CHAIN, ZENER } from './supplies.js';
import { SUBSTITUTE_PART } from './substitutes.js';
import { BRIDGE, GHOST, PHASE_CONTROL } from './switching.js';
import { COPPER, MOTOR_STATE, WINDINGS } from './motors.js';
import { MOTOR_MATCH } from './motorMatch.js';
import type { Working } from './working.js';

export { CANDIDATE_FIELDS, senseFromShaft } from './motorMatch.js';
export {
  solveWorking,
  type Working,
  type WorkingAnswer,
  type WorkingExpectation,
  type WorkingField,
  type WorkingResult,
  type WorkingTexts,
} from './working.js';

/** All workings. */
export const WORKINGS: readonly Working[] = [
  SUPPLY_CHAIN,
  OTHER_MAINS,
  ZENER,
  CAPACITOR,
  CAPACITOR_MARK,
  SUBSTITUTE,
  SUBSTITUTE_PART,
  SPEED_RESISTOR,
  FITTED_RESISTOR,
  WINDINGS,
  COPPER,
  MOTOR_STATE,
  MOTOR_MATCH,
  BRIDGE,
  PHASE_CONTROL,
  GHOST,
  HALL,
  BRUSHES,
  LAMPS,
];

/** The working of that id; null when there is none. */
export const workingOf = (id: string): Working | null => WORKINGS.find((one) => one.id === id) ?? null;
