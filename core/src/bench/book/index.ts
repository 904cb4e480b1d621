export * from './facts.js';
