export * from './boil-evidence.js';
export * from './hindsight.js';
export * from './learn.js';
export type { Estimate, Lesson } from './lesson.js';
