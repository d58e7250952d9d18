const SHARES = [
  [0.25, 'a quarter'],
  [0.33, 'a third'],
  [0.5, 'half'],
  [0.67, 'two thirds'],
  [0.75, 'three quarters'],
] as const;

/** A share in words: "a third". @param share 0 to 1 */
export const shareWords = (share: number): string =>
  SHARES.reduce((best, step) =>
    Math.abs(step[0] - share) < Math.abs(best[0] - share) ? step : best,
  )[1];
