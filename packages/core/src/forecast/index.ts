export { addWhenOf, linesDue } from './additions-due.js';
export {
  type Advice,
  type AdviceCode,
  adviceFor,
  CURDLES_ABOVE_FINISH_K,
  CLIMBS_FAST_S,
  STIR_EVERY_MIN,
  STALE_NEAR_END_MIN,
} from './advice.js';
export {
  type CombinedEvidence,
  type Doneness,
  type EvidenceSource,
  weighEvidence,
} from './evidence.js';
export type { ForecastInput } from './forecast-model.js';
export { forecast, type Forecast } from './forecast.js';
export { jarsAhead, type JarsAhead } from './jars-ahead.js';
export { simulateFormula } from './formula-boil.js';
export type { Observation } from './observations.js';
export { type PlaceInTime, placesSoFar } from './places-in-time.js';
export {
  type Asked,
  modelledPot,
  type ModelledPot,
  watchBoil,
  type WatchedBoil,
} from './watch-boil.js';
