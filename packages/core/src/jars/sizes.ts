/** Diameter of the mouth decides how much the headspace costs. */
export type Mouth = 'regular' | 'wide' | 'twist';

export interface JarSize {
  readonly id: string;
  readonly name: readonly [string, string];
  /** Millilitres filled to 1/4 in (6.35 mm) below the rim; what a canning jar is named after. */
  readonly volumeToQuarterInch_ml: number;
  /**
   * The same as its owner measured it; the process goes by the name on the jar or by this,
   * whichever is larger.
   */
  readonly measured_ml?: number;
  readonly mouth: Mouth;
  readonly source: string;
}

const NAMED = 'nominal capacity is the fill to 1/4 in; common practice';
const BY_WEIGHT =
  'jars sold by jam weight, brimful capacity less 6 mm; common practice, from memory';

/** Inside diameter of the mouth, mm. Common practice, measured on ordinary jars. */
const MOUTH_MM: Readonly<Record<Mouth, number>> = { regular: 60, wide: 76, twist: 56 };

/** A US half-pint, ml: half of 473.2. NIST Handbook 44. */
export const HALF_PINT_ML = 236.6;

const named = (
  id: string,
  one: string,
  many: string,
  ml: number,
  mouth: Mouth = 'regular',
): JarSize => ({
  id,
  name: [one, many],
  volumeToQuarterInch_ml: ml,
  mouth,
  source: NAMED,
});

/**
 * Millilitres between two headspaces in a mouth of this width.
 * @param difference_mm may be negative
 */
const mouthVolume_ml = (mouth: Mouth, difference_mm: number): number =>
  (Math.PI / 4) * MOUTH_MM[mouth] ** 2 * difference_mm * 1e-3;

const byWeight = (grams: number, brim_ml: number): JarSize => ({
  id: `${grams}-g`,
  name: [`${grams} g jar`, `${grams} g jars`],
  volumeToQuarterInch_ml: Math.round(brim_ml - mouthVolume_ml('twist', 6.35)),
  mouth: 'twist',
  source: BY_WEIGHT,
});

/** The jars spreads are put up in, smallest first. */
export const JAR_SIZES: readonly JarSize[] = [
  named('4-oz', '4-oz jar', '4-oz jars', 118.3),
  named('125-ml', '125 ml jar', '125 ml jars', 125),
  named('190-ml', '190 ml jar', '190 ml jars', 190, 'twist'),
  byWeight(227, 190),
  named('8-oz', '8-oz jar', '8-oz jars', 236.6),
  named('half-pint', 'half-pint', 'half-pints', HALF_PINT_ML),
  named('250-ml', '250 ml jar', '250 ml jars', 250),
  byWeight(340, 283),
  named('12-oz', '12-oz jar', '12-oz jars', 354.9),
  byWeight(375, 314),
  byWeight(454, 380),
  named('pint', 'pint', 'pints', 473.2),
  named('500-ml', '500 ml jar', '500 ml jars', 500),
  named('quart', 'quart', 'quarts', 946.4),
  named('1-l', '1 litre jar', '1 litre jars', 1000),
];

/** The jar with this id, or undefined. */
export const findJar = (id: string): JarSize | undefined => JAR_SIZES.find((jar) => jar.id === id);

/**
 * 1/4 in, the headspace of jams, jellies, marmalades and butters, mm. National Center for Home Food
 * Preservation, from memory.
 */
export const QUARTER_INCH_MM = 6.35;

/** 1/2 in, the headspace of curds, fruit in syrup and relishes, mm. Same source. */
export const HALF_INCH_MM = 12.7;

/**
 * Volume a jar holds when filled to a headspace.
 *
 * @param headspace_mm 3 to 40 mm below the rim
 * @returns millilitres, more than 0
 */
export function fillVolume_ml(jar: JarSize, headspace_mm: number): number {
  const volume = jar.measured_ml ?? jar.volumeToQuarterInch_ml;
  return Math.max(volume - mouthVolume_ml(jar.mouth, headspace_mm - QUARTER_INCH_MM), volume * 0.3);
}
