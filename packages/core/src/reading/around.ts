import { isProduce, type Ingredient } from '../produce/index.js';
import { findUnit } from '../quantity/index.js';
import { DENIED, KNOWN_WITH_A_SLIP, LINKS, ROW_WORDS, type Link } from './english/links.js';
import { OWN_PARTS } from './english/parts.js';
import { HARMLESS, type WordClass } from './english/word-classes.js';
import { LEAST_TYPO_LETTERS, slipsBetween, type Meaning } from './lexicon.js';
import { entryOf, isNumber, isOf, piecesBetween, piecesOf, type Piece } from './phrases.js';

/** Why the words around a food may make it another food, part, strength or amount. */
export type AroundProblemCode =
  /** A second food is in it: "raspberries in cream", "incl. 300 g banana". */
  | 'two-ingredients'
  /** One or the other: "peaches or bananas". */
  | 'alternative'
  /** A part of the plant that is another food: "rhubarb leaves", "peach pits". */
  | 'part'
  /** It was changed, or is made of the food: "diluted", "mouldy", "jam". */
  | 'changed'
  /** Something is denied that cannot simply be left out. */
  | 'negated'
  /** Tinned in syrup or water, and not said to be drained. */
  | 'in-liquid'
  /** Says that something is mixed in, without saying what. */
  | 'contains'
  /** A number that belongs to nothing that is known. */
  | 'number'
  /** A word that is in no table. */
  | 'unknown-ingredient';

export interface AroundProblem {
  readonly code: AroundProblemCode;
  /** The words that are the trouble, as they are compared. */
  readonly words: string;
  readonly foods: readonly Ingredient[];
}

/** What the words of one segment are read against. */
export interface Context {
  readonly ingredient: Ingredient;
  /** Foods that are this one: itself, the row its kind has, a flavour named before a vinegar. */
  readonly own: ReadonlySet<Ingredient>;
  /** The fruit that a juice is pressed from: it may be counted, and is no other food there. */
  readonly pressedFrom: ReadonlySet<Ingredient>;
  /** All words of the line, for what is said of it elsewhere: "in juice … drained". */
  readonly all: ReadonlySet<string>;
  /** The words of this segment that name the food; undefined in a remark. */
  readonly span?: {
    readonly from: number;
    readonly to: number;
    readonly food: Meaning;
    /** Whether words of the name stand before a comma: "peeled, cored, and chopped pears". */
    readonly isContinued: boolean;
  };
  /** Whether a word belongs to the name: a variety apart from its noun, a maker of pectin. */
  readonly isOfName: (word: string) => boolean;
  /** Words written with a capital, in lower case. */
  readonly capitals: ReadonlySet<string>;
}

/** The words of a segment that say something of the food, or what is wrong with the segment. */
export type AroundReading =
  | { readonly ok: true; readonly words: readonly string[] }
  | { readonly ok: false; readonly problem: AroundProblem };

/** Where a rule leaves off: how many pieces it read, and which of their words count. */
interface Step {
  readonly read: number;
  /** Instead of the words as they stand. */
  readonly words?: readonly string[];
}

interface Rule {
  readonly code: string;
  /** @returns undefined where the rule does not apply */
  readonly read: (
    pieces: readonly Piece[],
    at: number,
    context: Context,
  ) => Step | Fault | undefined;
}

interface Fault {
  readonly fault: AroundProblemCode;
  /** How many pieces are named as the trouble. */
  readonly pieces?: number;
}

const fault = (code: AroundProblemCode, pieces = 1): Fault => ({ fault: code, pieces });
const dropped = (read: number): Step => ({ read, words: [] });

const isHarmless = (piece: Piece | undefined): boolean =>
  piece?.entry !== undefined && [...piece.entry.classes].some((name) => HARMLESS.has(name));
const isForm = (piece: Piece | undefined): boolean =>
  piece?.entry?.form !== undefined || piece?.entry?.ripeness !== undefined;
const isDryGoods = (piece: Piece | undefined, { ingredient }: Context): boolean =>
  isOf(piece, 'dry-goods') && !isProduce(ingredient);
const numberPiece = (piece: Piece | undefined): boolean =>
  piece !== undefined && (piece.words.every(isNumber) || isOf(piece, 'number'));
const ownFood = (piece: Piece | undefined, { own }: Context): boolean =>
  piece?.food !== undefined && own.has(piece.food.ingredient);
const otherFood = (piece: Piece | undefined, context: Context): boolean =>
  piece?.food !== undefined && !ownFood(piece, context);

/** The first piece from `at` that none of the tests holds for. */
function runOf(
  pieces: readonly Piece[],
  at: number,
  ...tests: readonly ((piece: Piece) => boolean)[]
): number {
  const onward = pieces.slice(at).findIndex((piece) => !tests.some((test) => test(piece)));
  return onward === -1 ? pieces.length : at + onward;
}
const are =
  (...classes: readonly WordClass[]) =>
  (piece: Piece): boolean =>
    isOf(piece, ...classes);

const isLink = (piece: Piece | undefined, link: Link): boolean =>
  piece !== undefined && LINKS[link].has(piece.text);

const isPart = (piece: Piece): boolean => piece.entry?.part !== undefined;
/** A run of parts: "seeds and pith", "the stalks, leaves". */
const partsEnd = (pieces: readonly Piece[], at: number): number => {
  const end = runOf(pieces, at, isPart, are('connector', 'article', 'quality', 'size'));
  return pieces.slice(at, end).some(isPart) ? end : at;
};

const anotherStays = (pieces: readonly Piece[], { ingredient }: Context): boolean =>
  pieces.some(
    ({ entry }) =>
      entry?.part?.staysIn === 'another' && !OWN_PARTS[ingredient.id]?.includes(entry.part.id),
  );
const partStays = (parts: readonly Piece[], read: number, context: Context): Step | Fault => {
  if (anotherStays(parts, context)) return fault('part', read);
  const isAsBought = parts.some(({ entry }) => entry?.part?.staysIn === 'as-bought');
  return { read, words: isAsBought ? ['as', 'bought'] : [] };
};

/** "stones removed", "seeds and pith discarded", "removed stones". */
const partTakenOut: Rule = {
  code: 'part-taken-out',
  read: (pieces, at) => {
    const end = partsEnd(pieces, at);
    if (end === at) return undefined;
    const after = runOf(pieces, end, are('removal'), are('manner', 'connector', 'article'));
    return pieces.slice(end, after).some(are('removal')) ? dropped(after - at) : undefined;
  },
};

/** "reserve the pips", "discard the stalks". */
const takeOutPart: Rule = {
  code: 'take-out-part',
  read: (pieces, at) => {
    if (!isLink(pieces[at], 'takeOut')) return undefined;
    const start = runOf(pieces, at + 1, are('article'));
    const end = partsEnd(pieces, start);
    return end > start && !isOf(pieces[end], 'stays') ? dropped(end - at) : undefined;
  },
};

/** "washed, then dried" is dry outside; "dried" alone is dried fruit. */
const towelDried: Rule = {
  code: 'towel-dried',
  read: (pieces, at) =>
    isLink(pieces[at], 'dried') && pieces.slice(0, at).some((piece) => isLink(piece, 'washed'))
      ? dropped(1)
      : undefined,
};

/** "with a fork", "using a potato masher". */
const withTool: Rule = {
  code: 'with-tool',
  read: (pieces, at) => {
    if (!isLink(pieces[at], 'using')) return undefined;
    const start = runOf(pieces, at + 1, are('article', 'quality', 'size'));
    return isOf(pieces[start], 'tool') ? dropped(start + 1 - at) : undefined;
  },
};

/** "without stones", "no seeds", "stripped from their stalks". */
const withoutPart: Rule = {
  code: 'without-part',
  read: (pieces, at) => {
    const isFrom = isLink(pieces[at], 'from') && isLink(pieces[at - 1], 'takenFrom');
    if (!isFrom && !isLink(pieces[at], 'without')) return undefined;
    const start = runOf(pieces, at + 1, are('article'));
    const end = partsEnd(pieces, start);
    return end > start ? dropped(end - at) : undefined;
  },
};

/** "with their leaves", "stems on". */
const partLeftOn: Rule = {
  code: 'part-left-on',
  read: (pieces, at, context) => {
    const isWith = isLink(pieces[at], 'with');
    const start = isWith ? runOf(pieces, at + 1, are('article')) : at;
    const end = partsEnd(pieces, start);
    if (end === start) return undefined;
    const after = runOf(pieces, end, are('stays'));
    return isWith || after > end
      ? partStays(pieces.slice(start, end), after - at, context)
      : undefined;
  },
};

/** "mint leaves", "rhubarb stalks": the part is the food. */
const partIsFood: Rule = {
  code: 'part-is-food',
  read: (pieces, at, { ingredient }) => {
    const part = pieces[at]?.entry?.part;
    return part && OWN_PARTS[ingredient.id]?.includes(part.id) ? { read: 1 } : undefined;
  },
};

/** "rhubarb leaves", "peach pits", and a part alone that is not said to be taken out. */
const partIsAnother: Rule = {
  code: 'part-is-another',
  read: (pieces, at) => {
    const piece = pieces[at];
    return piece && isPart(piece) && !isForm(piece) ? fault('part') : undefined;
  },
};

/** "not bottled", "not peeled", "never frozen". */
const denied: Rule = {
  code: 'denied',
  read: (pieces, at, context) => {
    if (!isOf(pieces[at], 'negation')) return undefined;
    const end = runOf(pieces, at + 1, are('manner', 'article', 'connector'));
    const what = pieces[end];
    const phrase = pieces
      .slice(at + 1, end + 1)
      .flatMap(({ words }) => words)
      .join(' ');
    const known = DENIED[phrase] ?? DENIED[what?.text ?? ''];
    if (known) return { read: end + 1 - at, words: known };
    const isSimple =
      what && (isForm(what) || isHarmless(what) || isOf(what, 'changed')) && !what.food;
    if (!isSimple || isLink(pieces[at], 'replacing'))
      return otherFood(what, context) ? fault('negated', end + 1 - at) : fault('negated');
    return dropped(end + 1 - at);
  },
};

/** "cut into 2 cm pieces", "in thick slices", "1 inch cubes". */
const cut: Rule = {
  code: 'cut',
  read: (pieces, at) => {
    const isInto = isLink(pieces[at], 'into');
    if (!isInto && !numberPiece(pieces[at])) return undefined;
    const start = isInto ? at + 1 : at;
    const end = runOf(
      pieces,
      start,
      (piece) => numberPiece(piece) || piece.entry?.form !== undefined,
      are('length', 'size', 'manner', 'article', 'cutting', 'quality'),
    );
    const inside = pieces.slice(start, end);
    const isCut = isInto
      ? inside.some(are('cutting'))
      : inside.some(are('length')) && end - start > 1;
    return isCut ? dropped(end - at) : undefined;
  },
};

/** "soaked for 12 hours", "2 days old". */
const duration: Rule = {
  code: 'duration',
  read: (pieces, at) => {
    const start = runOf(pieces, at, (piece) => isLink(piece, 'lasting'));
    if (!numberPiece(pieces[start])) return undefined;
    const numbers = runOf(pieces, start, numberPiece, (piece) => isLink(piece, 'range'));
    const end = runOf(pieces, numbers, are('time'));
    return end > numbers ? dropped(end - at) : undefined;
  },
};

/** "for the pan", "to reduce foaming", "for colour": to the end of the segment. */
const purpose: Rule = {
  code: 'purpose',
  read: (pieces, at) => {
    if (!isLink(pieces[at], 'purpose')) return undefined;
    const end = runOf(pieces, at + 1, are('purpose', 'article', 'manner', 'connector', 'remark'));
    return end > at + 1 &&
      end === pieces.length &&
      pieces.slice(at + 1).some(are('purpose', 'remark'))
      ? dropped(end - at)
      : undefined;
  },
};

/** "in juice" is of the fruit; syrup and water are poured off, or asked about. */
const inLiquid: Rule = {
  code: 'in-liquid',
  read: (pieces, at, { all }) => {
    if (!isLink(pieces[at], 'tinnedIn')) return undefined;
    const start = runOf(pieces, at + 1, are('article', 'quality'));
    const liquid = pieces[start];
    if (!isOf(liquid, 'liquid')) return undefined;
    const after = runOf(pieces, start, are('liquid', 'connector', 'article'));
    const isPouredOff = all.has('drained') && !all.has('not');
    const isOwn = liquid?.words.at(-1) === 'juice';
    return isPouredOff || isOwn ? dropped(after - at) : fault('in-liquid', after - at);
  },
};

/** "from the garden", "in a jar". */
const origin: Rule = {
  code: 'origin',
  read: (pieces, at) => {
    if (!isLink(pieces[at], 'comingFrom')) return undefined;
    const start = runOf(pieces, at + 1, are('article', 'quality'));
    return isOf(pieces[start], 'origin') ? dropped(start + 1 - at) : undefined;
  },
};

/** "see note 1", "step 3". */
const reference: Rule = {
  code: 'reference',
  read: (pieces, at) =>
    isLink(pieces[at], 'reference') && numberPiece(pieces[at + 1]) ? dropped(2) : undefined,
};

/** "juice from about 3 lemons": the food itself, counted before its juice was. */
const fromItself: Rule = {
  code: 'from-itself',
  read: (pieces, at, context) => {
    if (!isLink(pieces[at], 'from')) return undefined;
    const isItself = (piece: Piece): boolean =>
      ownFood(piece, context) ||
      (piece.food !== undefined && context.pressedFrom.has(piece.food.ingredient));
    const end = runOf(
      pieces,
      at + 1,
      numberPiece,
      (piece) => isItself(piece) || isWeightOrVolume(piece.text),
      are('article', 'size', 'quality', 'packaging'),
    );
    return pieces.slice(at + 1, end).some((piece) => isItself(piece) || numberPiece(piece)) &&
      end === pieces.length
      ? dropped(end - at)
      : undefined;
  },
};
const isWeightOrVolume = (text: string): boolean => {
  const kind = findUnit(text)?.kind;
  return kind === 'mass' || kind === 'volume';
};

/** "such as Bramley or Granny Smith": names of kinds, to the end of the segment. */
const exampleKinds: Rule = {
  code: 'example',
  read: (pieces, at, context) => {
    if (!isOf(pieces[at], 'example')) return undefined;
    const end = runOf(
      pieces,
      at + 1,
      (piece) =>
        ownFood(piece, context) ||
        (isHarmless(piece) && !isOf(piece, 'made', 'changed')) ||
        isForm(piece) ||
        piece.words.every((word) => context.isOfName(word) || context.capitals.has(word)),
      are('connector', 'alternative', 'example'),
    );
    return end === pieces.length && end > at + 1 ? { read: end - at } : undefined;
  },
};

/** What is made of the food, named behind it: "strawberry jam", "plum sauce". */
const madeOfIt: Rule = {
  code: 'made-of-it',
  read: (pieces, at, context) =>
    context.span !== undefined &&
    (pieces[at]?.from ?? 0) >= context.span.to &&
    isOf(pieces[at], 'made') &&
    !isDryGoods(pieces[at], context)
      ? fault('changed')
      : undefined,
};

const food: Rule = {
  code: 'food',
  read: (pieces, at, context) => {
    const piece = pieces[at];
    if (!piece?.food) return undefined;
    if (ownFood(piece, context)) return { read: 1 };
    // "large" is no ice, and "ground" no coffee: words that are a food and something said of one.
    return isForm(piece) || isHarmless(piece) ? { read: 1 } : fault('two-ingredients');
  },
};

/** Words of the food's own name, and of how it was prepared; "dried" in "washed and dried" is no form. */
const ofTheFood: Rule = {
  code: 'of-the-food',
  read: (pieces, at, context) => {
    const piece = pieces[at];
    if (!piece) return undefined;
    if (isForm(piece)) return { read: 1 };
    if (!isHarmless(piece) && !isDryGoods(piece, context)) return undefined;
    const isPhrase = piece.words.length > 1 && !/packed/.test(piece.text);
    return isPhrase ? dropped(1) : { read: 1 };
  },
};

const either: Rule = {
  code: 'alternative',
  read: (pieces, at, context) => {
    if (!isOf(pieces[at], 'alternative')) return undefined;
    const before = pieces[at - 1];
    const next = runOf(pieces, at + 1, are('article', 'manner'));
    const after = pieces[next];
    if (!after) return at > 0 ? fault('alternative') : undefined;
    if (ownFood(after, context)) return { read: 1 };
    const isSame = (piece: Piece): boolean => isHarmless(piece) && !piece.food && !isForm(piece);
    const isOneOf = (words: readonly string[]): boolean =>
      words.some((word) => ROW_WORDS.has(word));
    if (
      isSame(after) &&
      (!before || isSame(before)) &&
      !isOneOf([...after.words, ...(before?.words ?? [])])
    )
      return { read: 1 };
    if (isForm(after) && before && isForm(before) && after.entry?.form === before.entry?.form)
      return { read: 1 };
    return fault('alternative', next + 1 - at);
  },
};
/** A name that begins with "or", "and" or "with" goes on from something that was not read. */
const loose: Rule = {
  code: 'loose',
  read: (pieces, at, { span }) =>
    at === 0 &&
    span !== undefined &&
    span.from > 0 &&
    !span.isContinued &&
    isOf(pieces[at], 'alternative', 'connector', 'containment', 'negation') &&
    !isHarmless(pieces[at])
      ? fault(isOf(pieces[at], 'alternative') ? 'alternative' : 'contains')
      : undefined,
};

const joined: Rule = {
  code: 'joined',
  read: (pieces, at, context) => {
    if (!isOf(pieces[at], 'connector')) return undefined;
    const next = runOf(pieces, at + 1, are('article', 'manner', 'size', 'quality', 'state'));
    if (otherFood(pieces[next], context) && !isForm(pieces[next]))
      return fault('two-ingredients', next + 1 - at);
    return { read: 1 };
  },
};

const changedFood: Rule = {
  code: 'changed',
  read: (pieces, at) => (isOf(pieces[at], 'changed', 'made') ? fault('changed') : undefined),
};

const contained: Rule = {
  code: 'contained',
  read: (pieces, at, context) => {
    if (
      !isOf(
        pieces[at],
        'containment',
        'example',
        'purpose',
        'stays',
        'removal',
        'cutting',
        'length',
        'time',
        'origin',
        'liquid',
      )
    )
      return undefined;
    const other = pieces.slice(at).some((piece) => otherFood(piece, context));
    return fault(other ? 'two-ingredients' : 'contains', other ? pieces.length - at : 1);
  },
};

const number: Rule = {
  code: 'number',
  read: (pieces, at) => (numberPiece(pieces[at]) ? fault('number') : undefined),
};

/** A variety apart from its noun, a maker's name, a slip in a word of preparation. */
const ofTheName: Rule = {
  code: 'of-the-name',
  read: (pieces, at, { isOfName }) =>
    pieces[at]?.words.every((word) => isOfName(word) || isSlip(word)) ? { read: 1 } : undefined,
};

/** In the order they are tried; the first that applies holds. */
const RULES: readonly Rule[] = [
  loose,
  madeOfIt,
  partTakenOut,
  takeOutPart,
  towelDried,
  withoutPart,
  withTool,
  partLeftOn,
  cut,
  duration,
  purpose,
  inLiquid,
  origin,
  fromItself,
  exampleKinds,
  reference,
  denied,
  partIsFood,
  food,
  either,
  joined,
  ofTheFood,
  partIsAnother,
  changedFood,
  ofTheName,
  contained,
  number,
];

const isSlip = (word: string): boolean =>
  word.length >= LEAST_TYPO_LETTERS &&
  entryOf([word]) === undefined &&
  KNOWN_WITH_A_SLIP.some((known) => known[0] === word[0] && slipsBetween(word, known, 1) <= 1);

/**
 * Reads the words around a food, or of a remark on it: every one must belong to a phrase whose
 * rule allows it.
 *
 * @returns the words that say something of the food, or the first that may make it another
 */
export function readAround(words: readonly string[], context: Context): AroundReading {
  const pieces = piecesWith(words, context);
  const counting: string[] = [];
  for (let at = 0; at < pieces.length;) {
    const step = firstStep(pieces, at, context);
    if ('fault' in step) {
      const named = pieces.slice(at, at + (step.pieces ?? 1));
      return {
        ok: false,
        problem: {
          code: step.fault,
          words: named.flatMap((piece) => piece.words).join(' '),
          foods: pieces
            .slice(at)
            .flatMap((piece) =>
              otherFood(piece, context) && piece.food ? [piece.food.ingredient] : [],
            ),
        },
      };
    }
    counting.push(
      ...(step.words ?? pieces.slice(at, at + step.read).flatMap((piece) => piece.words)),
    );
    at += step.read;
  }
  return { ok: true, words: counting };
}

/** The pieces of a segment, the food's name as one. */
function piecesWith(words: readonly string[], { span }: Context): readonly Piece[] {
  const pieces = piecesOf(words);
  if (!span || pieces.some((piece) => isName(piece, span))) return pieces;
  // A slip in the name is no phrase of the tables.
  const { from, to, food } = span;
  return [
    ...piecesBetween(words, 0, from),
    { from, to, words: words.slice(from, to), text: words.slice(from, to).join(' '), food },
    ...piecesBetween(words, to, words.length),
  ];
}

const isName = ({ from, to, food }: Piece, span: NonNullable<Context['span']>): boolean =>
  food !== undefined && from === span.from && to === span.to;

function firstStep(pieces: readonly Piece[], at: number, context: Context): Step | Fault {
  for (const rule of RULES) {
    const step = rule.read(pieces, at, context);
    if (step) return step;
  }
  return fault('unknown-ingredient');
}
