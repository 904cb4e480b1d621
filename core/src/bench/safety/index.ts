export * from './body.js';
export * from './stores.js';
export * from './lines.js';
export * from './refuse.js';
export * from './caution.js';
export * from './startLog.js';
