import { emptyFormula, type FormulaDocument, type JarsFilled } from '@idle-kettle/core';

/** The demo household: invented people, an invented kitchen at 1,180 m, amounts of our own. */
export const DEMO_KITCHEN = {
  name: 'Hollow Lane',
  altitude_m: 1180,
  boilingPoint_C: 96.1,
  units: 'metric',
  temperatureUnit: 'C',
} as const;

type Line = readonly [amount: string, ingredient: string, form?: 'chopped' | 'juice' | 'puree'];

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

const DAMSON = formula('Damson jam', '454-g', [['2.4 kg', 'damson'], ['300 ml', 'water'], ['2.2 kg', 'white-sugar'], ['2 tbsp', 'lemon-juice-bottled']]); // prettier-ignore
const APRICOT = formula('Apricot jam with vanilla', '340-g', [['1.6 kg', 'apricot'], ['600 g', 'tart-apple', 'chopped'], ['1.45 kg', 'white-sugar'], ['120 ml', 'lemon-juice-bottled'], ['1 tsp', 'vanilla']]); // prettier-ignore
const REDCURRANT = formula('Redcurrant jelly', '190-ml', [['1.3 l', 'redcurrant', 'juice'], ['1.05 kg', 'white-sugar']], { kind: 'jelly' }); // prettier-ignore
const PEAR = formula('Pear butter', '340-g', [['3.2 kg', 'pear', 'chopped'], ['350 ml', 'water'], ['300 g', 'white-sugar'], ['100 ml', 'lemon-juice-bottled'], ['1/2 tsp', 'ground-spice']], { kind: 'fruit-butter', method: 'no-gel', finish: { type: 'consistency' } }); // prettier-ignore
const BLACKCURRANT = formula('Blackcurrant jam', '340-g', [['1.1 kg', 'blackcurrant'], ['650 ml', 'water'], ['1.35 kg', 'white-sugar']]); // prettier-ignore
const MARMALADE = formula('Bitter orange marmalade', '454-g', [['1.1 kg', 'bitter-orange'], ['2.1 l', 'water'], ['2 kg', 'white-sugar'], ['1', 'lemon']], { kind: 'marmalade' }); // prettier-ignore
const QUINCE = formula('Quince conserve', '250-ml', [['1.4 kg', 'quince', 'chopped'], ['900 ml', 'water'], ['1.2 kg', 'white-sugar'], ['1 tbsp', 'lemon-juice-bottled'], ['25 g', 'ginger']], { kind: 'conserve' }); // prettier-ignore
const PASSION = formula('Passion fruit jelly jam', '125-ml', [['700 g', 'passion-fruit'], ['550 g', 'tart-apple', 'chopped'], ['850 g', 'white-sugar'], ['300 ml', 'water']]); // prettier-ignore

const CURD = formula('Passion fruit curd', '125-ml', [['180 g', 'passion-fruit', 'puree'], ['60 ml', 'lemon-juice-bottled'], ['230 g', 'caster-sugar'], ['3', 'egg'], ['3', 'egg-yolk'], ['120 g', 'butter']], { kind: 'curd', method: 'egg', finish: { type: 'curd' } }); // prettier-ignore
const WINE = formula('Redcurrant and red wine jelly', '125-ml', [['600 ml', 'redcurrant', 'juice'], ['240 ml', 'wine'], ['60 ml', 'wine-vinegar'], ['1.1 kg', 'white-sugar'], ['1 pouch', 'pectin-liquid']], { kind: 'savoury-jelly', method: 'liquid-pectin', finish: { type: 'hard-boil', minutes: 1 } }); // prettier-ignore
const LIGHT = formula('Light apricot jam', '250-ml', [['1 kg', 'apricot'], ['400 g', 'tart-apple', 'chopped'], ['100 ml', 'lemon-juice-bottled'], ['4 tsp', 'calcium-water'], ['330 g', 'white-sugar'], ['4 tsp', 'pectin-calcium']], { method: 'calcium-pectin', finish: { type: 'hard-boil', minutes: 2 } }); // prettier-ignore

export const DEMO_FORMULAS: readonly FormulaDocument[] = [
  DAMSON,
  APRICOT,
  REDCURRANT,
  PEAR,
  BLACKCURRANT,
  MARMALADE,
  QUINCE,
  PASSION,
  CURD,
  WINE,
  LIGHT,
];

export interface DemoBatch {
  readonly document: FormulaDocument;
  /** How long ago the pot went on. */
  readonly minutesAgo: number;
  /** Water this pan drives off, kg an hour. */
  readonly evaporation_kgPerH: number;
  readonly minutesBetweenReadings: number;
  /** For a batch that is over. */
  readonly finished?: { readonly jars: readonly JarsFilled[]; readonly eaten: number; readonly note: string };
}

const DAY = 24 * 60;

export const DEMO_BATCHES: readonly DemoBatch[] = [
  {
    document: APRICOT,
    minutesAgo: 19 * DAY,
    evaporation_kgPerH: 1.9,
    minutesBetweenReadings: 3,
    finished: {
      jars: [{ size: '340-g', full: 7, part: 0.75 }],
      eaten: 3,
      note: 'Foamed a lot at the start; the wider pan next time.',
    },
  },
  {
    document: REDCURRANT,
    minutesAgo: 12 * DAY,
    evaporation_kgPerH: 1.8,
    minutesBetweenReadings: 2,
    finished: { jars: [{ size: '190-ml', full: 6, part: 0.5 }], eaten: 2, note: 'Dripped overnight, clear.' },
  },
  {
    document: PEAR,
    minutesAgo: 5 * DAY,
    evaporation_kgPerH: 0.7,
    minutesBetweenReadings: 30,
    finished: {
      jars: [{ size: '340-g', full: 6, part: 0.25 }],
      eaten: 1,
      note: 'Thickened more as it cooled.',
    },
  },
  { document: DAMSON, minutesAgo: 16, evaporation_kgPerH: 1.9, minutesBetweenReadings: 2 },
];
