export * from './errors.js';
export * from './events.js';
export * from './jobs.js';
export * from './runs.js';
export * from './runFile.js';
export * from './settings.js';
export * from './photos.js';
