export { STARTERS } from './starters.table.js';
