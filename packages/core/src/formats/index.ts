export { importFormula, type Imported, type ImportedLine } from './import.js';
export { LARGEST_IMPORT } from './recipe.js';
export { toJsonLd, ingredientTexts } from './json-ld.js';
export { toMarkdown } from './markdown.js';
export { auditImport, type Audited, type Finding } from './audit.js';
export * from './boil-log.js';
