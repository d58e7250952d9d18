/**
 * Months, 1 to 12, from the first to the last; over the turn of the year when the first is the
 * later one.
 */
type Months = readonly [first: number, last: number];

/**
 * When fruit is picked in the temperate north, or comes to market there. Common practice, no
 * source; weeks differ by place and year.
 */
const NORTHERN: Readonly<Record<string, Months>> = {
  apple: [8, 11],
  'tart-apple': [8, 11],
  'crab-apple': [9, 10],
  apricot: [6, 8],
  'bitter-orange': [12, 2],
  bilberry: [7, 9],
  blackberry: [7, 9],
  blackcurrant: [7, 8],
  blueberry: [7, 9],
  cherry: [6, 7],
  'sour-cherry': [6, 8],
  cranberry: [9, 12],
  damson: [8, 10],
  elderberry: [8, 10],
  fig: [8, 10],
  gooseberry: [6, 7],
  grape: [9, 10],
  'slip-skin-grape': [9, 10],
  grapefruit: [11, 4],
  kumquat: [12, 3],
  lemon: [11, 4],
  lime: [8, 11],
  mandarin: [11, 2],
  nectarine: [6, 9],
  orange: [11, 4],
  peach: [6, 9],
  'white-peach': [6, 9],
  pear: [8, 11],
  'asian-pear': [8, 10],
  persimmon: [10, 12],
  plum: [7, 9],
  pumpkin: [9, 11],
  quince: [9, 11],
  raspberry: [6, 9],
  redcurrant: [6, 8],
  rhubarb: [4, 6],
  'rose-hip': [9, 11],
  strawberry: [5, 7],
  tomato: [7, 10],
  watermelon: [7, 9],
  cantaloupe: [7, 9],
  'sweet-pepper': [7, 10],
  'hot-pepper': [7, 10],
  sloe: [9, 11],
  boysenberry: [7, 8],
  jostaberry: [6, 7],
  cloudberry: [7, 8],
  lingonberry: [8, 10],
  'sea-buckthorn': [8, 10],
  mulberry: [6, 8],
  saskatoon: [6, 7],
  'garden-huckleberry': [8, 10],
  physalis: [8, 10],
  rowan: [8, 10],
  haw: [9, 11],
  medlar: [10, 11],
  japonica: [9, 11],
  kiwi: [10, 2],
  pomegranate: [9, 12],
  yuzu: [10, 12],
  pomelo: [11, 3],
  'white-nectarine': [6, 9],
  feijoa: [10, 12],
  elderflower: [5, 7],
  dandelion: [4, 5],
  'rose-petal': [6, 7],
  lavender: [6, 8],
  tomatillo: [8, 10],
  cucumber: [6, 9],
  courgette: [6, 9],
  beetroot: [7, 10],
};

const YEAR_MONTHS = 12;

/** The month so many months later, 1 to 12. */
export const monthAfter = (month: number, later: number): number =>
  ((month - 1 + later) % YEAR_MONTHS) + 1;

/** Whether there are months without it. */
export const isSeasonal = (ingredientId: string): boolean => ingredientId in NORTHERN;

/**
 * Whether fruit is picked in a month. What is sold all year, such as passion fruit, is always in
 * season.
 * @param month 1 to 12
 */
export function inSeason(ingredientId: string, month: number, southern = false): boolean {
  const months = NORTHERN[ingredientId];
  if (!months) return true;
  const at = southern ? monthAfter(month, YEAR_MONTHS / 2) : month;
  const [first, last] = months;
  return first <= last ? at >= first && at <= last : at >= first || at <= last;
}

/**
 * Months until fruit is picked, 0 to 11; 0 in season, and for what is sold all year.
 * @param month 1 to 12, now
 */
export function monthsUntilSeason(ingredientId: string, month: number, southern = false): number {
  for (let later = 0; later < YEAR_MONTHS; later++)
    if (inSeason(ingredientId, monthAfter(month, later), southern)) return later;
  return 0;
}
