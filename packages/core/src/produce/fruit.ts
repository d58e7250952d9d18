import { about, fromPractice, fromRefuse, fromTables, type Form, type Ingredient } from './ingredient.js';

interface FruitRow {
  readonly id: string;
  readonly name: readonly [string, string];
  readonly also?: readonly string[];
  readonly form: Form;
  /** Per cent by mass: soluble, insoluble. */
  readonly solids: readonly [number, number];
  /** Grams a US cup. */
  readonly cup: Readonly<Partial<Record<Form, number>>>;
  /** Prepared grams a piece. */
  readonly each: number;
  /** Per cent lost from as bought to prepared. */
  readonly waste: number;
}

/**
 * Fruits as they go into the pot. Soluble solids vary by about 18 % of their value with variety, ripeness and weather;
 * insoluble solids by 40 %; pieces by 25 %. Cups: whole and cut fruit from USDA SR Legacy household measures, from
 * memory; crushed berries 230-235 g, common practice.
 */
const ROWS: readonly FruitRow[] = [
  { id: 'apple', name: ['apple', 'apples'], form: 'peeled-cored', solids: [13.5, 1.4], cup: { 'peeled-cored': 120, chopped: 125, sliced: 110, puree: 244 }, each: 140, waste: 23 },
  { id: 'tart-apple', name: ['tart apple', 'tart apples'], also: ['cooking apple', 'sour apple'], form: 'peeled-cored', solids: [12, 1.5], cup: { 'peeled-cored': 120, chopped: 125, sliced: 110, puree: 244 }, each: 150, waste: 23 },
  { id: 'apricot', name: ['apricot', 'apricots'], form: 'pitted', solids: [12, 1.8], cup: { pitted: 155, chopped: 160, sliced: 165, crushed: 235 }, each: 35, waste: 7 },
  { id: 'bitter-orange', name: ['bitter orange', 'bitter oranges'], also: ['sour orange', 'marmalade orange'], form: 'sliced', solids: [10.5, 3.8], cup: { whole: 150, sliced: 180, chopped: 180 }, each: 140, waste: 4 },
  { id: 'blackberry', name: ['blackberry', 'blackberries'], also: ['bramble'], form: 'whole', solids: [9.5, 4.5], cup: { whole: 144, crushed: 232 }, each: 6, waste: 4 },
  { id: 'blackcurrant', name: ['blackcurrant', 'blackcurrants'], form: 'whole', solids: [14, 5], cup: { whole: 112, crushed: 230 }, each: 0.9, waste: 2 },
  { id: 'blueberry', name: ['blueberry', 'blueberries'], form: 'whole', solids: [12, 2.7], cup: { whole: 148, crushed: 232 }, each: 1.5, waste: 5 },
  { id: 'cherry', name: ['sweet cherry', 'sweet cherries'], also: ['cherries'], form: 'pitted', solids: [17, 1.4], cup: { pitted: 155, chopped: 165, crushed: 235 }, each: 7, waste: 12 },
  { id: 'sour-cherry', name: ['sour cherry', 'sour cherries'], also: ['morello'], form: 'pitted', solids: [14, 1.3], cup: { pitted: 155, chopped: 165, crushed: 235 }, each: 5, waste: 12 },
  { id: 'cranberry', name: ['cranberry', 'cranberries'], form: 'whole', solids: [8.8, 3.6], cup: { whole: 100, chopped: 110, crushed: 230 }, each: 1.2, waste: 2 },
  { id: 'damson', name: ['damson', 'damsons'], form: 'pitted', solids: [15, 2], cup: { whole: 150, pitted: 170, chopped: 175, crushed: 235 }, each: 11, waste: 12 },
  { id: 'gooseberry', name: ['gooseberry', 'gooseberries'], form: 'whole', solids: [8.5, 3.6], cup: { whole: 150, crushed: 232 }, each: 4, waste: 3 },
  { id: 'slip-skin-grape', name: ['slip-skin grape', 'slip-skin grapes'], also: ['muscadine'], form: 'whole', solids: [15.5, 1.5], cup: { whole: 110, crushed: 238 }, each: 3, waste: 6 },
  { id: 'grapefruit', name: ['grapefruit', 'grapefruits'], form: 'sliced', solids: [9.5, 2.2], cup: { sliced: 190, chopped: 200 }, each: 250, waste: 10 },
  { id: 'lemon', name: ['lemon', 'lemons'], form: 'sliced', solids: [8.5, 3.2], cup: { sliced: 190, chopped: 200, zest: 96 }, each: 105, waste: 3 },
  { id: 'orange', name: ['orange', 'oranges'], form: 'sliced', solids: [12, 2.6], cup: { sliced: 180, chopped: 185, zest: 96 }, each: 150, waste: 5 },
  { id: 'passion-fruit', name: ['passion fruit', 'passion fruits'], form: 'crushed', solids: [15.5, 5], cup: { crushed: 236, puree: 240 }, each: 18, waste: 48 },
  { id: 'peach', name: ['peach', 'peaches'], form: 'peeled-cored', solids: [10.5, 1.5], cup: { 'peeled-cored': 154, sliced: 154, chopped: 160, crushed: 238 }, each: 130, waste: 15 },
  { id: 'pear', name: ['pear', 'pears'], form: 'peeled-cored', solids: [13.5, 2.6], cup: { 'peeled-cored': 150, sliced: 140, chopped: 161, puree: 244 }, each: 145, waste: 20 },
  { id: 'plum', name: ['plum', 'plums'], form: 'pitted', solids: [13, 1.4], cup: { pitted: 165, sliced: 165, chopped: 170, crushed: 238 }, each: 62, waste: 6 },
  { id: 'quince', name: ['quince', 'quinces'], form: 'peeled-cored', solids: [13, 2.4], cup: { 'peeled-cored': 125, chopped: 130, sliced: 125, grated: 150 }, each: 170, waste: 36 },
  { id: 'raspberry', name: ['raspberry', 'raspberries'], form: 'whole', solids: [10, 5.5], cup: { whole: 123, crushed: 232 }, each: 4, waste: 4 },
  { id: 'redcurrant', name: ['redcurrant', 'redcurrants'], form: 'whole', solids: [11, 4], cup: { whole: 112, crushed: 230 }, each: 0.6, waste: 2 },
  { id: 'rhubarb', name: ['rhubarb', 'rhubarb'], form: 'chopped', solids: [4.6, 1.7], cup: { chopped: 122, sliced: 122, puree: 240 }, each: 51, waste: 14 },
  { id: 'strawberry', name: ['strawberry', 'strawberries'], form: 'hulled', solids: [8.2, 1.7], cup: { whole: 144, hulled: 150, sliced: 166, crushed: 232 }, each: 12, waste: 6 },
]; // prettier-ignore

const CUP_FORMS_FROZEN = ['frozen', 'stored'] as const;

const fruit = (row: FruitRow): Ingredient => {
  const [soluble, insoluble] = row.solids;
  const whole = row.cup[row.form] ?? 150;
  return {
    id: row.id,
    name: row.name,
    synonyms: row.also ?? [],
    category: 'fruit',
    usualForm: row.form,
    solubleSolidsPercent: about(fromTables, soluble, 0.18),
    insolubleSolidsPercent: about(fromTables, insoluble, 0.4),
    invertShare: 0.8,
    gramsPerCup: { ...row.cup, ...Object.fromEntries(CUP_FORMS_FROZEN.map((form) => [form, whole])) },
    gramsEach: about(fromPractice, row.each, 0.25),
    wastePercent: about(fromRefuse, row.waste, 0.4),
    liquid: false,
  };
};

export const FRUITS: readonly Ingredient[] = ROWS.map(fruit);
