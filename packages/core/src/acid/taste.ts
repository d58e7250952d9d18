/** How sharp a spread tastes, from the least acid up. */
const TASTE_WORDS = ['flat', 'mild', 'balanced', 'sharp', 'very sharp'] as const;
export type TasteWord = (typeof TASTE_WORDS)[number];

/**
 * The titratable acidity of the finished spread below which each word holds, per cent as citric
 * acid. Jams are commonly sold at 0.5 to 1 %. Common practice and a guess.
 */
const BELOW_PERCENT: Readonly<Record<TasteWord, number>> = {
  flat: 0.25,
  mild: 0.55,
  balanced: 0.95,
  sharp: 1.5,
  'very sharp': Infinity,
};

/** How it tastes. @param percent titratable acidity of the finished spread, as citric acid */
export const tasteWord = (percent: number): TasteWord =>
  TASTE_WORDS.find((word) => percent < BELOW_PERCENT[word]) ?? 'very sharp';
