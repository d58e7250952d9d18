export { crewDuties } from './crew.js';
export { gearFor } from './gear.js';
export { type BatchPlan, planOfBatch } from './of-batch.js';
export { preparationOf, type PreparationStep } from './preparation.js';
export type { Schedule, Timed, Wish } from './schedule.js';
export { type Attention, USUAL_OPTIONAL_STEPS } from './steps.js';
export { type Busy, busyOf, type Clash, clashesOf, clearOf } from './stove.js';
export { type JarsUsed, type YearAhead, yearNeeds, yearPlan } from './year.js';
