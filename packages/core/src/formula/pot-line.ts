import type { Range } from '../range/index.js';
import { unitById, type Amount } from '../quantity/index.js';
import {
  compositionOf,
  FORMS,
  massOf,
  readName,
  type Composition,
  type Form,
  type Ingredient,
} from '../produce/index.js';
import { isObject, quoted, type Json, type Reader } from './reader.js';

/** One understood line: what goes into the pot. */
export interface PotLine {
  /** Position in the document's `lines`. */
  readonly index: number;
  readonly label: string;
  readonly ingredient: Ingredient | undefined;
  readonly form: Form;
  readonly amount: Amount;
  readonly mass_kg: Range;
  readonly composition: Composition;
}

/** More than a household puts in one pot, kg; a larger amount is taken for a slip. Common practice. */
export const MOST_IN_A_LINE_KG = 100;

/** One line of the document as what goes into the pot, or undefined with its problems noted. */
export function readLine(reader: Reader, index: number, value: unknown): PotLine | undefined {
  const path = `lines[${index}]`;
  if (!isObject(value)) {
    reader.problem(path, `${quoted(value)}: a line is { "ingredient", "amount" }`);
    return undefined;
  }
  const amount = reader.amount(`${path}.amount`, value.amount);
  const own = value.ingredient === undefined && value.name !== undefined;
  const named = own ? readOwnIngredient(reader, path, value) : readKnownIngredient(reader, path, value);
  if (!amount || !named) return undefined;
  const { ingredient, form } = named;
  const mass = massOf(amount, ingredient, form);
  if (!mass.ok) {
    reader.problem(`${path}.amount`, mass.message);
    return undefined;
  }
  if (mass.caution) reader.warnings.push({ code: mass.caution.code, text: mass.caution.text });
  if (mass.mass_kg.mid > MOST_IN_A_LINE_KG) {
    reader.problem(
      `${path}.amount`,
      `${quoted(value.amount)} is ${Math.round(mass.mass_kg.mid)} kg of ${ingredient.name[1]}, more than any kitchen boils at once; write at most ${MOST_IN_A_LINE_KG} kg`,
    );
    return undefined;
  }
  let composition = compositionOf(ingredient, form);
  if (isObject(value.overrides) && value.overrides.solubleSolidsPercent !== undefined) {
    const measured = reader.percent(
      `${path}.overrides.solubleSolidsPercent`,
      value.overrides.solubleSolidsPercent,
      0,
      100,
    );
    // A kitchen refractometer reads to about half a degree Brix. Common practice.
    if (measured !== undefined)
      composition = {
        ...composition,
        soluble: {
          low: Math.max(measured - 0.5, 0) / 100,
          mid: measured / 100,
          high: Math.min(measured + 0.5, 100) / 100,
        },
      };
  }
  return { index, label: ingredient.name[1], ingredient, form, amount, mass_kg: mass.mass_kg, composition };
}

function readKnownIngredient(
  reader: Reader,
  path: string,
  value: Json,
): { ingredient: Ingredient; form: Form } | undefined {
  if (typeof value.ingredient !== 'string') {
    reader.problem(`${path}.ingredient`, `${quoted(value.ingredient)}: write a fruit, sugar, acid or water`);
    return undefined;
  }
  const reading = readName(value.ingredient.replaceAll('-', ' '));
  if (!reading.ok) {
    reader.problem(`${path}.ingredient`, reading.message);
    return undefined;
  }
  if (value.form === undefined) return reading;
  const before = reader.problems.length;
  const form = reader.oneOf(`${path}.form`, value.form, FORMS, reading.form);
  return reader.problems.length > before ? undefined : { ingredient: reading.ingredient, form };
}

function readOwnIngredient(
  reader: Reader,
  path: string,
  value: Json,
): { ingredient: Ingredient; form: Form } | undefined {
  const name =
    typeof value.name === 'string' && value.name.trim() !== ''
      ? value.name.trim().slice(0, 80)
      : 'own ingredient';
  const given = isObject(value.composition) ? value.composition : {};
  const soluble = reader.percent(
    `${path}.composition.solubleSolidsPercent`,
    given.solubleSolidsPercent,
    0,
    100,
  );
  if (soluble === undefined) return undefined;
  const insoluble = typeof given.insolubleSolidsPercent === 'number' ? given.insolubleSolidsPercent : 0;
  const density =
    typeof given.densityKgPerM3 === 'number' && given.densityKgPerM3 >= 50 && given.densityKgPerM3 <= 2500
      ? given.densityKgPerM3
      : undefined;
  const source = 'given in the document';
  const spread = (mid: number): { low: number; mid: number; high: number; source: string } => ({
    low: mid * 0.9,
    mid,
    high: Math.min(mid * 1.1, 100),
    source,
  });
  return {
    form: 'whole',
    ingredient: {
      id: 'own', name: [name, name], synonyms: [], category: 'extra', usualForm: 'whole', liquid: false, invertShare: 0.8,
      solubleSolidsPercent: spread(soluble), insolubleSolidsPercent: spread(insoluble),
      gramsPerCup: density === undefined ? {} : { whole: (density * unitById('cup').si) / 1e6 },
    },
  }; // prettier-ignore
}
