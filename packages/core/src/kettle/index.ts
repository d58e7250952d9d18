export * from './event.js';
export * from './boil.js';
export * from './as-made.js';
export * from './boiling-curve.js';
export * from './heat.js';
export * from './simulate.js';
export * from './forecast.js';
