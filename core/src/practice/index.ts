export { AT_REST, between, type Condition, type PracticeMachine, type PracticeUnit, type Seen } from './machine.js';
export { mixer } from './machines/mixer.js';
export { turntableAc } from './machines/turntableAc.js';
export { turntableDc } from './machines/turntableDc.js';
export { vacuum } from './machines/vacuum.js';
