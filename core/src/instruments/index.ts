export { instrumentAddress, type InstrumentAddress } from './address.js';
export { connectInstrument } from './connect.js';
export {
  functionFor,
  INSTRUMENT_KINDS,
  METER_FUNCTIONS,
  typedReading,
  type InstrumentKind,
  type MeterFunctionId,
} from './functions.js';
export { greet, measure, takePresent, takeTriggered } from './meter.js';
export { readInstrument } from './read.js';
export { peakToPeak, takeTrace, traceCsv } from './scope.js';
export { runSupply, setSupply, takeSupply } from './supply.js';
export { openSession, SESSION_LIMITS, type Line } from './session.js';
export {
  STAND_IN_FAULTS,
  standInCounter,
  standInMeter,
  standInScope,
  standInSupply,
  type StandIn,
  type StandInFault,
} from './standIn.js';
export { InstrumentProblem } from './problem.js';
