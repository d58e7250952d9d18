export * from './balance.js';
export * from './prepare.js';
export * from './wanted.js';
export {
  addInto,
  contentsAt,
  linePoint,
  middleOf,
  nothing,
  pHOfContents,
  type Contents,
  type LineInput,
  type LinePoint,
} from './contents.js';
export {
  AIR_SHARE,
  evaluate,
  EVAPORATION_PER_H,
  FILL_C,
  FILM_KG,
  FOAM_SHARE,
  JAR_DOUBT,
  type Outcome,
  type PotInput,
  type PotRules,
  type SetModel,
} from './evaluate.js';
export { gelCurve, solidsAtConsistency } from './finish.js';
export { inHalfPints } from './bracket.js';
export type { SetReason } from './set-reasons.js';
export { fruitMass_kg, type StandardCheck } from './standards.js';
export * from './pan-fill.js';
