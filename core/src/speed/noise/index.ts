export * from './clip.js';
export { aWeightDb } from './weighting.js';
