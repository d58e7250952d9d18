export * from './label.js';
export * from './sheets.js';
