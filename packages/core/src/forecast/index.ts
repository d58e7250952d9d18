export { type Advice, type AdviceCode, adviceFor, CURDLES_ABOVE_FINISH_K } from './advice.js';
export {
  type CombinedEvidence,
  type Doneness,
  type EvidenceSource,
  weighEvidence,
} from './evidence.js';
export type { ForecastInput } from './forecast-model.js';
export { forecast, type Forecast } from './forecast.js';
export { simulateFormula, startOf } from './formula-boil.js';
export type { Observation } from './observations.js';
export { modelledPot, watchBoil, type WatchedBoil } from './watch-boil.js';
