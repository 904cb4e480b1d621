export * from './fft.js';
export * from './kaiser.js';
export * from './random.js';
export * from './rotation.js';
export * from './solve.js';
export * from './statistics.js';
export * from './symmetric.js';
