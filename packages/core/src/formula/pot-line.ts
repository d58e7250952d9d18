import { times, within, type Range, type Sourced } from '../range/index.js';
import { unitById, type Amount, cutText } from '../quantity/index.js';
import {
  compositionOf,
  FORMS,
  ingredientById,
  isProduce,
  massOf,
  namesOf,
  RIPENESS,
  type Ripeness,
  varietyOf,
  withProfile,
  withVariety,
  withWeighings,
  type Composition,
  type Form,
  type Ingredient,
} from '../produce/index.js';
import { readName, stricterKind } from '../reading/index.js';
import { GIVES, MAIN_ACIDS, ADD_WHEN, type MainAcid, type AddWhen } from './document.js';
import { FORMULA_FIELDS } from './fields.js';
import {
  resolveRatio,
  type Ratio,
  type RatioContext,
  type RatioProblem,
  type ResolvedRatio,
} from './ratio.js';
import { isObject, quoted, type Json, type Reader } from './reader.js';
import type { Kitchen } from './kitchen.js';

/** One understood line: what goes into the pot. */
export interface PotLine {
  /** Position in the document's `lines`. */
  readonly index: number;
  readonly label: string;
  /** An id of the table, or "own". */
  readonly ingredient: Ingredient;
  readonly form: Form;
  readonly amount: Amount;
  /** Only its strained juice goes into the pot. */
  readonly givesJuice?: boolean;
  /** The fruit its juice is of, kg. */
  readonly fruit_kg?: Range;
  /** The amount follows from others. */
  readonly isRatio?: boolean;
  readonly mass_kg: Range;
  /** With what the maker measured. */
  readonly composition: Composition;
  /** By the table alone; what keeping goes by wherever it is the worse. */
  readonly byTable: Composition;
  readonly ripeness: Ripeness;
  /** When the maker puts it in, where the document says so. */
  readonly goesIn?: AddWhen;
  /** The stage of the cook at whose start it goes in, 1 and up. */
  readonly stage: number;
  /** The line's second amount, kg. */
  readonly alsoStated_kg?: Range;
  /** Of a spread that is cooked again: what so much of it was made of. Storage goes by that. */
  readonly madeOf?: readonly PotLine[];
}

/** An ingredient of the maker's own, not in the table. */
export const OWN_INGREDIENT = 'own';

/**
 * More than a household puts in one pot, kg; a larger amount is taken for a slip. Common practice.
 */
export const MOST_IN_A_LINE_KG = 100;

/** Canned fruit whose acid is published for the can too: FDA, pineapple 3.4-4.1, from memory. */
const ACID_IN_THE_CAN: ReadonlySet<string> = new Set(['pineapple']);

/**
 * Fruit drained from a can or jar left acid in its liquid, nobody knows how much: it is on no acid
 * list.
 */
const asKept = (ingredient: Ingredient, form: Form): Ingredient =>
  form === 'drained' && ingredient.category === 'fruit' && !ACID_IN_THE_CAN.has(ingredient.id)
    ? { ...ingredient, acidClass: 'low-acid' }
    : ingredient;

/** An amount that follows from other lines, and those lines. */
export interface RatioLine {
  readonly ratio: Ratio;
  readonly context: RatioContext;
}

/** Why a ratio waits, and what to write. */
const RATIO_PROBLEMS: Readonly<Record<RatioProblem, string>> = {
  'to-taste': 'to taste: log how much went in at the end of the boil, or write an amount',
  'no-base': 'it is a share of fruit or juice, and there is none with an amount',
  'measure-mixture': 'measure the mixture after its night and write it, such as "18 cups"',
  'no-weight': 'this share cannot be worked out by volume; write one by weight',
};

/** The amount of a line and what it weighs, written or following from others. */
function amountAndMass(
  reader: Reader,
  path: string,
  value: Json,
  ingredient: Ingredient,
  form: Form,
  ratioLine: RatioLine | undefined,
): ResolvedRatio | undefined {
  if (ratioLine) {
    const resolved = resolveRatio(ratioLine.ratio, ingredient, form, ratioLine.context);
    if (typeof resolved !== 'string') return resolved;
    reader.problem(path, `${quoted(value.amount)}: ${RATIO_PROBLEMS[resolved]}`);
    return undefined;
  }
  const amount = reader.amount(path, value.amount);
  if (!amount) return undefined;
  const mass = massOf(amount, ingredient, form);
  if (!mass.ok) {
    reader.problem(path, mass.message);
    return undefined;
  }
  if (mass.caution) reader.warnings.push({ code: mass.caution.code, text: mass.caution.text });
  return { amount, mass_kg: mass.mass_kg };
}

/** One line of the document as what goes into the pot, or undefined with its problems noted. */
export function readLine(
  reader: Reader,
  index: number,
  value: unknown,
  { pectins = [], prepared = [] }: Pick<Kitchen, 'pectins' | 'prepared'> = {},
  ratioLine?: RatioLine,
  path = `lines[${index}]`,
): PotLine | undefined {
  if (!isObject(value)) {
    reader.problem(path, `${quoted(value)}: a line is { "ingredient", "amount" }`);
    return undefined;
  }
  const own = value.ingredient === undefined && value.name !== undefined;
  const named = own
    ? readOwnIngredient(reader, path, value)
    : readKnownIngredient(reader, path, value);
  if (!named) {
    // What is wrong with its amount is said as well.
    if (!ratioLine) reader.amount(`${path}.amount`, value.amount);
    return undefined;
  }
  const { form } = named;
  const variety = typeof value.variety === 'string' ? value.variety : named.variety;
  const stricter =
    variety === undefined ? named.ingredient : stricterKind(named.ingredient, variety);
  const kind = asKept(stricter, form);
  const profile = pectins.find((each) => each.ingredient === kind.id);
  const ingredient = withWeighings(
    withVariety(profile ? withProfile(kind, profile) : kind, varietyOf(kind, variety)),
    prepared,
  );
  const mass = amountAndMass(reader, `${path}.amount`, value, ingredient, form, ratioLine);
  if (!mass) return undefined;
  if (mass.mass_kg.mid > MOST_IN_A_LINE_KG) {
    reader.problem(
      `${path}.amount`,
      `${quoted(value.amount)} is ${Math.round(mass.mass_kg.mid)} kg of ${ingredient.name[1]}, more than any kitchen boils at once; write at most ${MOST_IN_A_LINE_KG} kg`,
    );
    return undefined;
  }
  const ripeness =
    value.ripeness === undefined
      ? 'ripe'
      : reader.oneOf(`${path}.ripeness`, value.ripeness, RIPENESS, 'ripe');
  const byTable = compositionOf(ingredient, form, ripeness);
  const goesIn =
    value.goesIn === undefined
      ? undefined
      : reader.oneOf(`${path}.goesIn`, value.goesIn, ADD_WHEN, 'start');
  if (value.gives !== undefined) reader.oneOf(`${path}.gives`, value.gives, GIVES, 'juice');
  const stage = reader.optionalNumber(`${path}.stage`, value.stage, FORMULA_FIELDS.line.stage) ?? 1;
  const also = readAlsoStated(reader, `${path}.alsoStated`, value.alsoStated, ingredient, form);
  const madeOf = own ? readMadeOf(reader, path, index, value.madeOf, mass.mass_kg.mid) : undefined;
  return {
    index,
    label: namesOf(ingredient, variety)[1],
    ingredient,
    form,
    amount: mass.amount,
    mass_kg: mass.mass_kg,
    ...(ratioLine && { isRatio: true }),
    ...(value.gives === 'juice' &&
      isProduce(ingredient) &&
      form !== 'juice' && { givesJuice: true }),
    composition: withOverrides(reader, `${path}.overrides`, value.overrides, byTable),
    byTable,
    ripeness,
    stage,
    ...(goesIn && { goesIn }),
    ...(also && { alsoStated_kg: also }),
    ...(madeOf && { madeOf }),
  };
}

/** What so much of a spread was made of: the lines of its batch, in proportion. */
function readMadeOf(
  reader: Reader,
  path: string,
  index: number,
  value: unknown,
  mass_kg: number,
): readonly PotLine[] | undefined {
  if (value === undefined) return undefined;
  const { mass: massField, lines: linesField } = FORMULA_FIELDS.madeOf;
  const at = `${path}.madeOf`;
  if (!isObject(value) || !Array.isArray(value.lines)) {
    reader.problem(`${at}.lines`, `${quoted(value)}: ${linesField.write}`);
    return undefined;
  }
  const whole = reader.amount(`${at}.mass`, value.mass);
  if (whole && whole.unit.kind !== 'mass')
    reader.problem(`${at}.mass`, `${quoted(value.mass)}: ${massField.write}`);
  const parts = (value.lines as unknown[]).slice(0, linesField.most).map((line, i) => {
    const linePath = `${at}.lines[${i}]`;
    if (isObject(line) && line.madeOf !== undefined)
      reader.problem(`${linePath}.madeOf`, 'write its ingredients themselves');
    return readLine(reader, index, line, {}, undefined, linePath);
  });
  if (whole?.unit.kind !== 'mass' || parts.length === 0) return undefined;
  const share = mass_kg / (whole.value * whole.unit.si);
  return parts.flatMap((part) =>
    part
      ? [
          {
            ...part,
            mass_kg: times(part.mass_kg, share),
            ...(part.alsoStated_kg && { alsoStated_kg: times(part.alsoStated_kg, share) }),
          },
        ]
      : [],
  );
}

function readAlsoStated(
  reader: Reader,
  path: string,
  value: unknown,
  ingredient: Ingredient,
  form: Form,
): Range | undefined {
  if (value === undefined) return undefined;
  const amount = reader.amount(path, value);
  if (!amount) return undefined;
  const mass = massOf(amount, ingredient, form);
  if (mass.ok) return mass.mass_kg;
  reader.problem(path, mass.message);
  return undefined;
}

/**
 * Half the 5-95 % range a kitchen's instruments leave. Common practice: refractometer 0.5 Brix,
 * meter 0.1, titration a tenth.
 */
const MEASURED = { brix: 0.5, pH: 0.1, titration: 0.1, pectin: 0.3 } as const;

/** Acid figures of an ingredient that has none in the table, before it was measured. A guess. */
const UNKNOWN_ACIDITY = {
  shares: { citric: 1, malic: 0, tartaric: 0, acetic: 0 },
  pH: { low: 3, mid: 4, high: 6 },
  titratablePercent: { low: 0.05, mid: 0.1, high: 0.3 },
} as const;

/** The composition with what the maker measured in place of the table's values. */
function withOverrides(
  reader: Reader,
  path: string,
  value: unknown,
  table: Composition,
): Composition {
  if (value === undefined) return table;
  if (!isObject(value)) {
    reader.problem(path, `${quoted(value)}: ${FORMULA_FIELDS.line.overrides.write}`);
    return table;
  }
  const given = (key: keyof typeof FORMULA_FIELDS.overrides): number | undefined =>
    reader.optionalNumber(`${path}.${key}`, value[key], FORMULA_FIELDS.overrides[key]);
  const brix = given('solubleSolidsPercent');
  const pectin = given('pectinPercent');
  const pH = given('pH');
  const acid = given('titratableAcidityPercent');
  const acidity = table.acidity ?? UNKNOWN_ACIDITY;
  return {
    ...table,
    ...(brix !== undefined && {
      soluble: {
        low: Math.max(brix - MEASURED.brix, 0) / 100,
        mid: brix / 100,
        high: Math.min(brix + MEASURED.brix, 100) / 100,
      },
    }),
    ...(pectin !== undefined && { pectin: within(pectin / 100, MEASURED.pectin) }),
    ...((pH !== undefined || acid !== undefined) && {
      acidity: {
        ...acidity,
        ...(pH !== undefined && {
          pH: { low: pH - MEASURED.pH, mid: pH, high: pH + MEASURED.pH },
        }),
        ...(acid !== undefined && { titratablePercent: within(acid, MEASURED.titration) }),
      },
    }),
  };
}

interface NamedLine {
  readonly ingredient: Ingredient;
  readonly form: Form;
  readonly variety?: string;
}

function readKnownIngredient(reader: Reader, path: string, value: Json): NamedLine | undefined {
  if (typeof value.ingredient !== 'string') {
    reader.problem(
      `${path}.ingredient`,
      `${quoted(value.ingredient)}: write a fruit, sugar, acid or water`,
    );
    return undefined;
  }
  const known = ingredientById(value.ingredient);
  const reading = known
    ? { ok: true as const, ingredient: known, form: known.usualForm }
    : readName(value.ingredient.replaceAll('-', ' '));
  if (!reading.ok) {
    reader.problem(`${path}.ingredient`, reading.message);
    return undefined;
  }
  if (value.form === undefined) return reading;
  const before = reader.problems.length;
  const form = reader.oneOf(`${path}.form`, value.form, FORMS, reading.form);
  return reader.problems.length > before ? undefined : { ...reading, form };
}

/** What an ingredient of the maker's own is doubted by, share of each figure. A guess. */
const OWN_DOUBT = { solids: 0.1, acid: 0.25, pectin: 0.4, pH: 0.2 } as const;
/** Without a pH it may be anything a kitchen handles: keeping never goes by it in any case. */
const OWN_PH = { low: 3, mid: 4.5, high: 7 } as const;
const OWN_ACID_PERCENT = 0.2;
/** Share of the soluble solids that is sugar, and of that sugar that is invert. A guess. */
const OWN_SUGAR_SHARE = 0.8;

const OWN_SOURCE = 'given in the document';
const ownFigure = (mid: number, doubt: number): Sourced => ({
  low: mid * (1 - doubt),
  mid,
  high: Math.min(mid * (1 + doubt), 100),
  source: OWN_SOURCE,
});

function readOwnIngredient(reader: Reader, path: string, value: Json): NamedLine | undefined {
  const fields = FORMULA_FIELDS.composition;
  const given = isObject(value.composition) ? value.composition : {};
  const at = `${path}.composition`;
  const soluble = reader.number(
    `${at}.solubleSolidsPercent`,
    given.solubleSolidsPercent,
    fields.solubleSolidsPercent,
  );
  if (soluble === undefined) return undefined;
  const rest = 100 - soluble;
  const insoluble = reader.optionalNumber(
    `${at}.insolubleSolidsPercent`,
    given.insolubleSolidsPercent,
    { least: 0, most: rest, write: `write a per cent from 0 to ${rest}` },
  );
  const optional = (
    key: 'densityKgPerM3' | 'pH' | 'titratableAcidityPercent' | 'pectinPercent',
  ): number | undefined => reader.optionalNumber(`${at}.${key}`, given[key], fields[key]);
  const density = optional('densityKgPerM3');
  const pH = optional('pH');
  const acid = optional('titratableAcidityPercent') ?? OWN_ACID_PERCENT;
  const pectin = optional('pectinPercent') ?? 0;
  const main: MainAcid =
    given.acid === undefined
      ? 'citric'
      : reader.oneOf(`${at}.acid`, given.acid, MAIN_ACIDS, 'citric');
  const name = ownName(value.name);
  return {
    form: 'whole',
    ingredient: {
      id: OWN_INGREDIENT,
      name: [name, name],
      synonyms: [],
      category: 'extra',
      usualForm: 'whole',
      liquid: false,
      invertShare: OWN_SUGAR_SHARE,
      solubleSolidsPercent: ownFigure(soluble, OWN_DOUBT.solids),
      insolubleSolidsPercent: ownFigure(insoluble ?? 0, OWN_DOUBT.solids),
      sugarsPercent: ownFigure(soluble * OWN_SUGAR_SHARE, OWN_DOUBT.solids),
      acidity: {
        pH: {
          ...(pH === undefined
            ? OWN_PH
            : { low: pH - OWN_DOUBT.pH, mid: pH, high: pH + OWN_DOUBT.pH }),
          source: OWN_SOURCE,
        },
        titratablePercent: ownFigure(acid, OWN_DOUBT.acid),
        shares: { citric: 0, malic: 0, tartaric: 0, acetic: 0, [main]: 1 },
      },
      pectinPercent: ownFigure(pectin, OWN_DOUBT.pectin),
      calcium_mg: 0,
      acidClass: 'low-acid',
      cautions: [],
      gramsPerCup: density === undefined ? {} : { whole: (density * unitById('cup').si) / 1e6 },
    },
  };
}

const ownName = (name: unknown): string =>
  typeof name === 'string' && name.trim() !== ''
    ? cutText(name.trim(), FORMULA_FIELDS.line.name.most)
    : 'own ingredient';
