export * from './preparation.js';
