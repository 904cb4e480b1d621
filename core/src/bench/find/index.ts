export * from './answer.js';
export * from './body.js';
export * from './evidence.js';
export * from './confirmed.js';
export * from './healthy.js';
export * from './known.js';
export { betweenRows, type BetweenValue } from './between.js';
export * from './trials.js';
export * from './workOf.js';
