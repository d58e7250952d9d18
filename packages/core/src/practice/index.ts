export { type Aspect, type Deed, type PracticeAction } from './actions.js';
export { canDoDeed, doDeed } from './deeds.js';
export { bestRun } from './best-run.js';
export { asPlayed, bestDeciders, type Decider, drive, replay } from './drive.js';
export { MEDALS, type Medal, PRACTICE_MODES, type PracticeMode } from './medals.js';
export { HEAT_LEVELS, type PracticePan } from './practice-pan.js';
export {
  type PracticeNotice,
  type PanItem,
  PRACTICE_BEGINS_MS,
  PracticeRun,
} from './practice-run.js';
export {
  type FinishError,
  MOST_POINTS_FOR,
  type PracticeResult,
  resultOf,
  SCORE_PARTS,
  type ScorePart,
  stoveResultOf,
} from './result.js';
export { type ChoiceCost, type CurvePoint, type PracticeReview, reviewRun } from './review.js';
export { readScenario, type ScenarioReading } from './scenario-reader.js';
export { type PracticeScenario, SCENARIO_LEVELS, type ScenarioLevel } from './scenario.js';
export { scenarioOfBatch } from './scenario-of-batch.js';
export { SCENARIOS } from './scenarios.table.js';
export { type Sensed, type PanSign, signsOfPan } from './signs.js';
