export { cutText } from './cut-text.js';
export { readDuration, type WrittenDuration } from './duration.js';
export {
  figures,
  formatAltitude,
  formatMass,
  formatTemperature,
  formatVolume,
  kitchenFraction,
  type UnitSystem,
} from './format.js';
export { celsius, fahrenheit, FOOT_M, INCH_MM, type MeasureName, parseMeasure } from './measure.js';
export { nearest } from './nearest.js';
export { type Decimal } from './number.js';
export {
  type Amount,
  type AmountProblemCode,
  type OtherAmount,
  parseAmount,
  type PieceSize,
  readAmount,
  trust,
  type WritingHabit,
} from './parse.js';
export { writeAddition, writeAmount } from './style.js';
export {
  DAY_MIN,
  DAY_MS,
  HOUR_MIN,
  HOUR_MS,
  HOUR_S,
  MINUTE_MS,
  MINUTE_S,
  SECOND_MS,
} from './time.js';
export { findUnit, MEASURES, type Measures, type Unit, unitById } from './units.js';
