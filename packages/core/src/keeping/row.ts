import type { Kind, Method, PotFormula, PotLine } from '../formula/index.js';
import type { JarSize } from '../jars/index.js';
import { isProduce, type Form } from '../produce/index.js';
import type { ProcessBand } from './band.js';
import { minutesIn, PROCESS_ROWS, sterilisingMinutes, type ProcessRow } from './process-table.js';
import { APPLES, isFruitLike, massOf_kg } from './pot-lines.js';
import { reason, type KeepingReason } from './reason.js';
import { LOW_SOLIDS } from './storage.js';

/** What to do with the filled jars for the shelf. */
export interface Process {
  readonly method: 'boiling-water' | 'steam';
  readonly minutes: number;
  /** Jars boiled sterile before filling. */
  readonly preSterilise: boolean;
  /** Minutes they are boiled for, where they are and the altitude is known. */
  readonly sterilise_min: number | null;
  readonly headspace_mm: number;
  readonly startWhen: string;
  readonly row: string;
  readonly band: string;
  readonly source: string;
}

/** Under this a purée is a sauce, and is processed as one, per cent soluble solids. */
const SAUCE_SOLIDS = 18;
/** Under this, pieces of fruit swim in a syrup instead of being held by a gel, per cent. A choice of ours. */
const LIGHT_SYRUP_SOLIDS = 45;
/** From this share of what goes in, water and juice are a syrup around the pieces. A choice of ours. */
const SYRUP_SHARE = 0.15;
/** From this share of the fruit on it is a spread of that fruit. A choice of ours. */
const SPREAD_OF = 0.25;
const MOSTLY = 0.5;

/** A row with what to know of it, or why there is none. */
export type RowChoice =
  | { readonly row: ProcessRow; readonly notes: readonly KeepingReason[] }
  | { readonly none: string };

/**
 * A measured jar up to a twentieth over its name is that jar, filled and read as kitchens do.
 * Common practice.
 */
const NAMED_WITHIN = 1.05;
/** Jars are measured to about this, ml. */
const MEASURING_ML = 0.5;
/** Headspaces this near are the same, mm: a sixteenth of an inch. */
const SAME_HEADSPACE_MM = 1.7;

/** What a jar holds by its name, or by a measurement that says clearly more, ml. */
const largestVolume_ml = ({ volumeToQuarterInch_ml: named, measured_ml = 0 }: JarSize): number =>
  measured_ml > named * NAMED_WITHIN ? measured_ml : named;

/** What a row is chosen by. */
interface RowQuestion {
  /** Jars were boiled sterile, and the spread is sweet enough for the short time. */
  readonly sterile: boolean;
  /** Soluble solids at their low end, per cent. */
  readonly solids: number;
  /** What the largest jar holds, ml. */
  readonly largest_ml: number;
  readonly formula: PotFormula;
}

/** The row of a kind, and why it is that one where it has another name. */
interface NamedRow {
  readonly row: ProcessRow;
  readonly why?: string;
}

const jamRow = ({ sterile }: RowQuestion): ProcessRow =>
  sterile ? PROCESS_ROWS.jamSterile : PROCESS_ROWS.jam;

function butterRow({ sterile, largest_ml }: RowQuestion): NamedRow {
  if (largest_ml > PROCESS_ROWS.butter.upTo_ml + MEASURING_ML)
    return { row: PROCESS_ROWS.butterQuart };
  return { row: sterile ? PROCESS_ROWS.butterSterile : PROCESS_ROWS.butter };
}

/** Each kind maps to a named row of the tables. */
const ROW_OF_KIND: Readonly<Record<Kind, (question: RowQuestion) => NamedRow>> = {
  jam: (question) => ({ row: jamRow(question) }),
  jelly: (question) => ({ row: jamRow(question) }),
  marmalade: (question) => ({ row: jamRow(question) }),
  conserve: (question) => ({
    row: jamRow(question),
    why: 'a conserve is processed as jam: fruit and sugar as thick and as acid',
  }),
  'savoury-jelly': (question) => ({
    row: jamRow(question),
    why: 'a savoury jelly is processed as jelly',
  }),
  'jellied-sauce': () => ({
    row: PROCESS_ROWS.cranberry,
    why: 'a jellied sauce is processed as cranberry sauce, the longer of the rows it could have',
  }),
  'fruit-butter': butterRow,
  syrup: () => ({ row: PROCESS_ROWS.syrup }),
  curd: () => ({ row: PROCESS_ROWS.curd }),
};

/** The part of the produce and juice that is such, share of its mass. */
export function shareOfFruit({ lines }: PotFormula, isSuch: (line: PotLine) => boolean): number {
  const fruit = lines.filter(isFruitLike);
  return fruit.length === 0 ? 0 : massOf_kg(fruit.filter(isSuch)) / massOf_kg(fruit);
}

const becomesPuree = ({ ingredient, form }: PotLine): boolean =>
  form === 'puree' || (APPLES.has(ingredient.id) && form !== 'juice');

/** A purée as thin as a sauce, whatever it is called. */
function sauceRow({ formula, solids }: RowQuestion): NamedRow | undefined {
  const isPuree = formula.kind === 'fruit-butter' || shareOfFruit(formula, becomesPuree) >= MOSTLY;
  return isPuree && solids < SAUCE_SOLIDS
    ? {
        row: PROCESS_ROWS.appleSauce,
        why: 'as thin as this it is processed as apple sauce, which is longer',
      }
    : undefined;
}

/** A spread of cranberries, whatever it is called. */
const cranberryRow = ({ formula }: RowQuestion): NamedRow | undefined =>
  shareOfFruit(formula, ({ ingredient }) => ingredient.id === 'cranberry') >= SPREAD_OF
    ? {
        row: PROCESS_ROWS.cranberry,
        why: 'cranberries are processed as cranberry sauce, the longer of the rows they could have',
      }
    : undefined;

/** Rows that follow from what is in the jar, beside that of the kind. */
const ROWS_OF_CONTENTS: readonly ((question: RowQuestion) => NamedRow | undefined)[] = [
  sauceRow,
  cranberryRow,
];

/** The longest of the rows a formula could have; its kind's own where they are as long. */
function longestRow(question: RowQuestion): NamedRow {
  const rows = [
    ROW_OF_KIND[question.formula.kind](question),
    ...ROWS_OF_CONTENTS.flatMap((rowOf) => rowOf(question) ?? []),
  ];
  return rows.reduce((a, b) => (b.row.minutes[0] > a.row.minutes[0] ? b : a));
}

/** Forms in which fruit stays in pieces. */
const PIECES: ReadonlySet<Form> = new Set<Form>([
  'whole',
  'hulled',
  'pitted',
  'peeled-cored',
  'chopped',
  'sliced',
  'drained',
  'frozen',
  'stored',
  'dried',
  'as-bought',
]);
/** Kinds whose fruit becomes a purée or is strained. */
const WITHOUT_PIECES: ReadonlySet<Kind> = new Set<Kind>([
  'fruit-butter',
  'jellied-sauce',
  'jelly',
  'savoury-jelly',
  'curd',
]);
const WITHOUT_ADDED_PECTIN: ReadonlySet<Method> = new Set<Method>(['long-boil', 'no-gel']);

/** Whether it is fruit canned in a light syrup, for which there is no row here. */
function arePiecesInSyrup(formula: PotFormula, solids: number): boolean {
  const { kind, method, lines } = formula;
  if (WITHOUT_PIECES.has(kind) || !WITHOUT_ADDED_PECTIN.has(method)) return false;
  if (solids >= LIGHT_SYRUP_SOLIDS) return false;
  const liquid_kg = massOf_kg(
    lines.filter(({ ingredient: { category } }) => category === 'water' || category === 'juice'),
  );
  return (
    shareOfFruit(formula, ({ form, ingredient }) => isProduce(ingredient) && PIECES.has(form)) >=
      MOSTLY &&
    (kind === 'syrup' || liquid_kg >= massOf_kg(lines) * SYRUP_SHARE)
  );
}

/**
 * The row of the process tables for a formula, by what is in the jar; the jars of the batch must be
 * within it.
 *
 * @param solids soluble solids at their low end, per cent
 */
export function rowFor(formula: PotFormula, solids: number): RowChoice {
  const { jars, claims } = formula;
  if (arePiecesInSyrup(formula, solids))
    return {
      none: `pieces of fruit in a light syrup (${solids.toFixed(0)} % solids) are canned fruit, not a spread: there is no tested time for them here, so not for the shelf`,
    };
  const sterile = claims.preSterilised && solids >= LOW_SOLIDS;
  const largest_ml = jars.reduce((most, { jar }) => Math.max(most, largestVolume_ml(jar)), 0);
  const { row, why } = longestRow({ sterile, solids, largest_ml, formula });
  const tooLarge = jars.find(({ jar }) => largestVolume_ml(jar) > row.upTo_ml + MEASURING_ML);
  if (tooLarge)
    return {
      none: `${row.name} has times for jars up to the ${row.jarName}; a ${tooLarge.jar.name[0]} is larger. No tested time, so not for the shelf: use smaller jars`,
    };
  const notes = [
    ...(claims.preSterilised && !sterile ? [TOO_THIN_FOR_SHORT_TIME] : []),
    ...(why === undefined ? [] : [reason('row', why)]),
    ...lidNotes(jars),
    ...headspaceNotes(jars, row),
  ];
  return { row, notes };
}

const TOO_THIN_FOR_SHORT_TIME = reason(
  'low-solids-process',
  'under 55 % solids the short time for pre-sterilised jars is not used',
);

function lidNotes(jars: PotFormula['jars']): KeepingReason[] {
  const twist = jars.find(({ jar }) => jar.mouth === 'twist');
  return twist
    ? [
        reason(
          'one-piece-lid',
          `the times are for two-piece lids: one-piece twist lids like those of a ${twist.jar.name[0]} have no row of their own`,
        ),
      ]
    : [];
}

function headspaceNotes(jars: PotFormula['jars'], row: ProcessRow): KeepingReason[] {
  const other = jars.find(
    ({ headspace_mm }) => Math.abs(headspace_mm - row.headspace_mm) > SAME_HEADSPACE_MM,
  );
  const ofTable = row.headspace_mm > 10 ? '1/2 in (13 mm)' : '1/4 in (6 mm)';
  return other
    ? [
        reason(
          'headspace',
          `the table's headspace is ${ofTable}, not ${other.headspace_mm.toFixed(0)} mm: too little boils out, too much leaves air`,
        ),
      ]
    : [];
}

const START_WHEN: Readonly<Record<Process['method'], string>> = {
  'boiling-water':
    'when the water, at least 1 in (2.5 cm) over the jars, is at a full rolling boil; from zero again if the boil stops',
  steam:
    "when the canner's dial or vent shows full steam for your altitude; from zero again if it stops",
};

/** The process of a row in an altitude band. @param bandInWords as it is shown */
export function processOf(
  { claims, place }: PotFormula,
  row: ProcessRow,
  band: ProcessBand,
  bandInWords: string,
): Process {
  const method = claims.processing === 'steam' && row.steam ? 'steam' : 'boiling-water';
  return {
    method,
    minutes: minutesIn(row, band),
    preSterilise: row.preSterilised,
    sterilise_min:
      row.preSterilised && place.altitude_m !== undefined
        ? sterilisingMinutes(place.altitude_m)
        : null,
    headspace_mm: row.headspace_mm,
    startWhen: START_WHEN[method],
    row: row.name,
    band: bandInWords,
    source: row.source,
  };
}
