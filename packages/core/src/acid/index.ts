export { type AcidContent, noAcid, pHOf } from './charge.js';
export { acidContentOf, atRipeness, titratablePercentOf } from './content.js';
export { PECTIN_PH, sharpnessWord } from './sharpness.js';
export { tasteWord } from './taste.js';
