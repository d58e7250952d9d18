export { AT_THE_END_MS, madeBatch, type MadeBatch } from './made-batch.js';
export { outcomeRows, type OutcomeRow } from './outcome-rows.js';
export {
  AT_THE_BOIL_K,
  type BatchOutcome,
  byResult,
  forecastAccuracy,
  type ForecastResult,
  isWithin,
  kitchenOfBoil,
  outcomeOf,
} from './outcome.js';
export { laterSugar } from './additions.js';
export { panContents } from './pan-contents.js';
export { sugarSoFar, type SugarSoFar } from './sugar-so-far.js';
export { volumeFilled_ml, volumePlanned_ml } from './volumes.js';
export { keepingAdviceNow } from './advice-now.js';
export { CURD_C, FILLED_HOT_C, heatReached } from './heat-reached.js';
export { unprocessedJars } from './process-runs.js';
export { firstFilledAt } from './statements.js';
