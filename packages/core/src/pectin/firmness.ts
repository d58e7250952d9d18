import { along } from '../range/index.js';

/** Words for a firmness: 1 is the set most makers aim at. */
export const FIRMNESS_WORDS = ['none', 'soft', 'good', 'firm', 'stiff'] as const;
export type FirmnessWord = (typeof FIRMNESS_WORDS)[number];

/** Upper ends of the words, on the firmness scale. */
export const FIRMNESS_BANDS: Readonly<Record<FirmnessWord, number>> = {
  none: 0.5,
  soft: 0.8,
  good: 1.4,
  firm: 2.1,
  stiff: Infinity,
};

/**
 * The word for a firmness. Bands found by ordering known formulas; they are the model's, not a
 * standard.
 */
export const firmnessWord = (firmness: number): FirmnessWord =>
  FIRMNESS_WORDS.find((word) => firmness < FIRMNESS_BANDS[word]) ?? 'stiff';

/** A set pot, or a point on the gel map. */
export interface GelState {
  /** Soluble solids, per cent. */
  readonly solidsPercent: number;
  readonly pH: number;
  /** Grams of pectin at 150 grade in 100 g of the finished spread. */
  readonly pectinPercent: number;
  /** Share of the solids that is invert sugar; {@link ORDINARY_INVERT} unless given. */
  readonly invertShare?: number;
}

/**
 * It is the water that is bound that lets a high-methoxyl gel form, not the weight of the sugar: invert
 * sugar binds as much in fewer per cent. At the same boiling point pure sucrose stands at 67 % and
 * invert sugar at 57.5 % (Norrish 1966, Starzak and Peacock 1997): so many per cent of solids a share.
 */
const INVERT_COUNTS_FOR = 9.5;
/** Share of invert sugar the gel curves below are meant for. Trade texts, from memory. */
const ORDINARY_INVERT = 0.35;

const boundSolids = ({ solidsPercent, invertShare = ORDINARY_INVERT }: GelState): number =>
  solidsPercent + INVERT_COUNTS_FOR * (invertShare - ORDINARY_INVERT);

/**
 * High-methoxyl: full at pH 2.6 to 3.35, none at 2.1 and 3.9. Pectin handbooks, from memory; the
 * sour end by cranberry, which sets at 2.5.
 */
const HM_BY_PH = [2.1, 0, 2.4, 0.8, 2.6, 1, 3.35, 1, 3.5, 0.85, 3.65, 0.6, 3.9, 0] as const;
/** High-methoxyl: falls below 60 % solids, nothing under 50. Same source. */
const HM_BY_SOLIDS = [49, 0, 53, 0.25, 57, 0.55, 60, 0.85, 63, 1, 70, 1, 78, 0.85] as const;
/** Low-methoxyl: sets from 5 to 65 % and pH 2.8 to 4.5. Same source. */
const LM_BY_PH = [2.4, 0.2, 2.8, 1, 4.5, 1, 5.5, 0.6, 6.5, 0.3] as const;
const LM_BY_SOLIDS = [0, 0.6, 10, 0.85, 25, 1, 55, 1, 65, 0.8, 75, 0.5] as const;
/**
 * Low-methoxyl: milligrams of calcium at hand a gram of pectin, the fruit's own included. About 10
 * to 40 are wanted, of which a usual dose of calcium water brings 5; beyond that the set turns
 * grainy. Same source.
 */
const LM_BY_CALCIUM = [0, 0.05, 4, 0.2, 6, 0.6, 9, 1, 40, 1.1, 60, 0.9, 80, 0.75] as const;
/**
 * Oxalate takes calcium out of the gel: at this mass fraction and above the set is a word softer, and
 * no more, for such spreads do set. Common practice.
 */
const OXALATE = { full: 0.004, loss: 0.35 } as const;

/**
 * How firm a high-methoxyl gel sets: 150-grade pectin against the solids it has to carry, times
 * what pH and solids leave of it. One gram of 150-grade pectin sets 150 g of sugar at 65 % to the
 * standard firmness (the definition of the grade, IFT 5-54, from memory), here 1.
 *
 * @returns 0 (runs) upwards; 1 is a good set
 */
export const highMethoxylFirmness = (state: GelState): number =>
  ((150 * state.pectinPercent) / Math.max(state.solidsPercent, 20)) *
  along(HM_BY_PH, state.pH) *
  along(HM_BY_SOLIDS, boundSolids(state));

/**
 * Low-methoxyl pectin in 100 g of spread that gives a good set. Common practice: 2 tsp to 4 cups of
 * fruit.
 */
const LM_GOOD_PERCENT = 0.5;

/**
 * How firm a calcium gel sets.
 *
 * @param calcium_mgPerG of pectin, free to join the gel
 * @param oxalate mass fraction of oxalic acid in the spread
 */
export const lowMethoxylFirmness = (
  { solidsPercent, pH, pectinPercent }: GelState,
  calcium_mgPerG: number,
  oxalate = 0,
): number =>
  (1 - OXALATE.loss * Math.min(oxalate / OXALATE.full, 1)) *
  (pectinPercent / LM_GOOD_PERCENT) *
  along(LM_BY_PH, pH) *
  along(LM_BY_SOLIDS, solidsPercent) *
  along(LM_BY_CALCIUM, calcium_mgPerG);

/**
 * How thick a butter stands: its pulp and its syrup. An apple butter that mounds on the spoon,
 * unsweetened at 27 % solids or sweetened at 43 %, comes to about 1. A fit to common practice, no
 * source.
 *
 * @param pulpPercent insoluble solids in the finished butter
 */
export const butterFirmness = (solidsPercent: number, pulpPercent: number): number =>
  Math.sqrt(Math.max(pulpPercent, 0) / 2.6) * Math.sqrt(Math.max(solidsPercent, 0) / 30);

/** Egg in the published lemon curd, mass share of what goes in; it sets softly to well. */
const CURD_EGG_SHARE = 0.25;

/** Egg yolk thickens from about 65 to 80 C and curdles above. Common practice. */
const CURD_BY_C = [62, 0, 68, 0.4, 76, 1, 82, 1.05, 88, 0.6] as const;

/**
 * How firm a curd sets.
 * @param eggShare egg and yolk over all that goes in
 * @param temperature_C reached
 */
export const curdFirmness = (eggShare: number, temperature_C: number): number =>
  (eggShare / CURD_EGG_SHARE) * along(CURD_BY_C, temperature_C);

/**
 * Pectin in fruit is of a higher grade than the standard 150 of a powder, which is diluted to it.
 * Pectin handbooks, from memory: 200 to 300.
 */
export const NATURAL_GRADE = 250 / 150;

/**
 * Pectin lost in boiling, share a minute, by pH: slowest near 3.5. A guess from pectin handbooks: 1 %
 * (0.5 to 1.5) at 3.0 to 3.5, 2 % at 2.5, 2 to 5 % at 4.5 and above.
 */
const LOST_PER_MIN = [2.5, 0.02, 3, 0.01, 3.5, 0.009, 4, 0.018, 4.5, 0.03] as const;

/** Share of the pectin's grade left after so many minutes at the boil. */
export const pectinLeft = (minutes: number, pH: number): number =>
  Math.exp(-along(LOST_PER_MIN, pH) * Math.max(minutes, 0));

/** What each of three things leaves of a high-methoxyl set, 0 (nothing) to 1 (all of it). */
export interface SetShares {
  readonly solids: number;
  readonly acid: number;
  readonly pectin: number;
}

/** What solids, acid and pectin each leave of the set that a spread could have. */
export const highMethoxylShares = (state: GelState): SetShares => ({
  solids: along(HM_BY_SOLIDS, boundSolids(state)),
  acid: along(HM_BY_PH, state.pH),
  pectin: Math.min((150 * state.pectinPercent) / Math.max(state.solidsPercent, 20), 1),
});

/** At this pH and under it a weak set is for too much acid, above it for too little. */
const SET_ACID_MIDDLE_PH = 3.1;

/** What holds a high-methoxyl set back most, or undefined where nothing does. */
export function highMethoxylLimit(
  state: GelState,
): 'solids' | 'too-little-acid' | 'too-much-acid' | 'pectin' | undefined {
  const { solids, acid, pectin } = highMethoxylShares(state);
  const least = Math.min(acid, solids, pectin);
  if (least > 0.92) return undefined;
  if (least === solids) return 'solids';
  if (least === acid) return state.pH > SET_ACID_MIDDLE_PH ? 'too-little-acid' : 'too-much-acid';
  return 'pectin';
}
