export * from './boiling.js';
export * from './density.js';
