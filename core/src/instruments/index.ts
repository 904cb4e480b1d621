export { instrumentAddress, type InstrumentAddress } from './address.js';
export { connectInstrument } from './connect.js';
export { functionFor, METER_FUNCTIONS, typedReading, type MeterFunctionId } from './functions.js';
export { greet, measure, takePresent, takeTriggered, type MeterReading } from './meter.js';
export { openSession, SESSION_LIMITS, type Line } from './session.js';
export { STAND_IN_FAULTS, standInMeter, type StandInFault } from './standIn.js';
export { InstrumentProblem } from './problem.js';
