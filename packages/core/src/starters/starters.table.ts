import { emptyFormula, type FormulaDocument } from '../formula/index.js';
import type { Form } from '../produce/index.js';

type Line = readonly [amount: string, ingredient: string, form?: Form];

const formula = (
  title: string,
  jar: string,
  lines: readonly Line[],
  change: Partial<FormulaDocument> = {},
): FormulaDocument => ({
  ...emptyFormula(title, jar),
  lines: lines.map(([amount, ingredient, form]) => ({ ingredient, amount, ...(form && { form }) })),
  ...change,
});

const boiled = (minutes: number): FormulaDocument['finish'] => ({ type: 'hard-boil', minutes });
const POWDER = { method: 'powdered-pectin', finish: boiled(1) } as const;
const LIQUID = { method: 'liquid-pectin', finish: boiled(1) } as const;
const CALCIUM = { method: 'calcium-pectin', finish: boiled(2) } as const;
const JAM_SUGAR = { method: 'jam-sugar', finish: boiled(4) } as const;
const BUTTER = { kind: 'fruit-butter', method: 'no-gel', finish: { type: 'consistency' } } as const;

/**
 * Formulas of our own invention to start from, at least one of every kind and every way to a set. A test computes each: it is
 * understood, sets as its kind should, and keeps as its last words say.
 */
// prettier-ignore
export const STARTERS: readonly FormulaDocument[] = [
  // Long boil.
  formula('Damson jam', '454-g', [['2.4 kg', 'damson'], ['300 ml', 'water'], ['2.2 kg', 'white-sugar'], ['2 tbsp', 'lemon-juice-bottled']]),
  formula('Apricot jam with vanilla', '340-g', [['1.6 kg', 'apricot'], ['600 g', 'tart-apple', 'chopped'], ['1.45 kg', 'white-sugar'], ['120 ml', 'lemon-juice-bottled'], ['1 tsp', 'vanilla']]),
  formula('Blackcurrant jam', '340-g', [['1.1 kg', 'blackcurrant'], ['650 ml', 'water'], ['1.35 kg', 'white-sugar']]),
  formula('Passion fruit and apple jam', '125-ml', [['700 g', 'passion-fruit'], ['550 g', 'tart-apple', 'chopped'], ['850 g', 'white-sugar'], ['300 ml', 'water']]),
  formula('Redcurrant jelly', '190-ml', [['1.3 l', 'redcurrant', 'juice'], ['1.05 kg', 'white-sugar']], { kind: 'jelly' }),
  formula('Bitter orange marmalade', '454-g', [['1.1 kg', 'bitter-orange'], ['2.1 l', 'water'], ['2 kg', 'white-sugar'], ['1', 'lemon']], { kind: 'marmalade', notes: 'The peel soaks overnight and is simmered soft before the sugar goes in.' }),
  formula('Quince conserve with ginger', '250-ml', [['1.4 kg', 'quince', 'chopped'], ['900 ml', 'water'], ['1.2 kg', 'white-sugar'], ['1 tbsp', 'lemon-juice-bottled'], ['25 g', 'ginger']], { kind: 'conserve' }),
  formula('Cranberry and quince sauce', '250-ml', [['450 g', 'cranberry'], ['750 g', 'quince', 'chopped'], ['700 ml', 'water'], ['700 g', 'white-sugar']], { kind: 'jellied-sauce' }),
  // With added pectin.
  formula('Sour cherry jam, powdered pectin', '250-ml', [['1.1 kg', 'sour-cherry', 'crushed'], ['45 ml', 'lemon-juice-bottled'], ['1 box', 'pectin-powder'], ['1.25 kg', 'white-sugar']], POWDER),
  formula('Gooseberry jelly, powdered pectin', '190-ml', [['1.1 l', 'gooseberry', 'juice'], ['1 box', 'pectin-powder'], ['1.3 kg', 'white-sugar']], { kind: 'jelly', ...POWDER }),
  formula('Pear and ginger jam, liquid pectin', '250-ml', [['1 kg', 'pear', 'crushed'], ['90 ml', 'lemon-juice-bottled'], ['20 g', 'ginger'], ['1.35 kg', 'white-sugar'], ['2 pouches', 'pectin-liquid']], LIQUID),
  formula('Redcurrant and red wine jelly', '125-ml', [['600 ml', 'redcurrant', 'juice'], ['240 ml', 'wine'], ['60 ml', 'wine-vinegar'], ['1.1 kg', 'white-sugar'], ['1 pouch', 'pectin-liquid']], { kind: 'savoury-jelly', ...LIQUID }),
  formula('Light apricot jam', '250-ml', [['1 kg', 'apricot'], ['400 g', 'tart-apple', 'chopped'], ['100 ml', 'lemon-juice-bottled'], ['4 tsp', 'calcium-water'], ['330 g', 'white-sugar'], ['4 tsp', 'pectin-calcium']], CALCIUM),
  formula('Light grapefruit marmalade', '250-ml', [['900 g', 'grapefruit'], ['700 ml', 'water'], ['4 tsp', 'calcium-water'], ['500 g', 'white-sugar'], ['4 tsp', 'pectin-calcium']], { kind: 'marmalade', ...CALCIUM }),
  formula('Gooseberry jam, jam sugar', '340-g', [['1 kg', 'gooseberry'], ['150 ml', 'water'], ['1 kg', 'jam-sugar']], JAM_SUGAR),
  // No gel.
  formula('Pear butter', '340-g', [['3.2 kg', 'pear', 'chopped'], ['350 ml', 'water'], ['300 g', 'white-sugar'], ['100 ml', 'lemon-juice-bottled'], ['1/2 tsp', 'ground-spice']], BUTTER),
  formula('Quince butter', '250-ml', [['2.2 kg', 'quince', 'puree'], ['450 ml', 'apple-juice'], ['500 g', 'white-sugar'], ['1 tsp', 'ground-spice']], BUTTER),
  formula('Blackcurrant syrup', '250-ml', [['1.2 l', 'blackcurrant', 'juice'], ['900 g', 'white-sugar'], ['1 tsp', 'citric-acid']], { kind: 'syrup', method: 'no-gel', finish: { type: 'soluble-solids', percent: 58 } }),
  formula('Passion fruit curd', '125-ml', [['180 g', 'passion-fruit', 'puree'], ['60 ml', 'lemon-juice-bottled'], ['230 g', 'caster-sugar'], ['3', 'egg'], ['3', 'egg-yolk'], ['120 g', 'butter']], { kind: 'curd', method: 'egg', finish: { type: 'curd' }, notes: 'For the fridge: only the published lemon and lime pattern keeps on a shelf.' }),
];
