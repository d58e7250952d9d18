export { batchNow } from './batch-clock.js';
export {
  type BatchEvent,
  type BoilPhase,
  EVENT_TYPES,
  type EventBodies,
  type EventType,
  type JarCount,
  type Judged,
  JUDGED,
  MOST_POINTS,
  type Pause,
  PAUSES,
  type ProcessRun,
  SET_WORDS,
  SHOW_RESULTS,
  type ShowResult,
  type SimulatedErrors,
  TEST_VERDICTS,
  TEST_WAYS,
  type TestVerdict,
  type TestWay,
  UNSEALED_PLACES,
  type UnsealedPlace,
} from './boil-events.js';
export type { Boil, LogEntry } from './boil-state.js';
export { boilFrom, inOrder, timeOnHeat_ms } from './boil.js';
export { CookingClock } from './cooking-clock.js';
export {
  type PotValues,
  VALUE_LIMITS,
  type ValueEvent,
  valueEvents,
  type ValueName,
} from './instrument-values.js';
export {
  jarsAfter,
  jarsFilled,
  type JarsCounted,
  type JarsFilled,
  type JarTally,
} from './jar-tally.js';
export type { LoggedReading, RejectedReading } from './reading-filter.js';
export { PLACE_OF_VESSEL, type Vessel, VESSELS } from './vessels.js';
