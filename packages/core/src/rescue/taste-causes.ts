import { tasteWord } from '../acid/index.js';
import { type CauseRule, PRACTICE } from './cause-rule.js';

const sharp: CauseRule = {
  code: 'sharp',
  signs: ['too-sour'],
  name: 'Much acid for its sugar',
  support: ({ madeBalance: { titratableAcidityPercent: acid } }) => {
    const word = tasteWord(acid.mid);
    return word === 'sharp' || word === 'very sharp'
      ? {
          strength: word === 'sharp' ? 0.5 : 0.8,
          because: () => `${acid.mid.toFixed(1)} % acid; jams are commonly 0.5 to 1 %`,
        }
      : undefined;
  },
  nextTime: 'Less lemon where storage allows it, or a milder fruit with it.',
  source: PRACTICE,
};

const flat: CauseRule = {
  code: 'flat',
  signs: ['too-sweet'],
  name: 'Little acid for its sugar',
  support: ({ madeBalance: { titratableAcidityPercent: acid } }) => {
    const word = tasteWord(acid.mid);
    return word === 'flat' || word === 'mild'
      ? {
          strength: word === 'mild' ? 0.4 : 0.8,
          because: () => `${acid.mid.toFixed(2)} % acid; jams are commonly 0.5 to 1 %`,
        }
      : undefined;
  },
  nextTime: 'More lemon: it costs nothing in the set and helps storage.',
  source: PRACTICE,
};

/** Why it tastes other than wanted. */
export const TASTE_CAUSES: readonly CauseRule[] = [sharp, flat];
