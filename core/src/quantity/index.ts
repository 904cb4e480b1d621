export * from './own.js';
export { DAY_MS, dayNumber, dayText } from './days.js';
export { decimal, numberIn } from './decimal.js';
export * from './tolerance.js';
export * from './uncertainty.js';
export * from './show.js';
export * from './notation.js';
export { plainSigns } from './plainSigns.js';
export { spokenMeasures, type SpokenMeasure } from './spoken.js';
