import { FOOT_M } from '../quantity/index.js';
import { findJar } from '../jars/index.js';
import {
  KINDS,
  METHODS_OF_KIND,
  type FormulaDocument,
  type Kind,
  type Processing,
} from '../formula/index.js';
import { documentOf, pot, type Lines } from '../testing/formula.js';
import { LEMON_CURD } from '../testing/keeping.js';
import { balance } from '../balance/index.js';
import { assessKeeping } from './assess.js';

/*
 * Minutes by kind, jar, sterilised jars, method and altitude, against the table of the craft's
 * reference written out by hand here, and not against the rows of the product. USDA Complete Guide
 * to Home Canning and the US National Center for Home Food Preservation, from memory.
 */
type Minutes = readonly [number, number, number, number];
const TEN: Minutes = [10, 15, 15, 20];
const FIVE: Minutes = [5, 10, 10, 15];
const FIFTEEN: Minutes = [15, 20, 20, 25];
const HALF_PINT = 250;
const PINT = 500;
const QUART = 1000;
const TABLE: Readonly<
  Record<Kind, { upTo_ml: number; minutes: Minutes; sterile?: Minutes; steam: boolean }>
> = {
  jam: { upTo_ml: PINT, minutes: TEN, sterile: FIVE, steam: true },
  jelly: { upTo_ml: PINT, minutes: TEN, sterile: FIVE, steam: true },
  marmalade: { upTo_ml: PINT, minutes: TEN, sterile: FIVE, steam: true },
  conserve: { upTo_ml: PINT, minutes: TEN, sterile: FIVE, steam: true },
  'savoury-jelly': { upTo_ml: PINT, minutes: TEN, sterile: FIVE, steam: true },
  'fruit-butter': { upTo_ml: QUART, minutes: TEN, sterile: FIVE, steam: true },
  syrup: { upTo_ml: PINT, minutes: TEN, steam: true },
  'jellied-sauce': { upTo_ml: PINT, minutes: FIFTEEN, steam: true },
  curd: { upTo_ml: HALF_PINT, minutes: FIFTEEN, steam: false },
};
const BANDS_FT = [1000, 3000, 6000, 10_000] as const;

const FRUIT: Lines = [
  ['1 kg', 'damson', 'puree'],
  ['900 g', 'white-sugar'],
];
const JUICE: Lines = [
  ['1 l', 'redcurrant', 'juice'],
  ['900 g', 'white-sugar'],
];
const SAUCE: Lines = [
  ['1 kg', 'cranberry'],
  ['800 g', 'white-sugar'],
  ['300 ml', 'water'],
];
const POTS: Readonly<Record<Kind, Lines>> = {
  jam: FRUIT,
  jelly: JUICE,
  marmalade: [
    ['1 kg', 'lemon', 'sliced'],
    ['1 l', 'water'],
    ['1.6 kg', 'white-sugar'],
  ],
  conserve: FRUIT,
  'savoury-jelly': JUICE,
  'fruit-butter': FRUIT,
  syrup: JUICE,
  'jellied-sauce': SAUCE,
  curd: LEMON_CURD,
};
const FINISH: Readonly<Record<Kind, FormulaDocument['finish']>> = {
  jam: { type: 'gel-temperature' },
  jelly: { type: 'gel-temperature' },
  marmalade: { type: 'gel-temperature' },
  conserve: { type: 'gel-temperature' },
  'savoury-jelly': { type: 'gel-temperature' },
  'jellied-sauce': { type: 'gel-temperature' },
  'fruit-butter': { type: 'consistency' },
  syrup: { type: 'soluble-solids', percent: 62 },
  curd: { type: 'curd', temperature: '170 F' },
};
const SIZES = [
  '4-oz',
  '125-ml',
  'half-pint',
  '250-ml',
  '190-ml',
  '340-g',
  '12-oz',
  '454-g',
  'pint',
  '500-ml',
  '750-ml',
  'quart',
  '1-l',
].filter((size) => findJar(size));
/** Both sides of every band's edge, a foot and a metre, and what lies between. */
const ALTITUDES_M = [
  -80,
  0,
  ...BANDS_FT.flatMap((edge) =>
    [edge - 300, edge - 1, edge, edge + 1, edge + 4].map((ft) => ft * FOOT_M),
  ),
  ...BANDS_FT.flatMap((edge) => [Math.floor(edge * FOOT_M), Math.ceil(edge * FOOT_M)]),
  ...Array.from({ length: 18 }, (_, i) => 90 + i * 167),
  4000,
  8848,
];
const WAYS: readonly Processing[] = ['boiling-water', 'steam', 'hot-fill', 'none'];

/** Minutes by the table, or null where it has none. */
function byTable(
  kind: Kind,
  size: string,
  sterile: boolean,
  way: Processing,
  altitude_m: number,
): number | null {
  const row = TABLE[kind];
  const ml = findJar(size)?.volumeToQuarterInch_ml ?? Infinity;
  if (ml > row.upTo_ml || (way !== 'boiling-water' && way !== 'steam')) return null;
  if (way === 'steam' && !row.steam) return null;
  const band = BANDS_FT.findIndex((edge) => altitude_m <= edge * FOOT_M);
  if (band < 0) return null;
  // A quart of butter has one row, of jars that were not sterilised first.
  const isQuart = ml > PINT;
  const minutes = sterile && row.sterile && !isQuart ? row.sterile : row.minutes;
  return minutes[band] ?? null;
}

test('no combination of kind, size, sterilised jars, method and altitude is shorter than the table', () => {
  let [tried, shelf] = [0, 0];
  const wrong: string[] = [];
  for (const kind of KINDS)
    for (const size of SIZES)
      for (const sterile of [false, true]) {
        const document = documentOf(POTS[kind], {
          kind,
          method: METHODS_OF_KIND[kind][0] ?? 'long-boil',
          finish: FINISH[kind],
          jars: [{ size }],
          preSterilised: sterile,
        });
        const formula = pot(document);
        const made = balance(formula);
        for (const processing of WAYS)
          for (const altitude_m of ALTITUDES_M) {
            const kept = assessKeeping(
              { ...formula, place: { altitude_m }, claims: { ...formula.claims, processing } },
              {},
              made,
            );
            const wanted = byTable(kind, size, sterile, processing, altitude_m);
            const got = kept.verdict === 'shelf' ? (kept.process?.minutes ?? NaN) : null;
            tried++;
            if (got !== null) shelf++;
            if (got !== null && (wanted === null || !(got >= wanted)))
              wrong.push(
                `${kind} ${size} ${String(sterile)} ${processing} ${altitude_m} m: ${got}, table ${wanted ?? 'none'}`,
              );
          }
      }
  expect(wrong).toEqual([]);
  expect(tried).toBeGreaterThan(23_000);
  // Not by refusing everything.
  expect(shelf).toBeGreaterThan(tried / 4);
});
