export * from './verdict.js';
export * from './band.js';
export * from './process-table.js';
export * from './storage.js';
export * from './assess.js';
export { worstPH } from './acid-gate.js';
