export * from './solids.js';
export * from './balance.js';
