import type { Balance } from '../balance/index.js';
import { OWN_INGREDIENT, type PotFormula } from '../formula/index.js';

/**
 * Highest equilibrium pH that counts when it was measured: 4.6 is the line, 4.2 leaves the usual
 * margin. 21 CFR 114.
 */
export const MEASURED_LIMIT = 4.2;
/** No spread is sharper; a meter that says so is wrong. Common practice. */
const SHARPEST_PH = 2;
/** How far under what the model can believe a reading may be, pH. docs/safety.md, rule 3. */
const READING_MARGIN_PH = 0.1;
/** From the 5th to the 1st percentile of a normal distribution, in deviations of the 5th. */
const FIRST_PERCENTILE = 2.326 / 1.645;

/** A pH that was measured in this very batch. */
export interface PHReading {
  readonly value: number;
  /** Why it does not count, where it was not taken as it must be. */
  readonly void?: string;
}

export type MeasuredPHCheck =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly why: string };

/**
 * The lowest pH that a meter can be believed to show: the model’s 1st percentile, and without added
 * acid no less than the most acid of its ingredients is published to be.
 */
function lowestBelievable(lines: PotFormula['lines'], { pH }: Balance): number {
  const first = pH.mid - (pH.mid - pH.low) * FIRST_PERCENTILE;
  const isAcidified = lines.some(({ ingredient }) => ingredient.category === 'acid');
  const published = isAcidified
    ? []
    : lines.flatMap(({ byTable }) => byTable.acidity?.pH.low ?? []);
  return (
    Math.max(first, published.length === 0 ? SHARPEST_PH : Math.min(...published)) -
    READING_MARGIN_PH
  );
}

/** What makes a reading worthless, each with why. */
function whyNot(
  { value, void: voided }: PHReading,
  { lines }: PotFormula,
  made: Balance,
  isUnderstood: boolean,
): string | undefined {
  if (voided !== undefined) return voided;
  if (value > MEASURED_LIMIT) return `${value.toFixed(2)} is above ${MEASURED_LIMIT.toFixed(2)}`;
  if (value < SHARPEST_PH) return `${value} is not the pH of a spread`;
  if (!isUnderstood || lines.some(({ ingredient }) => ingredient.id === OWN_INGREDIENT))
    return 'an ingredient is not understood or not in the table, so nothing says what to expect of the meter';
  const lowest = lowestBelievable(lines, made);
  return value < lowest
    ? `${value.toFixed(2)} is lower than these ingredients can be (${lowest.toFixed(1)} at the least): check the meter in two buffers, and that the sample was blended and cool`
    : undefined;
}

/**
 * Whether a pH measured in the batch counts for it.
 *
 * @param isUnderstood nothing in the pan is unknown
 * @returns undefined where none was measured
 */
export function checkMeasuredPH(
  reading: PHReading | undefined,
  formula: PotFormula,
  made: Balance,
  isUnderstood: boolean,
): MeasuredPHCheck | undefined {
  if (!reading) return undefined;
  const why = whyNot(reading, formula, made, isUnderstood);
  return why === undefined ? { ok: true, value: reading.value } : { ok: false, why };
}
