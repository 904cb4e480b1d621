export * from './bleed.js';
export * from './discharge.js';
export * from './limit.js';
export * from './startVolts.js';
