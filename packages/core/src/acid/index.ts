export * from './charge.js';
export * from './content.js';
export * from './sharpness.js';
