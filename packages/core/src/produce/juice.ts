import type { Range } from '../range/index.js';
import { compositionOf } from './mass.js';
import type { Ingredient } from './ingredient.js';

/** How juice is won from softened fruit. */
export const JUICE_METHODS = ['drip', 'drip-twice', 'press', 'steam', 'raw'] as const;
export type JuiceMethod = (typeof JUICE_METHODS)[number];

/**
 * Of the water of a fruit that is dripped twice so much goes on its pulp for the second drip: about
 * half as much as at first. Common practice.
 */
const SECOND_WATER = 1 / 3;
/** The pulp is simmered again half as long as the fruit. Common practice. */
const SECOND_SIMMER = 0.5;
/** Grape juice that stood overnight is poured off its crystals; so much stays behind, share. A guess. */
const SETTLED_LOSS = 0.03;

/** What one kilogram of a fruit needs and holds back. */
interface JuiceFigures {
  /** Water it is simmered with, kg. */
  readonly water_kg: number;
  /** Wet pulp that stays in the cloth, kg: 5th, 50th, 95th percentile. */
  readonly pulp_kg: Range;
  /** Of fruit and water together so much boils off while it softens, share. */
  readonly boiledOff: number;
  /** Its juice stands overnight and is poured off its crystals. */
  readonly settles: boolean;
}

const figures = (water_kg: number, pulp: number, boiledOff = 0.04): JuiceFigures => ({
  water_kg,
  pulp_kg: { low: pulp * 0.8, mid: pulp, high: pulp * 1.2 },
  boiledOff,
  settles: false,
});

/**
 * By fruit, from proportions of the USDA Complete Guide, Guide 7, and the National Center for Home Food
 * Preservation, from memory: 3 lb of apples and 3 cups of water give 4 cups, 3 1/2 lb of grapes and 1
 * cup give 5, 3 lb of cherries and 1/2 cup 3 1/2, 5 lb of plums and 1 1/2 cups 5 1/2, 5 lb of currants
 * and 1 cup 6 1/2, 3 1/2 lb of quinces and 7 cups 4. The doubt is a guess.
 */
const FIGURES: Readonly<Record<string, JuiceFigures>> = {
  apple: figures(0.52, 0.72),
  'tart-apple': figures(0.52, 0.72),
  'crab-apple': figures(0.52, 0.72),
  quince: figures(1.04, 0.78, 0.3),
  japonica: figures(1.04, 0.78, 0.3),
  grape: { ...figures(0.15, 0.32), settles: true },
  'slip-skin-grape': { ...figures(0.15, 0.32), settles: true },
  plum: figures(0.16, 0.5),
  damson: figures(0.16, 0.5),
  'sour-cherry': figures(0.09, 0.41),
  cherry: figures(0.09, 0.41),
  redcurrant: figures(0.1, 0.36),
  blackcurrant: figures(0.3, 0.42),
  cranberry: figures(0.7, 0.55),
};
/** Berries, and what has no figure of its own. Common practice. */
const OTHERS: JuiceFigures = figures(0.12, 0.4);

/** Of the wet pulp of a free drip so much stays, by what is done. Common practice and a guess. */
const PULP_BY_METHOD: Readonly<Record<JuiceMethod, number>> = {
  drip: 1,
  'drip-twice': 1,
  press: 0.6,
  steam: 0.8,
  raw: 1.1,
};

/** Fruit whose juice is left to settle overnight, for its crystals. */
export const settlesOvernight = (ingredient: Ingredient): boolean => figuresOf(ingredient).settles;

const figuresOf = ({ id }: Ingredient): JuiceFigures => FIGURES[id] ?? OTHERS;

/** Fruit that is simmered for its juice. */
export interface JuicedFruit {
  readonly ingredient: Ingredient;
  readonly mass_kg: Range;
}

/** What comes through the cloth of some fruit and the water on it. */
export interface Juiced {
  /** Juice in all, kg. */
  readonly juice_kg: Range;
  /** Of what went in so much comes through, share: of fruit and water alike. */
  readonly share: Range;
  /** Of what is dissolved so much comes through: more, since water boils off and it does not. */
  readonly dissolvedShare: number;
}

/**
 * The juice of fruit simmered with water: both together, less what boils off, less the wet pulp that
 * the cloth holds back, which is as sweet and sharp as what runs through.
 *
 * @param water_kg on the fruit
 */
export function juiceOf(
  fruits: readonly JuicedFruit[],
  water_kg: number,
  method: JuiceMethod = 'drip',
): Juiced {
  const total = (end: keyof Range): number =>
    fruits.reduce((sum, { mass_kg }) => sum + mass_kg[end], water_kg);
  const all = total('mid');
  const weighted = (of: (fruit: JuicedFruit) => number): number =>
    fruits.reduce((sum, fruit) => sum + of(fruit) * fruit.mass_kg.mid, 0);
  const ofFruit = (of: (figures: JuiceFigures) => number): number =>
    weighted(({ ingredient }) => of(figuresOf(ingredient))) / Math.max(all - water_kg, 1e-9);
  const stays = 1 - ofFruit(({ settles }) => (settles ? SETTLED_LOSS : 0));
  const pulpAt = (end: keyof Range): number =>
    weighted(({ ingredient }) => figuresOf(ingredient).pulp_kg[end] * PULP_BY_METHOD[method]);
  const again_kg = pulpAt('mid') + water_kg * SECOND_WATER;
  const simmerings =
    method === 'drip-twice'
      ? 1 + (SECOND_SIMMER * again_kg) / Math.max(all, 1e-9)
      : SIMMERINGS[method];
  const boiledOff = ofFruit((each) => each.boiledOff) * simmerings;
  const shareAt = (end: keyof Range): number =>
    Math.max((1 - boiledOff - pulpAt(end) / Math.max(all, 1e-9)) * stays, LEAST_SHARE);
  const share = { low: shareAt('high'), mid: shareAt('mid'), high: shareAt('low') };
  return {
    juice_kg: {
      low: total('low') * share.low,
      mid: all * share.mid,
      high: total('high') * share.high,
    },
    share,
    dissolvedShare:
      method === 'drip-twice'
        ? (1 - heldTwice(all, water_kg, pulpAt('mid'))) * stays
        : Math.min(share.mid / (1 - boiledOff), 1),
  };
}

/** Raw fruit is ground and dripped cold: nothing boils off. */
const SIMMERINGS: Readonly<Record<Exclude<JuiceMethod, 'drip-twice'>, number>> = {
  drip: 1,
  press: 1,
  steam: 1,
  raw: 0,
};

/**
 * Of what is dissolved so much stays in pulp that was dripped twice, share: the second water thins
 * what the pulp holds of the first.
 */
function heldTwice(all_kg: number, water_kg: number, pulp_kg: number): number {
  const second_kg = water_kg * SECOND_WATER;
  const first = Math.min(pulp_kg / Math.max(all_kg - second_kg, 1e-9), 1);
  return first * (pulp_kg / Math.max(pulp_kg + second_kg, 1e-9));
}

/** Even dry fruit gives this much of it. A guess. */
const LEAST_SHARE = 0.1;

/** Water a fruit is usually simmered with, kg a kg. */
export const waterForJuice = (ingredient: Ingredient): number => figuresOf(ingredient).water_kg;

/**
 * Prepared fruit and water that some juice wants: "5 cups of grape juice want about 3 1/2 lb and 1 cup".
 *
 * @param juice_kg wanted
 */
export function fruitForJuice(
  ingredient: Ingredient,
  juice_kg: number,
  method: JuiceMethod = 'drip',
): { readonly fruit_kg: Range; readonly water_kg: number } {
  const water = waterForJuice(ingredient);
  const one = juiceOf(
    [{ ingredient, mass_kg: { low: 1, mid: 1, high: 1 } }],
    water,
    method,
  ).juice_kg;
  return {
    fruit_kg: { low: juice_kg / one.high, mid: juice_kg / one.mid, high: juice_kg / one.low },
    water_kg: (juice_kg / one.mid) * water,
  };
}

/** Millilitres some juice takes up, by what is dissolved in it. */
export const juiceVolume_ml = (ingredient: Ingredient, juice_kg: number, dilution = 1): number => {
  const solids = compositionOf(ingredient, 'juice').soluble.mid * dilution;
  // 0.4 % denser a per cent of solids: ICUMSA at low concentrations.
  return (juice_kg / (0.998 + 0.4 * solids)) * 1000;
};

/** Of cups of whole berries so many are left when they are mashed. Common practice: 8 give 6 to 6 1/2. */
export const MASHED_CUPS: Range = { low: 0.74, mid: 0.78, high: 0.82 };
