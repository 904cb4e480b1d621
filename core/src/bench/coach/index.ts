export * from './body.js';
export * from './coach.js';
export * from './words.js';
