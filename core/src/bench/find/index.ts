export * from './body.js';
export * from './evidence.js';
export * from './confirmed.js';
export * from './workOf.js';
