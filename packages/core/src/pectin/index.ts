export * from './firmness.js';
