export { fillInOrder, type JarChoice, jarsToHaveHot, jarWords } from './fill.js';
export { cannerLoads } from './loads.js';
export {
  fillVolume_ml,
  findJar,
  HALF_INCH_MM,
  HALF_PINT_ML,
  JAR_SIZES,
  type JarSize,
  QUARTER_INCH_MM,
} from './sizes.js';
export { filledVolume_ml, jarShortages, type JarStock, smallerJarFor } from './stock.js';
