export {
  evaporation_perH,
  heatIntoPan_W,
  openSurface_m,
  UNKNOWN_EVAPORATION_PER_H,
} from './batch-heat.js';
export { BoilingCurve, boilingCurve } from './boiling-curve.js';
export { type Burner, burnerHeat_W, BURNERS } from './burner.js';
export {
  type AddedMidBoil,
  advance,
  hoursToLose,
  massOfPot,
  PAN_DIAMETER_M,
  type PanModel,
  PANTRY_C,
  type PotState,
  putInto,
  rates,
  shortOfBoil_K,
  solidsOf,
  type Vessel,
  VESSELS,
} from './heat-balance.js';
export {
  type Change,
  GOOD_INSTRUMENTS,
  type Instruments,
  simulateBoil,
  type SimulateOptions,
  type Simulation,
} from './simulate-boil.js';
