export { type Conversion, type ConversionReading, convertAmount } from './convert.js';
export {
  cleanLine,
  isUnderstood,
  type LinePart,
  type LineProblem,
  type LineProblemCode,
  type LineReading,
  type OpenAmount,
  readLine,
} from './line.js';
export { type NamedIngredient, stricterKind } from './name.js';
export { type NameReading, readName } from './read-name.js';
export { similarIngredients } from './similar.js';
export { WASTE_FORMS } from './english/forms.js';
