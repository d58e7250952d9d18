export * from './saturation.js';
export * from './atmosphere.js';
export * from './place.js';
export * from './steam.js';
