export {
  BELT_SHAPES,
  CONTACTS,
  forSpeed,
  isBelt,
  isGear,
  MOTOR_ID,
  MOTOR_KINDS,
  PART_KINDS,
  trainSchema,
  type Contact,
  type MotorKind,
  type PartKind,
  type Train,
  type TrainMotor,
  type TrainPart,
} from './schema.js';
export { trainProblems, type TrainProblem } from './check.js';
export { trainTurns, type TrainOutput, type TrainTurns, type Turning } from './turns.js';
export {
  blameOf,
  knobsOf,
  solveKnob,
  spreadOf,
  type Blame,
  type Knob,
  type Sensitivity,
  type Spread,
} from './knobs.js';
export { beltLength, stretchPercent, USUAL_STRETCH_PERCENT } from './belts.js';
export { signatureOf, type SignatureLine } from './signature.js';
export { slipOf, type MeasuredTurns, type SlipFound } from './slip.js';
export { takeUpMargin, windingRpm } from './takeUp.js';
export { drawTrain, type DrawnRun, type DrawnWheel, type TrainDrawing } from './drawing.js';
export { USUAL_TRAINS, type UsualTrain } from './usual.js';
export { partsOfTrain, type SpeedAsked } from './named.js';
