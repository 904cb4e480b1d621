export { AT_REST, between, type Condition, type PracticeMachine, type PracticeUnit, type Seen } from './machine.js';
export { turntableDc } from './machines/turntableDc.js';
