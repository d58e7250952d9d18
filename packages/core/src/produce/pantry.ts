import { from, fromPractice, fromTables, type Category, type Ingredient } from './ingredient.js';
import type { Sourced } from '../range/index.js';

const definition = from('pure substance');

interface PantryRow {
  readonly id: string;
  readonly name: string;
  readonly also?: readonly string[];
  readonly category: Category;
  readonly soluble: Sourced;
  readonly insoluble?: Sourced;
  readonly invertShare?: number;
  /** Grams a level US cup. */
  readonly cup: number;
  readonly packedCup?: number;
  readonly each?: Sourced;
  readonly box?: Sourced;
  readonly pouch?: Sourced;
  readonly dry?: boolean;
}

const none = definition(0, 0, 0);
const pure = definition(100, 100, 100);

/** Juices, sugars, acids, pectins and the little things. Grams a cup from USDA SR Legacy household measures, from memory. */
const ROWS: readonly PantryRow[] = [
  { id: 'water', name: 'water', category: 'water', soluble: none, cup: 236.6 },
  { id: 'apple-juice', name: 'apple juice', category: 'juice', soluble: fromTables(11.7, 9.8, 13), insoluble: fromTables(0.1, 0, 0.3), invertShare: 0.85, cup: 248 },
  { id: 'orange-juice', name: 'orange juice', category: 'juice', soluble: fromTables(11.3, 9.8, 12.6), insoluble: fromTables(0.3, 0.1, 0.6), invertShare: 0.6, cup: 248 },
  { id: 'lemon-juice-fresh', name: 'lemon juice, fresh', also: ['lemon juice', 'juice of lemon'], category: 'acid', soluble: fromTables(8.3, 7, 9.6), insoluble: fromTables(0.3, 0, 0.6), invertShare: 1, cup: 244, each: fromTables(47, 32, 65) },
  { id: 'lemon-juice-bottled', name: 'lemon juice, bottled', also: ['bottled lemon juice'], category: 'acid', soluble: fromTables(7, 6, 8.2), invertShare: 1, cup: 244 },
  { id: 'lime-juice-bottled', name: 'lime juice, bottled', also: ['bottled lime juice'], category: 'acid', soluble: fromTables(7, 6, 8.5), invertShare: 1, cup: 246 },
  { id: 'citric-acid', name: 'citric acid', category: 'acid', soluble: pure, invertShare: 1, cup: 220, dry: true },
  { id: 'tartaric-acid', name: 'tartaric acid', category: 'acid', soluble: pure, invertShare: 1, cup: 220, dry: true },
  { id: 'cider-vinegar', name: 'cider vinegar', category: 'acid', soluble: fromTables(1.2, 0.5, 2), invertShare: 1, cup: 239 },
  { id: 'wine-vinegar', name: 'wine vinegar', category: 'acid', soluble: fromTables(1, 0.4, 2), invertShare: 1, cup: 239 },
  { id: 'distilled-vinegar', name: 'distilled vinegar', also: ['white vinegar'], category: 'acid', soluble: fromTables(0.1, 0, 0.3), invertShare: 1, cup: 238 },
  { id: 'white-sugar', name: 'white sugar', also: ['sugar', 'granulated sugar', 'cane sugar'], category: 'sweetener', soluble: definition(99.9, 99.8, 100), cup: 200, dry: true },
  { id: 'caster-sugar', name: 'caster sugar', also: ['superfine sugar'], category: 'sweetener', soluble: definition(99.9, 99.8, 100), cup: 205, dry: true },
  { id: 'brown-sugar', name: 'brown sugar', also: ['muscovado'], category: 'sweetener', soluble: fromTables(97.5, 96, 98.5), invertShare: 0.04, cup: 145, packedCup: 220, dry: true },
  { id: 'honey', name: 'honey', category: 'sweetener', soluble: fromTables(82, 80, 84), invertShare: 0.97, cup: 339 },
  { id: 'maple-syrup', name: 'maple syrup', category: 'sweetener', soluble: fromTables(67, 66, 69), invertShare: 0.05, cup: 315 },
  { id: 'agave-syrup', name: 'agave syrup', category: 'sweetener', soluble: fromTables(76, 74, 78), invertShare: 0.97, cup: 332 },
  { id: 'pectin-powder', name: 'powdered pectin', also: ['pectin', 'powdered fruit pectin'], category: 'pectin', soluble: fromPractice(94, 90, 97), invertShare: 1, cup: 152, box: fromPractice(49, 46, 57), dry: true },
  { id: 'pectin-liquid', name: 'liquid pectin', category: 'pectin', soluble: fromPractice(5, 3, 8), invertShare: 1, cup: 240, pouch: fromPractice(86, 84, 89) },
  { id: 'butter', name: 'butter', category: 'extra', soluble: fromTables(0.5, 0.3, 1), insoluble: fromTables(82, 80, 84), cup: 227, dry: true },
  { id: 'salt', name: 'salt', category: 'extra', soluble: pure, invertShare: 1, cup: 292, dry: true },
  { id: 'vanilla', name: 'vanilla extract', also: ['vanilla'], category: 'extra', soluble: fromTables(13, 5, 20), invertShare: 1, cup: 208 },
  { id: 'ginger', name: 'ginger', also: ['fresh ginger'], category: 'extra', soluble: fromTables(5, 3.5, 7), insoluble: fromTables(14, 11, 17), invertShare: 0.8, cup: 96, dry: true },
  { id: 'ground-spice', name: 'ground spice', also: ['cinnamon', 'cloves', 'allspice', 'nutmeg'], category: 'extra', soluble: fromPractice(30, 15, 45), insoluble: fromPractice(58, 45, 75), invertShare: 1, cup: 110, dry: true },
]; // prettier-ignore

const pantry = (row: PantryRow): Ingredient => ({
  id: row.id,
  name: [row.name, row.name],
  synonyms: row.also ?? [],
  category: row.category,
  usualForm: row.dry ? 'whole' : 'juice',
  solubleSolidsPercent: row.soluble,
  insolubleSolidsPercent: row.insoluble ?? none,
  invertShare: row.invertShare ?? 0,
  gramsPerCup: { [row.dry ? 'whole' : 'juice']: row.cup },
  ...(row.packedCup !== undefined && { gramsPerPackedCup: row.packedCup }),
  ...(row.each && { gramsEach: row.each }),
  ...(row.box && { gramsPerBox: row.box }),
  ...(row.pouch && { gramsPerPouch: row.pouch }),
  liquid: !row.dry,
});

export const PANTRY: readonly Ingredient[] = ROWS.map(pantry);
