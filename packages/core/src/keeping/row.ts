import type { PotFormula } from '../formula/index.js';
import type { ProcessBand } from './band.js';
import { minutesIn, PROCESS_ROWS, type ProcessRow } from './process-table.js';
import { reason, type KeepingReason } from './reason.js';
import type { JarSize } from '../jars/index.js';

/** What to do with the filled jars for the shelf. */
export interface Process {
  readonly method: 'boiling-water' | 'steam';
  readonly minutes: number;
  /** Jars boiled sterile before filling. */
  readonly preSterilise: boolean;
  readonly headspace_mm: number;
  readonly startWhen: string;
  readonly row: string;
  readonly band: string;
  readonly source: string;
}

/** Under this a spread moulds soon after opening, per cent soluble solids. Common practice. */
export const LOW_SOLIDS = 55;
type RowChoice =
  | { readonly row: ProcessRow; readonly notes: readonly KeepingReason[] }
  | { readonly none: string };

/** By its name, or by a measurement that says clearly more. */
const largestVolume_ml = ({ volumeToQuarterInch_ml: named, measured_ml = 0 }: JarSize): number =>
  measured_ml > named * NAMED_WITHIN ? measured_ml : named;
/**
 * A measured jar up to a twentieth over its name is that jar, filled and read as kitchens do.
 * Common practice.
 */
const NAMED_WITHIN = 1.05;
const MEASURING_ML = 0.5;

/** The named row a kind maps to; the jars of the batch must be within it. */
export function rowFor(formula: PotFormula, solids: number): RowChoice {
  const { kind, jars, claims } = formula;
  const largest = jars.reduce((most, { jar }) => Math.max(most, largestVolume_ml(jar)), 0);
  const sterile = claims.preSterilised && solids >= LOW_SOLIDS;
  const notes: KeepingReason[] = [];
  if (claims.preSterilised && !sterile)
    notes.push(
      reason(
        'low-solids-process',
        'under 55 % solids the short time for pre-sterilised jars is not used',
      ),
    );
  const as = (text: string): void => {
    notes.push(reason('row', text));
  };
  let row: ProcessRow;
  switch (kind) {
    case 'jam':
    case 'jelly':
    case 'marmalade':
      row = sterile ? PROCESS_ROWS.jamSterile : PROCESS_ROWS.jam;
      break;
    case 'conserve':
      row = sterile ? PROCESS_ROWS.jamSterile : PROCESS_ROWS.jam;
      as('a conserve is processed as jam: fruit and sugar as thick and as acid');
      break;
    case 'savoury-jelly':
      row = sterile ? PROCESS_ROWS.jamSterile : PROCESS_ROWS.jam;
      as('a savoury jelly is processed as jelly');
      break;
    case 'jellied-sauce':
      row = PROCESS_ROWS.cranberry;
      as('a jellied sauce is processed as cranberry sauce, the longer of the rows it could have');
      break;
    case 'fruit-butter':
      if (solids < 18) {
        row = PROCESS_ROWS.appleSauce;
        as('as thin as this it is processed as apple sauce, which is longer');
      } else
        row =
          largest > PROCESS_ROWS.butter.upTo_ml + 0.5
            ? PROCESS_ROWS.butterQuart
            : sterile
              ? PROCESS_ROWS.butterSterile
              : PROCESS_ROWS.butter;
      break;
    case 'syrup':
      row = PROCESS_ROWS.syrup;
      break;
    case 'curd':
      row = PROCESS_ROWS.curd;
      break;
  }
  const tooLarge = jars.find(({ jar }) => largestVolume_ml(jar) > row.upTo_ml + MEASURING_ML);
  if (tooLarge)
    return {
      none: `${row.name} has times for jars up to the ${row.jarName}; a ${tooLarge.jar.name[0]} is larger. No row, no shelf: use smaller jars`,
    };
  const twist = jars.find(({ jar }) => jar.mouth === 'twist');
  if (twist)
    notes.push(
      reason(
        'one-piece-lid',
        `the times are for two-piece lids: one-piece twist lids like those of a ${twist.jar.name[0]} have no row of their own`,
      ),
    );
  const tight = jars.find(({ headspace_mm }) => Math.abs(headspace_mm - row.headspace_mm) > 1.7);
  if (tight)
    notes.push(
      reason(
        'headspace',
        `the table's headspace is ${row.headspace_mm > 10 ? '1/2 in (13 mm)' : '1/4 in (6 mm)'}, not ${tight.headspace_mm.toFixed(0)} mm: too little boils out, too much leaves air`,
      ),
    );
  return { row, notes };
}

const START = {
  'boiling-water':
    'when the water, at least 1 in (2.5 cm) over the jars, is at a full rolling boil; from zero again if the boil stops',
  steam:
    "when the canner's dial or vent shows full steam for your altitude; from zero again if it stops",
} as const;

/** The process of a row in an altitude band. @param told the band in words */
export function processOf(
  formula: PotFormula,
  row: ProcessRow,
  band: ProcessBand,
  told: string,
): Process {
  const method = formula.claims.processing === 'steam' && row.steam ? 'steam' : 'boiling-water';
  return {
    method,
    minutes: minutesIn(row, band),
    preSterilise: row.preSterilised,
    headspace_mm: row.headspace_mm,
    startWhen: START[method],
    row: row.name,
    band: told,
    source: row.source,
  };
}
