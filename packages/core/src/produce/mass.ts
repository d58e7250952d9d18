import { propagate, times, type Range } from '../range/index.js';
import { unitById, type Amount } from '../quantity/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import { gramsPerBasket, gramsPerPart, SIZE_FACTORS } from './household-measures.js';
import type { AcidShares, Form, Ingredient, Ripeness } from './ingredient.js';

/** What an ingredient brings, as mass fractions unless said otherwise. */
export interface Composition {
  readonly soluble: Range;
  readonly insoluble: Range;
  readonly invertShare: number;
  /** Titratable acidity as citric, per cent; pH; and the mixture of acids. */
  readonly acidity?: {
    readonly titratablePercent: Range;
    readonly pH: Range;
    readonly shares: AcidShares;
  };
  /** Natural pectin that takes part in a gel. */
  readonly pectin: Range;
  /** Added pectin at 150 grade. */
  readonly added?: { readonly type: 'high-methoxyl' | 'low-methoxyl'; readonly share: Range };
  /** Calcium free to join a gel. */
  readonly freeCalcium_mgPerKg: number;
  /** Oxalic acid, mass fraction. */
  readonly oxalate: number;
  /** Moles of carboxyl in a kilogram, of egg and milk protein. */
  readonly protein_molPerKg: number;
  readonly alkali_eqPerKg: Range;
}

export type MassReading =
  | {
      readonly ok: true;
      readonly mass_kg: Range;
      readonly caution?: { readonly code: 'oz-is-weight'; readonly text: string };
    }
  | { readonly ok: false; readonly message: string };

type Doubt = readonly [less: number, more: number];
const both = (share: number): Doubt => [share, share];

/**
 * Doubt of one measurement, as a share of it downward and upward, 5-95 %. Common practice. A cup of
 * whole berries weighs what the food tables print when loosely filled and up to a fifth more when
 * shaken down: 8 cups whole make 5 to 6 cups mashed.
 */
const DOUBT = {
  weighed: both(0.01),
  liquid: both(0.02),
  dry: both(0.035),
  fruit: both(0.08),
  wholeFruit: [0.06, 0.2],
  chopped: [0.12, 0.28],
  guessedCup: both(0.15),
  about: 0.1,
} as const;
/**
 * Fruit chopped for the pan is finer and wetter than the cubes of the food tables: a cup of it weighs so
 * much more. Common practice: six of nine published jams of chopped fruit came out short without it.
 */
const CHOPPED_FOR_THE_PAN = 1.1;
const LOOSE_FORMS: ReadonlySet<Form> = new Set(['whole', 'hulled', 'frozen', 'stored']);

/**
 * Grams in a US cup of fruit whose own figure for that form is not in the table. Common practice,
 * no source.
 */
const USUAL_CUP: Readonly<Partial<Record<Form, number>>> = {
  whole: 145,
  hulled: 150,
  pitted: 165,
  'peeled-cored': 140,
  chopped: 155,
  sliced: 150,
  crushed: 234,
  puree: 242,
  grated: 160,
  peel: 100,
  zest: 96,
  dried: 135,
  frozen: 150,
  stored: 150,
  drained: 170,
  'as-bought': 145,
};

const CUP_ML = unitById('cup').si;
const percent = (range: Range, factor = 1): Range => ({
  low: (range.low * factor) / 100,
  mid: (range.mid * factor) / 100,
  high: (range.high * factor) / 100,
});

/** Carboxyl groups in protein: about 1.15 mmol a gram with 0.15 of histidine. A guess. */
const CARBOXYL_MOL_PER_G = 0.0013;

/**
 * What ripeness does to pectin, acid and sugar, as factors. Pectin handbooks, typical, from memory.
 */
const BY_RIPENESS: Readonly<
  Record<Ripeness, { pectin: number; acid: number; sugar: number; pH: number }>
> = {
  'under-ripe': { pectin: 1.35, acid: 1.3, sugar: 0.92, pH: -0.3 },
  mixed: { pectin: 1.1, acid: 1.07, sugar: 0.98, pH: -0.08 },
  ripe: { pectin: 1, acid: 1, sugar: 1, pH: 0 },
  'over-ripe': { pectin: 0.6, acid: 0.8, sugar: 1.02, pH: 0.5 },
};

/** Pectin that comes out of simmered fruit into a strained juice, share of the fruit's. A guess. */
const PECTIN_INTO_JUICE = 0.65;
/**
 * Peel and zest of citrus: pectin and insoluble solids, per cent. Pectin handbooks, typical, from
 * memory.
 */
const CITRUS_PEEL = { pectin: 3.5, insoluble: 9, acid: 0.25 } as const;
const CITRUS = new Set([
  'lemon',
  'lime',
  'orange',
  'bitter-orange',
  'grapefruit',
  'mandarin',
  'kumquat',
]);
/**
 * Dried fruit keeps about a quarter of its weight as water. Food-composition tables, from memory.
 */
const DRIED_SOLIDS = 75;
/** Fruit from a winter store has lost some of its pectin. Common practice. */
const STORED_PECTIN = 0.8;

/** Share of a fruit's calcium that is free: much is bound to pectate and oxalate. A guess. */
const FREE_CALCIUM = 0.3;

const none: Range = { low: 0, mid: 0, high: 0 };
const between = (value: number, [less, more]: Doubt): Range => ({
  low: value * (1 - less),
  mid: value,
  high: value * (1 + more),
});

/**
 * What an ingredient brings in a form and at a ripeness.
 *
 * Juice carries its fruit's soluble solids and acid, two thirds of its pectin and nearly none of
 * the rest; juice won by simmering with water is weaker, hence the wide low side. Peel and zest of
 * citrus are rich in pectin. Dried fruit is the fruit with its water taken down to a quarter. As
 * bought and frozen fruit is taken as the prepared fruit it becomes. The high end of a pH is never
 * lowered by ripeness: a maker's eye does not make fruit more acid.
 */
export function compositionOf(
  ingredient: Ingredient,
  form: Form,
  ripeness: Ripeness = 'ripe',
): Composition {
  const { solubleSolidsPercent: soluble, insolubleSolidsPercent: insoluble, acidity } = ingredient;
  const ripe = BY_RIPENESS[ripeness];
  const grown = isProduce(ingredient);
  const peel = CITRUS.has(ingredient.id) && (form === 'zest' || form === 'peel');
  const juice = form === 'juice' && grown;
  const dry =
    form === 'dried' && ingredient.usualForm !== 'dried'
      ? DRIED_SOLIDS / (soluble.mid + insoluble.mid)
      : 1;
  const acidFactor = ripe.acid * dry * (peel ? CITRUS_PEEL.acid : 1);
  const ofJuice = juice ? ingredient.juicePectinPercent : undefined;
  const pectinOf = ofJuice ?? ingredient.pectinPercent;
  const natural = pectinOf ? times(pectinOf, 0.01) : none;
  const pectinFactor =
    ripe.pectin *
    dry *
    (juice && !ofJuice ? PECTIN_INTO_JUICE : 1) *
    (form === 'stored' ? STORED_PECTIN : 1);
  const free = 1 / (1 - insoluble.mid / 100);
  const insolubleSolids = peel
    ? percent({ low: 7, mid: CITRUS_PEEL.insoluble, high: 11 })
    : percent(insoluble, dry);
  return {
    soluble: juice
      ? {
          low: (soluble.low * free * 0.8 * ripe.sugar) / 100,
          mid: (soluble.mid * free * 0.95 * ripe.sugar) / 100,
          high: (soluble.high * free * ripe.sugar) / 100,
        }
      : percent(soluble, grown ? ripe.sugar * dry : 1),
    insoluble: juice ? { low: 0, mid: 0.002, high: 0.005 } : insolubleSolids,
    invertShare: ingredient.invertShare,
    ...(acidity && {
      acidity: {
        titratablePercent: times(acidity.titratablePercent, grown ? acidFactor : 1),
        pH: grown
          ? {
              low: acidity.pH.low,
              mid: Math.min(Math.max(acidity.pH.mid + ripe.pH, acidity.pH.low), acidity.pH.high),
              high: acidity.pH.high,
            }
          : acidity.pH,
        shares: acidity.shares,
      },
    }),
    pectin: peel
      ? { low: 0.025, mid: CITRUS_PEEL.pectin / 100, high: 0.045 }
      : times(natural, grown ? pectinFactor : 1),
    ...(ingredient.pectinProduct && {
      added: {
        type: ingredient.pectinProduct.type,
        share: percent(ingredient.pectinProduct.percent),
      },
    }),
    freeCalcium_mgPerKg:
      ingredient.calcium_mg * 10 * dry * (juice ? 0.5 : 1) * (grown ? FREE_CALCIUM : 1),
    oxalate: ((ingredient.oxalatePercent ?? 0) / 100) * (juice ? 0.5 : 1),
    protein_molPerKg: (ingredient.proteinPercent ?? 0) * 10 * CARBOXYL_MOL_PER_G,
    alkali_eqPerKg: ingredient.alkali_eqPerKg ?? none,
  };
}

const isChoppedFruit = ({ category, usualForm }: Ingredient, form: Form): boolean =>
  // What is always chopped, as rhubarb, has the figure of a kitchen's cup in the table.
  category === 'fruit' && form === 'chopped' && usualForm !== 'dried' && usualForm !== 'chopped';

/** How far a cup or spoon of it may be off. */
function measureDoubt(ingredient: Ingredient, form: Form): Doubt {
  if (ingredient.liquid) return DOUBT.liquid;
  if (!isProduce(ingredient)) return DOUBT.dry;
  if (isChoppedFruit(ingredient, form)) return DOUBT.chopped;
  return LOOSE_FORMS.has(form) ? DOUBT.wholeFruit : DOUBT.fruit;
}

function gramsPerCup(
  ingredient: Ingredient,
  form: Form,
  packed: boolean,
): { grams: number; doubt: Doubt } | undefined {
  if (packed && ingredient.gramsPerPackedCup !== undefined)
    return { grams: ingredient.gramsPerPackedCup, doubt: DOUBT.dry };
  const known = ingredient.gramsPerCup[form];
  if (known !== undefined)
    return {
      grams: isChoppedFruit(ingredient, form) ? known * CHOPPED_FOR_THE_PAN : known,
      doubt: measureDoubt(ingredient, form),
    };
  if (form === 'juice')
    return {
      grams:
        (syrupDensity_kgPerM3(compositionOf(ingredient, form).soluble.mid, 20) * CUP_ML) / 1000,
      doubt: DOUBT.liquid,
    };
  const usual = USUAL_CUP[form];
  return usual !== undefined && isProduce(ingredient)
    ? { grams: usual, doubt: DOUBT.guessedCup }
    : undefined;
}

/** Fruit and vegetables: what has forms, ripeness and waste. */
export const isProduce = ({ category }: Ingredient): boolean =>
  category === 'fruit' || category === 'vegetable';

/** Forms with figures for this ingredient. */
export function knownForms(ingredient: Ingredient): Form[] {
  const own = Object.keys(ingredient.gramsPerCup) as Form[];
  return isProduce(ingredient)
    ? [...new Set<Form>([...own, ...(Object.keys(USUAL_CUP) as Form[]), 'juice'])]
    : [...new Set<Form>([ingredient.usualForm, ...own])];
}

/** What one fruit gives of its juice, zest or peel, share of its prepared weight. Common practice. */
const PART_OF_A_PIECE: Readonly<Partial<Record<Form, number>>> = {
  juice: 0.47,
  zest: 0.05,
  peel: 0.25,
};
const CONTAINER_EXAMPLE = 'such as "1 can (400 g)" or "2 (12 oz) bags"';

/** An amount's own ends, as shares of its middle: a range that was written, "about", "heaped". */
function writtenDoubt(amount: Amount): Doubt {
  const about = amount.approximate ? DOUBT.about : 0;
  const [least, most] = amount.between ?? [amount.value, amount.value];
  return [1 - least / amount.value + about, most / amount.value - 1 + about];
}

/** The doubt of a measure with that of the amount: their ends, not their squares, are added. */
const widened = (range: Range, [less, more]: Doubt): Range => ({
  low: range.low * Math.max(1 - less, 0),
  mid: range.mid,
  high: range.high * (1 + more),
});

type Grams =
  { readonly ok: true; readonly grams: Range } | { readonly ok: false; readonly message: string };

/** Grams of one unit of an ingredient in a form, with the doubt of measuring it. */
function gramsOfOne(amount: Amount, ingredient: Ingredient, form: Form): Grams {
  const { unit } = amount;
  const name = ingredient.name[1];
  const missing = (message: string): Grams => ({ ok: false, message });
  switch (unit.kind) {
    case 'mass':
      return { ok: true, grams: between(unit.si * 1000, DOUBT.weighed) };
    case 'volume':
    case 'pinch': {
      const basket = gramsPerBasket(ingredient, unit.id);
      if (basket) return { ok: true, grams: basket };
      const cup = gramsPerCup(ingredient, form, amount.packed);
      if (!cup) return missing(`no figure for a cup of ${name}; write a weight, such as "50 g"`);
      const doubt = unit.kind === 'pinch' ? both(0.5) : cup.doubt;
      return { ok: true, grams: between((unit.si * cup.grams) / CUP_ML, doubt) };
    }
    case 'piece': {
      const each = ingredient.gramsEach;
      if (!each)
        return missing(
          `${name} cannot be counted in pieces; write a weight or a volume, such as "50 g" or "2 tbsp"`,
        );
      const part = isProduce(ingredient) ? (PART_OF_A_PIECE[form] ?? 1) : 1;
      return { ok: true, grams: times(each, part * SIZE_FACTORS[amount.size ?? 'medium']) };
    }
    case 'pack':
    case 'part': {
      const one = gramsPerPart(ingredient, unit.id);
      if (one) return { ok: true, grams: times(one, SIZE_FACTORS[amount.size ?? 'medium']) };
      return missing(
        unit.kind === 'pack'
          ? `how much is in one ${unit.name[0]} of ${name}? Write it, ${CONTAINER_EXAMPLE}`
          : `${name} cannot be counted in ${unit.name[1]}; write a weight, such as "50 g"`,
      );
    }
  }
}

/**
 * The mass that goes into the pot for an amount of an ingredient in a form. A weight is taken in
 * the form named; `as-bought` loses its waste. A range keeps its ends.
 *
 * @returns kilograms of prepared ingredient with the doubt of the measuring, or what could not be
 * worked out
 */
export function massOf(amount: Amount, ingredient: Ingredient, form: Form): MassReading {
  const name = ingredient.name[1];
  if (!knownForms(ingredient).includes(form)) {
    return {
      ok: false,
      message: `no figures for ${name} in the form "${form}"; write one of ${knownForms(ingredient).join(', ')}`,
    };
  }
  const one = gramsOfOne(amount, ingredient, form);
  if (!one.ok) return one;
  const measured = widened(times(one.grams, amount.value / 1000), writtenDoubt(amount));
  // A bushel is measured as it is bought, whatever is done to it then.
  const isAsBought =
    form === 'as-bought' || gramsPerBasket(ingredient, amount.unit.id) !== undefined;
  const waste = isAsBought ? ingredient.wastePercent : undefined;
  const mass_kg =
    waste === undefined || amount.unit.kind === 'piece'
      ? measured
      : (propagate([measured, waste], ([mass = 0, lost = 0]) => [mass * (1 - lost / 100)])[0] ??
        measured);
  return amount.unit.id === 'oz' && ingredient.liquid
    ? {
        ok: true,
        mass_kg,
        caution: {
          code: 'oz-is-weight',
          text: `${amount.value} oz of ${name} is taken by weight; write "fl oz" if you meant a measuring jug`,
        },
      }
    : { ok: true, mass_kg };
}
