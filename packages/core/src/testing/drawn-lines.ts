import { faker } from '@faker-js/faker/locale/en';

/**
 * Lines of recipes drawn by rule, with the truth of each: what a cook would weigh. The words are
 * written for this file or taken from an open table of food names, never from the reader's tables.
 */
export interface DrawnLine {
  readonly text: string;
  readonly measures: Country;
  /** Ids that name the food; several where two rows mean the same to a cook. */
  readonly ids: readonly string[];
  readonly grams: number;
  /** Share by which the grams may be off: nothing for a weight, a cup is filled as it is. */
  readonly tolerance: number;
  /** What was put in that makes it another food, part, strength or amount; undefined where clean. */
  readonly poison?: string;
}

type Country = 'us' | 'uk' | 'australian';
/** Draws a whole number from zero up to, and without, `below`. */
export type Draw = (below: number) => number;

interface Food {
  readonly ids: readonly string[];
  readonly one: string;
  readonly many: string;
  /** Grams a US cup of it, filled as a cook does; from memory of USDA household measures. */
  readonly cup_g?: number;
  /** Grams of a usual piece, as prepared. Common practice. */
  readonly each_g?: number;
  readonly is:
    'berry' | 'stone-fruit' | 'pome' | 'citrus' | 'stalk' | 'sweet' | 'liquid' | 'acid' | 'pantry';
}

const food = (
  is: Food['is'],
  ids: string,
  one: string,
  many: string,
  cup_g?: number,
  each_g?: number,
): Food => ({
  is,
  ids: ids.split('|'),
  one,
  many,
  ...(cup_g !== undefined && { cup_g }),
  ...(each_g !== undefined && { each_g }),
});

const FOODS: readonly Food[] = [
  food('berry', 'strawberry', 'strawberry', 'strawberries', 150),
  food('berry', 'raspberry', 'raspberry', 'raspberries', 125),
  food('berry', 'blackberry', 'blackberry', 'blackberries', 144),
  food('berry', 'blueberry', 'blueberry', 'blueberries', 148),
  food('berry', 'gooseberry', 'gooseberry', 'gooseberries', 150),
  food('berry', 'blackcurrant', 'blackcurrant', 'blackcurrants', 112),
  food('berry', 'redcurrant', 'redcurrant', 'redcurrants', 112),
  food('berry', 'cranberry', 'cranberry', 'cranberries', 100),
  food('berry', 'grape', 'grape', 'grapes', 151),
  food('berry', 'mulberry', 'mulberry', 'mulberries', 140),
  food('stone-fruit', 'plum', 'plum', 'plums', undefined, 62),
  food('stone-fruit', 'damson', 'damson', 'damsons'),
  food('stone-fruit', 'apricot', 'apricot', 'apricots', undefined, 35),
  food('stone-fruit', 'peach', 'peach', 'peaches', undefined, 130),
  food('stone-fruit', 'nectarine', 'nectarine', 'nectarines', undefined, 130),
  food('stone-fruit', 'sour-cherry', 'sour cherry', 'sour cherries', 155),
  food('stone-fruit', 'sour-cherry', 'Morello cherry', 'Morello cherries', 155),
  food('pome', 'tart-apple', 'cooking apple', 'cooking apples', undefined, 150),
  food('pome', 'tart-apple', 'Bramley apple', 'Bramley apples', undefined, 150),
  food('pome', 'pear', 'pear', 'pears', undefined, 145),
  food('pome', 'pear', 'Conference pear', 'Conference pears', undefined, 145),
  food('pome', 'quince', 'quince', 'quinces', undefined, 170),
  food('pome', 'crab-apple', 'crab apple', 'crab apples'),
  food('citrus', 'bitter-orange', 'Seville orange', 'Seville oranges', undefined, 140),
  food('citrus', 'orange', 'orange', 'oranges', undefined, 150),
  food('citrus', 'lemon', 'lemon', 'lemons', undefined, 105),
  food('citrus', 'lime', 'lime', 'limes', undefined, 64),
  food('citrus', 'grapefruit', 'grapefruit', 'grapefruits', undefined, 250),
  food('stalk', 'rhubarb', 'rhubarb', 'rhubarb', 122),
  food('pome', 'fig', 'fig', 'figs', undefined, 50),
  food('pome', 'banana', 'banana', 'bananas', undefined, 118),
  food('sweet', 'white-sugar', 'sugar', 'sugar', 200),
  food('sweet', 'white-sugar', 'granulated sugar', 'granulated sugar', 200),
  food('sweet', 'caster-sugar', 'caster sugar', 'caster sugar', 205),
  food('sweet', 'honey', 'honey', 'honey', 339),
  food('sweet', 'maple-syrup', 'maple syrup', 'maple syrup', 315),
  food('liquid', 'water', 'water', 'water', 237),
  food('liquid', 'apple-juice', 'apple juice', 'apple juice', 248),
  food('liquid', 'orange-juice', 'orange juice', 'orange juice', 248),
  food('liquid', 'wine', 'red wine', 'red wine', 236),
  food('acid', 'cider-vinegar', 'cider vinegar', 'cider vinegar', 239),
  food('acid', 'wine-vinegar', 'white wine vinegar', 'white wine vinegar', 239),
  food('acid', 'lemon-juice-fresh', 'lemon juice', 'lemon juice', 244),
  food('acid', 'lemon-juice-bottled', 'bottled lemon juice', 'bottled lemon juice', 244),
  food('pantry', 'butter', 'butter', 'butter', 227),
  food('pantry', 'salt', 'salt', 'salt', 290),
  food('pantry', 'raisin', 'raisins', 'raisins', 150),
  food('pantry', 'ginger', 'fresh ginger', 'fresh ginger'),
];

const isFruit = ({ is }: Food): boolean =>
  ['berry', 'stone-fruit', 'pome', 'citrus', 'stalk'].includes(is);

interface DrawnAmount {
  readonly written: string;
  readonly grams: number;
  readonly kind: 'mass' | 'volume' | 'piece';
  readonly tolerance: number;
}

/** Millilitres of a measure, by country: NIST Handbook 44 and the UK Units of Measurement Regulations 1995. */
const ML: Readonly<
  Record<Country, Readonly<Record<'cup' | 'tbsp' | 'tsp' | 'pint' | 'floz', number>>>
> = {
  us: { cup: 236.588, tbsp: 14.787, tsp: 4.929, pint: 473.176, floz: 29.574 },
  uk: { cup: 250, tbsp: 15, tsp: 5, pint: 568.261, floz: 28.413 },
  australian: { cup: 250, tbsp: 20, tsp: 5, pint: 568.261, floz: 28.413 },
};
/** International avoirdupois pound: NIST Handbook 44. */
const POUND_G = 453.592;
/** Shares. A cup is filled as a hand fills it, a piece is as it grew; common practice, no source. */
const CUP_TOLERANCE = 0.16;
const PIECE_TOLERANCE = 0.2;

const of = <T>(draw: Draw, list: readonly T[]): T => {
  const one = list[draw(list.length)];
  if (one === undefined) throw new RangeError('nothing to draw from');
  return one;
};
const chance = (draw: Draw, percent: number): boolean => draw(100) < percent;

const FRACTIONS: readonly (readonly [written: readonly string[], value: number])[] = [
  [['1/2', '½', '0.5', 'half a'], 0.5],
  [['1/4', '¼', 'a quarter'], 0.25],
  [['3/4', '¾', '0.75'], 0.75],
  [['1 1/2', '1½', '1.5', 'one and a half'], 1.5],
  [['2 1/4', '2¼', '2.25'], 2.25],
];
const COUNTS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

function drawNumber(draw: Draw, most: number): readonly [written: string, value: number] {
  if (chance(draw, 30)) {
    const [written, value] = of(draw, FRACTIONS);
    return [of(draw, written.slice(0, 3)), value];
  }
  const value = 1 + draw(most);
  return [chance(draw, 15) ? (COUNTS[value - 1] ?? String(value)) : String(value), value];
}

function drawMass(draw: Draw): DrawnAmount {
  const weighed = (written: string, grams: number): DrawnAmount => ({
    written,
    grams,
    kind: 'mass',
    tolerance: 0.02,
  });
  const grams = 25 * (1 + draw(60));
  const [written, value] = drawNumber(draw, 5);
  const ounces = 1 + draw(15);
  return of(draw, [
    () => weighed(`${grams} g`, grams),
    () => weighed(`${grams}g`, grams),
    () => weighed(`${grams} grams`, grams),
    () => weighed(`${written} kg`, value * 1000),
    () => weighed(`${written} ${of(draw, ['kilo', 'kilos', 'kilogram'])}`, value * 1000),
    () => weighed(`${written} ${of(draw, ['lb', 'lbs', 'pounds', 'lb.'])}`, value * POUND_G),
    () => weighed(`${ounces} oz`, (ounces * POUND_G) / 16),
    () => weighed(`2 lb ${ounces} oz`, (2 + ounces / 16) * POUND_G),
  ])();
}

function drawVolume(draw: Draw, country: Country, cup_g: number, isLiquid: boolean): DrawnAmount {
  const ml = ML[country];
  const measured = (written: string, millilitres: number): DrawnAmount => ({
    written,
    grams: (millilitres / ML.us.cup) * cup_g,
    kind: 'volume',
    tolerance: CUP_TOLERANCE,
  });
  const [written, value] = drawNumber(draw, 8);
  const spoons = 1 + draw(6);
  const millilitres = 50 * (1 + draw(20));
  const cups = (): DrawnAmount =>
    measured(`${written} ${value > 1 ? 'cups' : 'cup'}`, value * ml.cup);
  const dry = [
    cups,
    cups,
    (): DrawnAmount =>
      measured(`${spoons} ${of(draw, ['tbsp', 'tablespoons', 'tbsps', 'Tbsp'])}`, spoons * ml.tbsp),
    (): DrawnAmount =>
      measured(`${spoons} ${of(draw, ['tsp', 'teaspoons', 'tsp.'])}`, spoons * ml.tsp),
  ];
  const wet = [
    (): DrawnAmount => measured(`${millilitres} ml`, millilitres),
    (): DrawnAmount => measured(`${millilitres}ml`, millilitres),
    (): DrawnAmount => measured(`${written} ${of(draw, ['litres', 'l', 'liters'])}`, value * 1000),
    (): DrawnAmount => measured(`${written} ${value > 1 ? 'pints' : 'pint'}`, value * ml.pint),
    (): DrawnAmount => measured(`${spoons * 2} fl oz`, spoons * 2 * ml.floz),
  ];
  return of(draw, isLiquid ? [...dry, ...wet] : dry)();
}

function drawAmount(draw: Draw, country: Country, food: Food): DrawnAmount {
  const isLiquid = food.is === 'liquid' || food.is === 'acid';
  if (food.each_g !== undefined && chance(draw, 30)) {
    const count = 2 + draw(10);
    const written = chance(draw, 20) ? (COUNTS[count - 1] ?? String(count)) : String(count);
    return { written, grams: count * food.each_g, kind: 'piece', tolerance: PIECE_TOLERANCE };
  }
  return food.cup_g !== undefined && chance(draw, 50)
    ? drawVolume(draw, country, food.cup_g, isLiquid)
    : drawMass(draw);
}

/** How a cook says what was done to it, which changes neither food nor weight. */
const DONE: Readonly<Record<Food['is'], readonly string[]>> = {
  berry: [
    'washed',
    'picked over',
    'rinsed and drained',
    'stalks removed',
    'fresh or frozen',
    'washed and patted dry',
    'without stems',
  ],
  'stone-fruit': [
    'halved and stoned',
    'stones removed',
    'pitted',
    'washed and halved',
    'pits discarded',
    'cut in half, stones taken out',
  ],
  pome: [
    'peeled and cored',
    'peeled, cored and chopped',
    'cut into 2 cm pieces',
    'cores discarded',
    'washed and quartered',
    'roughly chopped',
    'peel and cores removed',
  ],
  citrus: [
    'thinly sliced',
    'scrubbed',
    'washed and dried',
    'seeds removed',
    'halved',
    'pips discarded',
  ],
  stalk: [
    'trimmed and cut into chunks',
    'leaves discarded',
    'washed and sliced',
    'cut into 1 inch lengths',
  ],
  sweet: ['warmed', 'divided', 'or to taste'],
  liquid: ['cold', 'chilled', 'at room temperature'],
  acid: ['plus more to taste', 'or to taste'],
  pantry: ['optional', 'divided'],
};
/** Before the name. */
const KIND: Readonly<Record<Food['is'], readonly string[]>> = {
  berry: ['ripe', 'fresh', 'organic', 'large', 'very ripe', 'firm'],
  'stone-fruit': ['ripe', 'firm', 'large', 'just ripe', 'juicy'],
  pome: ['large', 'small', 'firm', 'unblemished', 'organic'],
  citrus: ['unwaxed', 'large', 'organic', 'juicy'],
  stalk: ['young', 'fresh', 'tender', 'trimmed'],
  sweet: ['organic', 'good quality'],
  liquid: ['cold', 'good'],
  acid: ['good quality'],
  pantry: ['good'],
};
const ASIDES = [
  'optional',
  'see note',
  'about right for one pan',
  'from the market',
  'if you like',
  'weighed after preparation',
];
const PURPOSES = ['for the jam', 'to taste', 'for the pan'];

/** Twenty ways to write a line; `amount`, `name` and what is said of it in their places. */
type Manner = (amount: string, name: string, said: string) => string;
const WITH_SAID: readonly Manner[] = [
  (amount, name, said) => `${amount} ${name}, ${said}`,
  (amount, name, said) => `${amount} ${name} (${said})`,
  (amount, name, said) => `${amount} of ${name}, ${said}`,
  (amount, name, said) => `- ${amount} ${name}, ${said}`,
  (amount, name, said) => `• ${amount} ${name} – ${said}`,
  (amount, name, said) => `${name}: ${amount}, ${said}`,
  (amount, name, said) => `${name}, ${said}: ${amount}`,
  (amount, name, said) => `${amount.toUpperCase()} ${name.toUpperCase()}, ${said.toUpperCase()}`,
  (amount, name, said) => `${amount} ${name}; ${said}`,
  (amount, name, said) => `[ ] ${amount} ${name}, ${said}`,
];
const PLAIN: readonly Manner[] = [
  (amount, name) => `${amount} ${name}`,
  (amount, name) => `${amount} of ${name}`,
  (amount, name) => `about ${amount} ${name}`,
  (amount, name) => `${name} (${amount})`,
  (amount, name) => `${name} ${amount}`,
  (amount, name) => `${name}: ${amount}`,
  (amount, name) => `${name} - ${amount}`,
  (amount, name) => `1) ${amount} ${name}`,
  (amount, name) => `**${amount}** ${name}`,
  (amount, name) => `For the jam: ${amount} ${name}`,
];
export const MANNERS = WITH_SAID.length + PLAIN.length;

/** Names of foods from an open table, as second foods. */
const { food: named } = faker.rawDefinitions;
const OTHER_FOODS: readonly string[] = [
  named?.ingredient,
  named?.fruit,
  named?.vegetable,
  named?.meat,
]
  .flatMap((names) => names ?? [])
  // No food by itself: the table has these cut short.
  .filter((name) => !/^(?:tinned|fruit|berry|berries)$/.test(name));
if (OTHER_FOODS.length === 0) throw new Error('the table of foods has none');
const stems = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-z]+/)
    .map((word) => word.replace(/(?:ies|es|s|y)$/, ''))
    .filter((word) => word.length > 2);
/** Pairs of names for one food, which are no second food. */
const SAME_FOOD: readonly (readonly [RegExp, RegExp])[] = [
  [/raisin/, /sultana|currant/],
  [/water/, /water/],
  [/cider vinegar|apple juice/, /apple|cider/],
  [/wine/, /wine|sherry/],
  [/sugar/, /sugar|molasses|syrup|gula/],
  [/honey|syrup/, /honey|syrup/],
  [/currant/, /currant/],
];
function otherFood(draw: Draw, { many, one }: Food): string {
  const own = new Set(stems(`${many} ${one}`));
  for (;;) {
    const other = of(draw, OTHER_FOODS);
    const isSame =
      stems(other).some((word) => own.has(word)) ||
      SAME_FOOD.some(
        ([a, b]) => (a.test(many) && b.test(other)) || (b.test(many) && a.test(other)),
      );
    if (!isSame) return other;
  }
}

/** Made-up words: no language has them. */
const SYLLABLES = ['vor', 'zim', 'quo', 'plaf', 'dru', 'wex', 'nog', 'tiv', 'skra', 'hul'];
const madeUp = (draw: Draw): string =>
  `${of(draw, SYLLABLES)}${of(draw, SYLLABLES)}${of(draw, SYLLABLES)}`;

interface Poison {
  readonly code: string;
  readonly suits: (food: Food) => boolean;
  /** The name and what is said of it, with the poison in one of them. */
  readonly into: (draw: Draw, food: Food, said: string) => { name?: string; said?: string };
}

const FOOD_NAMES_THAT_MEAN_ANOTHER = [
  'custard',
  'wood',
  'star',
  'rose',
  'love',
  'mountain',
  'sea',
  'monkey',
  'elephant',
  'water',
  'paper',
  'snake',
];

const POISONS: readonly Poison[] = [
  {
    code: 'second food',
    suits: () => true,
    into: (draw, food) => {
      const link = of(draw, [
        'with',
        'and',
        'mixed with',
        'including',
        'in',
        'plus some',
        'containing',
        'together with',
        'half',
        'topped with',
        'tossed in',
        'added to',
      ]);
      return { said: `${link} ${otherFood(draw, food)}` };
    },
  },
  {
    code: 'second food in the name',
    suits: () => true,
    into: (draw, food) => ({
      name: `${food.many} ${of(draw, ['and', 'with', '&', 'in', 'plus', '/', '+'])} ${otherFood(draw, food)}`,
    }),
  },
  {
    code: 'second food beside the preparation',
    suits: () => true,
    into: (draw, food, said) => ({ said: `${said}, with ${otherFood(draw, food)}` }),
  },
  {
    code: 'alternative',
    suits: () => true,
    into: (draw, food) => ({
      name: `${food.many} ${of(draw, ['or', 'or else', 'or other', 'or alternatively'])} ${otherFood(draw, food)}`,
    }),
  },
  {
    code: 'alternative in brackets',
    suits: () => true,
    into: (draw, food) => ({ said: `or ${otherFood(draw, food)}` }),
  },
  {
    code: 'part',
    suits: ({ is }) => ['berry', 'stone-fruit', 'pome', 'citrus'].includes(is),
    into: (draw, { one, ids }) => ({
      // The leaves of these have a row of their own.
      name: `${one} ${of(draw, [/fig|blackcurrant|grape|lime/.test(ids.join()) ? 'galls' : 'leaves', 'kernels', 'stems', 'stalks', 'roots', 'bark', 'seeds', 'cores', 'pips', 'shoots', 'twigs', 'flowers', 'buds', 'wood'])}`,
    }),
  },
  {
    code: 'part of rhubarb',
    suits: ({ is }) => is === 'stalk',
    into: (draw) => ({ name: `rhubarb ${of(draw, ['leaves', 'leaf', 'roots', 'flowers'])}` }),
  },
  {
    code: 'stones of stone fruit',
    suits: ({ is }) => is === 'stone-fruit',
    into: (draw, { one }) => ({ name: `${one} ${of(draw, ['pits', 'stones', 'kernels', 'pit'])}` }),
  },
  {
    code: 'parts stay in',
    suits: ({ is }) => ['berry', 'pome', 'citrus'].includes(is),
    into: (draw) => ({
      said: `${of(draw, ['with', 'including', 'with all the'])} ${of(draw, ['leaves', 'stems', 'stalks and leaves', 'twigs', 'flowers'])}`,
    }),
  },
  {
    code: 'not it',
    suits: () => true,
    into: (draw, food) => ({
      name: `${of(draw, ['no', 'not', 'instead of', 'anything but', 'neither', 'except'])} ${food.many}`,
    }),
  },
  {
    code: 'diluted',
    suits: ({ is }) => is === 'liquid' || is === 'acid',
    into: (draw) => ({
      said: of(draw, [
        'diluted',
        'watered down',
        'diluted 1:1',
        'mixed half and half with water',
        'let down with water',
        'weak',
      ]),
    }),
  },
  {
    code: 'spoiled',
    suits: isFruit,
    into: (draw, { many }) => ({
      name: `${of(draw, ['mouldy', 'rotten', 'fermented', 'fermenting', 'spoiled', 'moldy', 'slimy'])} ${many}`,
    }),
  },
  {
    code: 'weak or home-made acid',
    suits: ({ ids }) => ids.some((id) => id.endsWith('vinegar')),
    into: (draw, { one }) =>
      of(draw, [
        { name: `home-made ${one}` },
        { name: `homemade ${one}` },
        { said: '2 % acid' },
        { said: '1% acidity' },
        { said: '3 % acidity' },
        { name: `imitation ${one}` },
      ]),
  },
  {
    code: 'made of it',
    suits: isFruit,
    into: (draw, { one }) => ({
      name: `${one} ${of(draw, ['jam', 'syrup', 'pie filling', 'yoghurt', 'curd', 'cheese', 'ice cream', 'butter', 'chutney', 'cake', 'powder', 'bread', 'leather', 'soup', 'ketchup'])}`,
    }),
  },
  {
    code: 'another food by its first word',
    suits: ({ is }) => ['stone-fruit', 'pome', 'citrus'].includes(is),
    into: (draw, { many }) => ({ name: `${of(draw, FOOD_NAMES_THAT_MEAN_ANOTHER)} ${many}` }),
  },
  {
    code: 'free of itself',
    suits: ({ is }) => is === 'sweet',
    into: (draw, { many }) => ({
      name: `${of(draw, ['sugar-free', 'imitation', 'artificial', 'calorie-free'])} ${many}`,
    }),
  },
  {
    code: 'unknown word',
    suits: () => true,
    into: (draw, { many }) => ({ name: `${madeUp(draw)} ${many}` }),
  },
  {
    code: 'unknown word in a remark',
    suits: () => true,
    into: (draw, _food, said) => ({ said: `${said} and ${madeUp(draw)}` }),
  },
  {
    code: 'decoy number',
    suits: () => true,
    into: (draw) => ({
      said: of(draw, [
        'makes 6 jars',
        'times 3',
        'serves 4',
        'x 2',
        '3 of them spare',
        '40 of 100',
        'batch of 12',
        '50:50',
        'a third of which is spare',
      ]),
    }),
  },
];
export const POISON_CODES = POISONS.map(({ code }) => code);

/** Draws one line; every second one has a poison in it. */
export function drawLine(draw: Draw): DrawnLine {
  const measures = of(draw, ['us', 'uk', 'australian'] as const);
  const food = of(draw, FOODS);
  const amount = drawAmount(draw, measures, food);
  const { grams, tolerance } = amount;
  const name = food.many;
  const truth = { measures, ids: food.ids, grams, tolerance };
  if (chance(draw, 50)) {
    const poison = of(
      draw,
      POISONS.filter(({ suits }) => suits(food)),
    );
    const usual = of(draw, DONE[food.is]);
    const put = poison.into(draw, food, usual);
    const manner = put.said === undefined ? of(draw, PLAIN) : of(draw, WITH_SAID);
    return {
      ...truth,
      text: manner(amount.written, put.name ?? name, put.said ?? usual),
      poison: poison.code,
    };
  }
  const kind =
    chance(draw, 30) && amount.kind !== 'piece' ? `${of(draw, KIND[food.is])} ${name}` : name;
  if (chance(draw, 50)) return { ...truth, text: of(draw, PLAIN)(amount.written, kind, '') };
  const said = chance(draw, 15) ? of(draw, [...ASIDES, ...PURPOSES]) : of(draw, DONE[food.is]);
  return { ...truth, text: of(draw, WITH_SAID)(amount.written, kind, said) };
}
