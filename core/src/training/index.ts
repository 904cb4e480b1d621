export * from './spec.js';
export { faultWords, minutesOf, notNow, practiceVisit, type Visit } from './visit.js';
export * from './instruments.js';
export * from './debrief.js';
export * from './lessons.js';
export { noiseOfUnit, type PracticeSound } from './sound.js';
export { measureAt, type Scoped } from './scope.js';
