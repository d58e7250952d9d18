export * from './sizes.js';
export * from './fill.js';
