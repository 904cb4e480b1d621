export * from './body.js';
export * from './decide.js';
export * from './expected.js';
export * from './words.js';
