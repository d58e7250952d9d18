import type { PreparedPot } from '../balance/index.js';
import { shareOfFruit } from '../keeping/index.js';
import { FIRMNESS_BANDS, highMethoxylShares, pectinLeft } from '../pectin/index.js';
import { boilingPointElevation_K } from '../syrup/index.js';
import { boilingPointAt } from '../water/index.js';
import type { BatchRecord } from './batch-record.js';
import {
  atLeast,
  type CauseRule,
  GUIDE,
  type Lack,
  minutes,
  ofWarning,
  percent,
  PRACTICE,
  RIPENESS_COUNTS,
  type Support,
} from './cause-rule.js';

const isHighMethoxyl = ({ made }: BatchRecord): boolean => made.rules.model === 'high-methoxyl';

/** What solids, acid and pectin leave of the set of a pan. */
const sharesOf = ({ outcome: { solids, pH, pectinPercent, invertShare } }: PreparedPot) =>
  highMethoxylShares({ solidsPercent: solids, pH, pectinPercent, invertShare });

/** A thermometer is read to this, K: nearer than that nobody stopped early or late. Common practice. */
const READ_TO_K = 0.5;
/** A scale and a refractometer tell solids to this, per cent. Common practice. */
const TOLD_TO_PERCENT = 1.5;

/** Per cent of solids at the end as the record tells it, and what was wanted. */
function solidsSeen({ finish, made, meant }: BatchRecord) {
  if (finish.solids) return finish.solids;
  const { rise_K } = finish;
  return rise_K && Math.abs(rise_K.seen - rise_K.wanted) > READ_TO_K
    ? { wanted: meant.outcome.solids, seen: made.outcome.solids }
    : undefined;
}

const writeFinish = (record: BatchRecord): Support['because'] => {
  const { rise_K, solids } = record.finish;
  if (rise_K)
    return ({ difference }) =>
      `it was stopped ${difference(rise_K.seen)} over boiling water; ${difference(rise_K.wanted)} was wanted`;
  return () =>
    `${percent(solids?.seen ?? 0)} solids at the end; ${percent(solids?.wanted ?? 0)} were wanted`;
};

const noFinishSeen = ({ finish, formula }: BatchRecord): Lack | undefined =>
  finish.rise_K || finish.solids || formula.finish.type === 'hard-boil' ? undefined : 'finish';

/** So many per cent of solids fewer or more than wanted explain it all. A choice of ours. */
const ALL_OF_IT_PERCENT = 8;

const stoppedEarly: CauseRule = {
  code: 'stopped-early',
  signs: ['too-loose', 'thin-butter', 'floating-fruit'],
  name: 'Stopped early',
  support: (record) => {
    const solids = solidsSeen(record);
    if (!solids || thermometerError_K(record) >= LIES_BY_K) return undefined;
    const missing = solids.wanted - solids.seen;
    return missing < TOLD_TO_PERCENT
      ? undefined
      : atLeast(Math.max(missing / ALL_OF_IT_PERCENT, setLost(record)), writeFinish(record));
  },
  lacks: noFinishSeen,
  nextTime: 'Cook to where it is to stop, and read the thermometer in the middle of the pan.',
  source: GUIDE,
};

/** Share of the set lost by where it was stopped. */
function setLost({ meant, made }: BatchRecord): number {
  const wanted = sharesOf(meant).solids;
  return wanted <= 0 ? 0 : 1 - sharesOf(made).solids / wanted;
}

/** A thermometer that is off by this says something else than it is, K. A choice of ours. */
const LIES_BY_K = 1;

/** How much hotter it read at the end than what the scale or refractometer says boils, K; 0 if unknown. */
function thermometerError_K({ finish: { rise_K, solids }, formula, made }: BatchRecord): number {
  if (!rise_K || !solids) return 0;
  const { pressure_kPa } = boilingPointAt(formula.place);
  return (
    rise_K.seen - boilingPointElevation_K(solids.seen / 100, made.outcome.invertShare, pressure_kPa)
  );
}

const thermometerHigh: CauseRule = {
  code: 'thermometer-high',
  signs: ['too-loose'],
  name: 'The thermometer reads too high',
  support: (record) => {
    const { solids } = record.finish;
    const error_K = thermometerError_K(record);
    return !solids || error_K < LIES_BY_K
      ? undefined
      : atLeast(
          (solids.wanted - solids.seen) / ALL_OF_IT_PERCENT,
          ({ difference }) =>
            `${percent(solids.seen)} solids by weight or degrees Brix; for that it read ${difference(error_K)} too high`,
        );
  },
  nextTime: 'Hold the thermometer in boiling water and enter what it reads in Kitchen.',
  source: PRACTICE,
};

/** Fewer of the forecast jars than this, and water went that was to stay. A choice of ours. */
const FEW_JARS = 0.88;
/** A timed boil so many times too long is a fault, and so many times explains all of it. A choice of ours. */
const TIMES_TOO_LONG = { least: 3, all: 20 } as const;

const boiledTooFar: CauseRule = {
  code: 'boiled-too-far',
  signs: ['too-stiff', 'crystals', 'scorched', 'faded'],
  name: 'Boiled too far',
  support: (record) => {
    const solids = solidsSeen(record);
    if (solids) {
      const more = solids.seen - solids.wanted;
      return more < TOLD_TO_PERCENT
        ? undefined
        : atLeast(more / ALL_OF_IT_PERCENT, writeFinish(record));
    }
    const { timedBoil_min: timed, yieldShare, finish } = record;
    if (timed && timed.actual > timed.wanted * TIMES_TOO_LONG.least)
      return atLeast(
        timed.actual / (timed.wanted * TIMES_TOO_LONG.all),
        () => `${minutes(timed.actual)} of hard boil instead of ${minutes(timed.wanted)}`,
      );
    // Fewer jars than forecast are a sign too, where nothing else tells.
    return !finish.rise_K && yieldShare !== undefined && yieldShare < FEW_JARS
      ? atLeast(
          1 - yieldShare,
          () => `${percent(yieldShare * 100)} of the jars that were forecast were filled`,
        )
      : undefined;
  },
  lacks: noFinishSeen,
  nextTime: 'Stop sooner: test on a cold plate with the pan off the heat.',
  source: GUIDE,
};

/** Firm enough to want no cause, and so weak that what takes from it explains all, on the firmness scale. A choice of ours. */
const WEAK_SET = { none: FIRMNESS_BANDS.soft + 0.3, all: FIRMNESS_BANDS.none } as const;

/** How much of a weak set the record itself expects, 0 to 1: more pectin may make up for the rest. */
function expectedWeakness({ madeBalance: { set } }: BatchRecord): number {
  const { none, all } = WEAK_SET;
  return Math.min(Math.max((none - set.firmness.mid) / (none - all), 0), 1);
}

const fewSolids: CauseRule = {
  code: 'few-solids',
  signs: ['too-loose'],
  name: 'Too little sugar for this pectin',
  support: (record) => {
    if (!isHighMethoxyl(record)) return undefined;
    const { solids } = record.meant.outcome;
    return atLeast(
      (1 - sharesOf(record.meant).solids) * expectedWeakness(record),
      () => `${percent(solids)} solids by the formula; this pectin sets fully from about 63 %`,
    );
  },
  nextTime: 'Use the full sugar, or the calcium kind of pectin.',
  source: GUIDE,
};

/** High-methoxyl pectin: set best at, weeping under, and surely so much below. Pectin handbooks, from memory. */
const SET_PH = { best: 3.1, weepsUnder: 2.85, surelyBelow: 0.4 } as const;

/** What the acid takes from the set, where it is too little or too much. */
const acidShare = (record: BatchRecord, isTooLittle: boolean): Support | undefined => {
  if (!isHighMethoxyl(record)) return undefined;
  const { pH } = record.made.outcome;
  return pH > SET_PH.best === isTooLittle
    ? atLeast(
        (1 - sharesOf(record.made).acid) * expectedWeakness(record),
        () => `pH ${pH.toFixed(1)}; pectin sets best from 2.8 to 3.4`,
      )
    : undefined;
};
const littleAcid: CauseRule = {
  code: 'little-acid',
  signs: ['too-loose'],
  name: 'Too little acid',
  support: (record) => acidShare(record, true),
  nextTime: 'Add bottled lemon juice at the start; Balance says how much.',
  source: GUIDE,
};

const muchAcid: CauseRule = {
  code: 'much-acid',
  signs: ['weeping', 'too-loose'],
  name: 'Too much acid',
  support: (record) => {
    const { pH } = record.made.outcome;
    return (
      acidShare(record, false) ??
      (isHighMethoxyl(record)
        ? atLeast(
            (SET_PH.weepsUnder - pH) / SET_PH.surelyBelow,
            () => `pH ${pH.toFixed(1)}: so sharp a gel lets go of its liquid`,
          )
        : undefined)
    );
  },
  nextTime: 'Less lemon, or part of the fruit replaced by a milder one.',
  source: GUIDE,
};

const firmWithInvert: CauseRule = {
  code: 'firm-with-invert',
  signs: ['weeping'],
  name: 'A firm gel with much of its sugar split',
  support: (record) => (muchAcid.support(record) ? undefined : ofWarning(0.4, 'may-weep')(record)),
  nextTime: 'Less pectin or less acid, and a shorter boil.',
  source: PRACTICE,
};

const noAddedPectin: CauseRule = {
  code: 'no-added-pectin',
  signs: ['too-loose'],
  name: 'The pectin is missing',
  support: ({ madeBalance: { set } }) =>
    set.reasons.some(({ code }) => code === 'no-added-pectin' || code === 'no-calcium-pectin')
      ? { strength: 1, because: () => 'the setting method adds pectin, and none is in the pan' }
      : undefined,
  nextTime: 'Measure the pectin before the heat goes on.',
  source: GUIDE,
};

const littlePectin: CauseRule = {
  code: 'little-pectin',
  signs: ['too-loose'],
  name: 'Too little pectin',
  support: (record) => {
    if (!isHighMethoxyl(record) || noAddedPectin.support(record)) return undefined;
    const { pectinPercent } = record.meant.outcome;
    return atLeast(
      (1 - sharesOf(record.meant).pectin) * expectedWeakness(record),
      () => `${pectinPercent.toFixed(1)} % pectin for the sugar it has to carry`,
    );
  },
  nextTime: 'Add a fruit rich in pectin, such as quince or redcurrant, or pectin.',
  source: GUIDE,
};

const muchPectin: CauseRule = {
  code: 'much-pectin',
  signs: ['too-stiff', 'bubbles'],
  name: 'More pectin than the set wants',
  support: ({ meantBalance: { set } }) =>
    set.model === 'consistency' || set.model === 'egg'
      ? undefined
      : atLeast(
          1 - FIRMNESS_BANDS.good / Math.max(set.firmness.mid, FIRMNESS_BANDS.good),
          () =>
            `firmness ${set.firmness.mid.toFixed(1)} by the formula; ${FIRMNESS_BANDS.soft} to ${FIRMNESS_BANDS.good} is medium`,
        ),
  nextTime: 'Less pectin, or more of a fruit that has little.',
  source: GUIDE,
};

const pectinBoiledAway: CauseRule = {
  code: 'pectin-boiled-away',
  signs: ['too-loose'],
  name: 'Boiled so long that the pectin broke down',
  support: (record) => {
    const { timedBoil_min: timed, boil_min: boil } = record;
    const longerBoil = boil ? boil.actual - boil.forecast.high : 0;
    const extra = timed ? timed.actual - timed.wanted : longerBoil;
    return atLeast(
      1 - pectinLeft(extra, record.made.outcome.pH),
      () => `${minutes(extra)} longer at the boil than forecast`,
    );
  },
  lacks: ({ timedBoil_min, boil_min }) => (timedBoil_min || boil_min ? undefined : 'boil-time'),
  nextTime: 'Smaller batches in a wide pan boil down in less time.',
  source: GUIDE,
};

const pectinOutOfOrder: CauseRule = {
  code: 'pectin-out-of-order',
  signs: ['too-loose'],
  name: 'Sugar and pectin in the wrong order',
  support: (record) =>
    ofWarning(0.5, 'sugar-before-pectin', 'liquid-pectin-first')(record) ??
    pectinAfterSugar(record),
  nextTime: 'Powder before the sugar, liquid pectin after it.',
  source: GUIDE,
};

/** By the log: powdered pectin went in when the sugar was in already. */
function pectinAfterSugar({ formula, boil }: BatchRecord): Support | undefined {
  const { sugarInAt } = boil;
  if (formula.method !== 'powdered-pectin' || sugarInAt === undefined) return undefined;
  const pectin = new Set(
    formula.lines.filter((line) => line.ingredient.category === 'pectin').map(({ index }) => index),
  );
  const late = boil.log.find(
    ({ event, at, undone }) =>
      !undone &&
      event.type === 'addition' &&
      event.body.line !== undefined &&
      pectin.has(event.body.line) &&
      at > sugarInAt,
  );
  return late && { strength: 0.5, because: () => 'by the log the pectin went in after the sugar' };
}

const calcium: CauseRule = {
  code: 'calcium',
  signs: ['too-loose'],
  name: 'Calcium and pectin do not match',
  support: ({ madeBalance: { set } }) => {
    const reason = set.reasons.find(({ code }) =>
      ['little-calcium', 'much-calcium', 'much-sugar'].includes(code),
    );
    return reason && { strength: 0.7, because: () => reason.text };
  },
  nextTime: 'Mix the calcium water as its pack says, and measure both.',
  source: PRACTICE,
};

const batchDoubled: CauseRule = {
  code: 'batch-doubled',
  signs: ['too-loose'],
  name: 'A double batch',
  support: ofWarning(0.3, 'batch-doubled'),
  nextTime: 'Two batches of the usual size, one after the other.',
  source: GUIDE,
};

const overRipe: CauseRule = {
  code: 'over-ripe',
  signs: ['too-loose', 'faded'],
  name: 'Over-ripe fruit',
  support: ({ formula }) => {
    const share = shareOfFruit(formula, ({ ripeness }) => ripeness === 'over-ripe');
    return atLeast(
      share * RIPENESS_COUNTS,
      () => `${percent(share * 100)} of the fruit was over-ripe: its pectin and acid are going`,
    );
  },
  nextTime: 'A quarter of the fruit a little under-ripe.',
  source: GUIDE,
};

/** Why a set came out other than wanted. */
export const SET_CAUSES: readonly CauseRule[] = [
  stoppedEarly,
  thermometerHigh,
  boiledTooFar,
  fewSolids,
  littleAcid,
  muchAcid,
  firmWithInvert,
  noAddedPectin,
  littlePectin,
  muchPectin,
  pectinBoiledAway,
  pectinOutOfOrder,
  calcium,
  batchDoubled,
  overRipe,
];
