export * from './body.js';
export * from './decide.js';
export { costsOf } from './expectedCost.js';
export * from './option.js';
export * from './expected.js';
export * from './offer.js';
export * from './words.js';
