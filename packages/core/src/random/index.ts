export { seeded } from './random.js';
