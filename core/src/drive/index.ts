export * from './train/index.js';
export * from './trims/index.js';
export * from './guide/index.js';
