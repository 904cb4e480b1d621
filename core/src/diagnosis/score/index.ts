export * from './play.js';
export * from './score.js';
export * from './unit.js';
