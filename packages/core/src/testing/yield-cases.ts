import { lineFromText, type FormulaDocument } from '../formula/index.js';
import { documentOf } from './formula.js';

/** How a spread is made, as far as its yield goes: what a bias is looked for in. */
export type YieldKind =
  | 'boiled-down'
  | 'powdered-pectin'
  | 'liquid-pectin'
  | 'pound-for-pound'
  | 'marmalade'
  | 'butter'
  | 'other';

/** A published yield, in jars of one size. */
export interface YieldCase {
  readonly name: string;
  readonly kind: YieldKind;
  readonly document: FormulaDocument;
  readonly least: number;
  readonly most: number;
}

const RESTS: Readonly<Record<YieldKind, Partial<FormulaDocument>>> = {
  'boiled-down': {},
  'powdered-pectin': { method: 'powdered-pectin', finish: { type: 'hard-boil', minutes: 1 } },
  'liquid-pectin': { method: 'liquid-pectin', finish: { type: 'hard-boil', minutes: 1 } },
  'pound-for-pound': { jars: [{ size: '454-g' }], measures: 'uk' },
  marmalade: { kind: 'marmalade' },
  butter: { kind: 'fruit-butter', method: 'no-gel', finish: { type: 'consistency' } },
  other: {},
};

const yields = (
  kind: YieldKind,
  name: string,
  lines: string,
  [least, most]: readonly [number, number],
  rest: Partial<FormulaDocument> = {},
): YieldCase => {
  const habit = { measures: rest.measures ?? RESTS[kind].measures ?? 'us' } as const;
  return {
    name,
    kind,
    least,
    most,
    document: {
      ...documentOf([], { ...RESTS[kind], ...rest }),
      lines: lines.split('; ').map((line) => lineFromText(line, habit)),
    },
  };
};

const JELLY = { kind: 'jelly' } as const;
const jamSugar = { method: 'jam-sugar', finish: { type: 'hard-boil', minutes: 4 } } as const;

/**
 * Yields in half-pints, or in the jars named. The list was fixed before the model was run on it. All
 * from memory: [E] extension services, [N] the US National Center for Home Food Preservation and the
 * USDA Complete Guide, [B] the British ministry's bulletin on home preservation ("6 lb of sugar make 10
 * lb of jam"), [C] common practice, no source. A published count is whole jars that a cook rounded: a
 * count within half a jar of it is right.
 */
export const YIELD_CASES: readonly YieldCase[] = [
  yields('boiled-down', '[E] berry jam', '9 cups crushed blackberries; 6 cups sugar', [7, 8]),
  yields('boiled-down', '[E] strawberry jam', '9 cups crushed strawberries; 6 cups sugar', [7, 8]),
  yields('boiled-down', '[E] raspberry jam', '9 cups crushed raspberries; 6 cups sugar', [7, 8]),
  yields('boiled-down', '[E] gooseberry jam', '9 cups crushed gooseberries; 6 cups sugar', [7, 8]),
  yields(
    'boiled-down',
    '[C] raspberry jam to almost the setting point',
    '9 cups crushed raspberries; 6 cups sugar',
    [8, 8],
    { finish: { type: 'gel-temperature', rise: '7 F' } },
  ),
  yields(
    'boiled-down',
    '[E] apple jelly',
    '4 cups apple juice; 2 tbsp fresh lemon juice; 3 cups sugar',
    [4, 5],
    JELLY,
  ),
  yields(
    'boiled-down',
    '[E] blackberry jelly',
    '8 cups blackberry juice; 6 cups sugar',
    [7, 8],
    JELLY,
  ),
  yields('boiled-down', '[E] plum jelly', '4 cups plum juice; 3 cups sugar', [4, 5], JELLY),
  yields(
    'boiled-down',
    '[E] grape jelly',
    '4 cups slip-skin grape juice; 3 cups sugar',
    [4, 5],
    JELLY,
  ),
  yields(
    'boiled-down',
    '[N] crab apple jelly',
    '4 cups crab apple juice; 4 cups sugar',
    [5, 6],
    JELLY,
  ),
  yields(
    'boiled-down',
    '[N] quince jelly',
    '3 3/4 cups quince juice; 1/3 cup bottled lemon juice; 3 cups sugar',
    [4, 4],
    JELLY,
  ),
  yields(
    'boiled-down',
    '[N] apricot jam',
    '8 cups crushed apricots; 1/4 cup bottled lemon juice; 6 cups sugar',
    [8, 9],
  ),
  yields(
    'boiled-down',
    '[N] apricot jam, the small one',
    '4 1/4 cups crushed apricots; 2 tbsp bottled lemon juice; 4 cups sugar',
    [5, 6],
  ),
  yields(
    'boiled-down',
    '[N] peach jam',
    '5 3/4 cups crushed peaches; 2 tbsp bottled lemon juice; 4 1/2 cups sugar',
    [6, 7],
  ),
  yields(
    'boiled-down',
    '[N] strawberry preserves',
    '6 cups hulled strawberries; 4 1/2 cups sugar',
    [4, 4],
    { kind: 'conserve' },
  ),
  yields(
    'boiled-down',
    '[C] tart berries and sugar 1 : 1 with 400 ml water',
    '1 kg redcurrants; 1 kg sugar; 400 ml water; 24 g fresh lemon juice',
    [5.4, 5.9],
  ),
  yields(
    'boiled-down',
    '[C] a pound of sugar to a pound of fruit',
    '4 lb raspberries; 4 lb sugar',
    [10, 11],
  ),
  yields(
    'boiled-down',
    '[N] cranberry conserve',
    '1 orange, chopped; 2 cups water; 3 cups sugar; 4 cups cranberries; 1/2 cup raisins; 1/2 cup nuts',
    [4, 4],
    { kind: 'conserve' },
  ),
  yields(
    'powdered-pectin',
    '[N] strawberry jam',
    '5 1/2 cups crushed strawberries; 1 box powdered pectin; 8 cups sugar',
    [9, 10],
  ),
  yields(
    'powdered-pectin',
    '[N] berry jam',
    '6 cups crushed blackberries; 1 box powdered pectin; 8 1/2 cups sugar',
    [11, 12],
  ),
  yields(
    'powdered-pectin',
    '[N] raspberry jam',
    '5 cups crushed raspberries; 1 box powdered pectin; 7 cups sugar',
    [8, 8],
  ),
  yields(
    'powdered-pectin',
    '[N] apricot jam',
    '5 cups crushed apricots; 1/4 cup bottled lemon juice; 1 box powdered pectin; 7 cups sugar',
    [8, 9],
  ),
  yields(
    'powdered-pectin',
    '[N] peach jam',
    '3 3/4 cups crushed peaches; 1/2 cup bottled lemon juice; 1 box powdered pectin; 5 cups sugar',
    [6, 6],
  ),
  yields(
    'powdered-pectin',
    '[N] plum jam',
    '6 cups crushed plums; 1/2 cup water; 1/4 cup bottled lemon juice; 1 box powdered pectin; 8 cups sugar',
    [9, 9],
  ),
  yields(
    'powdered-pectin',
    '[N] pear jam',
    '4 cups crushed pears; 2 tbsp bottled lemon juice; 1 box powdered pectin; 5 cups sugar',
    [6, 7],
  ),
  yields(
    'powdered-pectin',
    '[N] sour cherry jam',
    '4 cups chopped sour cherries; 1 box powdered pectin; 4 3/4 cups sugar',
    [6, 6],
  ),
  yields(
    'powdered-pectin',
    '[N] sweet cherry jam',
    '4 cups chopped sweet cherries; 1/4 cup bottled lemon juice; 1 box powdered pectin; 5 cups sugar',
    [6, 6],
  ),
  yields(
    'powdered-pectin',
    '[N] gooseberry jam',
    '5 1/2 cups crushed gooseberries; 1 box powdered pectin; 7 cups sugar',
    [8, 9],
  ),
  yields(
    'powdered-pectin',
    '[N] strawberry and rhubarb jam',
    '1 cup rhubarb puree; 2 1/2 cups crushed strawberries; 1 box powdered pectin; 6 1/2 cups sugar',
    [7, 7],
  ),
  yields(
    'powdered-pectin',
    '[N] strawberry and kiwi jam',
    '3 cups crushed strawberries; 3 kiwis; 1 tbsp bottled lemon juice; 1 box powdered pectin; 5 cups sugar',
    [6, 6],
  ),
  yields(
    'powdered-pectin',
    '[N] spiced tomato jam',
    '3 cups crushed tomatoes; 1/4 cup bottled lemon juice; 1 box powdered pectin; 4 1/2 cups sugar',
    [5, 5],
  ),
  yields(
    'powdered-pectin',
    '[N] apple conserve',
    '4 1/2 cups chopped apples; 1/4 cup water; 1/4 cup bottled lemon juice; 1/2 cup raisins; 1 box powdered pectin; 5 1/2 cups sugar; 1/2 cup nuts',
    [6, 7],
    { kind: 'conserve' },
  ),
  yields(
    'powdered-pectin',
    '[N] cherry jelly',
    '3 1/2 cups sour cherry juice; 1 box powdered pectin; 4 1/2 cups sugar',
    [5, 6],
    JELLY,
  ),
  yields(
    'powdered-pectin',
    '[E] grape jelly',
    '5 cups slip-skin grape juice; 1 box powdered pectin; 7 cups sugar',
    [8, 9],
    JELLY,
  ),
  yields(
    'powdered-pectin',
    '[N] grape and plum jelly',
    '3 1/2 cups plum juice; 3 cups slip-skin grape juice; 8 1/2 cups sugar; 1 box powdered pectin',
    [10, 10],
    JELLY,
  ),
  yields(
    'powdered-pectin',
    '[N] apple jelly',
    '5 cups apple juice; 1 box powdered pectin; 7 cups sugar',
    [7, 8],
    JELLY,
  ),
  yields(
    'powdered-pectin',
    '[N] plum jelly',
    '5 cups plum juice; 1 box powdered pectin; 7 cups sugar',
    [7, 8],
    JELLY,
  ),
  yields(
    'powdered-pectin',
    '[N] elderberry jelly',
    '3 cups elderberry juice; 1/4 cup bottled lemon juice; 1 box powdered pectin; 4 1/2 cups sugar',
    [5, 6],
    JELLY,
  ),
  yields(
    'powdered-pectin',
    '[N] currant jelly',
    '6 1/2 cups redcurrant juice; 1 box powdered pectin; 7 cups sugar',
    [8, 9],
    JELLY,
  ),
  yields(
    'powdered-pectin',
    '[C] low-sugar strawberry jam',
    '6 cups crushed strawberries; 1 box low-sugar pectin; 3 cups sugar',
    [7, 8],
  ),
  yields(
    'liquid-pectin',
    '[N] blueberry jam',
    '4 1/2 cups crushed blueberries; 2 tbsp bottled lemon juice; 7 cups sugar; 2 pouches liquid pectin',
    [8, 9],
  ),
  yields(
    'liquid-pectin',
    '[N] fig jam',
    '4 cups crushed figs; 1/2 cup bottled lemon juice; 7 1/2 cups sugar; 1 pouch liquid pectin',
    [9, 9],
  ),
  yields(
    'liquid-pectin',
    '[N] pear and apple jam',
    '2 cups chopped pears; 1 cup chopped apples; 1/3 cup bottled lemon juice; 6 1/2 cups sugar; 2 pouches liquid pectin',
    [7, 8],
  ),
  yields(
    'liquid-pectin',
    '[N] pineapple jam',
    '2 1/2 cups crushed pineapple; 3 tbsp bottled lemon juice; 3 1/4 cups sugar; 1 pouch liquid pectin',
    [4, 5],
  ),
  yields(
    'liquid-pectin',
    '[N] strawberry and rhubarb jelly',
    '3 1/2 cups strawberry juice; 6 cups sugar; 2 pouches liquid pectin',
    [7, 7],
    JELLY,
  ),
  yields(
    'liquid-pectin',
    '[N] strawberry jelly',
    '4 cups strawberry juice; 7 1/2 cups sugar; 2 pouches liquid pectin',
    [8, 8],
    JELLY,
  ),
  yields(
    'liquid-pectin',
    '[N] blackberry jelly',
    '4 cups blackberry juice; 7 1/2 cups sugar; 2 pouches liquid pectin',
    [8, 9],
    JELLY,
  ),
  yields(
    'liquid-pectin',
    '[N] grape jelly',
    '4 cups slip-skin grape juice; 7 cups sugar; 1 pouch liquid pectin',
    [8, 9],
    JELLY,
  ),
  yields(
    'liquid-pectin',
    '[N] plum jelly',
    '4 cups plum juice; 7 1/2 cups sugar; 1 pouch liquid pectin',
    [7, 8],
    JELLY,
  ),
  yields(
    'liquid-pectin',
    '[N] peach jelly',
    '3 1/2 cups peach juice; 1/2 cup bottled lemon juice; 7 1/2 cups sugar; 2 pouches liquid pectin',
    [8, 8],
    JELLY,
  ),
  yields(
    'liquid-pectin',
    '[N] mint-style apple jelly',
    '4 cups apple juice; 2 tbsp bottled lemon juice; 7 1/2 cups sugar; 1 pouch liquid pectin',
    [8, 9],
    JELLY,
  ),
  yields(
    'liquid-pectin',
    '[N] hot pepper jelly',
    '340 g chopped hot peppers; 2 cups cider vinegar; 6 cups sugar; 2 pouches liquid pectin',
    [5, 5],
    { kind: 'savoury-jelly' },
  ),
  yields(
    'liquid-pectin',
    '[C] sweet pepper jelly',
    '1 1/2 cups chopped sweet peppers; 1 cup cider vinegar; 5 cups sugar; 1 pouch liquid pectin',
    [6, 6],
    { kind: 'savoury-jelly' },
  ),
  yields('pound-for-pound', '[B] plum jam', '2.5 kg plums; 3/4 pint water; 6 lb sugar', [10, 10]),
  yields('pound-for-pound', '[B] raspberry jam', '6 lb raspberries; 6 lb sugar', [10, 10]),
  yields(
    'pound-for-pound',
    '[B] strawberry jam',
    '7 lb strawberries; 80 ml fresh lemon juice; 6 lb sugar',
    [10, 10],
  ),
  yields(
    'pound-for-pound',
    '[B] blackcurrant jam',
    '4 lb blackcurrants; 3 pints water; 6 lb sugar',
    [10, 10],
  ),
  yields(
    'pound-for-pound',
    '[B] gooseberry jam',
    '4 1/2 lb gooseberries; 1 1/2 pints water; 6 lb sugar',
    [10, 10],
  ),
  yields(
    'pound-for-pound',
    '[B] damson jam',
    '4 3/4 lb damsons; 1 1/2 pints water; 6 lb sugar',
    [10, 10],
  ),
  yields(
    'pound-for-pound',
    '[B] apricot jam',
    '6 lb apricots; 1 pint water; 40 ml fresh lemon juice; 6 lb sugar',
    [10, 10],
  ),
  yields(
    'pound-for-pound',
    '[B] blackberry and apple jam',
    '4 lb blackberries; 1 1/2 lb cooking apples; 1/2 pint water; 6 lb sugar',
    [10, 10],
  ),
  yields(
    'marmalade',
    '[B] bitter orange marmalade',
    '3 lb bitter oranges; 2 lemons; 6 pints water; 6 lb sugar',
    [10, 10],
    { jars: [{ size: '454-g' }], measures: 'uk' },
  ),
  yields(
    'marmalade',
    '[C] citrus slices soaked in water, cup for cup with sugar',
    '9 cups sliced oranges; 9 cups water; 18 cups sugar',
    [18, 18],
  ),
  yields(
    'marmalade',
    '[N] citrus marmalade',
    '80 g grapefruit peel; 80 g orange peel; 35 g lemon peel; 6 cups water; 250 g chopped grapefruit; 520 g chopped oranges; 3 cups sugar',
    [3, 4],
  ),
  yields(
    'marmalade',
    '[C] bitter orange marmalade, a kilo to two',
    '1 kg bitter oranges; 2.4 l water; 2 kg sugar',
    [10, 11.5],
  ),
  yields(
    'butter',
    '[N] apple butter',
    '8 lb apples as bought; 2 cups apple cider; 2 cups cider vinegar; 2 1/4 cups sugar; 2 1/4 cups packed brown sugar',
    [16, 18],
  ),
  yields(
    'butter',
    '[N] pear butter',
    '2 quarts pear puree; 4 cups sugar; 1/3 cup orange juice',
    [8, 8],
  ),
  yields('butter', '[N] peach butter', '2 quarts peach puree; 4 cups sugar', [8, 8]),
  yields(
    'butter',
    '[N] apricot butter',
    '6 cups apricot puree; 3 cups sugar; 2 tbsp bottled lemon juice',
    [6, 6],
  ),
  yields(
    'other',
    '[C] whole cranberries, popped and no more',
    '12 oz cranberries; 1 cup sugar; 1 cup water',
    [2.25, 2.5],
    {
      kind: 'jellied-sauce',
      stages: [{ where: 'burner', heat: 'simmer', lid: 'off', time: '10 min' }],
    },
  ),
  yields(
    'other',
    '[N] lemon curd',
    '2 1/2 cups caster sugar; 1 cup bottled lemon juice; 3/4 cup butter; 7 egg yolks; 4 eggs; 1/2 cup lemon zest',
    [3, 4],
    { kind: 'curd', method: 'egg', finish: { type: 'curd' } },
  ),
  yields(
    'other',
    '[C] strawberries with calcium pectin',
    '4 cups crushed strawberries; 3/4 cup sugar; 2 tsp calcium pectin; 2 tsp calcium water',
    [4, 5],
    { method: 'calcium-pectin', finish: { type: 'hard-boil', minutes: 2 } },
  ),
  yields(
    'other',
    '[C] 1:1 gelling sugar, in 250 ml jars',
    '1 kg crushed strawberries; 1 kg gelling sugar 1:1',
    [6, 7],
    { ...jamSugar, jars: [{ size: '250-ml' }] },
  ),
  yields(
    'other',
    '[C] 2:1 gelling sugar, in 250 ml jars',
    '1 kg crushed apricots; 500 g gelling sugar 2:1',
    [5, 6],
    { ...jamSugar, jars: [{ size: '250-ml' }] },
  ),
];
