import { OWN_INGREDIENT, type PotFormula } from '../formula/index.js';
import { DAY_MS } from '../quantity/index.js';

/**
 * Highest equilibrium pH that counts when it was measured: 4.6 is the line, 4.2 leaves the usual
 * margin. 21 CFR 114.
 */
export const MEASURED_LIMIT = 4.2;
/** No spread is sharper; a meter that says so is wrong. Common practice. */
const SHARPEST_PH = 2;
/**
 * A measured pH belongs to the batch when it was taken within this many days before it, or one day
 * after. A choice of ours.
 */
const BEFORE_BATCH_DAYS = 31;
const AFTER_BATCH_DAYS = 1;

export type MeasuredPHCheck =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly why: string };

/** How far under what is published a reading may be, pH. */
const READING_MARGIN_PH = 0.1;

/**
 * The lowest pH that a meter can be believed to show: without added acid no mixture is more acid
 * than its most acid ingredient is published to be. With added acid the balance says nothing that
 * narrow, and only what no spread reaches is refused.
 */
function lowestBelievable(lines: PotFormula['lines']): number {
  if (lines.some(({ ingredient }) => ingredient.category === 'acid')) return SHARPEST_PH;
  const published = lines.flatMap(({ byTable }) => byTable.acidity?.pH.low ?? []);
  return published.length === 0 ? SHARPEST_PH : Math.min(...published) - READING_MARGIN_PH;
}

/** Days since 1970 of a day as "2026-11-23"; NaN where there is no such day. */
const dayOf = (text: string): number => Date.parse(`${text}T00:00:00Z`) / DAY_MS;

/**
 * Whether a measured pH counts for this batch.
 *
 * @param on the day the batch is made, as "2026-11-23"
 * @returns undefined where none was measured
 */
export function checkMeasuredPH(
  { claims: { measuredPH, measuredPHVoid }, lines }: PotFormula,
  on: string | undefined,
): MeasuredPHCheck | undefined {
  if (!measuredPH) return undefined;
  const isUnknown = lines.some(({ ingredient }) => ingredient.id === OWN_INGREDIENT);
  const why =
    whyVoid(measuredPH, measuredPHVoid, on) ??
    (isUnknown
      ? 'an ingredient is not in the table, so nothing says what to expect of the meter'
      : whyUnbelievable(measuredPH.value, lines));
  return why === undefined ? { ok: true, value: measuredPH.value } : { ok: false, why };
}

function whyVoid(
  { value, measuredOn, meterCalibratedOn }: NonNullable<PotFormula['claims']['measuredPH']>,
  voided: string | undefined,
  on: string | undefined,
): string | undefined {
  if (voided !== undefined) return voided;
  if (value > MEASURED_LIMIT) return `${value} is above ${MEASURED_LIMIT}`;
  if (value < SHARPEST_PH) return `${value} is not the pH of a spread`;
  if (Number.isNaN(dayOf(measuredOn)) || Number.isNaN(dayOf(meterCalibratedOn)))
    return 'a day is not on the calendar';
  if (measuredOn !== meterCalibratedOn) return 'the meter was not calibrated the day it was used';
  if (on === undefined) return 'the day of the batch is not known';
  const daysBefore = dayOf(on) - dayOf(measuredOn);
  return daysBefore <= BEFORE_BATCH_DAYS && daysBefore >= -AFTER_BATCH_DAYS
    ? undefined
    : 'it was not taken in this batch';
}

/** Why a meter that shows this is wrong, where these ingredients cannot be so acid. */
function whyUnbelievable(value: number, lines: PotFormula['lines']): string | undefined {
  const lowest = lowestBelievable(lines);
  return value < lowest
    ? `${value} is lower than these ingredients can be without added acid (${lowest.toFixed(1)} at the least): check the meter in two buffers`
    : undefined;
}
