export * from './body.js';
export * from './ends.js';
export { saidClosed, saidDistances, saidEnds, type SaidEnd } from './words.js';
export * from './parse.js';
export * from './ledger.js';
export * from './reassembly.js';
export * from './counts.js';
export * from './wires.js';
