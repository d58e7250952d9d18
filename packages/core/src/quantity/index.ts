export {
  figures,
  formatAltitude,
  formatMass,
  formatTemperature,
  formatVolume,
  kitchenFraction,
  type UnitSystem,
} from './format.js';
export { celsius, fahrenheit, type MeasureName, parseMeasure } from './measure.js';
export { nearest } from './nearest.js';
export { type Amount, type Decimal, parseAmount, readAmount } from './parse.js';
export { writeAddition, writeAmount } from './style.js';
export { findUnit, type Unit, unitById } from './units.js';
