export * from './chain.js';
export { openBetween, stretchOf, type OpenDays, type OpenHours } from './hours.js';
export * from './schedule.js';
