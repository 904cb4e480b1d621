export * from './body.js';
export * from './duration.js';
export * from './timers.js';
