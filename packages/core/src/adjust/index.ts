export { amountFor } from './addition.js';
export * from './edit.js';
export * from './scale.js';
export * from './remedies.js';
export * from './target.js';
export { effectOfChange } from './effect.js';
export * from './swap.js';
export * from './steer.js';
