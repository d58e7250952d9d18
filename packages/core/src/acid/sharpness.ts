/** How sharp a spread tastes and how its pectin takes it, from sharpest to dullest. */
const SHARPNESS_WORDS = ['very sharp', 'sharp', 'balanced', 'mild', 'flat'] as const;
export type SharpnessWord = (typeof SHARPNESS_WORDS)[number];

/**
 * The pH below which each word holds. Pectin sets best from 2.8 to 3.4; common practice, no source.
 */
const BELOW: Readonly<Record<SharpnessWord, number>> = {
  'very sharp': 2.8,
  sharp: 3.15,
  balanced: 3.5,
  mild: 3.9,
  flat: Infinity,
};

/** pH at which a high-methoxyl gel is at ease. */
export const PECTIN_PH = [2.8, 3.5] as const;

export const sharpnessWord = (pH: number): SharpnessWord =>
  SHARPNESS_WORDS.find((word) => pH < BELOW[word]) ?? 'flat';
