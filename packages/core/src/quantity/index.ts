export * from './units.js';
export * from './parse.js';
export * from './measure.js';
export * from './format.js';
export * from './style.js';
export { nearest } from './nearest.js';
