export { BoilingCurve, boilingCurve } from './boiling-curve.js';
export { type Burner, burnerHeat_W, BURNERS } from './burner.js';
export {
  type AddedMidBoil,
  advance,
  holdsAt_C,
  massOfPot,
  PAN_DIAMETER_M,
  type PanModel,
  PANTRY_C,
  type PotState,
  putInto,
  rates,
  shortOfBoil_K,
  solidsOf,
} from './heat-balance.js';
export {
  boilDownTime_s,
  type Cooked,
  cookThrough,
  LONGEST_COOK_S,
  massAtVolume_kg,
  type Stretch,
  volumeOf_ml,
  warmingTime_s,
  waterBefore_kg,
} from './cook.js';
export {
  type Change,
  GOOD_INSTRUMENTS,
  type Instruments,
  simulateBoil,
  type SimulateOptions,
  type Simulation,
} from './simulate-boil.js';
export {
  cookOf,
  growthAt,
  type Heating,
  heatingOf,
  kitchenHeat_W,
  usualLoss_kgPerH,
} from './water-loss.js';
