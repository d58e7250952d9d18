import type { FirmnessWord } from '../pectin/index.js';
import type { Balance } from './balance.js';

type SaidFirmness = Readonly<Record<FirmnessWord, string>>;

const OF_GELS: SaidFirmness = {
  none: 'runny',
  soft: 'soft',
  // "Good" would judge: a soft set may be what is wanted.
  good: 'medium',
  firm: 'firm',
  stiff: 'stiff',
};

/** How a firmness is said, by what sets the spread. */
const SAID: Readonly<Record<Balance['set']['model'], SaidFirmness>> = {
  'high-methoxyl': OF_GELS,
  'low-methoxyl': OF_GELS,
  consistency: {
    none: 'thin',
    soft: 'thin',
    good: 'spreadable',
    firm: 'thick',
    stiff: 'very thick',
  },
  egg: {
    none: 'not thickened',
    soft: 'barely thickened',
    good: 'thickened',
    firm: 'thick',
    stiff: 'very thick',
  },
  none: { none: 'pours', soft: 'pours', good: 'pours', firm: 'pours', stiff: 'pours' },
};

/** How a firmness is said: "medium" of a gel, "spreadable" of a butter. */
export const firmnessSaid = (
  word: FirmnessWord,
  model: Balance['set']['model'] = 'high-methoxyl',
): string => SAID[model][word];
