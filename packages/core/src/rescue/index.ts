export * from './remake.js';
