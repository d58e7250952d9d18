export { ALTITUDE_RANGE_M, standardPressure_kPa } from './atmosphere.js';
export {
  BOILING_POINT_LIMITS_C,
  type BoilingPoint,
  boilingPointAt,
  checkPlace,
  GEL_RISE_C,
  gelTemperature_C,
  type Place,
  PRESSURE_LIMITS_KPA,
  thermometerOffset_K,
} from './place.js';
export {
  LATENT_J_PER_KG,
  saturationPressure_kPa,
  saturationTemperature_C,
  waterDensity_kgPerM3,
} from './saturation.js';
export { heatForLoss_W, LOSS_W_PER_K, panLoss_kgPerH, ROOM_C } from './steam.js';
