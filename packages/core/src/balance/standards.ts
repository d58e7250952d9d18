import { asMadeOf, type Kind, type PotFormula } from '../formula/index.js';
import { isProduce } from '../produce/index.js';
import type { PreparedPot } from './prepare.js';

/** Whether a pot meets a composition standard. */
export interface StandardCheck {
  readonly id: string;
  readonly met: boolean;
  readonly text: string;
  readonly source: string;
}

const US = 'US 21 CFR 150, from memory';
const EU = 'EU directive 2001/113/EC as amended in 2024, from memory';

/**
 * Kilograms of what counts as fruit in a pot, vegetables and juices too, or of some of it.
 * @param only ids of what counts
 */
export function fruitMass_kg(
  { lines }: Pick<PotFormula, 'lines'>,
  only?: ReadonlySet<string>,
): number {
  return lines.reduce(
    (sum, { ingredient, mass_kg }) =>
      sum +
      ((isProduce(ingredient) || ingredient.category === 'juice') &&
      (!only || only.has(ingredient.id))
        ? mass_kg.mid
        : 0),
    0,
  );
}

const CITRUS = new Set([
  'lemon',
  'lime',
  'orange',
  'bitter-orange',
  'grapefruit',
  'mandarin',
  'kumquat',
  'orange-juice',
]);
/** Fruits of the 45 : 55 group; the others stand at 47 : 55. 21 CFR 150.160, from memory. */
const GROUP_45 = new Set([
  'blackberry',
  'blackcurrant',
  'blueberry',
  'bilberry',
  'cherry',
  'sour-cherry',
  'elderberry',
  'grape',
  'slip-skin-grape',
  'grapefruit',
  'orange',
  'bitter-orange',
  'pineapple',
  'plum',
  'damson',
  'raspberry',
  'redcurrant',
  'rhubarb',
  'strawberry',
  'crab-apple',
  'cranberry',
  'tomato',
  'lemon',
  'lime',
]);

/** What the standards ask about a pan. */
interface Composition {
  readonly formula: PotFormula;
  /** Kilograms of fruit to one of sweetener; infinite without sweetener. */
  readonly fruitToSweetener: number;
  /** Soluble solids in whole per cents: told in them, so met in them. */
  readonly solids: number;
  /** Grams of an amount in a kilogram of the finished spread. */
  readonly perKg_g: (mass_kg: number) => number;
}

/** One composition standard: the kinds it is for, and whether it is met. */
interface Standard {
  readonly id: string;
  readonly kinds: readonly Kind[];
  readonly source: string;
  readonly check: (composition: Composition) => Pick<StandardCheck, 'met' | 'text'>;
}

const ROUNDING = 1e-6;
const ratioText = (ratio: number): string =>
  Number.isFinite(ratio) ? `${(ratio * 55).toFixed(0)} : 55` : 'no sweetener';

/** Parts of fruit to 55 of sweetener that the US standard asks for. */
function leastFruitParts({ kind, lines }: PotFormula): number {
  const first = lines
    .filter(({ ingredient }) => isProduce(ingredient))
    .toSorted((a, b) => b.mass_kg.mid - a.mass_kg.mid)[0];
  return kind === 'jelly' || (first && GROUP_45.has(first.ingredient.id)) ? 45 : 47;
}

function usSpread({ formula, fruitToSweetener, solids }: Composition) {
  const parts = leastFruitParts(formula);
  return {
    met: fruitToSweetener * 55 > parts - ROUNDING && solids >= 65,
    text: `fruit to sweetener ${ratioText(fruitToSweetener)} (at least ${parts} : 55), ${solids.toFixed(0)} % soluble solids (at least 65)`,
  };
}

function euSpread({ formula, solids, perKg_g }: Composition) {
  const grams = perKg_g(fruitMass_kg(formula));
  return {
    met: grams >= 450 && solids >= 60,
    text: `${grams.toFixed(0)} g fruit a kilogram (at least 450; 500 for extra), ${solids.toFixed(0)} % soluble solids (at least 60)`,
  };
}

const STANDARDS: readonly Standard[] = [
  { id: 'us-jam', kinds: ['jam', 'conserve'], source: US, check: usSpread },
  { id: 'us-jelly', kinds: ['jelly'], source: US, check: usSpread },
  { id: 'eu-jam', kinds: ['jam', 'conserve'], source: EU, check: euSpread },
  { id: 'eu-jelly', kinds: ['jelly'], source: EU, check: euSpread },
  {
    id: 'eu-extra-jam',
    kinds: ['jam', 'conserve'],
    source: EU,
    check: ({ formula, solids, perKg_g }) => {
      const grams = perKg_g(fruitMass_kg(formula));
      return {
        met: grams >= 500 && solids >= 60,
        text: `${grams.toFixed(0)} g fruit a kilogram (at least 500)`,
      };
    },
  },
  {
    id: 'eu-marmalade',
    kinds: ['marmalade'],
    source: EU,
    check: ({ formula, solids, perKg_g }) => {
      const grams = perKg_g(fruitMass_kg(formula, CITRUS));
      return {
        met: grams >= 200 && solids >= 60,
        text: `${grams.toFixed(0)} g citrus a kilogram (at least 200), ${solids.toFixed(0)} % soluble solids (at least 60)`,
      };
    },
  },
  {
    id: 'us-fruit-butter',
    kinds: ['fruit-butter'],
    source: US,
    check: ({ fruitToSweetener: ratio, solids }) => ({
      met: solids >= 43 && ratio >= 5 / 2,
      text: `${solids.toFixed(0)} % soluble solids (at least 43), fruit to sweetener ${Number.isFinite(ratio) ? `${ratio.toFixed(1)} : 1 (at least 2.5)` : 'no sweetener'}`,
    }),
  },
];

/**
 * The composition standards a name promises, for the kinds that have one. They bind those who sell;
 * to a household they say whether the jar is what its label calls it.
 */
export function standardsOf({ formula: written, contents, outcome }: PreparedPot): StandardCheck[] {
  if (!(contents.mass > 0)) return [];
  const formula = asMadeOf(written);
  const sweetener = formula.lines.reduce(
    (sum, line) => sum + (line.ingredient.category === 'sweetener' ? line.mass_kg.mid : 0),
    0,
  );
  const composition: Composition = {
    formula,
    fruitToSweetener: sweetener > 0 ? fruitMass_kg(formula) / sweetener : Infinity,
    solids: Math.round(outcome.solids),
    perKg_g: (mass_kg) => (mass_kg / outcome.finished) * 1000,
  };
  return STANDARDS.filter(({ kinds }) => kinds.includes(formula.kind)).map(
    ({ id, source, check }) => ({ id, source, ...check(composition) }),
  );
}
