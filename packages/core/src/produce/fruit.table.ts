import type { ACIDS, AcidClass, Caution, Form } from './ingredient.js';

/** The usual value and its lowest and highest. */
export type Three = readonly [mid: number, low: number, high: number];

/** One row of the table of fruit and vegetables. */
export interface ProduceRow {
  readonly id: string;
  readonly name: readonly [string, string];
  readonly also?: readonly string[];
  readonly form: Form;
  /** Per cent by mass: soluble, insoluble, sugars. */
  readonly solids: readonly [soluble: number, insoluble: number, sugars: number];
  /** Titratable acidity as citric, per cent; its range is 35 % either way unless three numbers are given. */
  readonly ta: number | Three;
  readonly pH: Three;
  readonly acids: keyof typeof ACIDS;
  /** Per cent, ripe. */
  readonly pectin: number;
  readonly keeps: AcidClass;
  readonly calcium?: number;
  readonly invert?: number;
  readonly cautions?: readonly Caution[];
  readonly seasoningShare?: number;
  /** Grams a US cup. */
  readonly cup: Readonly<Partial<Record<Form, number>>>;
  /** Prepared grams a piece. */
  readonly each: number;
  /** Per cent lost from as bought to prepared. */
  readonly waste: number;
}

/**
 * Fruits as they go into the pot. Soluble solids vary by about 18 % of their value with variety, ripeness and weather;
 * insoluble solids and pectin by 40 %, titratable acidity by 35 %, pieces by 25 %. The ends of a pH range are the
 * published ones. Cups: whole and cut fruit from USDA SR Legacy household measures, from memory; crushed berries
 * 230-235 g, common practice.
 */
// prettier-ignore
export const FRUIT_ROWS: readonly ProduceRow[] = [
  { id: 'apple', name: ['apple', 'apples'], also: ['eating apple', 'sweet apple'], form: 'peeled-cored', solids: [13.5, 1.4, 10.8], ta: 0.4, pH: [3.6, 3.3, 4.0], acids: 'malic', pectin: 0.6, keeps: 'acid', calcium: 6, cup: { 'peeled-cored': 120, chopped: 125, sliced: 110, puree: 244 }, each: 140, waste: 23 },
  { id: 'tart-apple', name: ['tart apple', 'tart apples'], also: ['cooking apple', 'sour apple'], form: 'peeled-cored', solids: [12, 1.5, 9.6], ta: 0.9, pH: [3.3, 3.1, 3.7], acids: 'malic', pectin: 0.8, keeps: 'acid', calcium: 5, cup: { 'peeled-cored': 120, chopped: 125, sliced: 110, puree: 244 }, each: 150, waste: 23 },
  { id: 'crab-apple', name: ['crab apple', 'crab apples'], also: ['crabapple'], form: 'whole', solids: [14, 3.2, 10], ta: 1.2, pH: [3.1, 2.9, 3.5], acids: 'malic', pectin: 1.2, keeps: 'acid', calcium: 18, cup: { whole: 110, chopped: 110, sliced: 110, puree: 244 }, each: 20, waste: 8 },
  { id: 'apricot', name: ['apricot', 'apricots'], form: 'pitted', solids: [12, 1.8, 9.2], ta: 1.2, pH: [3.7, 3.3, 4.8], acids: 'mostlyMalic', pectin: 0.6, keeps: 'borderline', calcium: 13, invert: 0.45, cup: { pitted: 155, chopped: 160, sliced: 165, crushed: 235 }, each: 35, waste: 7 },
  { id: 'bitter-orange', name: ['bitter orange', 'bitter oranges'], also: ['sour orange', 'marmalade orange'], form: 'sliced', solids: [10.5, 3.8, 6], ta: 2.6, pH: [3.0, 2.6, 3.4], acids: 'citric', pectin: 1.8, keeps: 'acid', calcium: 45, cup: { whole: 150, sliced: 180, chopped: 180 }, each: 140, waste: 4 },
  { id: 'bilberry', name: ['bilberry', 'bilberries'], also: ['huckleberry', 'huckleberries', 'wild blueberry', 'wild blueberries'], form: 'whole', solids: [11, 3, 8.2], ta: 1, pH: [3.2, 2.9, 3.7], acids: 'mostlyCitric', pectin: 0.5, keeps: 'acid', calcium: 12, cautions: ['wild'], cup: { whole: 145, crushed: 232 }, each: 0.5, waste: 4 },
  { id: 'blackberry', name: ['blackberry', 'blackberries'], also: ['bramble', 'brambles', 'loganberry', 'loganberries'], form: 'whole', solids: [9.5, 4.5, 5.6], ta: 1.1, pH: [3.35, 3.1, 4.5], acids: 'both', pectin: 0.45, keeps: 'borderline', calcium: 29, cup: { whole: 144, crushed: 232 }, each: 6, waste: 4 },
  { id: 'blackcurrant', name: ['blackcurrant', 'blackcurrants'], form: 'whole', solids: [14, 5, 8.5], ta: 3, pH: [2.9, 2.6, 3.3], acids: 'citric', pectin: 1.1, keeps: 'acid', calcium: 55, cup: { whole: 112, crushed: 230 }, each: 0.9, waste: 2 },
  { id: 'blueberry', name: ['blueberry', 'blueberries'], form: 'whole', solids: [12, 2.7, 10], ta: 0.6, pH: [3.3, 3.0, 3.7], acids: 'mostlyCitric', pectin: 0.4, keeps: 'acid', calcium: 6, cup: { whole: 148, crushed: 232 }, each: 1.5, waste: 5 },
  { id: 'cherry', name: ['sweet cherry', 'sweet cherries'], also: ['cherries'], form: 'pitted', solids: [17, 1.4, 13.2], ta: 0.6, pH: [3.9, 3.5, 4.5], acids: 'malic', pectin: 0.25, keeps: 'borderline', calcium: 13, cup: { pitted: 155, chopped: 165, crushed: 235 }, each: 7, waste: 12 },
  { id: 'sour-cherry', name: ['sour cherry', 'sour cherries'], also: ['morello', 'tart cherry', 'tart cherries'], form: 'pitted', solids: [14, 1.3, 8.8], ta: 1.4, pH: [3.4, 3.2, 3.7], acids: 'malic', pectin: 0.25, keeps: 'acid', calcium: 16, cup: { pitted: 155, chopped: 165, crushed: 235 }, each: 5, waste: 12 },
  { id: 'cranberry', name: ['cranberry', 'cranberries'], form: 'whole', solids: [8.8, 3.6, 4.2], ta: 2.4, pH: [2.5, 2.3, 2.8], acids: 'both', pectin: 0.9, keeps: 'acid', calcium: 8, cup: { whole: 100, chopped: 110, crushed: 230 }, each: 1.2, waste: 2 },
  { id: 'damson', name: ['damson', 'damsons'], form: 'pitted', solids: [15, 2, 9.6], ta: 1.9, pH: [3.1, 2.8, 3.6], acids: 'malic', pectin: 0.9, keeps: 'acid', calcium: 20, cup: { whole: 150, pitted: 170, chopped: 175, crushed: 235 }, each: 11, waste: 12 },
  { id: 'elderberry', name: ['elderberry', 'elderberries'], form: 'whole', solids: [11, 5, 7], ta: 1, pH: [4.4, 3.8, 5.0], acids: 'citric', pectin: 0.3, keeps: 'low-acid', calcium: 38, cautions: ['wild'], cup: { whole: 145, crushed: 232 }, each: 0.3, waste: 10 },
  { id: 'fig', name: ['fig', 'figs'], form: 'whole', solids: [18, 2.8, 16], ta: 0.25, pH: [5.3, 4.6, 6.0], acids: 'citric', pectin: 0.4, keeps: 'low-acid', calcium: 35, cup: { whole: 155, chopped: 160, crushed: 238 }, each: 50, waste: 2 },
  { id: 'gooseberry', name: ['gooseberry', 'gooseberries'], form: 'whole', solids: [8.5, 3.6, 5.5], ta: 2, pH: [2.95, 2.8, 3.2], acids: 'both', pectin: 0.8, keeps: 'acid', calcium: 25, cup: { whole: 150, crushed: 232 }, each: 4, waste: 3 },
  { id: 'grape', name: ['grape', 'grapes'], also: ['table grape', 'wine grape'], form: 'whole', solids: [17.5, 1.1, 15.8], ta: 0.65, pH: [3.5, 2.9, 3.9], acids: 'grape', pectin: 0.2, keeps: 'acid', calcium: 10, invert: 0.95, cup: { whole: 151, crushed: 238 }, each: 5, waste: 4 },
  { id: 'slip-skin-grape', name: ['slip-skin grape', 'slip-skin grapes'], also: ['muscadine', 'muscadines', 'scuppernong'], form: 'whole', solids: [15.5, 1.5, 13.5], ta: 0.9, pH: [3.2, 2.8, 3.6], acids: 'grape', pectin: 0.25, keeps: 'acid', calcium: 14, invert: 0.95, cup: { whole: 110, crushed: 238 }, each: 3, waste: 6 },
  { id: 'grapefruit', name: ['grapefruit', 'grapefruits'], form: 'sliced', solids: [9.5, 2.2, 7], ta: 1.3, pH: [3.3, 3.0, 3.8], acids: 'citric', pectin: 1.2, keeps: 'acid', calcium: 22, cup: { sliced: 190, chopped: 200, zest: 96 }, each: 250, waste: 10 },
  { id: 'guava', name: ['guava', 'guavas'], form: 'chopped', solids: [11, 6, 8.5], ta: 0.8, pH: [3.8, 3.3, 4.3], acids: 'citric', pectin: 0.8, keeps: 'acid', calcium: 18, cup: { chopped: 165, puree: 244 }, each: 55, waste: 22 },
  { id: 'kumquat', name: ['kumquat', 'kumquats'], form: 'sliced', solids: [13, 5, 9.4], ta: 1.3, pH: [3.7, 3.4, 4.25], acids: 'citric', pectin: 1, keeps: 'acid', calcium: 62, cup: { sliced: 165, whole: 150 }, each: 19, waste: 7 },
  { id: 'lemon', name: ['lemon', 'lemons'], form: 'sliced', solids: [8.5, 3.2, 2.6], ta: 4.5, pH: [2.4, 2.0, 2.8], acids: 'citric', pectin: 2, keeps: 'acid', calcium: 35, cup: { sliced: 190, chopped: 200, zest: 96 }, each: 105, waste: 3 },
  { id: 'lime', name: ['lime', 'limes'], form: 'sliced', solids: [8.8, 3, 1.8], ta: 5, pH: [2.3, 2.0, 2.8], acids: 'citric', pectin: 1.6, keeps: 'acid', calcium: 33, cup: { sliced: 190, chopped: 200, zest: 96 }, each: 64, waste: 4 },
  { id: 'mandarin', name: ['mandarin', 'mandarins'], also: ['tangerine', 'tangerines', 'clementine', 'clementines', 'satsuma'], form: 'sliced', solids: [12.5, 2.2, 10.6], ta: 0.8, pH: [3.8, 3.3, 4.5], acids: 'citric', pectin: 0.8, keeps: 'borderline', calcium: 37, invert: 0.5, cup: { sliced: 190, chopped: 195, zest: 96 }, each: 80, waste: 8 },
  { id: 'mango', name: ['mango', 'mangoes'], also: ['mangos'], form: 'chopped', solids: [15.5, 1.5, 13.7], ta: 0.4, pH: [4.2, 3.4, 6.0], acids: 'mostlyCitric', pectin: 0.4, keeps: 'low-acid', calcium: 11, invert: 0.4, cup: { chopped: 165, sliced: 165, puree: 244 }, each: 220, waste: 31 },
  { id: 'nectarine', name: ['nectarine', 'nectarines'], form: 'pitted', solids: [11.5, 1.6, 7.9], ta: 0.7, pH: [3.9, 3.6, 4.2], acids: 'mostlyMalic', pectin: 0.5, keeps: 'acid', calcium: 6, invert: 0.45, cup: { pitted: 143, sliced: 143, chopped: 155, crushed: 238 }, each: 130, waste: 9 },
  { id: 'orange', name: ['orange', 'oranges'], form: 'sliced', solids: [12, 2.6, 9.3], ta: 0.9, pH: [3.7, 3.3, 4.3], acids: 'citric', pectin: 1.3, keeps: 'acid', calcium: 40, invert: 0.6, cup: { sliced: 180, chopped: 185, zest: 96 }, each: 150, waste: 5 },
  { id: 'papaya', name: ['papaya', 'papayas'], form: 'chopped', solids: [10.5, 1.5, 7.8], ta: 0.12, pH: [5.5, 5.2, 6.0], acids: 'citric', pectin: 0.6, keeps: 'low-acid', calcium: 20, cup: { chopped: 145, crushed: 230 }, each: 300, waste: 38 },
  { id: 'passion-fruit', name: ['passion fruit', 'passion fruits'], form: 'crushed', solids: [15.5, 5, 10.5], ta: 3, pH: [3.0, 2.7, 3.4], acids: 'citric', pectin: 0.4, keeps: 'acid', calcium: 12, cup: { crushed: 236, puree: 240 }, each: 18, waste: 48 },
  { id: 'peach', name: ['peach', 'peaches'], also: ['yellow peach'], form: 'peeled-cored', solids: [10.5, 1.5, 8.4], ta: 0.6, pH: [3.7, 3.3, 4.1], acids: 'mostlyMalic', pectin: 0.5, keeps: 'acid', calcium: 6, invert: 0.45, cup: { 'peeled-cored': 154, sliced: 154, chopped: 160, crushed: 238 }, each: 130, waste: 15 },
  { id: 'white-peach', name: ['white peach', 'white peaches'], form: 'peeled-cored', solids: [10.5, 1.5, 8.4], ta: 0.3, pH: [4.4, 3.9, 4.9], acids: 'mostlyMalic', pectin: 0.5, keeps: 'low-acid', calcium: 6, invert: 0.45, cup: { 'peeled-cored': 154, sliced: 154, chopped: 160, crushed: 238 }, each: 130, waste: 15 },
  { id: 'pear', name: ['pear', 'pears'], form: 'peeled-cored', solids: [13.5, 2.6, 9.8], ta: 0.25, pH: [4.0, 3.5, 4.6], acids: 'malic', pectin: 0.4, keeps: 'borderline', calcium: 9, cup: { 'peeled-cored': 150, sliced: 140, chopped: 161, puree: 244 }, each: 145, waste: 20 },
  { id: 'asian-pear', name: ['Asian pear', 'Asian pears'], also: ['nashi'], form: 'peeled-cored', solids: [10.5, 2.6, 7.1], ta: 0.12, pH: [4.8, 4.2, 5.4], acids: 'malic', pectin: 0.3, keeps: 'low-acid', calcium: 4, cup: { 'peeled-cored': 150, sliced: 140, chopped: 161 }, each: 190, waste: 15 },
  { id: 'persimmon', name: ['persimmon', 'persimmons'], form: 'peeled-cored', solids: [17, 3, 12.5], ta: 0.12, pH: [5.2, 4.4, 5.8], acids: 'malic', pectin: 0.5, keeps: 'low-acid', calcium: 8, cup: { 'peeled-cored': 165, puree: 244 }, each: 140, waste: 18 },
  { id: 'pineapple', name: ['pineapple', 'pineapples'], form: 'chopped', solids: [13, 1.3, 9.9], ta: 0.8, pH: [3.6, 3.2, 4.1], acids: 'mostlyCitric', pectin: 0.15, keeps: 'acid', calcium: 13, invert: 0.4, cup: { chopped: 165, crushed: 245 }, each: 900, waste: 48 },
  { id: 'plum', name: ['plum', 'plums'], also: ['prune plum', 'greengage', 'greengages'], form: 'pitted', solids: [13, 1.4, 9.9], ta: 1.3, pH: [3.3, 2.8, 4.0], acids: 'malic', pectin: 0.7, keeps: 'acid', calcium: 6, cup: { pitted: 165, sliced: 165, chopped: 170, crushed: 238 }, each: 62, waste: 6 },
  { id: 'quince', name: ['quince', 'quinces'], form: 'peeled-cored', solids: [13, 2.4, 9.5], ta: 1, pH: [3.2, 3.0, 3.5], acids: 'malic', pectin: 1.2, keeps: 'acid', calcium: 11, cup: { 'peeled-cored': 125, chopped: 130, sliced: 125, grated: 150, puree: 244 }, each: 170, waste: 36 },
  { id: 'raspberry', name: ['raspberry', 'raspberries'], form: 'whole', solids: [10, 5.5, 5], ta: 1.4, pH: [3.3, 3.0, 4.0], acids: 'citric', pectin: 0.4, keeps: 'acid', calcium: 25, cup: { whole: 123, crushed: 232 }, each: 4, waste: 4 },
  { id: 'redcurrant', name: ['redcurrant', 'redcurrants'], also: ['red currant', 'red currants', 'whitecurrant', 'whitecurrants'], form: 'whole', solids: [11, 4, 7.4], ta: 2.2, pH: [2.95, 2.8, 3.2], acids: 'citric', pectin: 1, keeps: 'acid', calcium: 33, cup: { whole: 112, crushed: 230 }, each: 0.6, waste: 2 },
  { id: 'rhubarb', name: ['rhubarb', 'rhubarb'], form: 'chopped', solids: [4.6, 1.7, 1.1], ta: 1.4, pH: [3.2, 3.0, 3.5], acids: 'malic', pectin: 0.3, keeps: 'acid', calcium: 86, cautions: ['leaves'], cup: { chopped: 122, sliced: 122, puree: 240 }, each: 51, waste: 14 },
  { id: 'rose-hip', name: ['rose hip', 'rose hips'], also: ['rosehip', 'rosehips'], form: 'whole', solids: [18, 10, 5], ta: 1.4, pH: [3.8, 3.3, 4.7], acids: 'both', pectin: 1, keeps: 'low-acid', calcium: 169, cautions: ['wild'], cup: { whole: 127, chopped: 130 }, each: 2, waste: 25 },
  { id: 'strawberry', name: ['strawberry', 'strawberries'], form: 'hulled', solids: [8.2, 1.7, 5], ta: 0.8, pH: [3.4, 3.0, 3.9], acids: 'mostlyCitric', pectin: 0.35, keeps: 'acid', calcium: 16, cup: { whole: 144, hulled: 150, sliced: 166, crushed: 232 }, each: 12, waste: 6 },
  { id: 'banana', name: ['banana', 'bananas'], form: 'peeled-cored', solids: [21, 3, 13], ta: 0.3, pH: [4.8, 4.5, 5.2], acids: 'malic', pectin: 0.5, keeps: 'low-acid', calcium: 5, cup: { 'peeled-cored': 150, sliced: 150, crushed: 225 }, each: 118, waste: 36 },
  { id: 'cantaloupe', name: ['cantaloupe', 'cantaloupes'], also: ['melon', 'melons', 'honeydew'], form: 'chopped', solids: [8.7, 0.9, 7.9], ta: 0.1, pH: [6.3, 6.1, 6.7], acids: 'citric', pectin: 0.15, keeps: 'low-acid', calcium: 9, cup: { chopped: 160, crushed: 240 }, each: 550, waste: 49 },
  { id: 'watermelon', name: ['watermelon', 'watermelons'], form: 'chopped', solids: [7.8, 0.5, 6.2], ta: 0.12, pH: [5.4, 5.2, 5.8], acids: 'malic', pectin: 0.1, keeps: 'low-acid', calcium: 7, cup: { chopped: 152, crushed: 240, peel: 150 }, each: 4500, waste: 48 },
  { id: 'date', name: ['date', 'dates'], form: 'pitted', solids: [70, 8, 65], ta: 0.4, pH: [5.5, 4.9, 6.4], acids: 'malic', pectin: 2, keeps: 'low-acid', calcium: 45, invert: 0.9, cup: { pitted: 147, chopped: 147 }, each: 8, waste: 10 },
  { id: 'lychee', name: ['lychee', 'lychees'], form: 'pitted', solids: [16.5, 1.2, 15.2], ta: 0.25, pH: [4.9, 4.2, 5.2], acids: 'malic', pectin: 0.3, keeps: 'low-acid', calcium: 5, cup: { pitted: 190 }, each: 10, waste: 40 },
  { id: 'cactus-fruit', name: ['cactus fruit', 'cactus fruits'], also: ['prickly pear', 'prickly pears'], form: 'peeled-cored', solids: [12, 3.6, 9], ta: 0.1, pH: [5.9, 5.3, 7.1], acids: 'citric', pectin: 0.3, keeps: 'low-acid', calcium: 56, cup: { 'peeled-cored': 149, crushed: 240 }, each: 75, waste: 25 },
  { id: 'coconut', name: ['coconut', 'coconuts'], form: 'grated', solids: [8, 42, 6.2], ta: 0.1, pH: [6.2, 5.5, 7.8], acids: 'malic', pectin: 0, keeps: 'low-acid', calcium: 14, cup: { grated: 80, dried: 93 }, each: 400, waste: 48 },
];

/** Vegetables, infusions and roots that find their way into spreads. Same sources. */
// prettier-ignore
export const VEGETABLE_ROWS: readonly ProduceRow[] = [
  { id: 'tomato', name: ['tomato', 'tomatoes'], form: 'chopped', solids: [4.6, 0.9, 2.6], ta: 0.4, pH: [4.4, 4.1, 4.9], acids: 'mostlyCitric', pectin: 0.3, keeps: 'low-acid', calcium: 10, cup: { chopped: 180, crushed: 240, puree: 245 }, each: 123, waste: 9 },
  { id: 'sweet-pepper', name: ['sweet pepper', 'sweet peppers'], also: ['bell pepper', 'bell peppers', 'pepper', 'peppers'], form: 'chopped', solids: [6, 1.6, 4.2], ta: 0.15, pH: [5.2, 4.7, 5.9], acids: 'mostlyCitric', pectin: 0.3, keeps: 'low-acid', calcium: 7, cup: { chopped: 149, drained: 160, crushed: 220 }, each: 119, waste: 18 },
  { id: 'hot-pepper', name: ['hot pepper', 'hot peppers'], also: ['chilli', 'chillies', 'chili', 'chilies', 'jalapeno', 'jalapeños'], form: 'chopped', solids: [6.5, 2, 4.1], ta: 0.2, pH: [5.2, 4.6, 6.0], acids: 'mostlyCitric', pectin: 0.3, keeps: 'low-acid', calcium: 12, cautions: ['hot-pepper'], cup: { chopped: 130, drained: 145, crushed: 210 }, each: 14, waste: 15 },
  { id: 'onion', name: ['onion', 'onions'], form: 'chopped', solids: [8.5, 1.7, 4.2], ta: 0.15, pH: [5.5, 5.3, 5.9], acids: 'malic', pectin: 0.4, keeps: 'low-acid', calcium: 23, cup: { chopped: 160, sliced: 115 }, each: 110, waste: 10 },
  { id: 'garlic', name: ['garlic', 'garlic'], form: 'chopped', solids: [33, 5, 1], ta: 0.2, pH: [6.0, 5.8, 6.3], acids: 'citric', pectin: 0.3, keeps: 'low-acid', calcium: 181, cautions: ['garlic'], cup: { chopped: 136 }, each: 3, waste: 13 },
  { id: 'carrot', name: ['carrot', 'carrots'], form: 'grated', solids: [8.5, 2.8, 4.7], ta: 0.1, pH: [6.0, 4.9, 6.4], acids: 'malic', pectin: 0.8, keeps: 'low-acid', calcium: 33, cup: { grated: 110, chopped: 128 }, each: 61, waste: 11 },
  { id: 'beetroot', name: ['beetroot', 'beetroots'], also: ['beet', 'beets'], form: 'grated', solids: [10, 2.5, 6.8], ta: 0.1, pH: [5.6, 5.3, 6.6], acids: 'citric', pectin: 0.7, keeps: 'low-acid', calcium: 16, cup: { grated: 136, chopped: 136 }, each: 82, waste: 33 },
  { id: 'courgette', name: ['courgette', 'courgettes'], also: ['zucchini', 'summer squash'], form: 'grated', solids: [3.8, 1.2, 2.5], ta: 0.1, pH: [5.9, 5.6, 6.2], acids: 'malic', pectin: 0.3, keeps: 'low-acid', calcium: 16, cup: { grated: 150, chopped: 124 }, each: 196, waste: 5 },
  { id: 'sweetcorn', name: ['sweetcorn', 'sweetcorn'], also: ['corn', 'corn kernels'], form: 'whole', solids: [9, 15, 6.3], ta: 0.1, pH: [6.6, 5.9, 7.5], acids: 'citric', pectin: 0.2, keeps: 'low-acid', calcium: 2, cup: { whole: 145 }, each: 90, waste: 64 },
  { id: 'sweet-potato', name: ['sweet potato', 'sweet potatoes'], form: 'grated', solids: [8, 15, 4.2], ta: 0.1, pH: [5.5, 5.3, 5.9], acids: 'malic', pectin: 0.5, keeps: 'low-acid', calcium: 30, cup: { grated: 133, puree: 250 }, each: 130, waste: 28 },
  { id: 'pumpkin', name: ['pumpkin', 'pumpkins'], also: ['winter squash', 'butternut squash', 'squash'], form: 'chopped', solids: [7, 2, 2.8], ta: 0.1, pH: [5.2, 4.8, 6.2], acids: 'malic', pectin: 0.5, keeps: 'refused', calcium: 21, cup: { chopped: 116, puree: 245, grated: 116 }, each: 1500, waste: 30 },
  { id: 'ginger', name: ['ginger', 'ginger'], also: ['fresh ginger', 'ginger root'], form: 'grated', solids: [5, 14, 1.7], ta: 0.15, pH: [5.7, 5.4, 6.0], acids: 'citric', pectin: 0.2, keeps: 'seasoning', seasoningShare: 0.03, calcium: 16, cup: { grated: 96, chopped: 96, sliced: 96 }, each: 40, waste: 7 },
];
