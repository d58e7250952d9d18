export * from './edit.js';
export * from './scale.js';
export * from './remedies.js';
export * from './target.js';
