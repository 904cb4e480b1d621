export * from './body.js';
export * from './shelf.js';
export * from './serving.js';
