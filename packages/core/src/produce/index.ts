export type {
  AcidClass,
  AcidShares,
  Acidity,
  Category,
  Caution,
  Form,
  Ingredient,
  PectinProduct,
  Ripeness,
} from './ingredient.js';
export { FORMS, RIPENESS, waterPercent } from './ingredient.js';
export * from './find.js';
export * from './mass.js';
export * from './cautions.js';
export * from './profile.js';
export * from './season.js';
export * from './prepared.js';
