export * from './train/index.js';
