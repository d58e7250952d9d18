export {
  boilingPointElevation_K,
  MEAN_CURVE,
  NORRISH,
  solidsAtActivity,
  STARZAK_PEACOCK,
  syrupBoilingPoint_C,
} from './boiling.js';
export { syrupDensity_kgPerM3 } from './density.js';
export { INVERSION_FACTOR, inversionRate_perMin } from './inversion.js';
