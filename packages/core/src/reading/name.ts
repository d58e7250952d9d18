import {
  ingredientById,
  isProduce,
  knownForms,
  type Form,
  type Ingredient,
  type Ripeness,
} from '../produce/index.js';
import { LEAST_TYPO_LETTERS, meaningOf, misspelled, type Meaning } from './lexicon.js';
import { readAround, type AroundProblemCode, type Context } from './around.js';
import { FORM_WORDS, RIPENESS_WORDS, WASTE_FORMS } from './english/forms.js';
import { HARMLESS } from './english/word-classes.js';
import { entryOf, isNumber, piecesOf } from './phrases.js';
import { readAmount } from '../quantity/index.js';
import { isUsualStrength, strengthsIn } from './strength.js';
import { wordsOf } from './words.js';

/** An ingredient as it was named, with all that the words around it say. */
export interface NamedIngredient {
  readonly ok: true;
  readonly ingredient: Ingredient;
  readonly form: Form;
  /** "cinnamon" of ground spice, "Bramley" of tart apples. */
  readonly variety?: string;
  readonly ripeness?: Ripeness;
  readonly packed: boolean;
  /** The misspelt words, where a clear candidate was taken for them. */
  readonly misspelling?: string;
  /** "2 kg apples, peeled": the preparation is said after the name, so the weight may be before it. */
  readonly prepared: 'before-naming' | 'after-naming' | undefined;
  /** Amounts in the remarks: "about 6 cups pitted" says it again, "less 2 tbsp" takes some off. */
  readonly amounts: readonly RemarkAmount[];
}

export interface RemarkAmount {
  /** As written, without the word before it. */
  readonly written: string;
  /** The same amount again, of one of several pieces; or more, or less of it. */
  readonly is: 'same' | 'each' | 'as-bought' | 'more' | 'less';
  /** The form it was measured in, where the remark says one: "about 2 quarts whole". */
  readonly form?: Form;
}

export type NameProblemCode = 'no-ingredient' | AroundProblemCode;

/** A name that is not understood; its message and guesses are worked out where they are shown. */
export interface UnreadName {
  readonly ok: false;
  readonly code: NameProblemCode;
  readonly text: string;
  /** The words that are the trouble; the whole text where no one word is. */
  readonly words: string;
  /** The foods it names, where it is more than one. */
  readonly foods: readonly Ingredient[];
}

interface Span extends Meaning {
  readonly from: number;
  readonly to: number;
  readonly misspelling?: string;
}

/** Foods whose own flavour is named before them: "raspberry vinegar", "plum brandy". */
const FLAVOURED: ReadonlySet<string> = new Set(['acid', 'sweetener', 'juice', 'pectin']);
const isFlavoured = ({ category, id }: Ingredient): boolean =>
  FLAVOURED.has(category) || ['liqueur', 'fresh-herb', 'gelatin'].includes(id);

/** A juice or zest that has a row of its own, by the fruit it is of. */
const JUICES: Readonly<Record<string, string>> = {
  lemon: 'lemon-juice-fresh',
  orange: 'orange-juice',
  apple: 'apple-juice',
  grape: 'grape-juice',
  cranberry: 'cranberry-juice',
  pineapple: 'pineapple-juice',
  grapefruit: 'grapefruit-juice',
  pomegranate: 'pomegranate-juice',
};
const ZESTS: Readonly<Record<string, string>> = { lemon: 'lemon-zest', lime: 'lemon-zest' };
/** The fruit that a juice of its own row is pressed from: "2 tbsp lemon juice (about 1 lemon)". */
const PRESSED_FROM: ReadonlyMap<string, ReadonlySet<Ingredient>> = new Map(
  [...Object.values(JUICES), ...Object.values(ZESTS)].map((row) => [
    row,
    new Set(
      [...Object.entries(JUICES), ...Object.entries(ZESTS)].flatMap(([fruit, its]) => {
        const ingredient = its === row ? ingredientById(fruit) : undefined;
        return ingredient ? [ingredient] : [];
      }),
    ),
  ]),
);
const NO_FRUIT: ReadonlySet<Ingredient> = new Set();

/** Whether a word is known around foods: it is then no slip in the name of one. */
const isKnownWord = (word: string): boolean => entryOf([word]) !== undefined || isNumber(word);

/** The foods in these words, of the longest phrases: in "sugar-free" there is none. */
const foodsIn = (words: readonly string[]): Span[] =>
  piecesOf(words).flatMap(({ from, to, food }) => (food ? [{ ...food, from, to }] : []));

/** Whether a text names a food, whatever else it says. */
export const namesFood = (text: string): boolean => foodsIn(wordsOf(text)).length > 0;

/** A misspelt food among these words, the longest phrase first. */
function misspeltIn(words: readonly string[]): Span | undefined {
  for (let n = Math.min(3, words.length); n > 0; n--)
    for (let from = 0; from + n <= words.length; from++) {
      const phrase = words.slice(from, from + n);
      if (phrase.every(isKnownWord)) continue;
      const guess = misspelled(phrase);
      if (guess) return { ...guess.meaning, from, to: from + n, misspelling: phrase.join(' ') };
    }
  return undefined;
}

/** A stretch of a text between its marks. */
interface Segment {
  readonly raw: string;
  readonly words: readonly string[];
  /** After a slash, which offers a choice. */
  readonly isAfterSlash: boolean;
}

/** A text by its stretches: the one that names the food, and those that say something of it. */
interface Parts {
  readonly head: Segment;
  readonly before: readonly Segment[];
  readonly after: readonly Segment[];
  /** Words written with a capital, in lower case: perhaps a brand. */
  readonly capitals: ReadonlySet<string>;
}

const MARKS = /([,;]|\s[-–—]+\s|:(?!\d)|[()[\]{}]|(?<!\d)\/|\/(?!\d)|[.!?](?:\s|$)|[*†•])/;

function segmentsOf(text: string): Segment[] {
  const pieces = text.split(MARKS);
  return pieces.flatMap((raw, i) => {
    const words = i % 2 === 0 ? wordsOf(raw) : [];
    return words.length === 0
      ? []
      : [{ raw: raw.trim(), words, isAfterSlash: pieces[i - 1] === '/' }];
  });
}

function partsOf(text: string): Parts {
  const asides: string[] = [];
  const open = text.replace(/[([{]([^()[\]{}]*)[)\]}]/g, (_, inside: string) => {
    asides.push(inside);
    return ' ';
  });
  const segments = segmentsOf(open);
  const headAt = Math.max(
    segments.findIndex(({ words }) => foodsIn(words).length > 0 || !words.every(isKnownWord)),
    0,
  );
  const isShouted = text === text.toUpperCase();
  const capitals = isShouted ? [] : (text.match(/\b\p{Lu}[\p{L}’'-]+/gu) ?? []).flatMap(wordsOf);
  return {
    head: segments[headAt] ?? { raw: '', words: [], isAfterSlash: false },
    before: segments.slice(0, headAt),
    after: [...segments.slice(headAt + 1), ...asides.flatMap(segmentsOf)],
    capitals: new Set(capitals),
  };
}

const unread = (
  code: NameProblemCode,
  text: string,
  foods: readonly Ingredient[] = [],
  words = text,
): UnreadName => ({ ok: false, code, text: text.trim(), words: words.trim(), foods });

/** The food that is meant, with the flavours named before a vinegar or a spirit. */
interface Head {
  readonly span: Span;
  readonly flavours: readonly Span[];
}

/** Which food the naming part is about: the first, or the last of several that run on. */
function headOf(words: readonly string[], text: string): Head | UnreadName {
  const foods = foodsIn(words);
  const slip = slipIn(words, foods);
  const [first, second] = slip ? [slip] : foods;
  if (!first) return unread('unknown-ingredient', text);
  if (!second || slip) return { span: first, flavours: [] };
  const run = foods.filter(
    (each, i) => i === 0 || words.slice(foods[i - 1]?.to, each.from).every(isHarmlessWord),
  );
  const last = run.at(-1) ?? first;
  return run.length === foods.length && last !== first && isFlavoured(last.ingredient)
    ? { span: last, flavours: run.slice(0, -1) }
    : { span: first, flavours: [] };
}

const isHarmlessWord = (word: string): boolean =>
  [...(entryOf([word])?.classes ?? [])].some((name) => HARMLESS.has(name));

/** A food with a slip in it; "vanila extract" too, whose second word alone is another food. */
function slipIn(words: readonly string[], foods: readonly Span[]): Span | undefined {
  const inFoods = (i: number): boolean => foods.some(({ from, to }) => from <= i && i < to);
  const strange = words.findIndex((word, i) => !inFoods(i) && !isKnownWord(word));
  if (strange === -1 || (words[strange]?.length ?? 0) < LEAST_TYPO_LETTERS) return undefined;
  const span = misspeltIn(words);
  if (!span || strange < span.from || strange >= span.to) return undefined;
  return foods.every(({ from, to }) => from >= span.from && to <= span.to) ? span : undefined;
}

/** "bing sweet cherries", "john downie crab apples": a variety apart from its noun. */
function isVarietyBeside(
  { ingredient, to }: Span,
  word: string,
  words: readonly string[],
): boolean {
  const at = words.indexOf(word);
  const noun = words[to - 1] ?? '';
  const names = [[word], words.slice(Math.max(at - 1, 0), at + 1), words.slice(at, at + 2)];
  return names.some(
    (name) => name.length > 0 && meaningOf([...name, noun])?.ingredient === ingredient,
  );
}

/** "2:1" on a pack of jam sugar. */
const isPackRatio = ({ id }: Ingredient, word: string): boolean =>
  id.startsWith('jam-sugar') && /^[123][:+]1$/.test(word);

/** A name of a maker beside a pectin or a sugar says nothing of what it is. */
const isBrandBeside = (
  { category, id }: Ingredient,
  word: string,
  capitals: ReadonlySet<string>,
): boolean =>
  (category === 'pectin' || category === 'sweetener' || id === 'liqueur' || id === 'gelatin') &&
  capitals.has(word);

/**
 * "peaches (white)", "pears, Asian", "cherries (Morello)": a word elsewhere that, with the noun as
 * it was written, names another row or a variety.
 */
function byKind(
  meaning: Meaning,
  noun: string,
  words: readonly string[],
  /** Whether the food was named by more than its noun, as "crab apples": a word may then only name its variety. */
  isSpecific = false,
): Meaning {
  for (const word of words)
    for (const phrase of [
      [word, noun],
      [word, 'fleshed', noun],
    ]) {
      const kind = meaningOf(phrase);
      if (!kind) continue;
      if (kind.ingredient !== meaning.ingredient) {
        if (isSpecific) continue;
        return kind;
      }
      if (kind.variety !== undefined && meaning.variety === undefined) return kind;
    }
  return meaning;
}

/** How hard an acid class is on the verdict, kindest first. */
const STRICTNESS = ['neutral', 'acid', 'seasoning', 'borderline', 'low-acid', 'refused'] as const;
const strictness = ({ acidClass }: Ingredient): number => STRICTNESS.indexOf(acidClass);

/**
 * The row that a variety written beside an ingredient selects, where it is a stricter one: "white"
 * of nectarines, "Asian (nashi)" of pears, "garden huckleberry" of bilberries.
 */
export function stricterKind(ingredient: Ingredient, variety: string): Ingredient {
  const words = wordsOf(variety);
  const kinds = [
    byKind({ ingredient }, ingredient.name[0].split(' ').at(-1) ?? '', words).ingredient,
    ...foodsIn(words).map((food) => food.ingredient),
  ];
  return kinds.reduce((a, b) => (strictness(b) > strictness(a) ? b : a), ingredient);
}

/** The form that is said; of several the first of the table, as "crushed" counts before "pitted". */
function formIn(words: readonly string[], allowed: (form: Form) => boolean): Form | undefined {
  const said = new Set(piecesOf(words).map(({ entry }) => entry?.form));
  return FORM_WORDS.find(([form]) => said.has(form) && allowed(form))?.[0];
}

function ripenessIn(words: readonly string[]): Ripeness | undefined {
  const text = ` ${words.join(' ')} `;
  return RIPENESS_WORDS.find(([, phrases]) =>
    phrases.some((phrase) => text.includes(` ${phrase} `)),
  )?.[0];
}

const JAM_SUGARS: Readonly<Record<string, string>> = {
  1: 'jam-sugar',
  2: 'jam-sugar-two-to-one',
  3: 'jam-sugar-three-to-one',
};

/** The row of a jam sugar by the ratio on its pack, a dried herb, a juice with a row of its own. */
function ownRow(
  ingredient: Ingredient,
  words: readonly string[],
  form: Form | undefined,
): Ingredient {
  const row = (id: string | undefined): Ingredient =>
    (id === undefined ? undefined : ingredientById(id)) ?? ingredient;
  if (ingredient.id.startsWith('jam-sugar')) {
    const ratio = words.map((word) => /^([123])[:+]1$/.exec(word)?.[1]).find(Boolean);
    return row(ratio === undefined ? undefined : JAM_SUGARS[ratio]);
  }
  if (ingredient.id === 'fresh-herb' && words.includes('dried')) return row('dried-herb');
  const isBottled = words.includes('bottled') && !words.includes('fresh');
  if (ingredient.id === 'lemon-juice-fresh' && isBottled) return row('lemon-juice-bottled');
  if (ingredient.id === 'lime' && form === 'juice' && isBottled) return row('lime-juice-bottled');
  if (form === 'juice') return row(JUICES[ingredient.id]);
  if (form === 'zest') return row(ZESTS[ingredient.id]);
  return ingredient;
}

/** Understands a name as `readName` does, without words for what is wrong. */
export function nameIn(text: string): NamedIngredient | UnreadName {
  const words = wordsOf(text);
  const exact = meaningOf(words);
  if (exact) return named(exact, exact.ingredient.usualForm);
  if (words.length === 0) return unread('no-ingredient', '');
  const strengths = strengthsIn(text);
  const parts = partsOf(strengths.rest);
  const head = headOf(parts.head.words, text);
  if ('ok' in head) return head;
  const noun = parts.head.words[head.span.to - 1] ?? '';
  const said = [...parts.before, parts.head, ...parts.after].flatMap((each) =>
    each === parts.head ? aroundSpan(each.words, head.span) : untilJoined(each.words),
  );
  const kind = byKind(head.span, noun, said, head.span.to - head.span.from > 1);
  const weak = strengths.found.find((strength) => !isUsualStrength(kind.ingredient, strength));
  if (weak) return unread('changed', text, [kind.ingredient], weak.written);
  return readRemarks(parts, head, kind, text);
}

/** The words before "for", "in", "or": what follows says nothing of the kind. */
function untilJoined(words: readonly string[]): readonly string[] {
  const at = words.findIndex((word) => {
    const classes = entryOf([word])?.classes;
    return classes?.has('containment') || classes?.has('alternative') || classes?.has('negation');
  });
  return at === -1 ? words : words.slice(0, at);
}

const aroundSpan = (words: readonly string[], { from, to }: Span): readonly string[] => [
  ...words.slice(0, from),
  ...words.slice(to),
];

/** Reads every segment by the grammar of remarks; the first that is not understood decides. */
function readRemarks(
  parts: Parts,
  head: Head,
  kind: Meaning,
  text: string,
): NamedIngredient | UnreadName {
  const segments = [...parts.before, parts.head, ...parts.after];
  const { span, flavours } = head;
  const context: Context = {
    ingredient: kind.ingredient,
    own: new Set([
      span.ingredient,
      kind.ingredient,
      ...flavours.map(({ ingredient }) => ingredient),
    ]),
    pressedFrom: PRESSED_FROM.get(kind.ingredient.id) ?? NO_FRUIT,
    all: new Set(segments.flatMap(({ words }) => words)),
    capitals: parts.capitals,
    isOfName: (word) =>
      (parts.head.words.indexOf(word) < span.from &&
        parts.head.words.includes(word) &&
        isBrandBeside(span.ingredient, word, parts.capitals)) ||
      isPackRatio(span.ingredient, word) ||
      isVarietyBeside(span, word, parts.head.words) ||
      meaningOf([word, parts.head.words[span.to - 1] ?? ''])?.ingredient === kind.ingredient,
  };
  const counting = new Map<Segment, readonly string[]>();
  const amounts: RemarkAmount[] = [];
  for (const segment of segments) {
    const isHead = segment === parts.head;
    const amount = isHead ? undefined : amountIn(segment, context);
    if (amount) {
      amounts.push(amount);
      continue;
    }
    const reading = readAround(segment.words, {
      ...context,
      ...(isHead && {
        span: { from: span.from, to: span.to, food: span, isContinued: parts.before.length > 0 },
      }),
    });
    if (!reading.ok) {
      const { code, foods, words } = reading.problem;
      const isChoice = segment.isAfterSlash && code === 'two-ingredients';
      return unread(isChoice ? 'alternative' : code, text, [kind.ingredient, ...foods], words);
    }
    counting.set(segment, reading.words);
  }
  const own = parts.head.words.slice(span.from, span.to);
  const around = [...parts.before, parts.head].flatMap((each) => counting.get(each) ?? []);
  const after = parts.after.flatMap((each) => counting.get(each) ?? []);
  return complete(kind, span, without(around, own), after, amounts);
}

/** Words without the run that names the food. */
function without(words: readonly string[], run: readonly string[]): readonly string[] {
  const at = words.findIndex((_, i) => run.every((word, j) => words[i + j] === word));
  return at === -1 ? words : [...words.slice(0, at), ...words.slice(at + run.length)];
}

const REMARK_AMOUNT =
  /^(net|gross|total|from|or|=|~|plus|\+|and|less|minus)?\s*((?:about|approx\w*\.?|around|roughly|ca\.?|circa)?\s*(?:\d|[¼-¾⅐-⅞]).*)$/i;
const MEANT: Readonly<Record<string, RemarkAmount['is']>> = {
  gross: 'as-bought',
  from: 'as-bought',
  net: 'as-bought',
  plus: 'more',
  '+': 'more',
  less: 'less',
  minus: 'less',
};

/** A remark that is an amount of the food: "about 6 cups pitted", "net 1 kg", "less 2 tbsp". */
function amountIn({ raw }: Segment, context: Context): RemarkAmount | undefined {
  const [, word = '', written = ''] = REMARK_AMOUNT.exec(raw) ?? [];
  const reading = written === '' ? undefined : readAmount(written);
  if (!reading?.ok || reading.amount.unit.kind === 'part') return undefined;
  // A bare number may be anything: "about 30" is a count, "40 of 100" is not.
  const isBare = reading.amount.unit.kind === 'piece' && !namesFood(reading.rest);
  if (isBare && (!reading.amount.approximate || /\d/.test(reading.rest))) return undefined;
  const isEach = /^\W*each\b/i.test(reading.rest);
  const own = new Set([...context.own, ...context.pressedFrom]);
  if (!readAround(wordsOf(reading.rest), { ...context, own }).ok) return undefined;
  const form = formIn(wordsOf(reading.rest), (each) =>
    knownForms(context.ingredient).includes(each),
  );
  const is = isEach ? 'each' : (MEANT[word.toLowerCase()] ?? 'same');
  return { written, is, ...(form && { form }) };
}

const named = (
  { ingredient, variety }: Meaning,
  form: Form,
  more: Partial<NamedIngredient> = {},
): NamedIngredient => ({
  ok: true,
  ingredient,
  form,
  packed: false,
  prepared: undefined,
  amounts: [],
  ...(variety !== undefined && { variety }),
  ...more,
});

function complete(
  kind: Meaning,
  { misspelling }: Span,
  around: readonly string[],
  after: readonly string[],
  amounts: readonly RemarkAmount[],
): NamedIngredient {
  const words = [...around, ...after];
  const grown = isProduce(kind.ingredient);
  const forms = new Set(knownForms(kind.ingredient));
  const said = formIn(
    words,
    (form) => forms.has(form) || (form === 'zest' && kind.ingredient.id in ZESTS),
  );
  const ingredient = ownRow(kind.ingredient, words, grown ? said : undefined);
  const form = formOf(ingredient, kind.ingredient, said);
  const ripeness = grown ? ripenessIn(words) : undefined;
  const waste = said !== undefined && WASTE_FORMS.has(said);
  const saidBefore = formIn(around, (each) => each === said) !== undefined;
  const whenSaid = saidBefore ? 'before-naming' : 'after-naming';
  return named({ ingredient, ...(kind.variety !== undefined && { variety: kind.variety }) }, form, {
    packed: words.includes('packed'),
    prepared: waste ? whenSaid : undefined,
    ...(ripeness && { ripeness }),
    ...(misspelling !== undefined && { misspelling }),
    amounts,
  });
}

/** The form that was said where the ingredient has it; "halved" berries stay as they are. */
function formOf(ingredient: Ingredient, fruit: Ingredient, said: Form | undefined): Form {
  if (said === undefined || ingredient !== fruit) return ingredient.usualForm;
  const own = Object.keys(ingredient.gramsPerCup);
  if (WASTE_FORMS.has(said) && !own.includes(said)) return ingredient.usualForm;
  if (!isProduce(ingredient)) return own.includes(said) ? said : ingredient.usualForm;
  return said;
}
