import {
  ingredientById,
  isProduce,
  knownForms,
  type Form,
  type Ingredient,
  type Ripeness,
} from '../produce/index.js';
import {
  longestPhrase,
  meaningOf,
  misspelled,
  ingredientsLike,
  slipsBetween,
  type Meaning,
} from './lexicon.js';
import {
  FORM_WORDS,
  MADE_FOODS,
  PLAIN_WORDS,
  REMARK_WORDS,
  RIPENESS_WORDS,
  WASTE_FORMS,
} from './vocabulary.js';
import { stem, wordsOf } from './words.js';

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
  /** A choice of which the first was taken: "walnuts or pecans". */
  readonly insteadOf?: string;
}

export type NameProblemCode = 'no-ingredient' | 'unknown-ingredient' | 'two-ingredients';

/** A name that is not understood; its message and guesses are worked out where they are shown. */
export interface UnreadName {
  readonly ok: false;
  readonly code: NameProblemCode;
  readonly text: string;
  /** The foods it names, where it is more than one. */
  readonly foods: readonly Ingredient[];
}

export type NameReading =
  | NamedIngredient
  | {
      readonly ok: false;
      readonly code: NameProblemCode;
      readonly message: string;
      readonly guesses: readonly Ingredient[];
    };

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

const PREPARATION_WORDS: ReadonlySet<string> = new Set(
  [...FORM_WORDS, ...RIPENESS_WORDS].flatMap(([, phrases]) => phrases.flatMap(wordsOf)),
);

const isPlain = (word: string): boolean =>
  PREPARATION_WORDS.has(word) ||
  PLAIN_WORDS.has(word) ||
  PLAIN_WORDS.has(stem(word)) ||
  /^[\d:+%.]+$/.test(word);

/** The food in these words, longest phrase first, then what is left and right of it. */
function foodsIn(words: readonly string[], from = 0, to = words.length): Span[] {
  for (let n = Math.min(longestPhrase(), to - from); n > 0; n--) {
    const starts = Array.from({ length: to - from - n + 1 }, (_, i) => from + i);
    const found = starts
      .flatMap((start) => {
        const meaning = meaningOf(words.slice(start, start + n));
        return meaning ? [{ ...meaning, from: start, to: start + n }] : [];
      })
      .toSorted((a, b) => lettersOf(words, b) - lettersOf(words, a))[0];
    if (found) return [...foodsIn(words, from, found.from), found, ...foodsIn(words, found.to, to)];
  }
  return [];
}

const lettersOf = (words: readonly string[], { from, to }: Span): number =>
  words.slice(from, to).join('').length;

/** A misspelt food among these words, the longest phrase first. */
function misspeltIn(words: readonly string[]): Span | undefined {
  for (let n = Math.min(3, words.length); n > 0; n--)
    for (let from = 0; from + n <= words.length; from++) {
      const phrase = words.slice(from, from + n);
      if (phrase.every(isPlain)) continue;
      const guess = misspelled(phrase);
      if (guess) return { ...guess.meaning, from, to: from + n, misspelling: phrase.join(' ') };
    }
  return undefined;
}

/** Long preparation words may be misspelt too: "choped", "peled". */
function isMisspeltPlain(word: string): boolean {
  if (word.length < 5) return false;
  for (const known of PLAIN_WORDS)
    if (known.length >= 5 && known[0] === word[0] && slipsBetween(word, known, 1) <= 1) return true;
  return false;
}

/** A line's words by where they stand: the part that names the food, and what is said around it. */
interface Parts {
  readonly head: readonly string[];
  readonly before: readonly (readonly string[])[];
  readonly after: readonly (readonly string[])[];
  /** Words written with a capital, in lower case: perhaps a brand. */
  readonly capitals: ReadonlySet<string>;
}

function partsOf(text: string): Parts {
  const asides: string[] = [];
  const open = text.replace(/[([{]([^()[\]{}]*)[)\]}]/g, (_, inside: string) => {
    asides.push(inside);
    return ' ';
  });
  const segments = open
    .split(/[,;]|\s[-–—]\s|:(?!\d)|[()[\]{}]|\/(?!\d)|\.(?:\s|$)|[*†•]/)
    .map(wordsOf)
    .filter(({ length }) => length > 0);
  const headAt = Math.max(
    segments.findIndex((words) => foodsIn(words).length > 0 || !words.every(isPlain)),
    0,
  );
  const capitals = (text.match(/\b\p{Lu}[\p{L}’'-]+/gu) ?? []).flatMap(wordsOf);
  return {
    head: segments[headAt] ?? [],
    before: segments.slice(0, headAt),
    after: [...segments.slice(headAt + 1), ...asides.map(wordsOf)],
    capitals: new Set(capitals),
  };
}

interface Head {
  readonly span: Span;
  /** Words of the head around the food. */
  readonly around: readonly string[];
  readonly insteadOf?: string;
}

const unread = (
  code: NameProblemCode,
  text: string,
  foods: readonly Ingredient[] = [],
): UnreadName => ({ ok: false, code, text: text.trim(), foods });

/** Most ingredients worth offering for a name. */
const MOST_GUESSES = 3;

/** Known ingredients whose names are like what was written, nearest first. */
export const similarIngredients = (text: string): Ingredient[] =>
  ingredientsLike(
    wordsOf(text).filter((word) => !isPlain(word)),
    MOST_GUESSES,
  );

/** What is wrong with a name, in words, and the known names nearest to it. */
export function explained({ code, text, foods }: UnreadName): NameReading & { ok: false } {
  if (code === 'no-ingredient')
    return {
      ok: false,
      code,
      message: 'no ingredient; write a fruit, sugar, acid or water',
      guesses: [],
    };
  if (code === 'two-ingredients')
    return {
      ok: false,
      code,
      message: `"${text}" names ${foods.map(({ name }) => name[1]).join(' and ')}; write a line for each`,
      guesses: foods,
    };
  const guesses = similarIngredients(text);
  const hint =
    guesses.length === 0
      ? 'write a fruit, sugar, acid or water'
      : `did you mean ${guesses.map((guess) => `"${guess.id}"`).join(' or ')}?`;
  return { ok: false, code, message: `unknown ingredient "${text}"; ${hint}`, guesses };
}

/** Which food the naming part is about. */
function headOf(parts: Parts, text: string): Head | UnreadName {
  const { head: words } = parts;
  const foods = foodsIn(words);
  const misspelt = foods.length === 0 ? misspeltIn(words) : undefined;
  const all = misspelt ? [misspelt] : foods;
  const [first] = all;
  if (!first) return unread('unknown-ingredient', text);
  const remarkAt = words.findIndex((word, i) => i >= first.to && REMARK_WORDS.has(word));
  const end = remarkAt === -1 ? words.length : remarkAt;
  const said = all.filter(({ from }) => from < end);
  const chosen = chooseFood(words, said);
  if ('ok' in chosen) return chosen;
  const around = [...words.slice(0, chosen.span.from), ...words.slice(chosen.span.to, chosen.end)];
  const beforeEnd = [
    ...words.slice(0, chosen.span.from),
    ...words.slice(chosen.span.to, Math.min(chosen.end, end)),
  ].filter((word) => !said.some(({ from, to }) => words.slice(from, to).includes(word)));
  const slip = retried(words, beforeEnd, parts);
  if (slip) return slip;
  const made = beforeEnd.find((word) => MADE_FOODS.has(word) && !isPlain(word));
  const strange = beforeEnd.find(
    (word) =>
      !isPlain(word) &&
      !isMisspeltPlain(word) &&
      !isBrandBeside(chosen.span, word, parts.capitals) &&
      !isVarietyBeside(chosen.span, word, words),
  );
  if (made !== undefined || strange !== undefined) return unread('unknown-ingredient', text);
  return {
    span: chosen.span,
    around,
    ...(chosen.insteadOf !== undefined && { insteadOf: chosen.insteadOf }),
  };
}

/** "vanila extract": a word not known beside a food may be a slip in one longer name. */
function retried(
  words: readonly string[],
  around: readonly string[],
  { capitals }: Parts,
): Head | undefined {
  const strange = around.find((word) => !isPlain(word) && !isMisspeltPlain(word));
  if (strange === undefined || MADE_FOODS.has(strange) || capitals.has(strange)) return undefined;
  const span = misspeltIn(words);
  if (!span || !words.slice(span.from, span.to).includes(strange)) return undefined;
  const rest = [...words.slice(0, span.from), ...words.slice(span.to)];
  return rest.every(isPlain) ? { span, around: rest } : undefined;
}

/** "bing sweet cherries", "john downie crab apples": a variety apart from its noun. */
function isVarietyBeside(
  { ingredient, to }: Span,
  word: string,
  words: readonly string[],
): boolean {
  const at = words.indexOf(word);
  const noun = words[to - 1] ?? '';
  const names = [[word], words.slice(at - 1, at + 1), words.slice(at, at + 2)];
  return names.some(
    (name) => name.length > 0 && meaningOf([...name, noun])?.ingredient === ingredient,
  );
}

/** A name of a maker beside a pectin or a sugar says nothing of what it is. */
const isBrandBeside = (
  { ingredient }: Span,
  word: string,
  capitals: ReadonlySet<string>,
): boolean =>
  (ingredient.category === 'pectin' ||
    ingredient.category === 'sweetener' ||
    ingredient.id === 'liqueur' ||
    ingredient.id === 'gelatin') &&
  capitals.has(word);

/** Of several foods named together, the one that is meant. */
function chooseFood(
  words: readonly string[],
  said: readonly Span[],
): { span: Span; end: number; insteadOf?: string } | UnreadName {
  const [first, second] = said;
  if (!first) return unread('no-ingredient', '');
  if (!second) return { span: first, end: words.length };
  const between = words.slice(first.to, second.from);
  if (between.includes('or'))
    return {
      span: first,
      end: first.to,
      insteadOf: words.slice(second.from, second.to).join(' '),
    };
  const last = said.at(-1) ?? second;
  if (said.every(({ ingredient }) => ingredient === first.ingredient))
    return { span: first, end: words.length };
  if (!between.includes('and') && isFlavoured(last.ingredient))
    return { span: last, end: words.length };
  return unread(
    'two-ingredients',
    words.join(' '),
    said.map(({ ingredient }) => ingredient),
  );
}

/**
 * "peaches (white)", "pears, Asian", "cherries (Morello)": a word elsewhere that, with the noun as
 * it was written, names another row or a variety.
 */
function byKind(meaning: Meaning, noun: string, words: readonly string[]): Meaning {
  for (const word of words)
    for (const phrase of [
      [word, noun],
      [word, 'fleshed', noun],
    ]) {
      const kind = meaningOf(phrase);
      if (!kind) continue;
      if (kind.ingredient !== meaning.ingredient) return kind;
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

function formIn(words: readonly string[], allowed: (form: Form) => boolean): Form | undefined {
  const text = ` ${words.join(' ')} `;
  return FORM_WORDS.find(
    ([form, phrases]) => allowed(form) && phrases.some((phrase) => text.includes(` ${phrase} `)),
  )?.[0];
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

/**
 * Understands what an ingredient was called: "damsons, pitted", "washed, hulled and quartered
 * strawberries", "lemon juice, strained", "Seville oranges", "choped rasberries", an id.
 *
 * Every word of the part that names the food must be known: one that is neither an ingredient nor
 * said of one makes the line not understood, since it may mean another food ("custard apple"). Of the
 * remarks around it only another known food does. Misspellings are taken where one
 * candidate is clear.
 *
 * @returns the ingredient, its form (its usual one unless named), variety and ripeness, or what was
 * not understood with the nearest known ingredients
 */
export function readName(text: string): NameReading {
  const name = nameIn(text);
  return name.ok ? name : explained(name);
}

/** The same without words for what is wrong, for a reader that tries several ways. */
export function nameIn(text: string): NamedIngredient | UnreadName {
  const words = wordsOf(text);
  const exact = meaningOf(words);
  if (exact) return named(exact, exact.ingredient.usualForm);
  if (words.length === 0) return unread('no-ingredient', '');
  const parts = partsOf(text);
  const head = headOf(parts, text);
  if ('ok' in head) return head;
  const around = [...parts.before.flat(), ...head.around];
  const after = parts.after.flat();
  const kind = byKind(head.span, parts.head[head.span.to - 1] ?? '', [
    ...around,
    ...parts.after.flatMap(untilRemark),
  ]);
  return strangeFood(parts, head.span, kind) ?? complete(kind, head, around, after);
}

const untilRemark = (words: readonly string[]): readonly string[] => {
  const at = words.findIndex((word) => REMARK_WORDS.has(word) || word === 'to' || word === 'the');
  return at === -1 ? words : words.slice(0, at);
};

/** What adds a food in brackets: "(and 1 banana)". Other numbers there say the amount again. */
const ADDS = /^(?:and|plus|with|including)$/;

/** A food in the parts around the name that is not of it, and not only remarked on: "in rum". */
function strangeFood(
  { before, after }: Parts,
  { ingredient }: Span,
  kind: Meaning,
): UnreadName | undefined {
  const own = new Set([ingredient, kind.ingredient]);
  for (const words of [...before, ...after]) {
    if (words.some((word) => /\d/.test(word)) && !ADDS.test(words[0] ?? '')) continue;
    const food = foodsIn(words).find(
      (each) => !own.has(each.ingredient) && !words.slice(each.from, each.to).every(isPlain),
    );
    if (!food || words.slice(0, food.from).some((word) => REMARK_WORDS.has(word))) continue;
    return unread('two-ingredients', words.join(' '), [ingredient, food.ingredient]);
  }
  return undefined;
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
  ...(variety !== undefined && { variety }),
  ...more,
});

function complete(
  kind: Meaning,
  head: Head,
  around: readonly string[],
  after: readonly string[],
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
    ...(head.span.misspelling !== undefined && { misspelling: head.span.misspelling }),
    ...(head.insteadOf !== undefined && { insteadOf: head.insteadOf }),
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
