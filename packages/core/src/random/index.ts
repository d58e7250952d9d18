export { type Random, seeded } from './random.js';
