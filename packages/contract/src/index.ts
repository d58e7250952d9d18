export * from './problem.js';
export * from './kitchen.js';
export * from './formula.js';
export * from './batch.js';
export * from './event.js';
export * from './shelf.js';
