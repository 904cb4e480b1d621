export * from './body.js';
export * from './photos.js';
