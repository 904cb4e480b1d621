export * from './engine.js';
export * from './observation.js';
export * from './posterior.js';
export * from './suspects.js';
export * from './nextTests.js';
export * from './reason.js';
export { HUNTING, movedPrior, type Confirmed } from './model.js';
export * from './report.js';
export * from './case.js';
