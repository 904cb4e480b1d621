export * from './body.js';
export * from './timers.js';
