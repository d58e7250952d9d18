import type { Heat, Lid, WhereCooked } from './document.js';
import type { CookingPlace } from './stages.js';

const WHERE_WORDS: Readonly<Record<WhereCooked, string>> = {
  burner: 'on the burner',
  oven: 'in the oven',
  'slow-cooker': 'in the slow cooker',
  'outdoor-burner': 'in the outdoor pan',
  'double-boiler': 'over simmering water',
};
const LID_WORDS: Readonly<Record<Lid, string>> = {
  on: 'lid on',
  ajar: 'lid ajar',
  off: 'lid off',
};
const HEAT_WORDS: Readonly<Record<Heat, string>> = {
  low: 'on low',
  simmer: 'at a simmer',
  high: 'on high',
  fast: 'at a fast boil',
};

/** Where something cooks, in a sentence: "in the slow cooker, on low, lid on". */
export const placeInWords = ({ where, heat, lid }: CookingPlace): string =>
  [WHERE_WORDS[where], HEAT_WORDS[heat], LID_WORDS[lid]].join(', ');
