import { balance, type Balance } from '../balance/index.js';
import { isProduce, type AcidClass } from '../produce/index.js';
import { OWN_INGREDIENT, type PotFormula, type PotLine } from '../formula/index.js';
import { processBand, PROCESS_BANDS, type ProcessBand } from './band.js';
import { curdDepartures } from './curd.js';
import { minutesIn, PROCESS_ROWS, type ProcessRow } from './process-table.js';
import { storageOf, type Storage } from './storage.js';
import { KEEPING_VERDICTS, type KeepingVerdict } from './verdict.js';
import { worstPH } from './acid-gate.js';

export interface KeepingReason {
  readonly code: string;
  readonly text: string;
  readonly source: string;
}

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

export interface Keeping {
  readonly verdict: KeepingVerdict;
  /** What decides first. */
  readonly reasons: readonly KeepingReason[];
  /** Upper end of the 90 % range of the pH, by the table. */
  readonly worstPH: number;
  /** The pH the pot must not pass, where the acid of the fruit decides. */
  readonly limitPH: number | null;
  /** Null where nothing is processed for the shelf. */
  readonly process: Process | null;
  /** The longest time of the row over all altitudes, for when none is stated. */
  readonly safestProcess: Process | null;
  readonly storage: Storage;
}

export interface KeepingOptions {
  /** The day the batch is made, as "2026-11-23"; a measured pH must be of it. Without it no measured pH counts. */
  readonly on?: string;
  /** What is in the pot but could not be understood, as typed: of such a pot nothing kind can be said. */
  readonly notUnderstood?: readonly string[];
}

const RULES =
  'rules of safe home canning: USDA Complete Guide to Home Canning and the US National Center for Home Food Preservation, from memory';
const ACIDIFIED = '21 CFR 114: pH 4.6 divides; 4.2 leaves the usual margin';
const PRACTICE = 'common practice, no source';

/** The limits of domain rule 4: acid fruit, and fruit whose published range reaches up to 4.6. */
export const ACID_LIMIT = 4.4;
export const BORDERLINE_LIMIT = 4.2;
/** A trace of fat against foam: about 1/2 tsp a batch, kg. */
const FAT_TRACE_KG = 0.0026;
/** Drops of a flavouring oil, kg. */
const DROPS_KG = 0.0013;
/** Under this a spread moulds soon after opening, per cent soluble solids. */
const LOW_SOLIDS = 55;
/** Hot-filled jars ask for this much at least. */
const HOT_FILL_SOLIDS = 60;
/** A measured pH belongs to the batch when it was taken within this many days of it. */
const OF_THIS_BATCH_DAYS = 31;

const reason = (code: string, text: string, source = RULES): KeepingReason => ({ code, text, source });

/**
 * Whether a batch keeps, by the rules in their order. Of rules 1 to 3 the first that applies decides; otherwise 4 to 7 all
 * apply and the strictest wins. The model's own estimate can refuse; it never grants what a rule withholds.
 *
 * @param made the balance of the same formula, if the caller has it
 * @returns the verdict with its reasons, and the process from the published tables at the stated altitude
 */
export function assessKeeping(
  formula: PotFormula,
  options: KeepingOptions = {},
  made: Balance | null = balance(formula),
): Keeping {
  const worst = worstPH(formula);
  const asked = decide(formula, options, worst, made);
  const band = processBand(formula.place.altitude_m);
  let { verdict } = asked;
  const reasons = [...asked.reasons];
  const strict = (to: KeepingVerdict, why: KeepingReason): void => {
    const stricter = KEEPING_VERDICTS.indexOf(to) > KEEPING_VERDICTS.indexOf(verdict);
    if (stricter) verdict = to;
    // What decides is said first.
    reasons.splice(stricter ? 0 : reasons.length, 0, why);
  };
  const { notUnderstood = [] } = options;
  if (notUnderstood.length > 0)
    strict(
      'fridge',
      reason(
        'not-understood',
        `“${notUnderstood.join('”, “')}” is in the pot but not understood, so nothing can be said for it: write it as an amount and an ingredient`,
      ),
    );
  const solids = lowSolids(formula, made);
  const row = verdict === 'shelf' ? rowFor(formula, solids) : undefined;
  let process: Process | null = null;
  let safestProcess: Process | null = null;
  if (verdict === 'shelf') {
    const { processing, processMinutes } = formula.claims;
    if (!row || 'none' in row) {
      strict('fridge', reason('no-row', row ? row.none : 'no table has a time for this; no row, no shelf'));
    } else {
      safestProcess = processOf(formula, row.row, PROCESS_BANDS[3], 'the longest band');
      if (processing === 'hot-fill')
        strict(
          'fridge',
          reason(
            'hot-fill',
            `filled hot and lidded, without a process, is for the fridge here${solids < HOT_FILL_SOLIDS ? `, and at ${solids.toFixed(0)} % solids it is below the 60 % the custom asks for` : ''}. Many who follow the custom (hot sterilised jars, at least 85 C, at least 60 % solids) store such jars cool and dark at their own judgement; other authorities ask for a process`,
            'long the custom in Britain and Europe; US authorities ask for a process',
          ),
        );
      else if (processing === 'none')
        strict('fridge', reason('no-process', 'jars that are not processed are kept in the fridge'));
      else if (processing === 'steam' && !row.row.steam)
        strict(
          'fridge',
          reason('no-steam', `${row.row.name} has no time in an atmospheric steam canner; use boiling water`),
        );
      else if (!band)
        strict(
          'fridge',
          reason(
            'altitude-needed',
            'no process time without an altitude: state it, and until then keep the jars in the fridge',
          ),
        );
      else {
        process = processOf(formula, row.row, band, band.label);
        if (processMinutes !== undefined && processMinutes < process.minutes) {
          strict(
            'stop',
            reason(
              'short-process',
              `${processMinutes} minutes are asked for; the table gives ${process.minutes} at ${band.label}. Nothing shorter keeps the jars safe`,
            ),
          );
          process = null;
        }
      }
      if (verdict === 'shelf') reasons.push(...row.notes);
      if (solids < LOW_SOLIDS)
        reasons.push(
          reason(
            'low-solids',
            `${solids.toFixed(0)} % soluble solids at the low end: it moulds soon after opening, and is best within six months`,
            PRACTICE,
          ),
        );
    }
  }
  if (formula.claims.testedSourceVoid !== undefined)
    reasons.push(
      reason('attestation-void', `the tested source does not count: ${formula.claims.testedSourceVoid}`),
    );
  return {
    verdict,
    reasons,
    worstPH: worst,
    limitPH: asked.limitPH,
    process: verdict === 'shelf' ? process : null,
    safestProcess:
      verdict === 'shelf' || reasons.some(({ code }) => code === 'altitude-needed') ? safestProcess : null,
    storage: storageOf(formula.kind, verdict, solids),
  };
}

interface Decision {
  readonly verdict: KeepingVerdict;
  readonly reasons: readonly KeepingReason[];
  readonly limitPH: number | null;
}

const no = (verdict: KeepingVerdict, ...reasons: KeepingReason[]): Decision => ({
  verdict,
  reasons,
  limitPH: null,
});

function decide(formula: PotFormula, options: KeepingOptions, worst: number, made: Balance | null): Decision {
  const { lines, kind } = formula;
  if (lines.length === 0 || !made) return no('fridge', reason('nothing', 'nothing is in the pot'));
  const mass = made.massIn_kg.mid;
  const named = (test: (line: PotLine) => boolean): PotLine[] => lines.filter(test);
  const names = (list: readonly PotLine[]): string => [...new Set(list.map(({ label }) => label))].join(', ');
  const ids = (...wanted: string[]) => named(({ ingredient }) => wanted.includes(ingredient.id));
  const fat_kg = ids('butter', 'cooking-oil').reduce((sum, line) => sum + line.mass_kg.mid, 0);

  const underOil = ids('cooking-oil').reduce((sum, line) => sum + line.mass_kg.mid, 0) > FAT_TRACE_KG;
  const inOil = ids('garlic', 'herb-infusion', 'onion', 'hot-pepper', 'sweet-pepper', 'ginger', 'tomato');
  if (underOil && inOil.length > 0)
    return no(
      'stop',
      reason(
        'under-oil',
        `${names(inOil)} under oil: without air and acid this is where botulism grows. Do not keep it this way`,
      ),
    );

  // Rule 1.
  if (kind === 'curd') {
    const departures = curdDepartures(formula);
    if (departures.length === 0)
      return {
        verdict: 'shelf',
        limitPH: null,
        reasons: [
          reason(
            'published-curd',
            'the published curd with bottled juice in its own proportions: half-pints, into a canner of 180 F (82 C) water brought up slowly over 25 to 30 minutes',
          ),
        ],
      };
    return no(
      'fridge',
      reason(
        'curd',
        `only the published lemon or lime curd is for the shelf (${departures.slice(0, 2).join('; ')}): keep this one in the fridge, four weeks at most, or freeze it up to a year`,
      ),
    );
  }

  // Rule 2.
  const refused = named(({ ingredient }) => ingredient.acidClass === 'refused');
  if (refused.length > 0)
    return no(
      'fridge',
      reason(
        'not-for-the-shelf',
        `${names(refused)}: not for the shelf at home in a spread; keep it in the fridge or freeze it`,
      ),
    );
  const oils = ids('essential-oil').reduce((sum, line) => sum + line.mass_kg.mid, 0);
  if (fat_kg > FAT_TRACE_KG || oils > DROPS_KG)
    return no(
      'fridge',
      reason(
        'fat',
        `${Math.round((fat_kg + oils) * 1000)} g of fat is beyond a trace against foam (about 1/2 tsp a batch); keep it in the fridge or freeze it`,
      ),
    );
  const lowAcid = named((line) => classOf(line, mass, lines) === 'low-acid');
  if (kind === 'fruit-butter' && lowAcid.length > 0)
    return no(
      'fridge',
      reason(
        'low-acid-butter',
        `${names(lowAcid)}: thick purées and butters of low-acid produce are not for the shelf; keep it in the fridge or freeze it`,
      ),
    );

  // Rule 3.
  const measured = measuredRoute(formula, options);
  const tested = formula.claims.testedSource;
  const byRoute = (): Decision | undefined => {
    if (tested)
      return {
        verdict: 'shelf',
        limitPH: null,
        reasons: [
          reason(
            'tested-source',
            `made unchanged from a tested formula: ${tested.publisher}, ${tested.year}, as you attested; any edit voids it`,
            `${tested.publisher}, ${tested.year}`,
          ),
        ],
      };
    if (measured?.ok)
      return {
        verdict: 'shelf',
        limitPH: null,
        reasons: [
          reason(
            'measured-pH',
            `measured in this batch: pH ${measured.value.toFixed(2)}, not above 4.2, with a meter calibrated that day`,
            ACIDIFIED,
          ),
        ],
      };
    return undefined;
  };
  const measuredNote =
    measured && !measured.ok
      ? [reason('measured-pH-void', `the measured pH does not count: ${measured.why}`, ACIDIFIED)]
      : [];
  if (lowAcid.length > 0) {
    const own = lowAcid.some(({ ingredient }) => ingredient.id === OWN_INGREDIENT);
    return (
      byRoute() ??
      no(
        'fridge',
        reason(
          own ? 'unknown-ingredient' : 'low-acid',
          own
            ? `${names(lowAcid)}: an ingredient that is not in the table never gets a shelf verdict from an estimate`
            : `${names(lowAcid)} may reach pH 4.6, where botulism can grow: for the shelf only by a tested formula made unchanged, or by a pH of 4.2 or less measured in this batch`,
          ACIDIFIED,
        ),
        ...measuredNote,
      )
    );
  }

  // Rule 4.
  const produce = named(
    ({ ingredient }) =>
      isProduce(ingredient) || ingredient.category === 'juice' || ingredient.category === 'acid',
  );
  if (produce.length === 0)
    return no(
      'fridge',
      reason('no-acid', 'nothing acid is in the pot: there is no rule by which it keeps on the shelf'),
    );
  const touches = named(({ ingredient }) => ingredient.acidClass === 'borderline');
  const limitPH = touches.length > 0 ? BORDERLINE_LIMIT : ACID_LIMIT;
  // What was measured can make it worse.
  const highest = Math.max(worst, formula.claims.measuredPH?.value ?? 0);
  if (highest > limitPH + 1e-9) {
    const route =
      formula.claims.measuredPH && formula.claims.measuredPH.value > limitPH ? undefined : byRoute();
    return (
      route ?? {
        verdict: 'fridge',
        limitPH,
        reasons: [
          reason(
            'not-acid-enough',
            `at worst pH ${highest.toFixed(1)}, above ${limitPH}${touches.length > 0 ? ` (${names(touches)} may come close to 4.6)` : ''}: fridge until enough bottled lemon juice is in`,
            ACIDIFIED,
          ),
          ...measuredNote,
        ],
      }
    );
  }
  return {
    verdict: 'shelf',
    limitPH,
    reasons: [
      reason(
        'acid-fruit',
        `acid enough at its worst: pH ${highest.toFixed(1)}, not above ${limitPH}`,
        ACIDIFIED,
      ),
    ],
  };
}

/** How a line counts for keeping: a seasoning beyond its spoonfuls counts as low-acid. */
function classOf(line: PotLine, potMass_kg: number, lines: readonly PotLine[]): AcidClass {
  const { ingredient } = line;
  if (ingredient.id === OWN_INGREDIENT) return 'low-acid';
  if (ingredient.acidClass !== 'seasoning') return ingredient.acidClass;
  const together = lines
    .filter((other) => other.ingredient.id === ingredient.id)
    .reduce((sum, other) => sum + other.mass_kg.mid, 0);
  // Fats and drops of oil have a rule of their own, by the spoon.
  if (FATS.has(ingredient.id)) return 'seasoning';
  return together > potMass_kg * (ingredient.seasoningShare ?? 0) ? 'low-acid' : 'seasoning';
}

const FATS: ReadonlySet<string> = new Set(['butter', 'cooking-oil', 'essential-oil']);

type Measured = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly why: string };

function measuredRoute(formula: PotFormula, { on }: KeepingOptions): Measured | undefined {
  const told = formula.claims.measuredPH;
  if (!told) return undefined;
  const day = (text: string): number => Date.parse(`${text}T00:00:00Z`) / 86_400_000;
  const { value, measuredOn, meterCalibratedOn } = told;
  if (value > 4.2) return { ok: false, why: `${value} is above 4.2` };
  if (value < 2) return { ok: false, why: `${value} is not the pH of a spread` };
  if (Number.isNaN(day(measuredOn)) || Number.isNaN(day(meterCalibratedOn)))
    return { ok: false, why: 'a day is not on the calendar' };
  if (measuredOn !== meterCalibratedOn)
    return { ok: false, why: 'the meter was not calibrated the day it was used' };
  if (on === undefined) return { ok: false, why: 'the day of the batch is not known' };
  const apart = day(on) - day(measuredOn);
  if (!(apart <= OF_THIS_BATCH_DAYS && apart >= -1))
    return { ok: false, why: 'it was not taken in this batch' };
  return { ok: true, value };
}

/** Soluble solids a keeping rule may count on, per cent: the low end, and never more for what the maker wrote. */
function lowSolids(formula: PotFormula, made: Balance | null): number {
  const written = made?.finish.solubleSolidsPercent.low ?? 0;
  if (formula.lines.every((line) => line.composition === line.byTable)) return written;
  const plain = balance({
    ...formula,
    lines: formula.lines.map((line) => ({ ...line, composition: line.byTable })),
  });
  return Math.min(written, plain?.finish.solubleSolidsPercent.low ?? 0);
}

type RowChoice =
  { readonly row: ProcessRow; readonly notes: readonly KeepingReason[] } | { readonly none: string };

/** The named row a kind maps to; the jars of the batch must be within it. */
function rowFor(formula: PotFormula, solids: number): RowChoice {
  const { kind, jars, claims } = formula;
  const largest = jars.reduce((most, { jar }) => Math.max(most, jar.volumeToQuarterInch_ml), 0);
  const sterile = claims.preSterilised && solids >= LOW_SOLIDS;
  const notes: KeepingReason[] = [];
  if (claims.preSterilised && !sterile)
    notes.push(
      reason('low-solids-process', 'under 55 % solids the short time for pre-sterilised jars is not used'),
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
  const tooLarge = jars.find(({ jar }) => jar.volumeToQuarterInch_ml > row.upTo_ml + 0.5);
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
  steam: "when the canner's dial or vent shows full steam for your altitude; from zero again if it stops",
} as const;

function processOf(formula: PotFormula, row: ProcessRow, band: ProcessBand, told: string): Process {
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
