export * from './types.js';
export { parseEntry } from './parse.js';
export { knownPlaces } from './places.js';
export { shares } from './doing.js';
