/**
 * Amounts that decide a pH, moles or equivalents in a pot (or per kilogram; `pHOf` is told
 * the mass). `cation` is the strong base that came with the fruit (mostly potassium), with hard
 * water or with soda.
 */
export interface AcidContent {
  citric: number;
  malic: number;
  tartaric: number;
  acetic: number;
  /** Carboxyl groups of egg and milk protein. */
  protein: number;
  cation: number;
}

export const ACID_KEYS = ['citric', 'malic', 'tartaric', 'acetic', 'protein'] as const;
export type AcidKey = (typeof ACID_KEYS)[number];

export const noAcid = (): AcidContent => ({
  citric: 0,
  malic: 0,
  tartaric: 0,
  acetic: 0,
  protein: 0,
  cation: 0,
});

/**
 * Dissociation constants at 25 C. CRC Handbook of Chemistry and Physics, from memory. The one of
 * protein is a guess: 1.15 mmol of carboxyl a gram at about 4.2 and 0.15 mmol of histidine at 6.5,
 * taken together.
 */
const PK: Readonly<Record<AcidKey, readonly number[]>> = {
  citric: [3.13, 4.76, 6.4],
  malic: [3.4, 5.11],
  tartaric: [3.04, 4.37],
  acetic: [4.756],
  protein: [4.3],
};

/** Protons an acid gives up by pH 8.2, the end point of a titration. */
export const VALENCE: Readonly<Record<AcidKey, number>> = {
  citric: 3,
  malic: 2,
  tartaric: 2,
  acetic: 1,
  protein: 1,
};

const LN10 = Math.LN10;
/**
 * Davies 1962, A at 25 C; the fall of the activity of a single charge, as a power of ten.
 * @param ionic mol/kg, 0 to 0.5
 */
function davies(ionic: number): number {
  const root = Math.sqrt(Math.min(Math.max(ionic, 0), 0.5));
  return 0.509 * (root / (1 + root) - 0.3 * root * root);
}

/** Sets of constants by ionic strength, in steps of 0.005 mol/kg: they change slowly. */
const constants = new Map<number, Readonly<Record<AcidKey, readonly number[]>>>();
function constantsAt(ionic: number): Readonly<Record<AcidKey, readonly number[]>> {
  const step = Math.round(Math.min(Math.max(ionic, 0), 0.5) * 200);
  let found = constants.get(step);
  if (!found) {
    const fall = davies(step / 200);
    // K of step z is met at unit activity; in concentrations pK falls by (2z - 1) times the Davies
    // term.
    const shifted = (key: AcidKey): number[] =>
      PK[key].map((pk, i) => Math.exp(-LN10 * (pk - fall * (2 * (i + 1) - 1))));
    found = {
      citric: shifted('citric'),
      malic: shifted('malic'),
      tartaric: shifted('tartaric'),
      acetic: shifted('acetic'),
      protein: shifted('protein'),
    };
    constants.set(step, found);
  }
  return found;
}

/** Mean charge of an acid and its slope against pH, for the proton activity `h`. */
let slope = 0;
function charge(k: readonly number[], h: number): number {
  const k1 = k[0] ?? 0;
  const a = k1 / h;
  if (k.length === 1) {
    const q = a / (1 + a);
    slope = LN10 * q * (1 - q);
    return q;
  }
  const b = (a * (k[1] ?? 0)) / h;
  const c = k.length === 3 ? (b * (k[2] ?? 0)) / h : 0;
  const all = 1 + a + b + c;
  const q = (a + 2 * b + 3 * c) / all;
  slope = LN10 * ((a + 4 * b + 9 * c) / all - q * q);
  return q;
}

/** Charge of all acids together, equivalents, and its slope; each named, since it is asked often. */
function chargeOf(
  { citric, malic, tartaric, acetic, protein }: AcidContent,
  k: Readonly<Record<AcidKey, readonly number[]>>,
  h: number,
): number {
  let sum = 0;
  let steep = 0;
  if (citric > 0) {
    sum += citric * charge(k.citric, h);
    steep += citric * slope;
  }
  if (malic > 0) {
    sum += malic * charge(k.malic, h);
    steep += malic * slope;
  }
  if (tartaric > 0) {
    sum += tartaric * charge(k.tartaric, h);
    steep += tartaric * slope;
  }
  if (acetic > 0) {
    sum += acetic * charge(k.acetic, h);
    steep += acetic * slope;
  }
  if (protein > 0) {
    sum += protein * charge(k.protein, h);
    steep += protein * slope;
  }
  slope = steep;
  return sum;
}

/**
 * Mean charge of an acid at a pH: the protons a molecule has given up.
 *
 * @param ionic ionic strength, mol/kg, 0 to 0.5
 * @returns 0 to the number of its protons
 */
export const meanCharge = (acid: AcidKey, pH: number, ionic: number): number =>
  charge(constantsAt(ionic)[acid], Math.exp(-LN10 * pH));

/** Concentration of free protons, mol/kg, for a pH (which is an activity). */
export const protons = (pH: number, ionic: number): number =>
  Math.exp(-LN10 * (pH - davies(ionic)));

/**
 * pH by charge balance: cations and protons against the charges of the acids.
 *
 * @param content moles in the pot
 * @param mass_kg of the pot the acids are dissolved in
 * @param guess pH to begin from
 * @returns pH at 25 C, 0 to 14; 7 where there is neither acid nor base
 */
export function pHOf(content: AcidContent, mass_kg: number, guess = 3.3): number {
  const { cation } = content;
  if (!(mass_kg > 0) || (!(cation > 0) && ACID_KEYS.every((key) => !(content[key] > 0)))) return 7;
  const per = 1 / mass_kg;
  let ionic = cation * per;
  let pH = guess;
  for (let round = 0; round < 2; round++) {
    const k = constantsAt(ionic);
    const inConcentration = Math.exp(LN10 * davies(ionic));
    let low = 0;
    let high = 14;
    for (let i = 0; i < 60; i++) {
      const h = Math.exp(-LN10 * pH);
      const free = h * inConcentration;
      const hydroxide = 1e-14 / h;
      const sum = hydroxide - free - cation * per + chargeOf(content, k, h) * per;
      const steep = LN10 * (hydroxide + free) + slope * per;
      if (sum > 0) high = pH;
      else low = pH;
      const step = sum / steep;
      const next = pH - step;
      const converged = Math.abs(step) < 1e-7;
      pH = converged || (next > low && next < high) ? next : (low + high) / 2;
      if (converged) break;
    }
    // Ionic strength: half the sum of every ion times the square of its charge, whose mean is q^2
    // and its variance.
    const h = Math.exp(-LN10 * pH);
    let square = 0;
    for (const key of ACID_KEYS) {
      if (!(content[key] > 0)) continue;
      const q = charge(k[key], h);
      square += content[key] * (q * q + slope / LN10);
    }
    const better = 0.5 * (cation * per + h + square * per);
    if (Math.abs(better - ionic) < 0.005) break;
    ionic = better;
  }
  return pH;
}
