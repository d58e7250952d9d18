export * from './sizes.js';
export * from './fill.js';
export * from './loads.js';
export * from './stock.js';
