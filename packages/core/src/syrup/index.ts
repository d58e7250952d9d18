export * from './boiling.js';
export * from './density.js';
export * from './inversion.js';
export * from './refractometer.js';
