/** What a spoon of juice does in alcohol. */
export const ALCOHOL_TEST_RESULTS = ['lump', 'flecks', 'nothing'] as const;
export type AlcoholTestResult = (typeof ALCOHOL_TEST_RESULTS)[number];

/**
 * Pectin of the fruit by the alcohol test, per cent of the prepared fruit: a solid lump is plenty,
 * flecks are some, nothing is little. The test orders fruit; the figures are those of the table's
 * high, middle and low fruits. Common practice.
 */
export const PECTIN_BY_ALCOHOL_TEST: Readonly<Record<AlcoholTestResult, number>> = {
  lump: 0.9,
  flecks: 0.5,
  nothing: 0.2,
};
