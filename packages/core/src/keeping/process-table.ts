import { FOOT_M } from '../quantity/index.js';
import { HALF_INCH_MM, HALF_PINT_ML, QUARTER_INCH_MM } from '../jars/index.js';
import { PROCESS_BANDS, type ProcessBand } from './band.js';

/** A row of the published process tables: minutes in boiling water by altitude band, hot pack. */
export interface ProcessRow {
  readonly id: string;
  readonly name: string;
  /** Largest jar the row is for, millilitres to 1/4 in. */
  readonly upTo_ml: number;
  readonly jarName: string;
  /** Minutes for 0-1,000, 1,001-3,000, 3,001-6,000 and 6,001-10,000 ft. */
  readonly minutes: readonly [number, number, number, number];
  readonly headspace_mm: number;
  /** The jars must have been boiled sterile first: the process alone is too short for it. */
  readonly preSterilised: boolean;
  /** Atmospheric steam is allowed: same times, acid food, at most 45 minutes. */
  readonly steam: boolean;
  readonly source: string;
}

const GUIDE =
  'USDA Complete Guide to Home Canning and the US National Center for Home Food Preservation, from memory';
/** US liquid measures: pint, quart, millilitres. */
const PINT_ML = 473.2;
const QUART_ML = 946.4;

function jarNameUpTo(ml: number): string {
  if (ml === HALF_PINT_ML) return 'half-pint';
  return ml === PINT_ML ? 'pint' : 'quart';
}

const row = (
  id: string,
  name: string,
  upTo_ml: number,
  minutes: readonly [number, number, number, number],
  more: Partial<ProcessRow> = {},
): ProcessRow => ({
  id,
  name,
  upTo_ml,
  jarName: jarNameUpTo(upTo_ml),
  minutes,
  headspace_mm: QUARTER_INCH_MM,
  preSterilised: false,
  steam: true,
  source: GUIDE,
  ...more,
});

/** The rows, each named as in its table. */
export const PROCESS_ROWS = {
  jamSterile: row(
    'jam-jelly-pre-sterilised',
    'jam, jelly, marmalade; pre-sterilised jars',
    PINT_ML,
    [5, 10, 10, 15],
    { preSterilised: true },
  ),
  jam: row(
    'jam-jelly',
    'jam, jelly, marmalade; jars not pre-sterilised',
    PINT_ML,
    [10, 15, 15, 20],
  ),
  butterSterile: row(
    'fruit-butter-pre-sterilised',
    'fruit butter; pre-sterilised jars',
    PINT_ML,
    [5, 10, 10, 15],
    { preSterilised: true },
  ),
  butter: row('fruit-butter', 'fruit butter; jars not pre-sterilised', PINT_ML, [10, 15, 15, 20]),
  butterQuart: row('fruit-butter-quart', 'fruit butter; quart jars', QUART_ML, [10, 15, 15, 20]),
  syrup: row('fruit-syrup', 'fruit syrup', PINT_ML, [10, 15, 15, 20], {
    headspace_mm: HALF_INCH_MM,
  }),
  cranberry: row('cranberry-sauce', 'cranberry sauce, jellied or whole', PINT_ML, [15, 20, 20, 25]),
  curd: row('lemon-curd', 'lemon curd', HALF_PINT_ML, [15, 20, 20, 25], {
    headspace_mm: HALF_INCH_MM,
    steam: false,
  }),
  appleSauce: row('apple-sauce', 'apple sauce, hot', PINT_ML, [15, 20, 20, 25], {
    headspace_mm: HALF_INCH_MM,
  }),
} as const;

/** Minutes of a row in a band. */
export const minutesIn = (process: ProcessRow, band: ProcessBand): number =>
  process.minutes[PROCESS_BANDS.findIndex(({ id }) => id === band.id)] ?? process.minutes[3];

/**
 * Minutes to boil jars sterile: 10, and 1 more for every 1,000 ft. Same guide, from memory.
 * @param altitude_m as stated
 */
export const sterilisingMinutes = (altitude_m: number): number =>
  10 + Math.ceil(Math.max(altitude_m, 0) / (1000 * FOOT_M));
