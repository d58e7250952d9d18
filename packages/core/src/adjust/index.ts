export { amountFor } from './addition.js';
export { type Edit, edited } from './edit.js';
export { mostImportant } from './most-important.js';
export { effectOfChange } from './effect.js';
export { remedies, type Remedy, type RemedyCode } from './remedies.js';
export {
  type Answer,
  answerTo,
  USUAL_QUESTIONS,
  type Variant,
} from './questions.js';
export { scaleFormula, type ScaleResult, type ScaleTarget } from './scale.js';
export { steer, STEERED, type Steered, steeredValue } from './steer.js';
export { insteadOfSugar, type SugarInstead, swapped } from './swap.js';
export { readScaleTarget } from './target.js';
