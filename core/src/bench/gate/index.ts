export * from './body.js';
export * from './asks.js';
export * from './pass.js';
