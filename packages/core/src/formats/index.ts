export { auditImport } from './audit.js';
export {
  guessLogColumns,
  LOG_COLUMNS,
  type LogColumn,
  type LogOptions,
  readBoilLog,
} from './boil-log.js';
export { type Imported, importFormula } from './import.js';
export { ingredientTexts, toJsonLd } from './json-ld.js';
export { toMarkdown } from './markdown.js';
export { LARGEST_IMPORT } from './recipe.js';
