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
export { type NamedIngredient, type NameReading, readName, stricterKind } from './name.js';
export { similarIngredients } from './similar.js';
export { WASTE_FORMS } from './english/forms.js';
