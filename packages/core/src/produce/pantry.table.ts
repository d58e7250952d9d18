import type { Sourced } from '../range/index.js';
import type { Three } from './fruit.table.js';
import {
  type ACIDS,
  from,
  fromHandbooks,
  fromPractice,
  fromTables,
  type AcidClass,
  type Category,
  type Caution,
  type Form,
  type PectinProduct,
} from './ingredient.js';

const definition = from('pure substance');
const fromLabels = from(
  'what labels state: at least 4 % acid for vinegar (5 % usual), about 4.5-6 % for bottled lemon and lime juice; from memory',
);
const fromHardness = from(
  'tap water from soft to 300 mg/l as calcium carbonate; common practice, no source',
);
const guessed = from('a guess at a typical household product; a maker’s own profile beats it');

/** One row of the table of what is not fresh fruit or vegetable. */
export interface PantryRow {
  readonly id: string;
  readonly name: string;
  readonly also?: readonly string[];
  readonly category: Category;
  readonly soluble: Sourced;
  readonly insoluble?: Sourced;
  /** Per cent by mass; the soluble solids of a sweetener unless given. */
  readonly sugars?: number;
  readonly invertShare?: number;
  readonly ta?: Sourced;
  readonly pH?: Three;
  readonly acids?: keyof typeof ACIDS;
  readonly pectin?: Sourced;
  readonly pectinProduct?: PectinProduct;
  readonly calcium?: number;
  readonly protein?: number;
  readonly alkali?: Sourced;
  readonly keeps?: AcidClass;
  readonly seasoningShare?: number;
  readonly fat?: number;
  readonly cautions?: readonly Caution[];
  /** Grams a level US cup. */
  readonly cup: number;
  readonly packedCup?: number;
  readonly each?: Sourced;
  readonly box?: Sourced;
  readonly pouch?: Sourced;
  readonly dry?: boolean;
  readonly form?: Form;
}

export const none = definition(0, 0, 0);
const pure = definition(100, 100, 100);
const hm = (percent: Sourced): PectinProduct => ({ type: 'high-methoxyl', percent });
const lm = (percent: Sourced): PectinProduct => ({ type: 'low-methoxyl', percent });

/** Juices, dried fruit, sugars, acids, pectins and the little things. Grams a cup from USDA SR Legacy household measures, from memory. */
// prettier-ignore
export const PANTRY_ROWS: readonly PantryRow[] = [
  { id: 'water', name: 'water', category: 'water', soluble: none, alkali: fromHardness(0.002, 0, 0.006), cup: 236.6, calcium: 5 },
  { id: 'applesauce', name: 'apple sauce', also: ['applesauce', 'apple puree'], category: 'fruit', form: 'puree', soluble: fromTables(11.5, 9.5, 13.5), insoluble: fromTables(1.3, 0.8, 1.9), sugars: 9.4, invertShare: 0.8, ta: fromHandbooks(0.45, 0.3, 0.7), pH: [3.5, 3.1, 3.9], acids: 'malic', pectin: fromHandbooks(0.55, 0.35, 0.8), keeps: 'acid', cup: 244, calcium: 4 },
  { id: 'apple-juice', name: 'apple juice', category: 'juice', soluble: fromTables(11.7, 9.8, 13), insoluble: fromTables(0.1, 0, 0.3), sugars: 9.6, invertShare: 0.85, ta: fromHandbooks(0.5, 0.3, 0.8), pH: [3.5, 3.3, 4.0], acids: 'malic', pectin: fromHandbooks(0.45, 0.2, 0.8), keeps: 'acid', cup: 248, calcium: 8 },
  { id: 'apple-cider', name: 'apple cider, sweet', also: ['apple cider', 'sweet cider'], category: 'juice', soluble: fromTables(12, 10, 13.5), insoluble: fromTables(0.3, 0.1, 0.6), sugars: 10, invertShare: 0.85, ta: fromHandbooks(0.5, 0.3, 0.8), pH: [3.5, 3.3, 4.0], acids: 'malic', pectin: fromHandbooks(0.3, 0.1, 0.5), keeps: 'acid', cup: 248, calcium: 8 },
  { id: 'orange-juice', name: 'orange juice', category: 'juice', soluble: fromTables(11.3, 9.8, 12.6), insoluble: fromTables(0.3, 0.1, 0.6), sugars: 8.6, invertShare: 0.6, ta: fromHandbooks(0.85, 0.6, 1.2), pH: [3.7, 3.3, 4.3], acids: 'citric', pectin: fromHandbooks(0.05, 0.02, 0.1), keeps: 'acid', cup: 248, calcium: 11 },
  { id: 'lemon-juice-fresh', name: 'lemon juice, fresh', also: ['lemon juice', 'juice of lemon'], category: 'acid', soluble: fromTables(8.3, 7, 9.6), insoluble: fromTables(0.3, 0, 0.6), sugars: 2.5, invertShare: 1, ta: fromTables(5.2, 3.8, 6.5), pH: [2.35, 2.0, 2.6], acids: 'citric', keeps: 'acid', cup: 244, each: fromTables(47, 32, 65), calcium: 6 },
  { id: 'lemon-juice-bottled', name: 'lemon juice, bottled', also: ['bottled lemon juice'], category: 'acid', soluble: fromTables(7, 6, 8.2), sugars: 2.5, invertShare: 1, ta: fromLabels(5, 4.5, 6), pH: [2.4, 2.2, 2.6], acids: 'citric', keeps: 'acid', cup: 244, calcium: 8, cautions: ['sulphites'] },
  { id: 'lime-juice-bottled', name: 'lime juice, bottled', also: ['bottled lime juice'], category: 'acid', soluble: fromTables(7, 6, 8.5), sugars: 1.7, invertShare: 1, ta: fromLabels(5, 4.5, 6), pH: [2.35, 2.0, 2.6], acids: 'citric', keeps: 'acid', cup: 246, calcium: 12, cautions: ['sulphites'] },
  { id: 'lemon-zest', name: 'lemon zest', also: ['lemon peel', 'grated lemon rind', 'lime zest'], category: 'extra', form: 'zest', soluble: fromTables(9, 7, 11), insoluble: fromTables(9, 7, 11), sugars: 4.2, invertShare: 0.8, ta: fromHandbooks(0.6, 0.3, 1), pH: [3.5, 3, 4.2], acids: 'citric', pectin: fromHandbooks(3.5, 2.5, 4.5), keeps: 'acid', cup: 96, each: fromPractice(6, 4, 9), dry: true, calcium: 134 },
  { id: 'raisin', name: 'raisins', also: ['raisin', 'sultana', 'sultanas'], category: 'fruit', form: 'dried', soluble: fromTables(78, 74, 82), insoluble: fromTables(5, 3, 7), sugars: 65, invertShare: 0.98, ta: fromHandbooks(2, 1.3, 2.6), pH: [3.9, 3.6, 4.2], acids: 'grape', pectin: fromHandbooks(0.8, 0.4, 1.2), keeps: 'acid', cup: 145, packedCup: 165, dry: true, calcium: 62, cautions: ['sulphites'] },
  { id: 'dried-cranberry', name: 'dried cranberries', also: ['dried cranberry'], category: 'fruit', form: 'dried', soluble: fromTables(78, 72, 83), insoluble: fromTables(6, 4, 8), sugars: 70, invertShare: 0.6, ta: fromHandbooks(0.9, 0.5, 1.5), pH: [2.8, 2.5, 3.2], acids: 'both', pectin: fromHandbooks(0.8, 0.4, 1.2), keeps: 'acid', cup: 120, dry: true, calcium: 9 },
  { id: 'citric-acid', name: 'citric acid', category: 'acid', soluble: pure, sugars: 0, invertShare: 1, ta: definition(100, 99.5, 100), pH: [1.7, 1.6, 1.8], acids: 'pureCitric', keeps: 'acid', cup: 220, dry: true },
  { id: 'tartaric-acid', name: 'tartaric acid', category: 'acid', soluble: pure, sugars: 0, invertShare: 1, ta: definition(85.4, 85, 85.4), pH: [1.7, 1.6, 1.8], acids: 'tartaric', keeps: 'acid', cup: 220, dry: true },
  { id: 'cider-vinegar', name: 'cider vinegar', also: ['apple cider vinegar'], category: 'acid', soluble: fromTables(1.2, 0.5, 2), sugars: 0.4, invertShare: 1, ta: fromLabels(5.33, 4.27, 5.6), pH: [3.1, 2.8, 3.4], acids: 'acetic', keeps: 'acid', cup: 239, calcium: 7 },
  { id: 'wine-vinegar', name: 'wine vinegar', also: ['red wine vinegar', 'white wine vinegar'], category: 'acid', soluble: fromTables(1, 0.4, 2), sugars: 0.2, invertShare: 1, ta: fromLabels(6.0, 4.27, 6.4), pH: [2.8, 2.5, 3.2], acids: 'acetic', keeps: 'acid', cup: 239, calcium: 6, cautions: ['sulphites'] },
  { id: 'distilled-vinegar', name: 'distilled vinegar', also: ['white vinegar', 'vinegar'], category: 'acid', soluble: fromTables(0.1, 0, 0.3), sugars: 0, invertShare: 1, ta: fromLabels(5.33, 4.27, 5.6), pH: [2.45, 2.4, 2.7], acids: 'acetic', keeps: 'acid', cup: 238, calcium: 6 },
  { id: 'white-sugar', name: 'white sugar', also: ['sugar', 'granulated sugar', 'cane sugar', 'preserving sugar'], category: 'sweetener', soluble: definition(99.9, 99.8, 100), cup: 200, dry: true },
  { id: 'caster-sugar', name: 'caster sugar', also: ['superfine sugar'], category: 'sweetener', soluble: definition(99.9, 99.8, 100), cup: 205, dry: true },
  { id: 'brown-sugar', name: 'brown sugar', also: ['muscovado', 'demerara'], category: 'sweetener', soluble: fromTables(97.5, 96, 98.5), invertShare: 0.04, ta: guessed(0.08, 0.04, 0.15), pH: [5.5, 5, 6.5], acids: 'malic', cup: 145, packedCup: 220, dry: true, calcium: 83 },
  { id: 'jam-sugar', name: 'jam sugar, 1:1', also: ['jam sugar', 'gelling sugar', 'jam sugar 1:1'], category: 'sweetener', soluble: definition(99.5, 99, 100), sugars: 98, invertShare: 0.02, ta: guessed(0.75, 0.5, 1), pH: [2.6, 2.4, 2.8], acids: 'pureCitric', pectinProduct: hm(guessed(0.7, 0.5, 0.9)), cup: 200, dry: true },
  { id: 'jam-sugar-two-to-one', name: 'jam sugar, 2:1', also: ['jam sugar 2:1'], category: 'sweetener', soluble: definition(99.5, 99, 100), sugars: 97, invertShare: 0.02, ta: guessed(1.3, 1, 1.7), pH: [2.5, 2.3, 2.7], acids: 'pureCitric', pectinProduct: hm(guessed(1.4, 1.1, 1.8)), cup: 200, dry: true },
  { id: 'jam-sugar-three-to-one', name: 'jam sugar, 3:1', also: ['jam sugar 3:1'], category: 'sweetener', soluble: definition(99.5, 99, 100), sugars: 95, invertShare: 0.02, ta: guessed(2, 1.5, 2.6), pH: [2.4, 2.2, 2.6], acids: 'pureCitric', pectinProduct: lm(guessed(2.2, 1.8, 2.8)), calcium: 100, cup: 200, dry: true },
  { id: 'honey', name: 'honey', category: 'sweetener', soluble: fromTables(82, 80, 84), invertShare: 0.97, ta: fromHandbooks(0.2, 0.08, 0.35), pH: [3.9, 3.4, 4.5], acids: 'malic', cup: 339, calcium: 6, cautions: ['honey'] },
  { id: 'maple-syrup', name: 'maple syrup', category: 'sweetener', soluble: fromTables(67, 66, 69), invertShare: 0.05, ta: fromHandbooks(0.1, 0.04, 0.2), pH: [5.6, 5, 7], acids: 'malic', cup: 315, calcium: 102 },
  { id: 'agave-syrup', name: 'agave syrup', also: ['agave'], category: 'sweetener', soluble: fromTables(76, 74, 78), invertShare: 0.97, ta: guessed(0.05, 0.02, 0.1), pH: [4.5, 3.9, 5.2], acids: 'malic', cup: 332, calcium: 1 },
  { id: 'corn-syrup', name: 'corn syrup', also: ['glucose syrup', 'light corn syrup'], category: 'sweetener', soluble: fromTables(77, 75, 80), invertShare: 0.4, ta: guessed(0.03, 0.01, 0.05), pH: [4.8, 4.2, 5.5], acids: 'citric', cup: 341, calcium: 13 },
  { id: 'sucralose', name: 'sucralose', also: ['sucralose granules'], category: 'extra', soluble: fromPractice(98, 95, 100), sugars: 0, invertShare: 0.3, keeps: 'neutral', cup: 25, dry: true },
  { id: 'pectin-powder', name: 'powdered pectin', also: ['pectin', 'powdered fruit pectin', 'classic pectin'], category: 'pectin', soluble: fromPractice(94, 90, 97), sugars: 60, invertShare: 1, ta: guessed(8, 4, 12), pH: [2.3, 2.1, 2.6], acids: 'pureCitric', pectinProduct: hm(guessed(20, 14, 27)), cup: 152, box: fromPractice(49, 46, 57), dry: true },
  { id: 'pectin-low-sugar', name: 'low-sugar pectin', also: ['low sugar pectin', 'light pectin', 'no-sugar pectin'], category: 'pectin', soluble: fromPractice(94, 90, 97), sugars: 50, invertShare: 1, ta: guessed(8, 4, 12), pH: [2.4, 2.2, 2.7], acids: 'pureCitric', pectinProduct: lm(guessed(20, 14, 27)), calcium: 300, cup: 152, box: fromPractice(49, 46, 57), dry: true },
  { id: 'pectin-liquid', name: 'liquid pectin', category: 'pectin', soluble: fromPractice(5, 3, 8), sugars: 0, invertShare: 1, ta: guessed(1.2, 0.6, 2), pH: [2.9, 2.6, 3.2], acids: 'pureCitric', pectinProduct: hm(guessed(8, 6, 10)), cup: 240, pouch: fromPractice(86, 84, 89) },
  { id: 'pectin-calcium', name: 'calcium pectin', also: ['calcium-set pectin', 'low-methoxyl pectin', 'pectin for calcium water'], category: 'pectin', soluble: fromPractice(90, 85, 95), sugars: 0, invertShare: 0.3, pectinProduct: lm(guessed(95, 80, 100)), cup: 154, box: fromPractice(28, 26, 30), dry: true, calcium: 100 },
  { id: 'calcium-water', name: 'calcium water', category: 'extra', soluble: fromPractice(1.7, 1.2, 2.2), sugars: 0, invertShare: 0.5, ta: guessed(0.4, 0.2, 0.6), pH: [3.9, 3.6, 4.3], acids: 'malic', keeps: 'neutral', cup: 238, calcium: 270 },
  { id: 'butter', name: 'butter', also: ['unsalted butter'], category: 'extra', soluble: fromTables(0.5, 0.3, 1), insoluble: fromTables(82, 80, 84), sugars: 0, keeps: 'seasoning', seasoningShare: 0.0015, fat: 81, cautions: ['milk'], cup: 227, dry: true, calcium: 24 },
  { id: 'cooking-oil', name: 'oil', also: ['vegetable oil', 'olive oil', 'cooking oil'], category: 'extra', soluble: none, insoluble: definition(100, 99.9, 100), sugars: 0, keeps: 'seasoning', seasoningShare: 0.0015, fat: 100, cup: 218 },
  { id: 'milk', protein: 3.3, name: 'milk', also: ['cream', 'whole milk'], category: 'extra', soluble: fromTables(8.5, 8, 9), insoluble: fromTables(4, 3, 20), sugars: 5, keeps: 'refused', fat: 4, cautions: ['milk'], cup: 244, calcium: 113 },
  { id: 'egg', protein: 12.6, name: 'eggs', also: ['egg', 'whole egg', 'whole eggs'], category: 'extra', form: 'whole', soluble: fromTables(2, 1.5, 2.5), insoluble: fromTables(22, 21, 24), sugars: 0.4, keeps: 'refused', fat: 9.5, cautions: ['egg'], cup: 243, each: fromTables(50, 46, 56), dry: true, calcium: 56 },
  { id: 'egg-yolk', protein: 15.9, name: 'egg yolks', also: ['egg yolk', 'yolk', 'yolks'], category: 'extra', form: 'whole', soluble: fromTables(2, 1.5, 2.5), insoluble: fromTables(46, 43, 49), sugars: 0.6, keeps: 'refused', fat: 26.5, cautions: ['egg'], cup: 243, each: fromTables(17, 15, 19), dry: true, calcium: 129 },
  { id: 'salt', name: 'salt', category: 'extra', soluble: pure, sugars: 0, invertShare: 1, keeps: 'neutral', cup: 292, dry: true, calcium: 24 },
  { id: 'baking-soda', alkali: definition(11.9, 11.8, 11.9), name: 'baking soda', also: ['bicarbonate of soda', 'bicarb'], category: 'extra', soluble: pure, sugars: 0, invertShare: 1, keeps: 'refused', cup: 220, dry: true },
  { id: 'vanilla', name: 'vanilla extract', also: ['vanilla'], category: 'extra', soluble: fromTables(13, 5, 20), sugars: 12, invertShare: 1, keeps: 'seasoning', seasoningShare: 0.02, cup: 208, calcium: 11 },
  { id: 'vanilla-pod', name: 'vanilla pods', also: ['vanilla pod', 'vanilla bean', 'vanilla beans'], category: 'extra', soluble: fromPractice(30, 15, 45), insoluble: fromPractice(45, 35, 60), sugars: 10, invertShare: 1, keeps: 'seasoning', seasoningShare: 0.02, cup: 100, each: fromPractice(3, 2, 5), dry: true },
  { id: 'ground-spice', name: 'ground spice', also: ['cinnamon', 'cloves', 'allspice', 'nutmeg', 'ground ginger', 'mixed spice', 'cardamom'], category: 'extra', soluble: fromPractice(30, 15, 45), insoluble: fromPractice(58, 45, 75), sugars: 2, invertShare: 1, keeps: 'seasoning', seasoningShare: 0.01, cup: 110, dry: true, calcium: 900 },
  { id: 'whole-spice', name: 'whole spice', also: ['cinnamon stick', 'star anise', 'whole cloves', 'peppercorns'], category: 'extra', soluble: fromPractice(10, 5, 15), insoluble: fromPractice(75, 65, 85), sugars: 1, invertShare: 1, keeps: 'seasoning', seasoningShare: 0.02, cup: 90, each: fromPractice(3, 1, 6), dry: true, calcium: 200 },
  { id: 'fresh-herb', name: 'fresh herbs', also: ['fresh herb', 'herb sprig', 'herb sprigs', 'sprig of rosemary', 'sprigs of rosemary', 'rosemary', 'thyme', 'sage', 'bay leaf', 'bay leaves', 'mint leaves', 'basil leaves'], category: 'extra', soluble: fromPractice(5, 2, 9), insoluble: fromPractice(15, 8, 25), sugars: 1, invertShare: 1, keeps: 'seasoning', seasoningShare: 0.005, cautions: ['flowers'], cup: 24, each: fromPractice(2, 0.8, 4), dry: true, calcium: 200 },
  { id: 'essential-oil', name: 'flavouring oil', also: ['essential oil', 'spice oil', 'cinnamon oil', 'peppermint oil'], category: 'extra', soluble: none, insoluble: definition(100, 99, 100), sugars: 0, keeps: 'seasoning', seasoningShare: 0.0005, fat: 0, cup: 215 },
  { id: 'liqueur', name: 'liqueur', also: ['brandy', 'rum', 'whisky', 'spirit'], category: 'extra', soluble: fromTables(25, 0, 40), sugars: 25, invertShare: 0.2, keeps: 'seasoning', seasoningShare: 0.06, cup: 240, cautions: ['alcohol'] },
  { id: 'wine', name: 'wine', also: ['red wine', 'white wine'], category: 'juice', soluble: fromTables(2.7, 1.5, 6), sugars: 0.7, invertShare: 1, ta: fromHandbooks(0.55, 0.4, 0.8), pH: [3.4, 2.8, 3.8], acids: 'grape', keeps: 'acid', cup: 236, calcium: 8, cautions: ['alcohol', 'sulphites'] },
  { id: 'nuts', name: 'nuts', also: ['walnuts', 'pecans', 'almonds', 'hazelnuts', 'nut', 'chopped nuts'], category: 'extra', soluble: fromTables(6, 4, 9), insoluble: fromTables(89, 86, 92), sugars: 4, invertShare: 0.1, keeps: 'seasoning', seasoningShare: 0.08, fat: 55, cautions: ['nuts'], cup: 115, dry: true, calcium: 100 },
  { id: 'hard-candy', name: 'hard candy', also: ['boiled sweets', 'cinnamon candy'], category: 'sweetener', soluble: fromTables(98, 96, 99), invertShare: 0.2, cup: 200, dry: true },
  { id: 'baking-chips', name: 'baking chips', also: ['chocolate chips', 'chocolate', 'cocoa'], category: 'extra', soluble: fromTables(55, 50, 60), insoluble: fromTables(44, 40, 48), sugars: 54, keeps: 'refused', fat: 30, cautions: ['milk'], cup: 170, dry: true, calcium: 32 },
  { id: 'cornstarch', name: 'corn starch', also: ['cornstarch', 'cornflour', 'corn flour', 'clear jel starch'], category: 'extra', soluble: none, insoluble: fromTables(90, 88, 92), sugars: 0, keeps: 'refused', cup: 128, dry: true },
  { id: 'flour', name: 'flour', also: ['wheat flour', 'plain flour'], category: 'extra', soluble: fromTables(2, 1, 3), insoluble: fromTables(86, 84, 88), sugars: 0.3, keeps: 'refused', cup: 125, dry: true },
  { id: 'meat', name: 'meat', also: ['bacon'], category: 'extra', soluble: fromTables(2, 1, 3), insoluble: fromTables(40, 30, 60), sugars: 0, keeps: 'refused', fat: 25, cup: 140, dry: true },
  { id: 'flower-infusion', name: 'flower infusion', also: ['flower tea', 'petal infusion', 'elderflower infusion', 'rose petal infusion'], category: 'juice', soluble: fromPractice(0.3, 0.1, 0.6), sugars: 0.1, invertShare: 1, ta: guessed(0.01, 0, 0.03), pH: [6, 5, 7.2], acids: 'malic', keeps: 'low-acid', cautions: ['flowers', 'wild'], cup: 237 },
  { id: 'herb-infusion', name: 'herb infusion', also: ['herb tea', 'mint infusion', 'basil infusion'], category: 'juice', soluble: fromPractice(0.4, 0.1, 0.8), sugars: 0.1, invertShare: 1, ta: guessed(0.01, 0, 0.03), pH: [6.2, 5, 7.2], acids: 'malic', keeps: 'low-acid', cautions: ['flowers'], cup: 237 },
];
