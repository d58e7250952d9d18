export { balance, type Balance, type Influence } from './balance.js';
export {
  addInto,
  type Contents,
  contentsAt,
  type LineInput,
  linePoint,
  type LinePoint,
  middleOf,
  nothing,
  pHOfContents,
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
} from './evaluate.js';
export { FILL_BEFORE_FOAM, FILL_WITHOUT_FOAM, fillOfPan } from './pan-fill.js';
export { type BalanceOptions, type PreparedPot, preparePot } from './prepare.js';
export { fruitMass_kg } from './standards.js';
export { solidsWord, wantedSolids } from './wanted.js';
