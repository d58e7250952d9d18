export * from './document.js';
export * from './read.js';
export * from './line.js';
