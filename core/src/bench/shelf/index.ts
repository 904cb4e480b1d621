export * from './body.js';
export * from './shelf.js';
