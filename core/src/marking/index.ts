export { answered, drawMarked, drawOf, markedUnit, pathFor, type FamilyMap, type MarkedUnit } from './family.js';
export { MAPS } from './maps/index.js';
export * from './score.js';
export { bestOrder } from './symptoms.js';
