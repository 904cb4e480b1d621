export * from './result.js';
export * from './measure.js';
export * from './options.js';
export * from './synth.js';
export * from './several.js';
export { addedWords, type AddedTone } from './added.js';
export { speedPlayed, type SpeedPlayed } from './speedByTone.js';
export { TONE_DEFAULTS } from './defaults.js';
export { weight, weightingDb } from './weighting.js';
