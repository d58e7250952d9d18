export * from './band.js';
