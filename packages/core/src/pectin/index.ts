export * from './firmness.js';
export * from './alcohol-test.js';
