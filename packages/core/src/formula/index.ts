export * from './document.js';
export * from './kitchen.js';
export * from './stage.js';
export * from './difference.js';
export * from './read.js';
export * from './line.js';
export * from './schema.js';
export { jarCalled, readJarCount, type Claims } from './claims.js';
export {
  CURD_C,
  usualHeadspace_mm,
  type Finish,
  type PotJar,
  RISE_LIMITS_K,
} from './pot-finish.js';
export { OWN_INGREDIENT, type PotLine } from './pot-line.js';
export type { Problem, Warning } from './reader.js';
