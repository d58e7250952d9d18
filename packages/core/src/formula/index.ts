export * from './document.js';
export * from './read.js';
export * from './line.js';
export type { Finish, PotJar } from './pot-finish.js';
export type { PotLine } from './pot-line.js';
export type { Problem, Warning } from './reader.js';
