export * from './preparation.js';
export * from './steps.js';
export * from './schedule.js';
export * from './gear.js';
export * from './stove.js';
export * from './crew.js';
export * from './of-batch.js';
export * from './year.js';
