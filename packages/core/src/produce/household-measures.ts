import { fromPractice, type Ingredient } from './ingredient.js';
import type { Sourced } from '../range/index.js';

type Grams = readonly [mid: number, low: number, high: number];

/**
 * What one part or pack of an ingredient weighs, g, by unit and by ingredient; `fruit`, `herb` and
 * `any` stand for those without a figure of their own. Common practice, no source; US sticks of
 * butter are 113 g by law of the pack.
 */
const GRAMS: Readonly<Record<string, Readonly<Record<string, Grams>>>> = {
  stick: {
    butter: [113, 110, 116],
    margarine: [113, 110, 116],
    'whole-spice': [3, 1.5, 6],
    'ground-spice': [3, 1.5, 6],
    celery: [50, 30, 80],
    rhubarb: [51, 30, 110],
  },
  sprig: { elderflower: [10, 5, 18], lavender: [0.8, 0.3, 1.5], any: [2, 0.8, 4] },
  leaf: { gelatin: [2, 1.6, 3], herb: [0.5, 0.2, 1.5], any: [0.5, 0.2, 2] },
  bunch: {
    grape: [450, 250, 700],
    celery: [450, 300, 600],
    rhubarb: [400, 250, 700],
    onion: [100, 60, 150],
    elderflower: [80, 40, 150],
    herb: [30, 15, 60],
  },
  handful: {
    herb: [12, 5, 30],
    nuts: [30, 20, 45],
    raisin: [40, 25, 60],
    fruit: [70, 40, 130],
    any: [30, 10, 60],
  },
  knob: { butter: [15, 8, 25], margarine: [15, 8, 25], ginger: [25, 10, 45] },
  thumb: { ginger: [25, 12, 45], horseradish: [25, 12, 45] },
  inch: {
    ginger: [10, 5, 18],
    'whole-spice': [1, 0.5, 2],
    'ground-spice': [1, 0.5, 2],
    horseradish: [10, 5, 18],
    'vanilla-pod': [0.5, 0.3, 1],
  },
  centimetre: { ginger: [4, 2, 8], 'whole-spice': [0.4, 0.2, 0.8], horseradish: [4, 2, 8] },
  clove: {
    garlic: [4, 2, 7],
    'whole-spice': [0.08, 0.05, 0.12],
    'ground-spice': [0.08, 0.05, 0.12],
  },
  head: {
    garlic: [45, 30, 70],
    elderflower: [10, 5, 18],
    dandelion: [1, 0.4, 2],
    lavender: [0.4, 0.2, 1],
    celery: [450, 300, 600],
    fennel: [234, 150, 350],
    'edible-flower': [1, 0.3, 3],
    'whole-spice': [0.08, 0.05, 0.12],
  },
  slice: {
    ginger: [3, 1.5, 6],
    lemon: [8, 5, 12],
    lime: [6, 4, 9],
    orange: [14, 9, 20],
    'bitter-orange': [13, 8, 20],
    'lemon-zest': [2, 1, 4],
    apple: [15, 9, 22],
    pineapple: [60, 40, 90],
  },
  stalk: { rhubarb: [51, 30, 110], celery: [50, 30, 80], 'fresh-herb': [15, 5, 25] },
  ear: { sweetcorn: [90, 60, 130] },
  punnet: {
    strawberry: [350, 200, 500],
    raspberry: [170, 125, 250],
    blackberry: [180, 125, 300],
    blueberry: [180, 125, 300],
    redcurrant: [180, 125, 300],
    blackcurrant: [180, 125, 300],
    gooseberry: [250, 150, 400],
    mushroom: [250, 200, 400],
  },
  clamshell: {
    strawberry: [454, 250, 460],
    raspberry: [170, 110, 340],
    blackberry: [170, 110, 340],
    blueberry: [170, 125, 510],
  },
  bag: { cranberry: [340, 280, 350] },
};

const POUND_KG = 0.45359237;

/**
 * Pounds of fruit as bought in a US bushel: the weights of trade, from memory. A peck is a quarter of it.
 */
const BUSHEL_LB: Readonly<Record<string, Grams>> = {
  apple: [45, 42, 48],
  'tart-apple': [45, 42, 48],
  'crab-apple': [45, 42, 48],
  quince: [48, 44, 50],
  pear: [49, 48, 50],
  peach: [49, 48, 50],
  nectarine: [49, 48, 50],
  apricot: [49, 48, 50],
  plum: [53, 50, 56],
  damson: [53, 50, 56],
  'sour-cherry': [56, 54, 60],
  cherry: [56, 54, 60],
  grape: [46, 44, 48],
  'slip-skin-grape': [46, 44, 48],
  tomato: [53, 50, 60],
};
const PECKS_IN_BUSHEL = 4;

/** Grams of fruit as bought in one basket; undefined for another unit, or fruit without a figure. */
export function gramsPerBasket({ id }: Ingredient, unitId: string): Sourced | undefined {
  const pounds = BUSHEL_LB[id];
  if (!pounds || (unitId !== 'bushel' && unitId !== 'peck')) return undefined;
  const share = unitId === 'peck' ? 1 / PECKS_IN_BUSHEL : 1;
  const [mid, low, high] = pounds.map((lb) => lb * POUND_KG * 1000 * share) as [
    number,
    number,
    number,
  ];
  return fromPractice(mid, low, high);
}

const HERBS = new Set(['fresh-herb', 'dried-herb']);

/** Grams of one part or pack of an ingredient, or undefined where nobody could say. */
export function gramsPerPart(ingredient: Ingredient, unitId: string): Sourced | undefined {
  if (unitId === 'box') return ingredient.gramsPerBox ?? ingredient.gramsPerPouch;
  if (unitId === 'pouch') return ingredient.gramsPerPouch ?? ingredient.gramsPerBox;
  const of = GRAMS[unitId];
  const group = HERBS.has(ingredient.id) ? of?.herb : undefined;
  const fruit = ingredient.category === 'fruit' ? of?.fruit : undefined;
  const grams = of?.[ingredient.id] ?? group ?? fruit ?? of?.any;
  return grams && fromPractice(...grams);
}

/** A small piece is three quarters of a usual one, a large one a third more. Common practice. */
export const SIZE_FACTORS = { small: 0.75, medium: 1, large: 1.35 } as const;
