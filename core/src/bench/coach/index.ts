export * from './body.js';
export * from './coach.js';
