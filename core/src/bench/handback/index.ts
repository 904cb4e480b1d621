export * from './benchSheet.js';
export * from './body.js';
export * from './followUps.js';
export * from './found.js';
