export { readJarCount } from './claims.js';
export { differences } from './difference.js';
export {
  type DocumentFinish,
  type DocumentStage,
  emptyFormula,
  type FinishType,
  type FormulaDocument,
  type FormulaLine,
  type Kind,
  KINDS,
  type MainAcid,
  type Method,
  METHODS,
  METHODS_OF_KIND,
  type Processing,
  PROCESSINGS,
  SOURCE_KINDS,
  type SourceKind,
  type SourceMethod,
  type AddWhen,
  ADD_WHEN,
  type Gives,
  type Heat,
  HEATS,
  type Lid,
  LIDS,
  STAGE_WORK,
  SUGAR_IN,
  type SugarIn,
  type StageWork,
  WHERE_COOKED,
  type WhereCooked,
  USUAL_FINISHES,
  withoutPlace,
} from './document.js';
export { firstFruit } from './first-fruit.js';
export { type Field, type FieldsOf, FORMULA_FIELDS, type Part } from './fields.js';
export {
  isSamePanAndBurner,
  isSamePlace,
  type Kitchen,
  MEASURED_JAR_DOUBT,
  ORDINARY_POT_KG,
  type Pan,
  type PanAndBurner,
  type PlaceLoss,
  withPanAndBurner,
} from './kitchen.js';
export { lineFromText, linesFrom, type WrittenLine } from './line.js';
export { givingJuice } from './juiced.js';
export { isToTaste, readRatio } from './ratio.js';
export { placeInWords } from './place-words.js';
export { RISE_LIMITS_K } from './pot-finish.js';
export { asMadeOf } from './made-of.js';
export { OWN_INGREDIENT, type PotLine } from './pot-line.js';
export { notUnderstoodIn, type PotFormula, readFormula } from './read.js';
export { isObject, type Json, type Problem, quoted } from './reader.js';
export { formulaSchema } from './schema.js';
export { softeningIn, softens, usualAddWhen } from './add-when.js';
export {
  type CookingPlace,
  type CookStage,
  documentStageTimes,
  placeOfStage,
  type StageEnd,
  stageTimes,
  usualCook,
  weighedLoss,
} from './stages.js';
export { stagesFromText } from './stages-text.js';
export type { Warning, WarningCode } from './warning.js';
export { fingerprint } from './fingerprint.js';
export type { Attestation } from './claims.js';
