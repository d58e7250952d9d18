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

/** Straight line through points x0, y0, x1, y1, ... by rising x, flat beyond the ends. */
function along(points: readonly number[], x: number): number {
  const last = points.length - 2;
  if (x <= (points[0] ?? 0)) return points[1] ?? 0;
  for (let i = 2; i <= last; i += 2) {
    const x1 = points[i] ?? 0;
    if (x > x1) continue;
    const x0 = points[i - 2] ?? 0;
    const y0 = points[i - 1] ?? 0;
    return y0 + (((points[i + 1] ?? 0) - y0) * (x - x0)) / (x1 - x0);
  }
  return points[last + 1] ?? 0;
}

/** A set pot, or a point on the gel map. */
export interface GelState {
  /** Soluble solids, per cent. */
  readonly solidsPercent: number;
  readonly pH: number;
  /** Grams of pectin at 150 grade in 100 g of the finished spread. */
  readonly pectinPercent: number;
}

/**
 * High-methoxyl: full at pH 2.8 to 3.35, none at 2.1 and 3.85. Pectin handbooks, from memory; the
 * sour end by cranberry, which sets at 2.5.
 */
const HM_BY_PH = [2.1, 0, 2.45, 0.6, 2.8, 1, 3.35, 1, 3.6, 0.55, 3.85, 0] as const;
/** High-methoxyl: falls below 60 % solids, nothing under 50. Same source. */
const HM_BY_SOLIDS = [48, 0, 55, 0.35, 60, 0.8, 63, 1, 70, 1, 78, 0.85] as const;
/** Low-methoxyl: sets from 5 to 65 % and pH 2.8 to 4.5. Same source. */
const LM_BY_PH = [2.4, 0.2, 2.8, 1, 4.5, 1, 5.5, 0.6, 6.5, 0.3] as const;
const LM_BY_SOLIDS = [0, 0.6, 10, 0.85, 25, 1, 55, 1, 65, 0.8, 75, 0.5] as const;
/**
 * Low-methoxyl: milligrams of calcium at hand a gram of pectin; 10-40 wanted, beyond it the set
 * turns grainy. Same source.
 */
const LM_BY_CALCIUM = [0, 0.15, 4, 0.5, 10, 1, 40, 1, 80, 0.75] as const;

/**
 * How firm a high-methoxyl gel sets: 150-grade pectin against the solids it has to carry, times
 * what pH and solids leave of it. One gram of 150-grade pectin sets 150 g of sugar at 65 % to the
 * standard firmness (the definition of the grade, IFT 5-54, from memory), here 1.
 *
 * @returns 0 (runs) upwards; 1 is a good set
 */
export const highMethoxylFirmness = ({ solidsPercent, pH, pectinPercent }: GelState): number =>
  ((150 * pectinPercent) / Math.max(solidsPercent, 20)) *
  along(HM_BY_PH, pH) *
  along(HM_BY_SOLIDS, solidsPercent);

/**
 * Low-methoxyl pectin in 100 g of spread that gives a good set. Common practice: 2 tsp to 4 cups of
 * fruit.
 */
const LM_GOOD_PERCENT = 0.55;

/** How firm a calcium gel sets. @param calcium_mgPerG of pectin, free to join the gel */
export const lowMethoxylFirmness = (
  { solidsPercent, pH, pectinPercent }: GelState,
  calcium_mgPerG: number,
): number =>
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
 * Share of the pectin's grade left after boiling. It falls faster the more acid the pot: about a
 * tenth in half an hour at pH 3.2. Pectin handbooks, from memory; a guess in its numbers.
 */
export const pectinLeft = (minutes: number, pH: number): number =>
  Math.exp(
    -0.0035 * Math.max(minutes, 0) * Math.exp(1.04 * (3.2 - Math.min(Math.max(pH, 2.2), 4.5))),
  );

/** What holds a high-methoxyl set back most, or undefined where nothing does. */
export function highMethoxylLimit(
  state: GelState,
): 'solids' | 'too-little-acid' | 'too-much-acid' | 'pectin' | undefined {
  const byAcid = along(HM_BY_PH, state.pH);
  const bySolids = along(HM_BY_SOLIDS, state.solidsPercent);
  const byPectin = Math.min((150 * state.pectinPercent) / Math.max(state.solidsPercent, 20), 1);
  const least = Math.min(byAcid, bySolids, byPectin);
  if (least > 0.92) return undefined;
  if (least === bySolids) return 'solids';
  if (least === byAcid) return state.pH > 3.1 ? 'too-little-acid' : 'too-much-acid';
  return 'pectin';
}
