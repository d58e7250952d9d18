import { about, from, type Ingredient } from './ingredient.js';

/** Added pectins and what goes with them, whose strength differs by maker. */
export const PROFILED = [
  'pectin-powder',
  'pectin-low-sugar',
  'pectin-liquid',
  'pectin-calcium',
  'calcium-water',
] as const;
export type Profiled = (typeof PROFILED)[number];

/**
 * What the maker of a pectin product says of it. A figure that is not given stays the generic one.
 */
export interface PectinProfile {
  readonly ingredient: Profiled;
  /** One box or one pouch, grams. */
  readonly packageMass_g?: number;
  readonly gramsPerTablespoon?: number;
  /** Pectin in the product, per cent by mass. */
  readonly pectinPercent?: number;
  /** Pectin grade, degrees SAG; 150 unless given (IFT 5-54). */
  readonly grade?: number;
  /** Calcium water: teaspoons of monocalcium phosphate in so many millilitres of water. */
  readonly calciumTeaspoons?: number;
  readonly calciumWater_ml?: number;
}

const fromProfile = from('the maker’s own profile of the product');
const TABLESPOONS_PER_CUP = 16;
/** Standard grade, degrees SAG. */
const STANDARD_GRADE = 150;
/** What a label leaves unsaid: powders settle, spoons heap. */
const DOUBT = 0.05;
/** The generic calcium water: 1/2 tsp in 1/2 US cup. Common practice. */
const USUAL_CALCIUM = { teaspoons: 0.5, water_ml: 118.3 } as const;

/**
 * The ingredient as this product of it is. Strength, package and spoon only: what the product does
 * to the acid of the pot stays the table's, so that no profile makes a keeping verdict kinder.
 */
export function withProfile(ingredient: Ingredient, profile: PectinProfile): Ingredient {
  const {
    packageMass_g,
    gramsPerTablespoon,
    pectinPercent,
    grade,
    calciumTeaspoons,
    calciumWater_ml,
  } = profile;
  const packed = packageMass_g === undefined ? undefined : about(fromProfile, packageMass_g, DOUBT);
  const product = ingredient.pectinProduct;
  const percent =
    product && (pectinPercent !== undefined || grade !== undefined)
      ? about(
          fromProfile,
          Math.min(
            ((pectinPercent ?? product.percent.mid) * (grade ?? STANDARD_GRADE)) / STANDARD_GRADE,
            150,
          ),
          0.1,
        )
      : undefined;
  return {
    ...ingredient,
    ...(packed && ingredient.gramsPerBox && { gramsPerBox: packed }),
    ...(packed && ingredient.gramsPerPouch && { gramsPerPouch: packed }),
    ...(gramsPerTablespoon !== undefined && {
      gramsPerCup: {
        ...ingredient.gramsPerCup,
        [ingredient.usualForm]: gramsPerTablespoon * TABLESPOONS_PER_CUP,
      },
    }),
    ...(product && percent && { pectinProduct: { ...product, percent } }),
    ...(ingredient.id === 'calcium-water' &&
      (calciumTeaspoons !== undefined || calciumWater_ml !== undefined) && {
        calcium_mg:
          (ingredient.calcium_mg *
            (calciumTeaspoons ?? USUAL_CALCIUM.teaspoons) *
            USUAL_CALCIUM.water_ml) /
          (USUAL_CALCIUM.teaspoons * (calciumWater_ml ?? USUAL_CALCIUM.water_ml)),
      }),
  };
}
