// The decorators below record types with it, in the browser too.
import 'reflect-metadata';

export * from './problem.js';
export * from './answer.js';
export * from './moments.js';
export * from './gear.js';
export * from './kitchen.js';
export * from './formula.js';
export * from './batch.js';
export * from './event.js';
export * from './shelf.js';
export * from './live.js';
export * from './freezer.js';
export * from './prepared.js';
export * from './instrument.js';
export * from './lessons.js';
export * from './photo.js';
export * from './household-file.js';
