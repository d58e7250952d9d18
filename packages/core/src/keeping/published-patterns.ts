import type { Kind, Method, PotFormula, PotLine } from '../formula/index.js';
import { massOf, type Form } from '../produce/index.js';
import { APPLES } from './pot-lines.js';
import { unitById, type Amount } from '../quantity/index.js';

/** How far a proportion may be from the published one, share. docs/safety.md, rule 8; a choice of ours. */
const SAME = 0.1;

/** A formula that is published in the same proportions everywhere, and keeps by them. */
interface PublishedPattern {
  readonly name: string;
  readonly kind: Kind;
  readonly method: Method;
  readonly fruits: ReadonlySet<string>;
  /** What the published cups are of. */
  readonly measuredAs: 'crushed' | 'juice';
  /** Cups of sugar to a cup of fruit, the least and the most. */
  readonly sugar: readonly [number, number];
  /** Tablespoons of bottled lemon juice to a cup of fruit, at least. */
  readonly lemon_tbsp?: number;
  /** What else belongs to it, in any amount a spoonful can be. */
  readonly also?: ReadonlySet<string>;
}

/** Forms that become crushed fruit in the pan. */
const CRUSHED_IN_THE_PAN: ReadonlySet<Form> = new Set<Form>([
  'whole',
  'hulled',
  'pitted',
  'chopped',
  'sliced',
  'crushed',
  'frozen',
  'as-bought',
]);
const JAM_OF_FRUIT = {
  kind: 'jam',
  method: 'long-boil',
  measuredAs: 'crushed',
} as const satisfies Partial<PublishedPattern>;
const BERRIES: ReadonlySet<string> = new Set([
  'blackberry',
  'boysenberry',
  'gooseberry',
  'raspberry',
  'strawberry',
]);

/**
 * USDA Complete Guide to Home Canning, Guide 7, and the US National Center for Home Food
 * Preservation, from memory.
 */
const PATTERNS: readonly PublishedPattern[] = [
  {
    ...JAM_OF_FRUIT,
    name: 'berry jam, 4 cups crushed to 4 cups sugar',
    fruits: BERRIES,
    sugar: [1, 1],
  },
  {
    ...JAM_OF_FRUIT,
    name: 'berry jam, 9 cups crushed to 6 cups sugar',
    fruits: BERRIES,
    sugar: [6 / 9, 6 / 9],
  },
  {
    ...JAM_OF_FRUIT,
    name: 'apricot jam, 4 to 4 1/2 cups crushed to 4 cups sugar with 2 Tbsp bottled lemon juice',
    fruits: new Set(['apricot']),
    sugar: [4 / 4.5, 1],
    lemon_tbsp: 2 / 4.5,
  },
  {
    name: 'blackberry jelly, 8 cups juice to 6 cups sugar',
    kind: 'jelly',
    method: 'long-boil',
    fruits: new Set(['blackberry']),
    measuredAs: 'juice',
    sugar: [6 / 8, 6 / 8],
  },
  {
    name: 'apple jelly, 4 cups juice to 3 cups sugar',
    kind: 'jelly',
    method: 'long-boil',
    fruits: new Set(['apple-juice', 'apple', 'tart-apple', 'crab-apple']),
    measuredAs: 'juice',
    sugar: [3 / 4, 3 / 4],
  },
  {
    name: 'grape jelly with powdered pectin, 5 cups juice to 7 cups sugar',
    kind: 'jelly',
    method: 'powdered-pectin',
    fruits: new Set(['grape-juice', 'grape', 'slip-skin-grape']),
    measuredAs: 'juice',
    sugar: [7 / 5, 7 / 5],
    also: new Set(['pectin-powder']),
  },
];

const SUGAR: ReadonlySet<string> = new Set(['white-sugar', 'caster-sugar']);
const BOTTLED: ReadonlySet<string> = new Set(['lemon-juice-bottled', 'lime-juice-bottled']);
const KNOWN_ACID: ReadonlySet<string> = new Set([...BOTTLED, 'citric-acid']);
/** What an apple butter is made with besides apples, sugar and spice. */
const WITH_APPLES: ReadonlySet<string> = new Set([
  'apple-juice',
  'apple-juice-clear',
  'apple-cider',
  'cider-vinegar',
  'ground-spice',
  'whole-spice',
  'vanilla',
  'salt',
  'water',
]);

/** How many US measures of them there are; NaN where one cannot be measured so. */
function measures(lines: readonly PotLine[], unit: 'cup' | 'tbsp', form?: 'crushed'): number {
  const one: Amount = { value: 1, unit: unitById(unit), approximate: false, packed: false };
  return lines.reduce((sum, line) => {
    const mass = massOf(one, line.ingredient, form ?? line.form);
    return sum + (mass.ok ? line.mass_kg.mid / mass.mass_kg.mid : Number.NaN);
  }, 0);
}

const isAsMeasured = (
  { form, ingredient }: PotLine,
  as: PublishedPattern['measuredAs'],
): boolean =>
  as === 'juice'
    ? form === 'juice' || ingredient.category === 'juice'
    : CRUSHED_IN_THE_PAN.has(form);

const isByTable = ({ composition, byTable, ripeness }: PotLine): boolean =>
  composition === byTable && ripeness !== 'over-ripe';

function isMade({ kind, method, lines }: PotFormula, pattern: PublishedPattern): boolean {
  if (kind !== pattern.kind || method !== pattern.method) return false;
  const fruit = lines.filter(({ ingredient }) => pattern.fruits.has(ingredient.id));
  const sugar = lines.filter(({ ingredient }) => SUGAR.has(ingredient.id));
  const others = lines.filter(
    (line) =>
      !fruit.includes(line) &&
      !sugar.includes(line) &&
      !KNOWN_ACID.has(line.ingredient.id) &&
      !(pattern.also?.has(line.ingredient.id) ?? false),
  );
  const isAsPublished = fruit.every(
    (line) => isByTable(line) && isAsMeasured(line, pattern.measuredAs),
  );
  if (fruit.length === 0 || others.length > 0 || !isAsPublished) return false;
  const fruit_cups = measures(
    fruit,
    'cup',
    pattern.measuredAs === 'crushed' ? 'crushed' : undefined,
  );
  const ratio = measures(sugar, 'cup') / fruit_cups;
  const lemon_tbsp = measures(
    lines.filter(({ ingredient }) => BOTTLED.has(ingredient.id)),
    'tbsp',
  );
  const [least, most] = pattern.sugar;
  return (
    ratio >= least * (1 - SAME) &&
    ratio <= most * (1 + SAME) &&
    lemon_tbsp >= (pattern.lemon_tbsp ?? 0) * fruit_cups * (1 - SAME)
  );
}

/** Apples with sugar and spice, cooked to a butter; published with no fixed proportion. */
const isAppleButter = ({ kind, lines }: PotFormula): boolean =>
  kind === 'fruit-butter' &&
  lines.some(({ ingredient }) => APPLES.has(ingredient.id)) &&
  lines.every((line) => {
    const { id, category, acidClass, pectinProduct } = line.ingredient;
    return (
      isByTable(line) &&
      (APPLES.has(id) ||
        WITH_APPLES.has(id) ||
        KNOWN_ACID.has(id) ||
        (category === 'sweetener' && acidClass === 'neutral' && pectinProduct === undefined))
    );
  });

/**
 * The well-known published pattern a formula is by its proportions, within 10 % and with nothing
 * else in it but more of a known acid. Fruit that is over-ripe, or measured to be other than the
 * table's, is none.
 *
 * @returns its name, or undefined
 */
export function publishedPatternOf(formula: PotFormula): string | undefined {
  if (isAppleButter(formula)) return 'apple butter of apples with sugar and spice';
  return PATTERNS.find((pattern) => isMade(formula, pattern))?.name;
}
