import {
  ACID_KEYS,
  meanCharge,
  noAcid,
  pHOf,
  protons,
  VALENCE,
  type AcidContent,
} from './charge.js';

/** Grams of citric acid that give one equivalent. 192.12 g/mol over three protons. */
const CITRIC_G_PER_EQ = 64.04;

/** Shares of the titratable acid, in equivalents. */
export interface Shares {
  readonly citric: number;
  readonly malic: number;
  readonly tartaric: number;
  readonly acetic: number;
}

/**
 * Equivalents of acid in a kilogram at a titratable acidity given as citric acid, per cent by mass.
 */
const equivalents = (titratablePercent: number): number =>
  (titratablePercent * 10) / CITRIC_G_PER_EQ;

/** The end point of a titration with phenolphthalein. */
const END_POINT = 8.2;

/**
 * What a kilogram of a fruit must hold for its pH and titratable acidity to be what they are: the
 * acids, and the strong base (mostly potassium) that half-neutralises them. C = (TA - h) / (q(8.2)
 * - q(pH)); base = C q(pH) - h.
 *
 * @param titratablePercent as citric acid, per cent by mass, 0 to 100
 * @param pH of the fruit, 1.5 to 8
 * @param shares of the acids in the titratable acid
 * @returns moles a kilogram; the base is 0 where an acid alone would be more acid than the pH says
 */
export function acidContentOf(titratablePercent: number, pH: number, shares: Shares): AcidContent {
  const content = noAcid();
  const acid = equivalents(titratablePercent);
  if (!(acid > 0)) return content;
  if (titratablePercent > 50) {
    // A pure acid: no base came with it.
    for (const key of ['citric', 'malic', 'tartaric', 'acetic'] as const)
      content[key] = (acid * shares[key]) / VALENCE[key];
    return content;
  }
  let ionic = 0.1;
  for (let round = 0; round < 2; round++) {
    const free = Math.min(protons(pH, ionic), acid * 0.9);
    let base = -free;
    for (const key of ['citric', 'malic', 'tartaric', 'acetic'] as const) {
      const share = shares[key];
      if (share === 0) continue;
      const q = meanCharge(key, pH, ionic);
      const moles = (share * (acid - free)) / Math.max(meanCharge(key, END_POINT, ionic) - q, 0.05);
      content[key] = moles;
      base += moles * q;
    }
    content.cation = Math.max(base, 0);
    ionic = content.cation;
  }
  return content;
}

/**
 * The same fruit riper or greener: acid respired or not yet, at the potassium it has. So a fruit at
 * the high end of its published pH holds less acid, and lemon juice moves it as it would move real
 * ripe fruit.
 *
 * @param pH the pH wanted, at the base of `content`
 * @returns moles a kilogram with every acid scaled by the same factor; the content unchanged where
 * it holds no base
 */
export function atRipeness(content: AcidContent, pH: number): AcidContent {
  if (!(content.cation > 0)) return content;
  const ionic = content.cation;
  let charges = 0;
  for (const key of ACID_KEYS) charges += content[key] * meanCharge(key, pH, ionic);
  if (!(charges > 0)) return content;
  // The factor by the charge balance, then bracketed: more acid is always a lower pH, but where its
  // buffer is nearly spent a little more moves it far.
  const guess = (content.cation + protons(pH, ionic)) / charges;
  let [less, more] = [guess / FACTOR_WITHIN, guess * FACTOR_WITHIN];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const factor = Math.sqrt(less * more);
    const off = pHOf(scaled(content, factor), 1, pH) - pH;
    if (Math.abs(off) < CLOSE_PH) return scaled(content, factor);
    if (off > 0) less = factor;
    else more = factor;
  }
  return scaled(content, Math.sqrt(less * more));
}

/** The charge balance is this near to the solver’s answer, as a factor. */
const FACTOR_WITHIN = 2;
const MOST_ROUNDS = 40;
const CLOSE_PH = 1e-4;

const scaled = (content: AcidContent, factor: number): AcidContent => ({
  citric: content.citric * factor,
  malic: content.malic * factor,
  tartaric: content.tartaric * factor,
  acetic: content.acetic * factor,
  protein: content.protein * factor,
  cation: content.cation,
});

/**
 * Titratable acidity of a pot as citric acid, per cent: what its acids have still to give up by pH
 * 8.2.
 */
export function titratablePercentOf(content: AcidContent, mass_kg: number, pH: number): number {
  const ionic = content.cation / mass_kg;
  let left = protons(pH, ionic) * mass_kg;
  for (const key of ACID_KEYS)
    left +=
      content[key] * Math.max(meanCharge(key, END_POINT, ionic) - meanCharge(key, pH, ionic), 0);
  return ((left / mass_kg) * CITRIC_G_PER_EQ) / 10;
}
