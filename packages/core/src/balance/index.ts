export { balance, type Balance, jarsExpected } from './balance.js';
export {
  addInto,
  type Contents,
  contentsAt,
  type LineInput,
  linePoint,
  type LinePoint,
  middleOf,
  nothing,
  sumOf,
  pHOfContents,
} from './contents.js';
export {
  type BatchCook,
  cookBatch,
  type CookForecast,
  endsByItself,
  panOf,
  panOfStage,
  type StageForecast,
} from './cooking.js';
export {
  AIR_SHARE,
  COOLING_MIN,
  evaluate,
  FILL_C,
  FILM_KG,
  firmnessOf,
  FOAM_SHARE,
  JAR_DOUBT,
  type Outcome,
  type PotInput,
  type SetModel,
  setModelOf,
} from './evaluate.js';
export {
  FILL_BEFORE_FOAM,
  FILL_WITHOUT_FOAM,
  fillOfPan,
  panForFoam_l,
  volumeInPan_l,
} from './pan-fill.js';
export { batchesForPectin } from './pectin-measure.js';
export { type PreparedPot, preparePot } from './prepare.js';
export type { SetReasonCode } from './set-reasons.js';
export type { Influence } from './spread.js';
export { fruitMass_kg } from './standards.js';
export { firmnessSaid } from './firmness-words.js';
export { concentrationWord, wantedSolids } from './wanted.js';
