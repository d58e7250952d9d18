export { rescueOf } from './remake.js';
