export type { Category, Form, Ingredient } from './ingredient.js';
export { FORMS } from './ingredient.js';
export * from './find.js';
export * from './mass.js';
