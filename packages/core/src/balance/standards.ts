import type { PotFormula } from '../formula/index.js';
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

/**
 * The composition standards a name promises, for the kinds that have one. They bind those who sell;
 * to a household they say whether the jar is what its label calls it.
 */
export function standardsOf(pot: PreparedPot): StandardCheck[] {
  const { formula, contents, outcome } = pot;
  const { kind } = formula;
  const fruit = fruitMass_kg(formula);
  const sweetener = formula.lines.reduce(
    (sum, line) => sum + (line.ingredient.category === 'sweetener' ? line.mass_kg.mid : 0),
    0,
  );
  // Told in whole per cents, so met in whole per cents.
  const solids = Math.round(outcome.solids);
  const perKg = (mass: number): number => (mass / outcome.finished) * 1000;
  const checks: StandardCheck[] = [];
  const check = (id: string, met: boolean, text: string, source: string): void => {
    checks.push({ id, met, text, source });
  };
  const ratio = sweetener > 0 ? fruit / sweetener : Infinity;
  const told = (value: number): string =>
    Number.isFinite(value) ? `${(value * 55).toFixed(0)} : 55` : 'no sweetener';
  if (kind === 'jam' || kind === 'jelly' || kind === 'conserve') {
    const first = formula.lines
      .filter(({ ingredient }) => isProduce(ingredient))
      .toSorted((a, b) => b.mass_kg.mid - a.mass_kg.mid)[0];
    const share = kind === 'jelly' || (first && GROUP_45.has(first.ingredient.id)) ? 45 : 47;
    check(
      `us-${kind === 'jelly' ? 'jelly' : 'jam'}`,
      ratio * 55 > share - 1e-6 && solids >= 65,
      `fruit to sweetener ${told(ratio)} (at least ${share} : 55), ${solids.toFixed(0)} % soluble solids (at least 65)`,
      US,
    );
    const grams = perKg(fruit);
    check(
      kind === 'jelly' ? 'eu-jelly' : 'eu-jam',
      grams >= 450 && solids >= 60,
      `${grams.toFixed(0)} g fruit a kilogram (at least 450; 500 for extra), ${solids.toFixed(0)} % soluble solids (at least 60)`,
      EU,
    );
    if (kind !== 'jelly')
      check(
        'eu-extra-jam',
        grams >= 500 && solids >= 60,
        `${grams.toFixed(0)} g fruit a kilogram (at least 500)`,
        EU,
      );
  }
  if (kind === 'marmalade') {
    const grams = perKg(fruitMass_kg(formula, CITRUS));
    check(
      'eu-marmalade',
      grams >= 200 && solids >= 60,
      `${grams.toFixed(0)} g citrus a kilogram (at least 200), ${solids.toFixed(0)} % soluble solids (at least 60)`,
      EU,
    );
  }
  if (kind === 'fruit-butter') {
    const met = solids >= 43 && (sweetener === 0 || fruit / sweetener >= 5 / 2);
    check(
      'us-fruit-butter',
      met,
      `${solids.toFixed(0)} % soluble solids (at least 43), fruit to sweetener ${sweetener > 0 ? (fruit / sweetener).toFixed(1) : 'no sweetener'}${sweetener > 0 ? ' : 1 (at least 2.5)' : ''}`,
      US,
    );
  }
  return contents.mass > 0 ? checks : [];
}
