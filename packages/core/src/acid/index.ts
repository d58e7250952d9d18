export * from './charge.js';
export * from './content.js';
