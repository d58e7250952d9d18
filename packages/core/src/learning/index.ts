export { type BoilEvidence, evidenceOf } from './boil-evidence.js';
export { cameOf, type Errors, errorsOf, foretold, type Hindsight } from './hindsight.js';
export { believedOffset, learnFrom, type Lessons, taught } from './learn.js';
