export * from './random.js';
export * from './sample.js';
export * from './matters.js';
