import type { Balance } from '../balance/index.js';
import { isProduce, type AcidClass } from '../produce/index.js';
import { OWN_INGREDIENT, type PotFormula, type PotLine } from '../formula/index.js';
import { curdDepartures } from './curd.js';
import { ACIDIFIED, reason, type KeepingReason } from './reason.js';
import type { KeepingVerdict } from './verdict.js';
import { DAY_MS } from '../quantity/index.js';

export interface KeepingOptions {
  /**
   * The day the batch is made, as "2026-11-23"; a measured pH must be of it. Without it no measured
   * pH counts.
   */
  readonly on?: string;
  /**
   * What is in the pot but could not be understood, as typed: of such a pot nothing kind can be
   * said.
   */
  readonly notUnderstood?: readonly string[];
}

/**
 * Highest worst pH of acid fruit on the shelf: 0.2 under the line of 4.6. 21 CFR 114 with a margin
 * of ours.
 */
export const ACID_LIMIT = 4.4;
/** The same for fruit whose published range reaches up to 4.6. */
export const BORDERLINE_LIMIT = 4.2;
/**
 * Highest equilibrium pH that counts when it was measured: 4.6 is the line, 4.2 leaves the usual
 * margin. 21 CFR 114.
 */
const MEASURED_LIMIT = 4.2;
/** No spread is sharper; a meter that says so is wrong. Common practice. */
const SHARPEST_PH = 2;
/** A trace of fat against foam: about 1/2 tsp a batch, kg. Common practice. */
const FAT_TRACE_KG = 0.0026;
/** Drops of a flavouring oil, kg. Common practice. */
const DROPS_KG = 0.0013;
/**
 * A measured pH belongs to the batch when it was taken within this many days of it. A choice of
 * ours.
 */
const OF_THIS_BATCH_DAYS = 31;

/** What rules 1 to 4 say. */
export interface Decision {
  readonly verdict: KeepingVerdict;
  readonly reasons: readonly KeepingReason[];
  /** The pH the pot must not pass, where the acid of the fruit decides. */
  readonly limitPH: number | null;
}

const no = (verdict: KeepingVerdict, ...reasons: KeepingReason[]): Decision => ({
  verdict,
  reasons,
  limitPH: null,
});

/**
 * Rules 1 to 4 of what keeps, in their order: the first that applies decides.
 *
 * @param worst the highest pH the pot may have; see `worstPH`
 * @param made the balance of the formula, null when nothing is in the pot
 */
export function decide(
  formula: PotFormula,
  options: KeepingOptions,
  worst: number,
  made: Balance | null,
): Decision {
  const { lines, kind } = formula;
  if (lines.length === 0 || !made) return no('fridge', reason('nothing', 'nothing is in the pot'));
  const mass = made.massIn_kg.mid;
  const named = (test: (line: PotLine) => boolean): PotLine[] => lines.filter(test);
  const names = (list: readonly PotLine[]): string =>
    [...new Set(list.map(({ label }) => label))].join(', ');
  const ids = (...wanted: string[]) => named(({ ingredient }) => wanted.includes(ingredient.id));
  const fat_kg = ids('butter', 'cooking-oil').reduce((sum, line) => sum + line.mass_kg.mid, 0);

  const underOil =
    ids('cooking-oil').reduce((sum, line) => sum + line.mass_kg.mid, 0) > FAT_TRACE_KG;
  const inOil = ids(
    'garlic',
    'herb-infusion',
    'fresh-herb',
    'onion',
    'hot-pepper',
    'sweet-pepper',
    'ginger',
    'tomato',
  );
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
            `measured in this batch: pH ${measured.value.toFixed(2)}, not above ${MEASURED_LIMIT}, with a meter calibrated that day`,
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
            : `${names(lowAcid)} may reach pH 4.6, where botulism can grow: for the shelf only by a tested formula made unchanged, or by a pH of ${MEASURED_LIMIT} or less measured in this batch`,
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
      reason(
        'no-acid',
        'nothing acid is in the pot: there is no rule by which it keeps on the shelf',
      ),
    );
  const touches = named(({ ingredient }) => ingredient.acidClass === 'borderline');
  const limitPH = touches.length > 0 ? BORDERLINE_LIMIT : ACID_LIMIT;
  // What was measured can make it worse.
  const highest = Math.max(worst, formula.claims.measuredPH?.value ?? 0);
  if (highest > limitPH + 1e-9) {
    const route =
      formula.claims.measuredPH && formula.claims.measuredPH.value > limitPH
        ? undefined
        : byRoute();
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

type Measured =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly why: string };

function measuredRoute(formula: PotFormula, { on }: KeepingOptions): Measured | undefined {
  const told = formula.claims.measuredPH;
  if (!told) return undefined;
  const day = (text: string): number => Date.parse(`${text}T00:00:00Z`) / DAY_MS;
  const { value, measuredOn, meterCalibratedOn } = told;
  const { measuredPHVoid } = formula.claims;
  if (measuredPHVoid !== undefined) return { ok: false, why: measuredPHVoid };
  if (value > MEASURED_LIMIT) return { ok: false, why: `${value} is above ${MEASURED_LIMIT}` };
  if (value < SHARPEST_PH) return { ok: false, why: `${value} is not the pH of a spread` };
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
