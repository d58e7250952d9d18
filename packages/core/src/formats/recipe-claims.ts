import { USUAL_FINISHES, type DocumentFinish, type Kind, type Method } from '../formula/index.js';
import { findJar, JAR_SIZES, type JarSize } from '../jars/index.js';
import { findUnit, readAmount, unitById } from '../quantity/index.js';
import type { FoundRecipe } from './recipe.js';

/** Words of a title that tell the kind; the first that fits. */
const KIND_WORDS: readonly (readonly [RegExp, Kind])[] = [
  [/\bcurd\b/i, 'curd'],
  [/marmalade/i, 'marmalade'],
  [
    /\b(?:apple|pear|plum|peach|pumpkin|quince|damson|apricot|mango|fruit|cranberry|banana|persimmon|grape|fig|cherry|prune|medlar|nectarine|blackberry|squash|tomato|berry) butter\b|\bbutter$/i,
    'fruit-butter',
  ],
  [/\bsyrup\b/i, 'syrup'],
  [
    /\b(?:pepper|onion|garlic|herb|rosemary|thyme|sage|basil|mint|wine|chill?i(?:es)?|jalapeño|jalapeno|vinegar|savou?ry)\b.*\bjelly/i,
    'savoury-jelly',
  ],
  [/\bconserve\b|whole.fruit/i, 'conserve'],
  [
    /\bpaste\b|\bfruit cheese\b|\b(?:damson|quince|medlar) cheese\b|membrillo|jellied|cranberry sauce/i,
    'jellied-sauce',
  ],
  [/\bjelly\b|gelée/i, 'jelly'],
  [/\bpreserves?\b|\bjam\b|\bspread\b|confiture|konfitüre|marmelade/i, 'jam'],
];

/** What keeps in jars and is no fruit preserve. */
const OTHER_FOODS =
  /\b(?:chutney|ketchup|catsup|relish|pickles?|pickled|piccalilli|salsa|mincemeat|fruit leather|pie filling|barbecue sauce|bbq sauce|hot sauce|chow[- ]?chow|sauerkraut|kimchi|mustard|cordial|liqueur|shrub|vinegar)\s*(?:\(.*\))?$|\bpickled\b|\bchutney\b|\bketchup\b|\brelish\b/i;

const METHOD_OF_INGREDIENT: Readonly<Record<string, Method>> = {
  'pectin-powder': 'powdered-pectin',
  'pectin-low-sugar': 'powdered-pectin',
  'pectin-liquid': 'liquid-pectin',
  'pectin-calcium': 'calcium-pectin',
  'jam-sugar': 'jam-sugar',
  'jam-sugar-two-to-one': 'jam-sugar',
  'jam-sugar-three-to-one': 'jam-sugar',
};

/** What sets it follows from the kind alone. */
const METHOD_OF_KIND: Readonly<Partial<Record<Kind, Method>>> = {
  curd: 'egg',
  'fruit-butter': 'no-gel',
  syrup: 'no-gel',
};
/** Minutes of a hard boil, where not one; common practice. */
const HARD_BOIL_MIN: Readonly<Partial<Record<Method, number>>> = {
  'jam-sugar': 4,
  'calcium-pectin': 2,
};

/** What a recipe says of itself: what it makes, how it sets, where it stops, what it fills. */
export interface RecipeClaims {
  /** Undefined where it is no fruit preserve. */
  readonly kind: Kind | undefined;
  readonly method: Method | undefined;
  readonly finish: DocumentFinish | undefined;
  /** Why it is no formula of ours: "a chutney is no fruit preserve". */
  readonly otherFood: string | undefined;
  /** Degrees Celsius it stops at, as written for its own place. */
  readonly statedStop_C: number | undefined;
}

const foodsOf = ({ lines }: FoundRecipe): string[] =>
  lines.flatMap(({ reading }) => [
    ...(reading?.parts.map(({ ingredient }) => ingredient.id) ?? []),
    ...(reading?.named ? [reading.named.ingredient.id] : []),
  ]);

/** The kind a recipe calls itself, else the one its foods and steps make it. */
function kindOf(recipe: FoundRecipe, foods: ReadonlySet<string>, steps: string): Kind {
  const titled = KIND_WORDS.find(([words]) => words.test(recipe.title))?.[1];
  if (titled) return titled;
  if (foods.has('egg') || foods.has('egg-yolk')) return 'curd';
  if (/\bmarmalade\b/i.test(steps)) return 'marmalade';
  if (/\bjelly bag\b|\bdrip\b/i.test(steps)) return 'jelly';
  return 'jam';
}

/** What it makes, how it sets and where it stops, by its title, foods and steps. */
export function claimsOf(recipe: FoundRecipe): RecipeClaims {
  const foods = new Set(foodsOf(recipe));
  const steps = recipe.lines
    .filter(({ role }) => role === 'step' || role === 'note')
    .map(({ text }) => text)
    .join(' ');
  const other = OTHER_FOODS.exec(recipe.title)?.[0].toLowerCase();
  const gelatine = foods.has('gelatin') ? 'a spread set with gelatine' : undefined;
  const otherFood = other === undefined ? gelatine : `a recipe for ${other.trim()}`;
  const statedStop_C = stopIn(steps);
  if (otherFood !== undefined)
    return { kind: undefined, method: undefined, finish: undefined, otherFood, statedStop_C };
  if (recipe.stated) {
    const { kind, method, finish } = recipe.stated;
    return {
      kind,
      method,
      finish: finish ?? finishOf(method, steps),
      otherFood: undefined,
      statedStop_C,
    };
  }
  const kind = kindOf(recipe, foods, steps);
  const added = [...foods].map((id) => METHOD_OF_INGREDIENT[id]).find(Boolean);
  const method = METHOD_OF_KIND[kind] ?? added ?? 'long-boil';
  return { kind, method, finish: finishOf(method, steps), otherFood: undefined, statedStop_C };
}

const MINUTES_IN_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  ten: 10,
};
const HARD_BOIL =
  /\b(?:boil(?:ed|ing|s)?\s+(?:it\s+)?(?:hard|rapidly|vigorously|fast)?|rolling boil|bubbling)\b[^.;]{0,40}?\b(\d{1,2}|one|two|three|four|five|ten)\s*(?:min(?:ute)?s?)\b/i;
const BRIX = /\b(\d{2})\s*(?:°|º|degrees)?\s*(?:brix|% (?:soluble )?solids|% sugar)\b/i;
const STOP = /\b(\d{3})\s*(?:°|º|degrees|deg\.?)?\s*([FC])\b/gi;
const GEL_RANGE_C = [101, 107] as const;

/** The finish a method is taken to, with the minutes or Brix the steps name. */
function finishOf(method: Method, steps: string): DocumentFinish {
  const brix = BRIX.exec(steps)?.[1];
  const usual = USUAL_FINISHES[method];
  if (brix !== undefined && usual.includes('soluble-solids'))
    return { type: 'soluble-solids', percent: Number(brix) };
  const type = usual[0] ?? 'gel-temperature';
  if (type !== 'hard-boil') return { type };
  const written = HARD_BOIL.exec(steps)?.[1]?.toLowerCase();
  const minutes =
    written === undefined ? undefined : (MINUTES_IN_WORDS[written] ?? Number(written));
  const isPlausible = minutes !== undefined && minutes >= 1 && minutes <= 10;
  return {
    type,
    minutes: isPlausible && method !== 'liquid-pectin' ? minutes : (HARD_BOIL_MIN[method] ?? 1),
  };
}

/** "105C", "220°F": the first gel temperature the steps name, in Celsius. */
function stopIn(steps: string): number | undefined {
  const all = [...steps.matchAll(STOP)].map(([, degrees = '', unit = '']) =>
    unit.toUpperCase() === 'F' ? ((Number(degrees) - 32) * 5) / 9 : Number(degrees),
  );
  return all.find((stop) => stop >= GEL_RANGE_C[0] && stop <= GEL_RANGE_C[1]);
}

/** A yield that can be held against the arithmetic. */
export type StatedYield =
  | { readonly type: 'jars'; readonly count: number; readonly jar: JarSize; readonly text: string }
  | { readonly type: 'mass'; readonly mass_kg: number; readonly text: string };

const SIZE =
  /(?:(\d{1,4}(?:[.,]\d+)?)\s*-?\s*(g|grams?|ml|oz|ounces?|fl\.? ?oz|l|litres?|liters?|lb|pounds?)\b|\b(half[\s-]?pints?|1\/2[\s-]?(?:pints?|pts?)|½[\s-]?(?:pints?|pts?)|pints?|pts?|quarts?|qts?|cups?)\b)/gi;

const NAMED_SIZES: readonly (readonly [RegExp, string])[] = [
  [/^(?:half|1\/2|½)/i, 'half-pint'],
  [/^p/i, 'pint'],
  [/^q/i, 'quart'],
  [/^cup/i, 'half-pint'],
];
const GRAMS_OF_A_POUND_JAR = 454;

/** The jar sold by this weight, or by one that differs by less than a label does: 450 g for 454. */
const jarNear = (grams: number): JarSize | undefined =>
  JAR_SIZES.find(({ id }) => {
    const sold = /^(\d+)-g$/.exec(id)?.[1];
    return sold !== undefined && Math.abs(Number(sold) / grams - 1) < SAME_WEIGHT;
  });
const SAME_WEIGHT = 0.02;

/** The jar of the table that a written size names: "227 g", "250 ml", "1/2 pint", "8 oz", "1 lb". */
function jarOfSize(match: RegExpMatchArray): JarSize | undefined {
  const [, number, unit, word] = match;
  if (word !== undefined)
    return findJar(NAMED_SIZES.find(([pattern]) => pattern.test(word))?.[1] ?? '');
  const value = Number(number?.replace(',', '.'));
  const measure = findUnit(unit?.replace(/^fl.*/i, 'oz') ?? '')?.id;
  if (measure === 'lb') return findJar(`${Math.round(value * GRAMS_OF_A_POUND_JAR)}-g`);
  if (measure === 'g') return jarNear(value);
  return (
    findJar(`${value}-${measure === 'l' && value === 0.5 ? 'ml' : measure}`) ??
    (value === 0.5 && measure === 'l' ? findJar('500-ml') : undefined)
  );
}

/**
 * What a recipe says it makes, in any usual phrase: "7-8 half pints", "5 jars of 340 g", "about 3.3
 * kg", "8 (1/2 pint) jars", "six 8 oz jars". A range counts by its middle.
 *
 * @returns undefined where it names neither jars of a known size nor a weight
 */
export function readStatedYield(text: string): StatedYield | undefined {
  const clean = inFigures(text)
    .replace(/^(?:about|approx\w*\.?|around|roughly|up to|ca\.?)\s+/i, '')
    .trim();
  const sizes = [...clean.matchAll(SIZE)];
  const jars = sizes.map(jarOfSize);
  const size = jars.find(Boolean);
  const count = countIn(clean, sizes);
  if (size && count !== undefined)
    return { type: 'jars', count, jar: size, text: `${tidy(count)} ${size.id}` };
  const amount = readAmount(clean);
  if (!amount.ok || amount.amount.unit.kind !== 'mass') return undefined;
  const mass_kg = amount.amount.value * amount.amount.unit.si;
  return { type: 'mass', mass_kg, text: `${tidy(mass_kg)} ${unitById('kg').name[0]}` };
}

const WORD_FIGURES = [
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
/** "six eight-ounce jars" as "6 8-ounce jars". */
const inFigures = (text: string): string =>
  text.replace(/\b[a-z]+\b/gi, (word) => {
    const at = WORD_FIGURES.indexOf(word.toLowerCase());
    return at === -1 ? word : String(at + 1);
  });

/**
 * What a recipe says it makes. "Servings: 4 jars" beside the equipment "4 x 227 g jars" takes the
 * size from there.
 */
export function yieldOf({ statedYield, lines }: FoundRecipe): StatedYield | undefined {
  const stated = statedYield === undefined ? undefined : readStatedYield(statedYield);
  if (stated) return stated;
  for (const { role, text } of lines) {
    if (role !== 'equipment' && role !== 'yield') continue;
    const read = readStatedYield(text);
    if (read?.type === 'jars') return read;
  }
  return undefined;
}

const tidy = (value: number): string => Number(value.toPrecision(3)).toString();

/** How many jars: the number that is not the size of one. */
function countIn(text: string, sizes: readonly RegExpMatchArray[]): number | undefined {
  const first = readAmount(text.replace(/\(.*?\)/g, ' '));
  const [size] = sizes;
  // "5 jars of 340 g", "6 x 250 ml": the count stands before the size.
  const before = size?.index === undefined ? text : text.slice(0, size.index);
  const counted = readAmount(before.replace(/[x×(]\s*$/, '').trim());
  const amount = counted.ok ? counted : first;
  if (!amount.ok) return undefined;
  const named = size?.[3] !== undefined;
  const isCount =
    amount.amount.unit.kind === 'piece' || amount.amount.unit.kind === 'pack' || named;
  return isCount && amount.amount.value <= MOST_JARS ? amount.amount.value : undefined;
}
const MOST_JARS = 2000;
