export {
  ALCOHOL_TEST_RESULTS,
  type AlcoholTestResult,
  PECTIN_BY_ALCOHOL_TEST,
} from './alcohol-test.js';
export {
  butterFirmness,
  curdFirmness,
  FIRMNESS_BANDS,
  FIRMNESS_WORDS,
  firmnessWord,
  type FirmnessWord,
  highMethoxylFirmness,
  highMethoxylLimit,
  highMethoxylShares,
  lowMethoxylFirmness,
  NATURAL_GRADE,
  pectinLeft,
} from './firmness.js';
