export * from './preparation.js';
export * from './steps.js';
export * from './schedule.js';
export * from './gear.js';
