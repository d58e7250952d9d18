import { propagate, within, type Range } from '../range/index.js';
import { unitById, type Amount } from '../quantity/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import type { Form, Ingredient } from './ingredient.js';

export interface Composition {
  /** Mass fraction, 0 to 1. */
  readonly soluble: Range;
  /** Mass fraction, 0 to 1. */
  readonly insoluble: Range;
  readonly invertShare: number;
}

export type MassReading =
  | {
      readonly ok: true;
      readonly mass_kg: Range;
      readonly caution?: { readonly code: string; readonly text: string };
    }
  | { readonly ok: false; readonly message: string };

/** Doubt of one measurement, as a share of it, 5-95 %. Common practice; a cup of fruit settles by how it was filled. */
const DOUBT = {
  weighed: 0.01,
  liquid: 0.02,
  dry: 0.035,
  fruit: 0.08,
  guessedCup: 0.15,
  aboutPieces: 0.1,
} as const;

/** Grams in a US cup of fruit whose own figure for that form is not in the table. Common practice, no source. */
const USUAL_CUP: Readonly<Partial<Record<Form, number>>> = {
  whole: 145, hulled: 150, pitted: 165, 'peeled-cored': 140, chopped: 155, sliced: 150, crushed: 234, puree: 242, grated: 160,
  frozen: 150, stored: 150, drained: 170, 'as-bought': 145,
}; // prettier-ignore

const CUP_ML = unitById('cup').si;
const percent = (range: Range, factor = 1): Range => ({
  low: (range.low * factor) / 100,
  mid: (range.mid * factor) / 100,
  high: (range.high * factor) / 100,
});

/**
 * What an ingredient brings in a form, as mass fractions.
 *
 * Juice carries its fruit's soluble solids and nearly none of the rest; juice won by simmering with water is weaker,
 * hence the wide low side. As bought and frozen fruit is taken as the prepared fruit it becomes.
 */
export function compositionOf(ingredient: Ingredient, form: Form): Composition {
  const { solubleSolidsPercent: soluble, insolubleSolidsPercent: insoluble, invertShare } = ingredient;
  if (form === 'juice' && ingredient.category === 'fruit') {
    const free = 1 / (1 - insoluble.mid / 100);
    return {
      soluble: {
        low: (soluble.low * free * 0.8) / 100,
        mid: (soluble.mid * free * 0.95) / 100,
        high: (soluble.high * free) / 100,
      },
      insoluble: { low: 0, mid: 0.002, high: 0.005 },
      invertShare,
    };
  }
  return { soluble: percent(soluble), insoluble: percent(insoluble), invertShare };
}

function gramsPerCup(
  ingredient: Ingredient,
  form: Form,
  packed: boolean,
): { grams: number; doubt: number } | undefined {
  if (packed && ingredient.gramsPerPackedCup !== undefined)
    return { grams: ingredient.gramsPerPackedCup, doubt: DOUBT.dry };
  const known = ingredient.gramsPerCup[form];
  if (known !== undefined)
    return {
      grams: known,
      doubt: ingredient.liquid ? DOUBT.liquid : ingredient.category === 'fruit' ? DOUBT.fruit : DOUBT.dry,
    };
  if (form === 'juice')
    return {
      grams: (syrupDensity_kgPerM3(compositionOf(ingredient, form).soluble.mid, 20) * CUP_ML) / 1000,
      doubt: DOUBT.liquid,
    };
  const usual = USUAL_CUP[form];
  return usual !== undefined && ingredient.category === 'fruit'
    ? { grams: usual, doubt: DOUBT.guessedCup }
    : undefined;
}

/** Forms with figures for this ingredient. */
export function knownForms(ingredient: Ingredient): Form[] {
  const own = Object.keys(ingredient.gramsPerCup) as Form[];
  return ingredient.category === 'fruit'
    ? [...new Set<Form>([...own, ...(Object.keys(USUAL_CUP) as Form[]), 'juice'])]
    : [...new Set<Form>([ingredient.usualForm, ...own])];
}

/**
 * The mass that goes into the pot for an amount of an ingredient in a form. A weight is taken in the form named;
 * `as-bought` loses its waste.
 *
 * @returns kilograms of prepared ingredient with the doubt of the measuring, or what could not be worked out
 */
export function massOf(amount: Amount, ingredient: Ingredient, form: Form): MassReading {
  const name = ingredient.name[1];
  if (!knownForms(ingredient).includes(form)) {
    return {
      ok: false,
      message: `no figures for ${name} in the form "${form}"; write one of ${knownForms(ingredient).join(', ')}`,
    };
  }
  const waste = form === 'as-bought' ? ingredient.wastePercent : undefined;
  const prepared = (mass_kg: Range): Range =>
    waste === undefined
      ? mass_kg
      : (propagate([mass_kg, waste], ([mass = 0, lost = 0]) => [mass * (1 - lost / 100)])[0] ?? mass_kg);
  const pieces = (grams: Range | undefined, what: string): MassReading => {
    if (!grams)
      return {
        ok: false,
        message: `${name} cannot be counted in ${what}; write a weight or a volume, such as "50 g" or "2 tbsp"`,
      };
    const doubt = amount.approximate ? DOUBT.aboutPieces : 0;
    const scale = (range: Range): Range => ({
      low: (range.low * amount.value * (1 - doubt)) / 1000,
      mid: (range.mid * amount.value) / 1000,
      high: (range.high * amount.value * (1 + doubt)) / 1000,
    });
    return { ok: true, mass_kg: scale(grams) };
  };
  switch (amount.unit.kind) {
    case 'mass': {
      const mass_kg = prepared(within(amount.value * amount.unit.si, DOUBT.weighed));
      if (amount.unit.id === 'oz' && ingredient.liquid) {
        return {
          ok: true,
          mass_kg,
          caution: {
            code: 'oz-is-weight',
            text: `${amount.value} oz of ${name} is taken by weight; write "fl oz" if you meant a measuring jug`,
          },
        };
      }
      return { ok: true, mass_kg };
    }
    case 'volume':
    case 'pinch': {
      const cup = gramsPerCup(ingredient, form, amount.packed);
      if (!cup)
        return { ok: false, message: `no figure for a cup of ${name}; write a weight, such as "50 g"` };
      const doubt = amount.unit.kind === 'pinch' ? 0.5 : cup.doubt;
      return {
        ok: true,
        mass_kg: prepared(within((amount.value * amount.unit.si * cup.grams) / CUP_ML / 1000, doubt)),
      };
    }
    case 'piece':
      return pieces(ingredient.gramsEach, 'pieces');
    case 'container':
      return amount.unit.id === 'box'
        ? pieces(ingredient.gramsPerBox, 'boxes')
        : pieces(ingredient.gramsPerPouch, 'pouches');
  }
}
