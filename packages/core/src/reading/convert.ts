import { findUnit, readAmount, unitById, type Unit } from '../quantity/index.js';
import { massOf, type Form, type Ingredient } from '../produce/index.js';
import type { Range } from '../range/index.js';
import { readName } from './read-name.js';

/** An amount of a food in another unit. */
export interface Conversion {
  readonly ingredient: Ingredient;
  readonly form: Form;
  readonly unit: Unit;
  /** In that unit; between units of one kind it is exact. */
  readonly value: Range;
  readonly mass_kg: Range;
  /** Grams in a US cup; undefined where no figure for a cup is known. */
  readonly cup_g: number | undefined;
}

export type ConversionReading =
  | { readonly ok: true; readonly conversion: Conversion }
  | {
      readonly ok: false;
      /** What is to be mended: the amount of a food, or the unit it is asked in. */
      readonly wrong: 'amount' | 'unit';
      readonly message: string;
    };

const no = (message: string, wrong: 'amount' | 'unit' = 'amount'): ConversionReading => ({
  ok: false,
  wrong,
  message,
});

/** How many `unit` of an ingredient weigh a kilogram; undefined where it cannot be measured so. */
function perKilogram(unit: Unit, one: ReturnType<typeof massOf>): number | undefined {
  if (unit.kind === 'mass') return 1 / unit.si;
  return one.ok ? 1 / one.mass_kg.mid : undefined;
}

/**
 * Reads an amount of a food, such as "8 cups blueberry whole", and writes it in another unit.
 *
 * @param to a unit of weight, volume, or "each"
 * @returns a message that says what is wrong and what would be right, where it cannot be converted
 */
export function convertAmount(text: string, to: string): ConversionReading {
  const amount = readAmount(text);
  if (!amount.ok) return no(amount.message);
  const named = readName(amount.rest);
  if (!named.ok) return no(named.message);
  const unit = findUnit(to);
  if (!unit)
    return no(`unknown unit "${to}"; write one such as g, kg, lb, ml, cup, tbsp or each`, 'unit');
  const { ingredient, form } = named;
  const mass = massOf(amount.amount, ingredient, form);
  if (!mass.ok) return no(mass.message);
  const oneOf = (each: Unit): ReturnType<typeof massOf> =>
    massOf({ value: 1, unit: each, approximate: false, packed: false }, ingredient, form);
  const one = oneOf(unit);
  const cup = oneOf(unitById('cup'));
  const per = perKilogram(unit, one);
  if (per === undefined) return no(one.ok ? 'it cannot be measured so' : one.message);
  const doubtOfUnit =
    one.ok && unit.kind !== 'mass' ? (one.mass_kg.high - one.mass_kg.low) / 2 / one.mass_kg.mid : 0;
  const { low, mid, high } = mass.mass_kg;
  const isSameKind = unit.kind === amount.amount.unit.kind;
  const value =
    isSameKind && unit.kind === 'volume'
      ? (amount.amount.value * amount.amount.unit.si) / unit.si
      : mid * per;
  const down = isSameKind ? 0 : Math.hypot((mid - low) / mid, doubtOfUnit);
  const up = isSameKind ? 0 : Math.hypot((high - mid) / mid, doubtOfUnit);
  return {
    ok: true,
    conversion: {
      ingredient,
      form,
      unit,
      value: { low: value * (1 - down), mid: value, high: value * (1 + up) },
      mass_kg: mass.mass_kg,
      cup_g: cup.ok ? cup.mass_kg.mid * 1000 : undefined,
    },
  };
}
