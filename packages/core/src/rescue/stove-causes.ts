import { fillOfPan } from '../balance/index.js';
import { CURDLES_ABOVE_FINISH_K, STIR_EVERY_MIN } from '../forecast/index.js';
import { FIRMNESS_BANDS } from '../pectin/index.js';
import { atLeast, type CauseRule, minutes, percent, PRACTICE } from './cause-rule.js';

const lidOn: CauseRule = {
  code: 'lid-on',
  signs: ['thin-butter'],
  name: 'Cooked with its lid on to the end',
  support: ({ boil: { places } }) => {
    const last = places.at(-1);
    return last?.lid === 'on'
      ? { strength: 0.6, because: () => 'by the log the lid was on in the last stage' }
      : undefined;
  },
  nextTime: 'Lid off for the last hours: the water has to go.',
  source: PRACTICE,
};

const thinByFormula: CauseRule = {
  code: 'thin-by-formula',
  signs: ['thin-butter'],
  name: 'The finish of the formula is thin',
  support: ({ meantBalance: { set } }) =>
    set.model === 'consistency'
      ? atLeast(
          1 - set.firmness.mid / FIRMNESS_BANDS.soft,
          () => 'by the formula it is cooked less far than a butter that mounds on the spoon',
        )
      : undefined,
  nextTime: 'Cook further, or pour off some of the liquid first.',
  source: PRACTICE,
};

/** Half way to where egg surely curdles some of it has. A choice of ours. */
const CURDLES_FROM_K = CURDLES_ABOVE_FINISH_K / 2;

const tooHot: CauseRule = {
  code: 'too-hot',
  signs: ['curdled'],
  name: 'Too hot',
  support: ({ formula: { finish }, hottest_C }) => {
    if (finish.type !== 'curd' || hottest_C === undefined) return undefined;
    const over_K = hottest_C - finish.temperature_C;
    return over_K < CURDLES_FROM_K
      ? undefined
      : atLeast(
          over_K / CURDLES_ABOVE_FINISH_K,
          ({ temperature }) =>
            `it reached ${temperature(hottest_C)}; a curd is done at ${temperature(finish.temperature_C)}`,
        );
  },
  lacks: ({ hottest_C }) => (hottest_C === undefined ? 'temperatures' : undefined),
  nextTime: 'Over water that only simmers, whisked constantly, off at once when it is thick.',
  source: PRACTICE,
};

const notStirred: CauseRule = {
  code: 'not-stirred',
  signs: ['scorched'],
  name: 'Not stirred',
  support: ({ unstirred_min: gap, formula: { kind } }) => {
    if (gap === undefined) return undefined;
    const every = kind === 'fruit-butter' ? STIR_EVERY_MIN.butter : STIR_EVERY_MIN.sugared;
    return atLeast(
      (gap / every - 1) / 2,
      () => `${minutes(gap)} without a stir; every ${every} min is usual`,
    );
  },
  lacks: ({ unstirred_min }) => (unstirred_min === undefined ? 'stirring' : undefined),
  nextTime: 'Stir the base through, oftener towards the end.',
  source: PRACTICE,
};

const heatedUpLate: CauseRule = {
  code: 'heated-up-late',
  signs: ['scorched', 'boiled-over', 'curdled'],
  name: 'The heat was turned up late',
  support: ({ heatedUpLate: isUp }) =>
    isUp === true
      ? {
          strength: 0.4,
          because: () => 'by the log the heat went up in the last quarter of an hour',
        }
      : undefined,
  lacks: ({ heatedUpLate: isUp }) => (isUp === undefined ? 'heat' : undefined),
  nextTime: 'Heat down as it thickens, with a heat spreader under the pan.',
  source: PRACTICE,
};

const panTooFull: CauseRule = {
  code: 'pan-too-full',
  signs: ['boiled-over'],
  name: 'The pan was too full',
  support: ({ panFill, formula }) =>
    panFill === undefined
      ? undefined
      : atLeast(
          panFill / fillOfPan(formula) - 1,
          () =>
            `it was ${percent(panFill * 100)} full; ${percent(fillOfPan(formula) * 100)} at most leaves it room`,
        ),
  lacks: ({ panFill }) => (panFill === undefined ? 'pan' : undefined),
  nextTime: 'A larger pan, or two halves.',
  source: PRACTICE,
};

/** What went wrong while it cooked. */
export const STOVE_CAUSES: readonly CauseRule[] = [
  lidOn,
  thinByFormula,
  tooHot,
  notStirred,
  heatedUpLate,
  panTooFull,
];
