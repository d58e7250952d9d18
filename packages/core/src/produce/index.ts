export { ALLERGENS, CAUTIONS, cautionsOf } from './cautions.js';
export { displayName, ingredientById, INGREDIENTS } from './find.js';
export {
  type AcidClass,
  type Category,
  type Form,
  FORMS,
  type Ingredient,
  type Ripeness,
  RIPENESS,
  waterPercent,
} from './ingredient.js';
export {
  fruitForJuice,
  type Juiced,
  JUICE_METHODS,
  type JuiceMethod,
  juiceOf,
  juiceVolume_ml,
  MASHED_CUPS,
  settlesOvernight,
  waterForJuice,
} from './juice.js';
export { type Composition, compositionOf, isProduce, knownForms, massOf } from './mass.js';
export { type PreparedWeight, withWeighings } from './prepared.js';
export { type PectinProfile, PROFILED, type Profiled, withProfile } from './profile.js';
export { inSeason, isSeasonal, monthAfter, monthsUntilSeason } from './season.js';
export { namesOf, VARIETIES, type Variety, varietyOf, withVariety } from './variety.js';
