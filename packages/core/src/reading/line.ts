import {
  isProduce,
  massOf,
  withVariety,
  varietyOf,
  type Form,
  type Ingredient,
  type Ripeness,
} from '../produce/index.js';
import {
  readAmount,
  unitById,
  type Amount,
  type AmountProblemCode,
  type Decimal,
  type WritingHabit,
  cutText,
} from '../quantity/index.js';
import type { Range } from '../range/index.js';
import {
  nameIn,
  namesFood,
  type NameProblemCode,
  type NamedIngredient,
  type UnreadName,
} from './name.js';
import { explained } from './read-name.js';
import { settledAmount, type SettledAmount } from './second-amounts.js';
import { wordsOf } from './words.js';

/** One food of a line with its amount. */
export interface LinePart {
  readonly amount: Amount;
  /** The amount as it was written, or as it can be read again: "2 1/2 cups". */
  readonly written: string;
  /** The same amount in other measures, as written. */
  readonly alsoStated: readonly string[];
  readonly ingredient: Ingredient;
  readonly form: Form;
  readonly variety?: string;
  readonly ripeness?: Ripeness;
  /** What it weighs as it is measured; undefined where the measure says nothing of a weight. */
  readonly mass_kg: Range | undefined;
  readonly named: NamedIngredient;
}

/** An amount that is not a number: it hangs on the pot, on a taste, or was left out. */
export type OpenAmount = 'ratio' | 'to-taste' | 'to-cover' | 'not-stated';

export type LineProblemCode =
  | 'nothing-written'
  | NameProblemCode
  | 'bad-amount'
  | 'amount-open'
  /** Two amounts of one line that cannot both be meant. */
  | 'amounts-differ'
  | 'no-weight';

export interface LineProblem {
  readonly code: LineProblemCode;
  readonly message: string;
}

/** How one typed or pasted line was read. */
export interface LineReading {
  readonly text: string;
  /** The foods of the line: one, two for "zest and juice of 1 lemon", none where it is not understood. */
  readonly parts: readonly LinePart[];
  /** The food of a line whose amount is open or not understood. */
  readonly named?: NamedIngredient;
  readonly openAmount?: OpenAmount;
  /** A ratio without its food: "3/4 cup to each cup of juice". */
  readonly openWritten?: string;
  readonly problem?: LineProblem;
  readonly suggestions: readonly Ingredient[];
  /** The words that a person picked the ingredient for, where the table does not know them. */
  readonly pickedFor?: string;
}

/** Whether every food of the line is known with what it weighs, or with an amount the pot decides. */
export const isUnderstood = ({ parts, openAmount, problem }: LineReading): boolean =>
  (parts.length > 0 && problem === undefined) || openAmount !== undefined;

const BULLET = /^(?:[\s*•‣·◦▪▢□☐✓✔–—+>]|-(?!\.?\d)|\[[ xX]?\])+\s*/u;
const NUMBERING = /^(?:step\s+)?\(?(?:\d{1,2}[.):]|[a-z]\))\s+(?=[\d¼-¾⅐-⅞a-z(])/i;
/** "(4 cups) sugar" and "“4 cups sugar”" as the words alone. */
const ENCLOSED = /^\(([^()]*\d[^()]*)\)\s*|^["“”]+|["“”]+$/g;
const EMPHASIS = /(\*\*|__|\*(?=\S)|(?<=\S)\*|`|(?<=^|\s)_(?=\S)|(?<=\S)_(?=\s|$))/g;
const HEADING_BEFORE =
  /^(?:for (?:the )?[a-z ]{2,30}|optional|[a-z]+ ingredients?|to serve|also)\s*:\s*(?=\S)/i;

/** The line without bullets, numbering, emphasis, footnote marks and a heading before it. */
export function cleanLine(text: string): string {
  const clean = text
    .replace(/[\u200b\ufeff]/g, '')
    .replace(/\\([\\`*_{}[\]<>#|])/g, '$1')
    .replace(EMPHASIS, '')
    .replace(BULLET, '')
    .replace(NUMBERING, '')
    .replace(BULLET, '')
    .replace(ENCLOSED, '$1 ')
    .replace(/[†‡¹²³⁴⁵]/g, ' ')
    .replace(/(?:^|\s)\|(?=\s|$)|^\||\|$/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return clean.replace(HEADING_BEFORE, '').replace(/^of\s+/i, '');
}

const RATIO =
  /\b(?:per|for (?:each|every)|(?:to|with) (?:each|every)|to the|to(?=\s+\d+\s*(?:cups?|quarts?|pints?|litres?|liters?|l|kg|lbs?|pounds?)\b\s+(?:of\s+)?[a-z]))\b\s*(?:\d|cup|pint|litre|liter|l\b|lb|pound|kg|kilo|g\b|quart|of)|\b(?:equal|same) (?:in |by )?(?:weight|amount|quantity|volume|measure|parts?)\b|\b(?:half|twice|double|[\d/¾½⅔]+|three[- ]quarters|two[- ]thirds) (?:of )?(?:the|its|their) (?:[a-z]+['’]s? )?(?:weight|volume)\b|\bweight of the\b|\bits (?:own )?weight\b|\b(cup|pint|pound|measure) for \1\b/i;
const TO_COVER = /\bto (?:just |barely )?cover\b|\bbarely cover\b/i;
const TO_TASTE =
  /\b(?:to taste|to your taste|as (?:needed|required|desired|you like|necessary)|if (?:needed|necessary|liked|desired))\b/i;
const SOME = /^(?:some|a little|a bit of|a few|several|a good amount of|plenty of|enough)\b\s*/i;

/** Where the food of a ratio stands when it is not before it. */
const RATIO_FOODS = [
  /\b(?:weight|volume|amount|quantity|measure|parts?)\s+of\s+(.+)$/i,
  /\bin\s+(.+)$/i,
  /,\s*(.+)$/,
];

/** "juice of 2 lemons", "grated zest and juice of 1 orange", "whites of 2 eggs". */
const PART_OF =
  /^(?:the\s+)?((?:finely\s+|freshly\s+|coarsely\s+)?(?:grated\s+|squeezed\s+|chopped\s+|strained\s+|pared\s+|thinly pared\s+)?)(juice|zest|rind|peel|pulp|flesh|pith|seeds|whites?|yolks?)((?:\s*(?:and|&|,|\+|plus)\s*(?:finely\s+)?(?:the\s+)?(?:grated\s+)?(?:juice|zest|rind|peel|pulp))*)\s+(?:(?:of|from)\s+)?(.+)$/i;
const ZEST_AND_JUICE =
  /\b(?:zest|rind|peel|zested|grated)\b.*\bjuiced?\b|\bjuiced?\b.*\b(?:zest|rind|peel|zested)\b/i;
/** "2:1" on a pack of jam sugar. */
const PACK_RATIO =
  /\b([123])\s*(?:[:+]|to)\s*1\b(?=.*(?:sugar|zucker))|(?<=(?:sugar|zucker).*)\b([123])\s*(?:[:+]|to)\s*1\b/i;
/** Most lines have none, and are not searched further. */
const ANY_RATIO = /[123]\s*(?:[:+]|to)\s*1\b/i;
const packRatio = (line: string): string | undefined => {
  const found = ANY_RATIO.test(line) ? PACK_RATIO.exec(line) : null;
  return found?.[1] ?? found?.[2];
};

const withoutRatio = (line: string, ratio: string | undefined): string =>
  ratio === undefined ? line : line.replace(PACK_RATIO, ' ');

/** Letters of a line that are read; no ingredient takes more. */
const LONGEST_LINE = 300;

/**
 * Reads one line as people write it into its foods with their amounts.
 *
 * @param text a typed line, or one line of a recipe: "2 1/2 cups crushed blackberries", "Sugar: 4
 * cups", "juice of 2 lemons", "1 (20 oz) can crushed pineapple"
 * @param habit the decimal mark and the measures of whoever wrote it
 */
export function readLine(text: string, habit: Decimal | WritingHabit = '.'): LineReading {
  const line = cutText(cleanLine(text.slice(0, 2 * LONGEST_LINE)), LONGEST_LINE);
  if (line === '')
    return {
      text,
      parts: [],
      problem: {
        code: 'nothing-written',
        message: 'nothing is written; write an amount and an ingredient',
      },
      suggestions: [],
    };
  const reading =
    openReading(line) ??
    partOfReading(line, habit) ??
    juiceFromReading(line, habit) ??
    severalReading(line, habit) ??
    amountFirst(line, habit) ??
    amountLater(line, habit) ??
    afterLabel(line, habit) ??
    withoutAmount(line);
  const { unread, ...read } = reading;
  if (!unread) return { text, ...read };
  const { code, message, guesses } = explained(unread);
  return { text, ...read, problem: { code, message }, suggestions: guesses };
}

/** A reading that may still be given up for another: what is wrong is put into words at the end. */
type Reading = Omit<LineReading, 'text'> & { readonly unread?: UnreadName };

const failed = (unread: UnreadName): Reading => ({ parts: [], unread, suggestions: [] });

const open = (named: NamedIngredient, openAmount: OpenAmount, openWritten?: string): Reading => ({
  parts: [],
  named,
  openAmount,
  ...(openWritten !== undefined && { openWritten }),
  problem: {
    code: 'amount-open',
    message: `how much ${named.variety ?? named.ingredient.name[1]}? Write a weight or a measure`,
  },
  suggestions: [],
});

/** "sugar to taste", "water to cover", "450 g sugar per 600 ml juice": an amount the pot decides. */
function openReading(line: string): Reading | undefined {
  const ratio = RATIO.exec(line);
  if (ratio) {
    const before = line.slice(0, ratio.index).replace(/\d+(?:[.,]\d+)?\s*%/, ' ');
    const first = readAmount(before);
    const named = nameIn(first.ok ? first.rest : before);
    if (named.ok)
      return open(
        named,
        'ratio',
        first.ok ? `${first.written} ${line.slice(ratio.index)}`.trim() : undefined,
      );
    for (const pattern of RATIO_FOODS) {
      const food = pattern.exec(line)?.[1]?.replace(/\b(?:as|to)\b.*$/i, '') ?? '';
      const amount = readAmount(food);
      const other = nameIn(amount.ok ? amount.rest : food);
      if (other.ok) return open(other, 'ratio');
    }
    return undefined;
  }
  if (/\d|[¼-¾⅐-⅞]/.test(line)) return undefined;
  for (const [pattern, kind] of [
    [TO_COVER, 'to-cover'],
    [TO_TASTE, 'to-taste'],
  ] as const) {
    if (!pattern.test(line)) continue;
    const rest = line
      .replace(pattern, ' ')
      .replace(SOME, '')
      .replace(/^enough\s+|[,(\s)]+$/gi, ' ');
    const named = nameIn(rest);
    if (named.ok && !readAmount(line).ok) return open(named, kind);
  }
  if (!SOME.test(line)) return undefined;
  const named = nameIn(line.replace(SOME, ''));
  return named.ok ? open(named, 'not-stated') : undefined;
}

/** "juice of 2 lemons" as "2 lemons, juice"; zest and juice together are two foods. */
function partOfReading(line: string, habit: Decimal | WritingHabit): Reading | undefined {
  const found = PART_OF.exec(line);
  if (!found) return undefined;
  const [, manner = '', what = '', more = '', of = ''] = found;
  const amount = readAmount(of, habit);
  if (
    !amount.ok &&
    !/^\s*(?:of|from)\b/i.test(line.slice(line.indexOf(what) + what.length + more.length))
  )
    return undefined;
  if (/^(?:white|yolk)/i.test(what)) {
    const name = /^white/i.test(what) ? 'egg whites' : 'egg yolks';
    return amount.ok && /\beggs?\b/i.test(of)
      ? amountFirst(`${amount.written} ${name}`, habit)
      : undefined;
  }
  const parts = `${what}${more}`;
  if (/juice/i.test(parts) && /zest|rind|peel/i.test(parts)) return zestAndJuice(of, habit);
  const piece = amount.ok ? of : `1 ${of}`;
  return amountFirst(`${piece}, ${manner}${what}`, habit);
}

/** "5 cups juice (from about 3 lb grapes)" as "5 cups grapes, juice". */
const JUICE_FROM = /^(.*?)\b(juice|pulp|pur[eé]e)\s*[(,]?\s*(?:from|of)\s+(.+?)\)?$/i;

function juiceFromReading(line: string, habit: Decimal | WritingHabit): Reading | undefined {
  const [, before = '', part = '', from = ''] = JUICE_FROM.exec(line) ?? [];
  const amount = readAmount(before, habit);
  if (from === '' || !amount.ok || wordsOf(amount.rest).length > 0) return undefined;
  const source = readAmount(from, habit);
  return amountFirst(`${before}${source.ok ? source.rest : from}, ${part}`, habit);
}

/** Zest plus juice of so many fruits, as two foods. */
function zestAndJuice(of: string, habit: Decimal | WritingHabit): Reading | undefined {
  const amount = readAmount(of, habit);
  if (amount.ok && !nameIn(amount.rest).ok) return undefined;
  const fruit = of.replace(/\(([^)]*)\)|,.*$/g, '').trim();
  const zest = amountFirst(`${fruit}, zest`, habit);
  const juice = amountFirst(`${fruit}, juice`, habit);
  if (!zest || !juice || isFault(zest) || isFault(juice)) return undefined;
  return { parts: [...juice.parts, ...zest.parts], suggestions: [] };
}

/** "pinch each of cinnamon and cloves", "2 cups sugar, 1 cup water", "salt and pepper". */
function severalReading(line: string, habit: Decimal | WritingHabit): Reading | undefined {
  const each = /^(.*?)\s*\beach\b\s*(?:of\s+)?(?:the\s+)?(.+)$/i.exec(line);
  if (each && !each[1]?.includes('(')) {
    const [, amount = '', names = ''] = each;
    const all = names.split(/\s*(?:,|\band\b|&|;)\s*/i).filter((name) => name !== '');
    const named = all.length > 1 ? all.map((name) => amountFirst(`${amount} ${name}`, habit)) : [];
    if (named.length > 1 && named.every((part) => part !== undefined && !isFault(part)))
      return together(named as Reading[]);
  }
  const pieces = line.split(/\s*(?:[;,]|\band\b|\bplus\b|&|\+)\s*(?=(?:about\s+)?[\d¼-¾⅐-⅞])/i);
  if (pieces.length < 2) return undefined;
  const read = pieces.map((piece) => amountFirst(piece, habit));
  return read.every((part) => part !== undefined && part.parts.length > 0 && !isFault(part))
    ? together(read as Reading[])
    : undefined;
}

const isFault = ({ problem, unread }: Reading): boolean =>
  problem !== undefined || unread !== undefined;

const together = (readings: readonly Reading[]): Reading => ({
  parts: readings.flatMap(({ parts }) => parts),
  suggestions: [],
});

/** An amount is written, and it is none. */
const BAD_AMOUNTS: ReadonlySet<AmountProblemCode> = new Set([
  'below-zero',
  'zero',
  'nothing-written',
]);

/** The usual line: the amount, then the name. */
function amountFirst(line: string, habit: Decimal | WritingHabit): Reading | undefined {
  const ratio = packRatio(line);
  const text = withoutRatio(line, ratio).replace(/\s+,/g, ',').trim();
  const reading = readAmount(text, habit);
  if (!reading.ok) {
    return BAD_AMOUNTS.has(reading.code)
      ? { parts: [], problem: { code: 'bad-amount', message: reading.message }, suggestions: [] }
      : undefined;
  }
  const isBoth = ZEST_AND_JUICE.test(reading.rest) && reading.amount.unit.kind === 'piece';
  if (isBoth && nameIn(reading.rest).ok) {
    const fruit = reading.rest.split(/[,(]|\b(?:zest|juice|rind|peel|grated)/i)[0]?.trim();
    const both = fruit ? zestAndJuice(`${reading.written} ${fruit}`, habit) : undefined;
    if (both) return both;
  }
  const rest = ratio === undefined ? reading.rest : `${reading.rest} ${ratio}:1`;
  return partFrom(rest, reading, habit);
}

type GoodAmount = ReturnType<typeof readAmount> & { ok: true };

function partFrom(rest: string, reading: GoodAmount, habit: Decimal | WritingHabit): Reading {
  const named = nameAfter(rest, reading);
  if (!named.name.ok) return failed(named.name);
  return measured(named.name, named.amount, reading, habit);
}

/** The name after an amount; a unit that is the food itself ("6 cloves") or follows it counts too. */
function nameAfter(
  rest: string,
  { amount, written }: GoodAmount,
): { name: NamedIngredient | UnreadName; amount: Amount } {
  if (amount.unit.kind === 'part' && wordsOf(rest).length === 0) {
    const word = wordsOf(written).at(-1) ?? '';
    return { name: nameIn(word), amount: { ...amount, unit: unitById('each') } };
  }
  const name = nameIn(amount.unit.id === 'squeeze' ? `${rest}, juice` : rest);
  if (amount.unit.kind !== 'piece') {
    if (name.ok || amount.unit.kind === 'mass' || amount.unit.kind === 'volume')
      return { name, amount };
    // "1 stick cinnamon" is a stick; "2 cinnamon sticks" has the unit behind.
    const word = wordsOf(written).at(-1) ?? '';
    const whole = nameIn(`${word} ${rest}`);
    return whole.ok
      ? { name: whole, amount: { ...amount, unit: unitById('each') } }
      : { name, amount };
  }
  if (name.ok) {
    const counted = wordsOf(rest).length > 1 ? pieceUnit(rest) : undefined;
    return {
      name,
      amount: counted && !name.ingredient.gramsEach ? { ...amount, unit: counted } : amount,
    };
  }
  return { name, amount };
}

/** "2 rosemary sprigs", "3 garlic cloves": the part after the name. */
function pieceUnit(rest: string): Amount['unit'] | undefined {
  const word =
    /\b(sprig|clove|head|stick|stalk|leaf|leave|bunch|knob|slice|ear|punnet)(?:e?s)?\b/i.exec(
      rest,
    )?.[1];
  if (word === undefined) return undefined;
  return unitById(word.toLowerCase() === 'leave' ? 'leaf' : word.toLowerCase());
}

/** Spices that are counted, or come in sticks, are whole ones. */
function countedSpice(named: NamedIngredient, { unit }: Amount): NamedIngredient {
  if (named.ingredient.id !== 'ground-spice') return named;
  if (unit.kind !== 'piece' && unit.id !== 'stick') return named;
  const phrase =
    unit.id === 'stick' ? `${named.variety ?? ''} stick` : `whole ${named.variety ?? ''}`;
  const whole = nameIn(phrase);
  return whole.ok && whole.ingredient.id === 'whole-spice' ? whole : named;
}

/** "1 pk pectin" is a pack; only fruit comes by the peck. */
const packOf = (amount: Amount, { ingredient }: NamedIngredient): Amount =>
  amount.unit.id === 'peck' && !isProduce(ingredient)
    ? { ...amount, unit: unitById('box') }
    : amount;

function measured(
  name: NamedIngredient,
  counted: Amount,
  reading: GoodAmount,
  habit: Decimal | WritingHabit,
): Reading {
  const amount = packOf(counted, name);
  const named = countedSpice(name, amount);
  const { form, variety, packed } = named;
  const ingredient = withVariety(named.ingredient, varietyOf(named.ingredient, variety));
  const settled = settledAmount({
    amount: packed && amount.unit.kind === 'volume' ? { ...amount, packed } : amount,
    written: reading.written,
    others: reading.others,
    remarks: named.amounts,
    ingredient,
    form,
    habit,
  });
  if (!settled.ok) return differing(named, reading, settled.written);
  return partReading(named, settled, writtenOf(settled.amount, reading, packed));
}

const differing = (named: NamedIngredient, { written }: GoodAmount, other: string): Reading => ({
  parts: [],
  named,
  problem: {
    code: 'amounts-differ',
    message: `"${written}" and "${other}" are not the same amount of ${named.ingredient.name[1]}; write the one that is right`,
  },
  suggestions: [],
});

/** An amount as it was written, or as it can be read again where it was worked out. */
function writtenOf(amount: Amount, reading: GoodAmount, packed: boolean): string {
  const isAsWritten = amount.unit === reading.amount.unit && amount.value === reading.amount.value;
  const written = isAsWritten ? reading.written : `${amount.value} ${amount.unit.id}`;
  const isPacked = packed && amount.unit.kind === 'volume' && !/packed/.test(reading.written);
  return isPacked ? `${written} packed` : written;
}

function partReading(
  named: NamedIngredient,
  { amount, alsoStated }: SettledAmount & { ok: true },
  written: string,
): Reading {
  const { ingredient, form, variety, ripeness } = named;
  const mass = massOf(amount, withVariety(ingredient, varietyOf(ingredient, variety)), form);
  const part: LinePart = {
    amount,
    written,
    alsoStated,
    ingredient,
    form,
    ...(variety !== undefined && { variety }),
    ...(ripeness && { ripeness }),
    mass_kg: mass.ok ? mass.mass_kg : undefined,
    named,
  };
  return {
    parts: [part],
    named,
    ...(!mass.ok && { problem: { code: 'no-weight' as const, message: mass.message } }),
    suggestions: [],
  };
}

/** The name, then the amount: "Sugar: 4 cups", "Water (1 cup)", "Strawberries 2 kg, hulled". */
function amountLater(line: string, habit: Decimal | WritingHabit): Reading | undefined {
  const ratio = packRatio(line);
  const text = withoutRatio(line, ratio);
  const starts = [
    ...text.matchAll(
      /(?<=[\s:(,–—-])(?:about\s+|approx\.?\s+)?[\d¼-¾⅐-⅞.]|(?<=[:(,–—-]\s*)(?:half|one|two|three|four|five|six|a|pinch|handful)\b/gi,
    ),
  ];
  for (const { index } of starts) {
    const reading = readAmount(text.slice(index).replace(/^([^()]*)\)/, '$1 '), habit);
    if (!reading.ok) continue;
    const before = text.slice(0, index).replace(/[\s:(,–—-]+$/, '');
    if (wordsOf(before).length === 0) continue;
    // Another number before it: which one is the amount is not for us to choose.
    if (/\d/.test(before.replace(/\d+(?:[.,]\d+)?\s*%/g, ''))) break;
    const isPiece = reading.amount.unit.kind === 'piece';
    if (isPiece && /^\s*[a-z]|\d/i.test(reading.rest)) continue;
    const rest = `${before}, ${reading.rest}${ratio === undefined ? '' : ` ${ratio}:1`}`;
    const read = partFrom(rest.replace(/, $/, ''), reading, habit);
    if (read.parts.length > 0) return read;
  }
  return undefined;
}

/** "Filling: 2 cups sugar": what stands before the colon is no food, but a label. */
function afterLabel(line: string, habit: Decimal | WritingHabit): Reading | undefined {
  const [, label = '', rest] = /^([\p{L} ]{2,30}):\s*(\S.*)$/u.exec(line) ?? [];
  if (namesFood(label)) return undefined;
  const reading = rest === undefined ? undefined : amountFirst(rest, habit);
  return reading && !isFault(reading) ? reading : undefined;
}

function withoutAmount(line: string): Reading {
  const named = nameIn(line);
  if (!named.ok) return failed(named);
  const [amount] = named.amounts;
  return amount
    ? failed({
        ok: false,
        code: 'number',
        text: line,
        words: amount.written,
        foods: [named.ingredient],
      })
    : open(named, 'not-stated');
}
