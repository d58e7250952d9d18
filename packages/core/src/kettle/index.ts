export * from './event.js';
export * from './boil.js';
