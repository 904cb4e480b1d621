export { drawMarked, markedUnit, type FamilyMap, type MarkedUnit } from './family.js';
export { MAPS } from './maps/index.js';
export * from './score.js';
