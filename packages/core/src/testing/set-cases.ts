import { CALCIUM, LIQUID, POWDER, type Lines } from './formula.js';
import type { FormulaDocument } from '../formula/index.js';
import type { FirmnessWord } from '../pectin/index.js';

/** A pot, how an expert would say that it sets, and why. */
export interface SetCase {
  readonly what: string;
  readonly lines: Lines;
  readonly rest?: Partial<FormulaDocument>;
  readonly word: FirmnessWord;
  /** Where it stands in the expert's order, on the scale of the firmness: a judgement. */
  readonly rank: number;
  readonly why: string;
}

const JELLY = { kind: 'jelly' } as const;
const MARMALADE = { kind: 'marmalade' } as const;
const jamSugar = (minutes: number): Partial<FormulaDocument> => ({
  method: 'jam-sugar',
  finish: { type: 'hard-boil', minutes },
});
/** USDA Complete Guide to Home Canning, Guide 7, from memory: groups of fruit, and its formulas. */
const GUIDE = 'USDA Complete Guide, Guide 7, from memory';
const PRACTICE = 'common practice, no source';

/** The model was adjusted on these. */
export const CALIBRATION: readonly SetCase[] = [
  {
    what: 'cantaloupe and sugar',
    lines: [
      ['1 kg', 'cantaloupe'],
      ['800 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.02,
    why: `melon always needs acid and pectin: ${GUIDE}`,
  },
  {
    what: 'ripe figs and sugar',
    lines: [
      ['1 kg', 'fig'],
      ['700 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.1,
    why: `figs always need acid and pectin: ${GUIDE}`,
  },
  {
    what: 'sweet cherries and sugar',
    lines: [
      ['1 kg', 'cherry'],
      ['800 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.2,
    why: `stays a syrup with fruit: ${PRACTICE}`,
  },
  {
    what: 'pears and sugar',
    lines: [
      ['1 kg', 'pear'],
      ['800 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.25,
    why: `pears always need acid and pectin: ${GUIDE}`,
  },
  {
    what: 'strawberries and sugar, no lemon',
    lines: [
      ['1 kg', 'strawberry'],
      ['900 g', 'white-sugar'],
    ],
    word: 'soft',
    rank: 0.6,
    why: `the classic soft, spoonable jam: ${PRACTICE}`,
  },
  {
    what: 'raspberries, equal weights',
    lines: [
      ['1 kg', 'raspberry'],
      ['1 kg', 'white-sugar'],
    ],
    word: 'good',
    rank: 0.95,
    why: `sets without help: ${PRACTICE}`,
  },
  {
    what: 'blackberries, 9 cups to 6 of sugar',
    lines: [
      ['9 cups', 'blackberry', 'crushed'],
      ['6 cups', 'white-sugar'],
    ],
    word: 'good',
    rank: 0.95,
    why: `berry jam without added pectin: ${GUIDE}`,
  },
  {
    what: 'plums, equal weights',
    lines: [
      ['1 kg', 'plum'],
      ['1 kg', 'white-sugar'],
    ],
    word: 'good',
    rank: 1.15,
    why: `most plums have enough of both: ${GUIDE}`,
  },
  {
    what: 'gooseberries, equal weights with water',
    lines: [
      ['1 kg', 'gooseberry'],
      ['400 ml', 'water'],
      ['1 kg', 'white-sugar'],
    ],
    word: 'firm',
    rank: 1.6,
    why: `sets firmly without help: ${PRACTICE}; enough of both: ${GUIDE}`,
  },
  {
    what: 'bitter orange marmalade',
    lines: [
      ['1 kg', 'bitter-orange'],
      ['2 l', 'water'],
      ['2 kg', 'white-sugar'],
    ],
    rest: MARMALADE,
    word: 'firm',
    rank: 1.5,
    why: `the marmalade fruit: pips and pith set twice their weight of sugar: ${PRACTICE}`,
  },
  {
    what: 'cranberry sauce, jellied',
    lines: [
      ['4 cups', 'cranberry', 'whole'],
      ['2 cups', 'white-sugar'],
      ['1 cup', 'water'],
    ],
    rest: { kind: 'jellied-sauce' },
    word: 'stiff',
    rank: 2.4,
    why: `stands to be sliced: ${PRACTICE}`,
  },
  {
    what: 'tart apple jelly',
    lines: [
      ['4 cups', 'tart-apple', 'juice'],
      ['2 Tbsp', 'lemon-juice-bottled'],
      ['3 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'good',
    rank: 1.15,
    why: `jelly without added pectin: ${GUIDE}`,
  },
  {
    what: 'crab apple jelly',
    lines: [
      ['4 cups', 'crab-apple', 'juice'],
      ['4 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'firm',
    rank: 1.5,
    why: `jelly without added pectin, its juice carries its measure of sugar: ${GUIDE}`,
  },
  {
    what: 'redcurrant jelly',
    lines: [
      ['1 l', 'redcurrant', 'juice'],
      ['900 g', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'firm',
    rank: 1.65,
    why: `sets firmly within minutes: ${PRACTICE}`,
  },
  {
    what: 'strawberries with their box of powder',
    lines: [
      ['5 1/2 cups', 'strawberry', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['8 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'good',
    rank: 1.1,
    why: `the box is made for it: ${GUIDE}`,
  },
  {
    what: 'strawberries with half a box',
    lines: [
      ['5 1/2 cups', 'strawberry', 'crushed'],
      ['25 g', 'pectin-powder'],
      ['8 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'soft',
    rank: 0.62,
    why: `half the pectin for the same sugar: ${PRACTICE}`,
  },
  {
    what: 'strawberries with two boxes',
    lines: [
      ['5 1/2 cups', 'strawberry', 'crushed'],
      ['2 boxes', 'pectin-powder'],
      ['8 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'firm',
    rank: 1.9,
    why: `rubbery: ${PRACTICE}`,
  },
  {
    what: 'a box with a quarter of its sugar left out',
    lines: [
      ['5 1/2 cups', 'strawberry', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['6 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'soft',
    rank: 0.7,
    why: `sugar is never cut with this pectin: ${PRACTICE}`,
  },
  {
    what: 'a box with half of its sugar left out',
    lines: [
      ['5 1/2 cups', 'strawberry', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['4 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'none',
    rank: 0.3,
    why: `under 50 % solids high-methoxyl pectin does not gel: pectin handbooks, from memory`,
  },
  {
    what: 'strawberries with 1:1 gelling sugar',
    lines: [
      ['1 kg', 'strawberry', 'crushed'],
      ['1 kg', 'jam-sugar'],
    ],
    rest: jamSugar(4),
    word: 'good',
    rank: 1.1,
    why: `what the pack says, four minutes of rolling boil: ${PRACTICE}`,
  },
  {
    what: 'strawberries with 2:1 gelling sugar',
    lines: [
      ['1 kg', 'strawberry', 'crushed'],
      ['500 g', 'jam-sugar-two-to-one'],
    ],
    rest: jamSugar(4),
    word: 'good',
    rank: 1.05,
    why: `the usual jam of a large part of Europe: ${PRACTICE}`,
  },
  {
    what: 'strawberries with 3:1 gelling sugar',
    lines: [
      ['900 g', 'strawberry', 'crushed'],
      ['300 g', 'jam-sugar-three-to-one'],
    ],
    rest: jamSugar(4),
    word: 'good',
    rank: 0.95,
    why: `what the pack says: ${PRACTICE}`,
  },
  {
    what: 'blueberries with liquid pectin',
    lines: [
      ['4 cups', 'blueberry', 'crushed'],
      ['2 Tbsp', 'lemon-juice-bottled'],
      ['7 cups', 'white-sugar'],
      ['2 pouches', 'pectin-liquid'],
    ],
    rest: LIQUID,
    word: 'good',
    rank: 1.15,
    why: `the usual proportion of the pouch: ${GUIDE}`,
  },
  {
    what: 'peaches with calcium pectin in its measure',
    lines: [
      ['4 cups', 'peach', 'crushed'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['1 cup', 'white-sugar'],
      ['2 tsp', 'pectin-calcium'],
      ['2 tsp', 'calcium-water'],
    ],
    rest: CALCIUM,
    word: 'good',
    rank: 1.05,
    why: `the usual measure: ${PRACTICE}`,
  },
  {
    what: 'the same without calcium water',
    lines: [
      ['4 cups', 'peach', 'crushed'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['1 cup', 'white-sugar'],
      ['2 tsp', 'pectin-calcium'],
    ],
    rest: CALCIUM,
    word: 'none',
    rank: 0.35,
    why: `low-methoxyl pectin gels by calcium alone: pectin handbooks, from memory`,
  },
  {
    what: 'a box of powder boiled to the setting point, half an hour',
    lines: [
      ['5 1/2 cups', 'peach', 'crushed'],
      ['2 cups', 'water'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['1 box', 'pectin-powder'],
      ['7 cups', 'white-sugar'],
    ],
    rest: { method: 'powdered-pectin', finish: { type: 'gel-temperature' } },
    word: 'good',
    rank: 0.9,
    why: `concentrated to full solids, but a fifth or more of the pectin is lost: ${PRACTICE}`,
  },
  {
    what: 'watermelon and sugar',
    lines: [
      ['1 kg', 'watermelon'],
      ['700 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.02,
    why: `melon always needs acid and pectin: ${GUIDE}`,
  },
  {
    what: 'peaches and sugar',
    lines: [
      ['1 kg', 'peach'],
      ['800 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.4,
    why: `peaches always need acid, pectin or both: ${GUIDE}`,
  },
  {
    what: 'apricots with lemon',
    lines: [
      ['4 cups', 'apricot', 'crushed'],
      ['2 Tbsp', 'lemon-juice-bottled'],
      ['4 cups', 'white-sugar'],
    ],
    word: 'good',
    rank: 0.9,
    why: `jam without added pectin, with lemon: ${GUIDE}`,
  },
  {
    what: 'damsons, equal weights',
    lines: [
      ['1 kg', 'damson'],
      ['300 ml', 'water'],
      ['1 kg', 'white-sugar'],
    ],
    word: 'firm',
    rank: 1.6,
    why: `sets firmly without help: ${PRACTICE}`,
  },
  {
    what: 'blackcurrants with water',
    lines: [
      ['1 kg', 'blackcurrant'],
      ['500 ml', 'water'],
      ['1.2 kg', 'white-sugar'],
    ],
    word: 'firm',
    rank: 1.65,
    why: `currants have enough of both, and set more sugar than their weight: ${GUIDE}`,
  },
  {
    what: 'quince jelly',
    lines: [
      ['3 3/4 cups', 'quince', 'juice'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['3 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'firm',
    rank: 1.5,
    why: `jelly without added pectin: ${GUIDE}`,
  },
  {
    what: 'slip-skin grape jelly',
    lines: [
      ['4 cups', 'slip-skin-grape', 'juice'],
      ['3 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'good',
    rank: 1,
    why: `jelly without added pectin: ${GUIDE}`,
  },
  {
    what: 'blackberry jelly',
    lines: [
      ['8 cups', 'blackberry', 'juice'],
      ['6 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'good',
    rank: 0.95,
    why: `jelly without added pectin: ${GUIDE}`,
  },
  {
    what: 'peaches with their box of powder',
    lines: [
      ['3 3/4 cups', 'peach', 'crushed'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['1 box', 'pectin-powder'],
      ['5 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'good',
    rank: 1.3,
    why: `the box is made for it: ${GUIDE}`,
  },
  {
    what: 'flower infusion with liquid pectin',
    lines: [
      ['2 cups', 'flower-infusion'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['4 cups', 'white-sugar'],
      ['1 pouch', 'pectin-liquid'],
    ],
    rest: { ...LIQUID, kind: 'jelly' },
    word: 'good',
    rank: 1,
    why: `the usual jelly of flowers, all of its pectin from the pouch: ${PRACTICE}`,
  },
  {
    what: 'raspberries with low-sugar powder',
    lines: [
      ['6 cups', 'raspberry', 'crushed'],
      ['1 box', 'pectin-low-sugar'],
      ['3 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'good',
    rank: 1.2,
    why: `what this box is sold for: ${PRACTICE}`,
  },
  {
    what: 'raspberries with double calcium',
    lines: [
      ['4 cups', 'raspberry', 'crushed'],
      ['1 cup', 'white-sugar'],
      ['2 tsp', 'pectin-calcium'],
      ['4 tsp', 'calcium-water'],
    ],
    rest: CALCIUM,
    word: 'good',
    rank: 1.2,
    why: `firmer with more of it, until it turns grainy: ${PRACTICE}`,
  },
  {
    what: 'rhubarb with calcium pectin',
    lines: [
      ['4 cups', 'rhubarb'],
      ['1 cup', 'white-sugar'],
      ['2 tsp', 'pectin-calcium'],
      ['2 tsp', 'calcium-water'],
    ],
    rest: CALCIUM,
    word: 'good',
    rank: 0.85,
    why: `oxalate takes calcium: a word softer at most, and it does set: ${PRACTICE}`,
  },
  {
    what: 'sweet orange marmalade',
    lines: [
      ['1 kg', 'orange'],
      ['2', 'lemon'],
      ['1.2 l', 'water'],
      ['1.6 kg', 'white-sugar'],
    ],
    rest: MARMALADE,
    word: 'good',
    rank: 1.15,
    why: `may need acid or pectin, and has it from the lemons: ${GUIDE}`,
  },
  {
    what: 'persimmons and sugar',
    lines: [
      ['1 kg', 'persimmon'],
      ['700 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.03,
    why: `hardly any acid: ${PRACTICE}`,
  },
  {
    what: 'ripe mangoes and sugar',
    lines: [
      ['1 kg', 'mango'],
      ['700 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.12,
    why: `little acid, little pectin: ${PRACTICE}`,
  },
  {
    what: 'blueberries and sugar, no lemon',
    lines: [
      ['1 kg', 'blueberry'],
      ['800 g', 'white-sugar'],
    ],
    word: 'soft',
    rank: 0.6,
    why: `always need acid, pectin or both; spoonable without: ${GUIDE}`,
  },
  {
    what: 'sour cherries with lemon',
    lines: [
      ['1 kg', 'sour-cherry'],
      ['45 ml', 'lemon-juice-bottled'],
      ['900 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.45,
    why: `may need pectin; a runny jam: ${GUIDE}`,
  },
  {
    what: 'tart apples and blackberries, half and half',
    lines: [
      ['600 g', 'tart-apple'],
      ['600 g', 'blackberry'],
      ['200 ml', 'water'],
      ['1 kg', 'white-sugar'],
    ],
    word: 'good',
    rank: 1.2,
    why: `the apple sets the berry: ${PRACTICE}`,
  },
  {
    what: 'jostaberries, equal weights with water',
    lines: [
      ['1 kg', 'jostaberry'],
      ['300 ml', 'water'],
      ['1 kg', 'white-sugar'],
    ],
    word: 'firm',
    rank: 1.5,
    why: `a currant and gooseberry cross, sets like both: ${PRACTICE}`,
  },
  {
    what: 'lemon marmalade',
    lines: [
      ['1 kg', 'lemon'],
      ['2.2 l', 'water'],
      ['2 kg', 'white-sugar'],
    ],
    rest: MARMALADE,
    word: 'firm',
    rank: 1.6,
    why: `enough of both: ${GUIDE}`,
  },
  {
    what: 'quince paste',
    lines: [
      ['1 kg', 'quince'],
      ['300 ml', 'water'],
      ['1 kg', 'white-sugar'],
    ],
    rest: { kind: 'jellied-sauce' },
    word: 'stiff',
    rank: 2.2,
    why: `cut in slices: ${PRACTICE}`,
  },
  {
    what: 'plums with their box of powder',
    lines: [
      ['6 cups', 'plum', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['8 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'good',
    rank: 1.3,
    why: `the box is made for it: ${GUIDE}`,
  },
  {
    what: 'raspberries, a box, half of its sugar left out',
    lines: [
      ['5 cups', 'raspberry', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['3 1/2 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'none',
    rank: 0.25,
    why: `under 50 % solids this pectin does not gel: pectin handbooks, from memory`,
  },
  {
    what: 'blackcurrants with 2:1 gelling sugar',
    lines: [
      ['1 kg', 'blackcurrant', 'crushed'],
      ['500 g', 'jam-sugar-two-to-one'],
    ],
    rest: jamSugar(4),
    word: 'good',
    rank: 1.35,
    why: `what the pack says; the currant adds its own: ${PRACTICE}`,
  },
  {
    what: 'bottled apple juice with a box of powder',
    lines: [
      ['4 cups', 'apple-juice'],
      ['1 box', 'pectin-powder'],
      ['5 cups', 'white-sugar'],
    ],
    rest: { ...POWDER, kind: 'jelly' },
    word: 'good',
    rank: 1.05,
    why: `the base of many herb jellies: ${PRACTICE}`,
  },
  {
    what: 'peaches with half the measure of calcium pectin',
    lines: [
      ['4 cups', 'peach', 'crushed'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['1 cup', 'white-sugar'],
      ['1 tsp', 'pectin-calcium'],
      ['2 tsp', 'calcium-water'],
    ],
    rest: CALCIUM,
    word: 'soft',
    rank: 0.62,
    why: `half the pectin: ${PRACTICE}`,
  },
  {
    what: 'apricots with double the measure of calcium pectin',
    lines: [
      ['4 cups', 'apricot', 'crushed'],
      ['1 cup', 'white-sugar'],
      ['4 tsp', 'pectin-calcium'],
      ['4 tsp', 'calcium-water'],
    ],
    rest: CALCIUM,
    word: 'firm',
    rank: 1.9,
    why: `firmer with more of both: ${PRACTICE}`,
  },
];

/**
 * Never used to adjust the model: written down, each with its word, after the model was as it is and
 * before it was run on them.
 */
export const HELD_OUT: readonly SetCase[] = [
  {
    what: 'papaya and sugar',
    lines: [
      ['1 kg', 'papaya'],
      ['700 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.05,
    why: `hardly any acid: ${PRACTICE}`,
  },
  {
    what: 'elderberry juice and sugar',
    lines: [
      ['4 cups', 'elderberry', 'juice'],
      ['3 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'none',
    rank: 0.15,
    why: `may need acid or pectin, and wants both: ${GUIDE}`,
  },
  {
    what: 'pineapple and sugar',
    lines: [
      ['1 kg', 'pineapple'],
      ['800 g', 'white-sugar'],
    ],
    word: 'none',
    rank: 0.25,
    why: `hardly any pectin: ${PRACTICE}`,
  },
  {
    what: 'rhubarb, equal weights',
    lines: [
      ['1 kg', 'rhubarb'],
      ['1 kg', 'white-sugar'],
    ],
    word: 'soft',
    rank: 0.55,
    why: `little pectin, much acid; spoonable: ${PRACTICE}`,
  },
  {
    what: 'sour cherries with their box of powder',
    lines: [
      ['4 cups', 'sour-cherry', 'chopped'],
      ['1 box', 'pectin-powder'],
      ['4 3/4 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'good',
    rank: 1.1,
    why: `the box is made for it: ${GUIDE}`,
  },
  {
    what: 'raspberries with their box of powder',
    lines: [
      ['5 cups', 'raspberry', 'crushed'],
      ['1 box', 'pectin-powder'],
      ['7 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'good',
    rank: 1.15,
    why: `the box is made for it: ${GUIDE}`,
  },
  {
    what: 'grapefruit marmalade',
    lines: [
      ['1 kg', 'grapefruit'],
      ['1.5 l', 'water'],
      ['1.3 kg', 'white-sugar'],
    ],
    rest: MARMALADE,
    word: 'good',
    rank: 1.3,
    why: `pith and pips: ${PRACTICE}`,
  },
  {
    what: 'tart apple paste',
    lines: [
      ['1 kg', 'tart-apple'],
      ['200 ml', 'water'],
      ['700 g', 'white-sugar'],
    ],
    rest: { kind: 'jellied-sauce' },
    word: 'firm',
    rank: 1.7,
    why: `cut in slices, softer than quince: ${PRACTICE}`,
  },
  {
    what: 'cranberry jelly',
    lines: [
      ['4 cups', 'cranberry', 'juice'],
      ['3 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'firm',
    rank: 1.8,
    why: `enough of both: ${GUIDE}`,
  },
  {
    what: 'plum jelly',
    lines: [
      ['4 cups', 'plum', 'juice'],
      ['3 cups', 'white-sugar'],
    ],
    rest: JELLY,
    word: 'good',
    rank: 1,
    why: `jelly without added pectin: ${GUIDE}`,
  },
  {
    what: 'apricots with 1:1 gelling sugar',
    lines: [
      ['1 kg', 'apricot', 'crushed'],
      ['1 kg', 'jam-sugar'],
    ],
    rest: jamSugar(4),
    word: 'good',
    rank: 1.2,
    why: `what the pack says: ${PRACTICE}`,
  },
  {
    what: 'strawberries with low-sugar powder',
    lines: [
      ['6 cups', 'strawberry', 'crushed'],
      ['1 box', 'pectin-low-sugar'],
      ['2 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'good',
    rank: 1.05,
    why: `what this box is sold for: ${PRACTICE}`,
  },
  {
    what: 'blueberries with calcium pectin, no calcium water',
    lines: [
      ['4 cups', 'blueberry', 'crushed'],
      ['1 cup', 'white-sugar'],
      ['2 tsp', 'pectin-calcium'],
    ],
    rest: CALCIUM,
    word: 'none',
    rank: 0.3,
    why: `low-methoxyl pectin gels by calcium alone: pectin handbooks, from memory`,
  },
  {
    what: 'pears with two boxes of powder',
    lines: [
      ['4 cups', 'pear', 'crushed'],
      ['1/4 cup', 'lemon-juice-bottled'],
      ['2 boxes', 'pectin-powder'],
      ['5 cups', 'white-sugar'],
    ],
    rest: POWDER,
    word: 'stiff',
    rank: 2.3,
    why: `rubbery: ${PRACTICE}`,
  },
];
