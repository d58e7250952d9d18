export { STARTERS } from './starters.js';
