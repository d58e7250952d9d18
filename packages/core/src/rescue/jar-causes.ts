import { daysOf, shareOfFruit } from '../keeping/index.js';
import { DAY_MS, HOUR_MS } from '../quantity/index.js';
import {
  atLeast,
  type CauseRule,
  GUIDE,
  minutes,
  ofWarning,
  percent,
  PRACTICE,
  RIPENESS_COUNTS,
} from './cause-rule.js';

/** Pieces rest so long before they are filled, minutes. Common practice: 5 to 10. */
const REST_MIN = 5;

const filledAtOnce: CauseRule = {
  code: 'filled-at-once',
  signs: ['floating-fruit'],
  name: 'Filled at once',
  support: ({ rest_min }) =>
    rest_min === undefined
      ? undefined
      : atLeast(
          0.7 * (1 - rest_min / REST_MIN),
          () => `${minutes(rest_min)} from the end of the cook to the first jar`,
        ),
  lacks: ({ rest_min }) => (rest_min === undefined ? 'rest' : undefined),
  nextTime: 'Rest 5 to 10 min, stir, then fill.',
  source: GUIDE,
};

const WHOLE_FORMS: ReadonlySet<string> = new Set(['whole', 'hulled', 'pitted', 'sliced']);

const largePieces: CauseRule = {
  code: 'large-pieces',
  signs: ['floating-fruit'],
  name: 'Large pieces',
  support: ({ formula }) => {
    const share = shareOfFruit(formula, ({ form }) => WHOLE_FORMS.has(form));
    return atLeast(
      0.4 * share,
      () => `${percent(share * 100)} of the fruit went in whole or in large pieces`,
    );
  },
  nextTime: 'Crush part of the fruit, and let it stand in its sugar before the boil.',
  source: GUIDE,
};

const underRipe: CauseRule = {
  code: 'under-ripe',
  signs: ['cloudy'],
  name: 'Under-ripe fruit',
  support: ({ formula }) => {
    const share = shareOfFruit(formula, ({ ripeness }) => ripeness === 'under-ripe');
    return atLeast(
      share * RIPENESS_COUNTS,
      () => `${percent(share * 100)} of the fruit was under-ripe: its starch clouds the jelly`,
    );
  },
  nextTime: 'Ripe fruit, a quarter of it a little under-ripe.',
  source: GUIDE,
};

const sugarNotInverted: CauseRule = {
  code: 'sugar-not-inverted',
  signs: ['crystals'],
  name: 'Too little of the sugar was split by acid and heat',
  support: ofWarning(0.5, 'may-crystallise'),
  nextTime: 'A little more acid, no grains on the wall of the pan, and stop sooner.',
  source: GUIDE,
};

const GRAPES: ReadonlySet<string> = new Set(['grape', 'slip-skin-grape', 'grape-juice']);

const grapeTartrate: CauseRule = {
  code: 'grape-tartrate',
  signs: ['crystals'],
  name: 'Tartrate of the grapes',
  support: ({ formula }) => {
    const share = shareOfFruit(formula, ({ ingredient }) => GRAPES.has(ingredient.id));
    return atLeast(0.6 * share, () => `${percent(share * 100)} of the fruit is grapes`);
  },
  nextTime: 'Let the juice settle in the fridge overnight, and pour it off its crystals.',
  source: GUIDE,
};

const juicePressed: CauseRule = {
  code: 'juice-pressed',
  signs: ['cloudy'],
  name: 'The juice was pressed',
  support: ({ formula }) =>
    formula.juiceBy === 'press' && formula.lines.some(({ form }) => form === 'juice')
      ? { strength: 0.6, because: () => 'by the formula the juice is pressed, not dripped' }
      : undefined,
  nextTime: 'Let it drip, and do not squeeze the bag.',
  source: GUIDE,
};

/** A jelly that waits longer than this sets in the pan, minutes. Common practice. */
const SETS_IN_THE_PAN_MIN = 8;
/** And surely so much later, minutes. A choice of ours. */
const SURELY_LATER_MIN = 15;

const filledLate: CauseRule = {
  code: 'filled-late',
  signs: ['cloudy', 'bubbles'],
  name: 'Filled late',
  support: ({ rest_min }) =>
    rest_min === undefined
      ? undefined
      : atLeast(
          (rest_min - SETS_IN_THE_PAN_MIN) / SURELY_LATER_MIN,
          () => `${minutes(rest_min)} from the end of the cook to the first jar: it began to set`,
        ),
  lacks: ({ rest_min }) => (rest_min === undefined ? 'rest' : undefined),
  nextTime: 'Fill a jelly at once, the ladle near the jar.',
  source: GUIDE,
};

const storedWarm: CauseRule = {
  code: 'stored-warm',
  signs: ['weeping', 'faded', 'bubbles'],
  name: 'Stored warm',
  support: ({ stored }) =>
    stored.warm === true
      ? {
          strength: 0.5,
          because: () => 'the jars stood warmer than the 21 °C (70 °F) they can stand',
        }
      : undefined,
  lacks: ({ stored }) => (stored.warm === undefined ? 'warmth' : undefined),
  nextTime: 'Store cool, dark and dry: 10 to 21 °C, 50 to 70 °F.',
  source: GUIDE,
};

const storedInLight: CauseRule = {
  code: 'stored-in-light',
  signs: ['faded'],
  name: 'Stored in the light',
  support: ({ stored }) =>
    stored.inLight === true
      ? { strength: 0.6, because: () => 'the jars stood in the light' }
      : undefined,
  lacks: ({ stored }) => (stored.inLight === undefined ? 'light' : undefined),
  nextTime: 'Store in the dark, in a box if need be.',
  source: GUIDE,
};

const storedLong: CauseRule = {
  code: 'stored-long',
  signs: ['faded'],
  name: 'Stored long',
  support: ({ age_h, keeping: { storage } }) => {
    const best = daysOf(storage.best);
    if (age_h === undefined || best === 0) return undefined;
    const age = (age_h * HOUR_MS) / DAY_MS;
    return age < best
      ? undefined
      : atLeast(
          Math.min(0.4 + (age / best - 1), 0.8),
          () => `${age.toFixed(0)} days old, best within ${best}`,
        );
  },
  nextTime: 'Use the oldest jars first; the shelf says which.',
  source: GUIDE,
};

const processFellShort: CauseRule = {
  code: 'process-fell-short',
  signs: ['not-sealed'],
  name: 'Processing was short, late or left out',
  support: ({ keeping }) => {
    const why = keeping.reasons.find(({ code }) =>
      ['process-short', 'process-late', 'not-in-a-load', 'heat-not-reached', 'no-process'].includes(
        code,
      ),
    );
    return why && { strength: 0.7, because: () => why.text };
  },
  nextTime: 'The whole time from a full boil, and the lids left alone after it.',
  source: GUIDE,
};

const boilLost: CauseRule = {
  code: 'boil-lost',
  signs: ['not-sealed'],
  name: 'The canner stopped boiling',
  support: ({ boil: { process } }) =>
    process.lost > 0
      ? {
          strength: 0.5,
          because: () =>
            `by the log its boil stopped ${process.lost === 1 ? 'once' : `${process.lost} times`}`,
        }
      : undefined,
  nextTime: 'Start with more heat than is needed, and turn it down once it boils.',
  source: PRACTICE,
};

/** What shows in the jar, and on its lid. */
export const JAR_CAUSES: readonly CauseRule[] = [
  filledAtOnce,
  largePieces,
  underRipe,
  sugarNotInverted,
  grapeTartrate,
  juicePressed,
  filledLate,
  storedWarm,
  storedInLight,
  storedLong,
  processFellShort,
  boilLost,
];
