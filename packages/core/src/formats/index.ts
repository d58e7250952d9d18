export { auditImport } from './audit.js';
export {
  guessLogColumns,
  LOG_COLUMNS,
  type LogColumn,
  type LogOptions,
  readBoilLog,
} from './boil-log.js';
export {
  type Correction,
  type Corrections,
  foundRecipe,
  type Imported,
  type ImportedLine,
  type ImportOptions,
  importFormula,
} from './import.js';
export { ingredientTexts, toJsonLd } from './json-ld.js';
export { toMarkdown } from './markdown.js';
export { type FoundRecipe, LARGEST_IMPORT, type LineRole } from './recipe.js';
export { claimsOf, yieldOf } from './recipe-claims.js';
