import {
  ADD_WHEN,
  softeningIn,
  usualAddWhen,
  type AddWhen,
  type PotFormula,
  type SugarIn,
} from '../formula/index.js';
import { FILL_WITHOUT_FOAM, type Balance } from '../balance/index.js';
import type { Keeping, Process } from '../keeping/index.js';
import { isProduce } from '../produce/index.js';
import { DAY_MIN, HOUR_MIN } from '../quantity/index.js';
import { cookOf } from '../thermal/index.js';
import { cookInStages, reheat } from './cook-steps.js';
import type {
  Attention,
  Cooking,
  Minutes,
  PlannedBatch,
  PlanStep,
  StepCode,
  StepDraft,
  StepRule,
} from './plan-step.js';
import { preparationOf } from './preparation.js';

export interface PlanOptions {
  /** People who prepare the fruit; 1 unless given. */
  readonly people?: number;
  /** Jars of the batch's size that go into the canner at once; `USUAL_LOAD` unless given. */
  readonly load?: number;
  /** Optional steps that are taken up, by their code; peel that soaks unless given. */
  readonly with?: readonly string[];
}

/** A jar is filled, wiped and lidded in about this many minutes. Common practice. */
const PER_JAR_MIN: Minutes = [0.8, 1.5];
/** No filling is quicker than this, however few the jars. Common practice. */
const FILL_AT_LEAST_MIN: Minutes = [4, 6];
/**
 * Canner water takes so long to its temperature; a steam canner holds less of it. Common practice.
 */
const CANNER_MIN: Readonly<Record<Process['method'], number>> = { 'boiling-water': 40, steam: 25 };
/** Jars boiled sterile are in the canner this long before filling, others in hot water. */
const JARS_HOT_MIN = { sterilised: 25, hot: 15 } as const;
/** Optional steps that are taken up when nobody said. Common practice: peel is soaked. */
export const USUAL_OPTIONAL_STEPS: readonly string[] = ['soak'];
/** Jars in, the water comes back to the boil, or the steam to its mark. Common practice. */
const BACK_TO_BOIL_MIN: Minutes = [6, 14];
/** Rest in the canner with the heat off. As the guides have it. */
const REST_MIN = 5;
/** A full load where the canner's own is not known. Common practice. */
const USUAL_LOAD = 7;
/** Jars cool untouched for 12 to 24 hours. USDA Complete Guide, Guide 1, from memory. */
const COOLING_MIN: Minutes = [DAY_MIN / 2, DAY_MIN];

/**
 * Fruit that cooks down makes room for so much of what the pan may hold, and has done so after so
 * many minutes. Common practice.
 */
const MAKES_ROOM = 1 / 3;
const BETWEEN_LOADS_MIN = 90;
/** More loads than this want a larger pan. */
const MOST_LOADS = 8;

/**
 * How often a butter pan is filled up as its fruit cooks down; 1 when all of it goes in at once, or
 * the pan is not known.
 */
export function loadsOf({ kind, pan }: PotFormula, { pot_l }: Pick<Balance, 'pot_l'>): number {
  if (kind !== 'fruit-butter' || pan?.capacity_l === undefined) return 1;
  const room = pan.capacity_l * FILL_WITHOUT_FOAM;
  const more = pot_l.fill - room;
  return more <= 0 ? 1 : 1 + Math.ceil(more / (room * MAKES_ROOM));
}

/** A rule of one step that is wanted where `when` holds. */
const step =
  (
    code: StepCode,
    attention: Attention,
    rest: (batch: PlannedBatch) => Omit<StepDraft, 'code' | 'attention'>,
    when: (batch: PlannedBatch) => boolean = () => true,
  ): StepRule =>
  (batch) =>
    when(batch) ? [{ code, attention, ...rest(batch) }] : [];

const cooksBy =
  (...wanted: readonly Cooking[]) =>
  ({ cooking }: PlannedBatch): boolean =>
    wanted.includes(cooking);
const isGel = cooksBy('softened-boil', 'plain-boil');
const isBoiled = cooksBy('softened-boil', 'plain-boil', 'timed-boil');
const isProcessed = ({ process }: PlannedBatch): boolean => process !== null;

const preparing: StepRule = ({ preparation, people, fruitLines, linesAt }) =>
  preparation.map(({ code, text, minutes, handsOff, caution }) => {
    const share = handsOff ? 1 : Math.max(people, 1);
    return {
      code,
      text,
      attention: handsOff ? 'hands-off' : 'hands-on',
      minutes: [minutes.least / share, minutes.most / share],
      // Fruit that stands in its sugar has both in it.
      lines: code === 'macerate' ? [...fruitLines, ...linesAt('skins-soft')] : [],
      ...(handsOff && { elastic: true }),
      ...(caution !== undefined && { caution }),
    };
  });

const layOut = step('lay-out', 'hands-on', () => ({
  text: 'clear the kitchen, lay out jars, lids, funnel, ladle and thermometer, and measure the dry things',
  minutes: [8, 15],
}));

const cookCurd = step(
  'cook',
  'cannot-leave',
  ({ linesAt }) => ({
    text: 'whisk it over simmering water until it coats the spoon, then sieve it',
    minutes: [12, 25],
    lines: linesAt(...ADD_WHEN),
    caution: 'eggs are cooked by 77 °C (170 °F), and curdle soon after',
    cue: 'it coats the spoon, and a finger leaves its line',
  }),
  cooksBy('curd'),
);

const sweetenButter = step(
  'sweeten',
  'hands-on',
  ({ linesAt }) => ({
    text: 'sweeten and spice it near the end',
    minutes: [5, 10],
    lines: linesAt('near-end', 'off-heat'),
  }),
  (batch) => batch.cooking === 'butter' && batch.linesAt('near-end', 'off-heat').length > 0,
);

/** Coming to the boil with the sugar dissolving, before the boil itself. Common practice. */
const COMING_UP_MIN: Minutes = [8, 15];

/** Softening takes at least so long, and this share of the likely time either way. */
const SOFTEN_MIN: Minutes = [12, 25];
const SOFTEN_SHARE: Minutes = [0.7, 1.3];

const softenFruit = step(
  'soften',
  'hands-on',
  ({ balance, macerated, linesAt, fruitLines }) => {
    const { cook, boilMinutes } = balance;
    // What the boil with the sugar does not boil off, the softening does.
    const down_min = Math.max(cook.minutes.mid - boilMinutes.mid - COMING_UP_MIN[0], 0);
    return {
      text: macerated
        ? 'bring it up slowly in its sugar, and simmer until the skins are soft'
        : 'simmer the fruit until its skins are soft',
      minutes: [
        Math.max(SOFTEN_MIN[0], down_min * SOFTEN_SHARE[0]),
        Math.max(SOFTEN_MIN[1], down_min * SOFTEN_SHARE[1]),
      ],
      lines: linesAt('start').filter((index) => !macerated || !fruitLines.includes(index)),
      cue: 'a skin is crushed between two fingers',
    };
  },
  cooksBy('softened-boil'),
);

/** Powdered pectin keeps its step where the boil is finished by temperature. */
const stirInPectin = step(
  'pectin',
  'cannot-leave',
  ({ linesAt }) => ({
    text: 'stir the powdered pectin into the fruit, straight or with a quarter cup of the measured sugar, and bring it to a full rolling boil',
    minutes: [5, 10],
    lines: linesAt('before-sugar'),
    cue: 'a boil that stirring does not stop',
  }),
  (batch) => isGel(batch) && batch.linesAt('before-sugar').length > 0,
);

const SUGAR_TEXT: Readonly<Record<SugarIn, string>> = {
  'at-once': 'stir the sugar in until it is fully dissolved',
  'by-degrees': 'stir the sugar in a third at a time, each fully dissolved before the next',
  warmed: 'stir the warm sugar in until it is fully dissolved; it takes half the time',
};

const addSugar = step(
  'sugar',
  'cannot-leave',
  ({ linesAt, formula: { sugarIn } }) => ({
    text: `lower the heat; ${SUGAR_TEXT[sugarIn]}`,
    minutes: sugarIn === 'by-degrees' ? [8, 16] : [4, 8],
    lines: linesAt('skins-soft'),
    cue: 'the spoon no longer grates',
  }),
  (batch) => batch.cooking === 'softened-boil' && !batch.macerated,
);

const FAST_BOIL = {
  caution: 'it foams three to four times its height, and burns at over 104 °C',
  cue: 'bubbles grow slow, heavy and glossy',
} as const;

const boilAfterSoftening = step(
  'boil',
  'cannot-leave',
  ({ balance: { boilMinutes }, linesAt }) => ({
    text: 'boil it fast to the finish',
    minutes: [boilMinutes.low, boilMinutes.high],
    lines: linesAt('full-boil'),
    ...FAST_BOIL,
  }),
  cooksBy('softened-boil'),
);

const boilAtOnce = step(
  'boil',
  'cannot-leave',
  ({ balance: { boilMinutes }, linesAt }) => ({
    text: 'bring it up, dissolve the sugar, boil it fast to the finish',
    minutes: [boilMinutes.low + COMING_UP_MIN[0], boilMinutes.high + COMING_UP_MIN[1]],
    lines: linesAt('start', 'skins-soft', 'full-boil'),
    ...FAST_BOIL,
  }),
  cooksBy('plain-boil'),
);

const bringUp = step(
  'bring-up',
  'cannot-leave',
  ({ formula, linesAt }) => ({
    text:
      formula.method === 'powdered-pectin'
        ? 'stir the pectin into the fruit and bring it to a full rolling boil'
        : 'bring it to a full rolling boil, stirring',
    minutes: [8, 18],
    lines: linesAt('start', 'before-sugar'),
    cue: 'a boil that stirring does not stop',
  }),
  cooksBy('timed-boil'),
);

/** Back to the full boil after the sugar, with the timed boil itself. Common practice. */
const AROUND_TIMED_MIN: Minutes = [3, 8];

function timedBoilText(method: PotFormula['method']): string {
  if (method === 'powdered-pectin')
    return 'all the sugar at once; back to a full rolling boil, and the timed minute';
  return method === 'calcium-pectin'
    ? 'stir in the sweetener with its pectin, and boil it to dissolve'
    : 'the timed boil, stirring';
}

const boilByTheClock = step(
  'boil',
  'cannot-leave',
  ({ formula: { method, finish }, linesAt }) => {
    const timed_min = finish.type === 'hard-boil' ? finish.minutes : 1;
    return {
      text: timedBoilText(method),
      minutes: [timed_min + AROUND_TIMED_MIN[0], timed_min + AROUND_TIMED_MIN[1]],
      lines: linesAt('full-boil', 'after-sugar'),
      caution: 'it climbs in the pan and burns',
    };
  },
  cooksBy('timed-boil'),
);

const testSet = step(
  'test',
  'cannot-leave',
  ({ linesAt }) => ({
    text: 'test it off the heat, and boil on if it is not there',
    minutes: [4, 12],
    lines: linesAt('near-end'),
  }),
  isGel,
);

const flavour = step(
  'flavour',
  'cannot-leave',
  ({ linesAt }) => ({
    text: 'off the heat, stir in what must not boil',
    minutes: [1, 3],
    lines: linesAt('off-heat'),
  }),
  (batch) => isBoiled(batch) && batch.linesAt('off-heat').length > 0,
);

/** Forms of fruit that float. Common practice. */
const FLOATS: ReadonlySet<string> = new Set(['whole', 'pitted', 'sliced']);

const letRest = step(
  'rest',
  'hands-off',
  () => ({
    text: 'let it rest and stir it, so that fruit and peel do not float',
    minutes: [5, 10],
  }),
  (batch) =>
    isBoiled(batch) &&
    (batch.formula.kind === 'marmalade' ||
      batch.formula.lines.some(
        ({ ingredient, form }) => isProduce(ingredient) && FLOATS.has(form),
      )),
);

const fillJars = step('fill', 'cannot-leave', ({ jars }) => ({
  text: `skim, fill ${jars} hot jars to the headspace, wipe rims, lids on fingertip tight`,
  minutes: [
    Math.max(jars * PER_JAR_MIN[0], FILL_AT_LEAST_MIN[0]),
    Math.max(jars * PER_JAR_MIN[1], FILL_AT_LEAST_MIN[1]),
  ],
  caution: 'hot food into hot jars, on wood or a towel',
}));

/** Jars of curd are brought up slowly, under a towel. National Center for Home Food Preservation, from memory. */
const CURD_TO_BOIL_MIN: Minutes = [25, 30];

const processLoads: StepRule = ({ process, jars, canner, cooking }) => {
  if (!process) return [];
  const loads = Math.ceil(jars / Math.max(canner, 1));
  const where = process.method === 'steam' ? 'in steam' : 'in boiling water';
  const isCurd = cooking === 'curd';
  const [least, most] = isCurd ? CURD_TO_BOIL_MIN : BACK_TO_BOIL_MIN;
  const slowly = isCurd
    ? 'bring it up to the boil over 25 to 30 minutes, a towel over the jars; '
    : '';
  return Array.from({ length: loads }, (_, i): StepDraft => {
    const load = loads > 1 ? `load ${i + 1} of ${loads}: ` : '';
    return {
      code: `process-${i + 1}`,
      text: `${load}${slowly}process ${process.minutes} min ${where}, then ${REST_MIN} min of rest with the heat off`,
      attention: 'hands-off',
      minutes: [least + process.minutes + REST_MIN, most + process.minutes + REST_MIN],
      caution:
        i + 1 < loads
          ? 'the jars of the next load stay hot'
          : 'lid off away from the face; lift the jars straight up',
    };
  });
};

const liftJars = step('lift', 'hands-on', ({ process }) => ({
  text: process
    ? 'lift the jars out and stand them apart'
    : 'close the jars and stand them to cool',
  minutes: [2, 5],
}));

const cleanUp = step('clean-up', 'hands-on', () => ({
  text: 'clean up while they cool',
  minutes: [15, 30],
}));

/** What becomes of the jars once they are closed. */
function coolingText(process: Process | null, isStop: boolean): string {
  if (process) return 'leave them untouched';
  return isStop ? 'do not fill jars with this: see Storage' : 'let them cool, then into the fridge';
}

const coolJars = step('cool', 'hands-off', ({ process, isStop }) => ({
  text: coolingText(process, isStop),
  minutes: process ? COOLING_MIN : [HOUR_MIN, 2 * HOUR_MIN],
}));

const pressLids = step(
  'seals',
  'hands-on',
  () => ({
    text: 'press each lid: no give is sealed. Bands off, wash, label',
    minutes: [5, 15],
  }),
  isProcessed,
);

/** Further loads of a butter pan, beside the cooking. */
const fillUpPan: StepRule = ({ loads: wanted }) => {
  const loads = Math.min(wanted, MOST_LOADS);
  return Array.from({ length: loads - 1 }, (_, i): StepDraft => ({
    code: `load-${i + 2}`,
    text: `fill the pan up: load ${i + 2} of ${loads}, when it has sunk by a third`,
    attention: 'hands-on',
    minutes: [5, 10],
    before: { code: 'cook', minutes: -BETWEEN_LOADS_MIN * (i + 1) },
    caution: 'slide it in, it splashes; stir to the base',
  }));
};

/** What is got ready beside the cooking takes the cook so long. Common practice. */
const GET_READY_MIN: Minutes = [2, 5];

/** What the canner is filled with; a curd goes into hot, not boiling, water. */
function cannerText(method: Process['method'] | undefined, cooking: Cooking): string {
  if (method === 'steam') return 'canner on, with its water';
  return cooking === 'curd'
    ? 'canner on: water for an inch over the jars, to 82 °C (180 °F) and no hotter'
    : 'canner on: water for an inch over the jars';
}

const heatCanner = step(
  'canner',
  'hands-on',
  ({ process, cooking }) => ({
    text: cannerText(process?.method, cooking),
    minutes: GET_READY_MIN,
    before: { code: 'fill', minutes: CANNER_MIN[process?.method ?? 'boiling-water'] },
  }),
  isProcessed,
);

const boilWater = step(
  'kettle',
  'hands-on',
  () => ({
    text: 'a kettle of hot water at hand for topping up',
    minutes: GET_READY_MIN,
    before: { code: 'fill', minutes: 12 },
  }),
  isProcessed,
);

const heatJars = step('jars-hot', 'hands-on', ({ process }) => ({
  text: process?.preSterilise
    ? 'jars in the boiling canner: that sterilises them'
    : 'jars into hot water, lids laid out',
  minutes: GET_READY_MIN,
  before: {
    code: 'fill',
    minutes: process?.preSterilise ? JARS_HOT_MIN.sterilised : JARS_HOT_MIN.hot,
  },
}));

/** So long in a low oven, minutes. Common practice. */
const WARM_SUGAR_MIN = 15;

const warmSugar = step(
  'warm-sugar',
  'needs-watching',
  ({ cooking }) => ({
    text: 'warm the sugar in a shallow dish in a low oven: it dissolves faster and cools the pan less',
    minutes: [10, WARM_SUGAR_MIN],
    before: { code: cooking === 'softened-boil' ? 'sugar' : 'boil', minutes: WARM_SUGAR_MIN },
    caution: 'the dish is hot: dry oven cloths; sugar that browns is too hot',
  }),
  (batch) => isBoiled(batch) && batch.formula.sugarIn === 'warmed' && !batch.macerated,
);

const coldPlates = step(
  'plates',
  'hands-on',
  () => ({
    text: 'two plates into the freezer',
    minutes: GET_READY_MIN,
    before: { code: 'test', minutes: 20 },
  }),
  ({ formula: { finish } }) =>
    finish.type === 'gel-temperature' || finish.type === 'soluble-solids',
);

/** One after the other; those beside the others (`before`) at the end. */
const STEP_RULES: readonly StepRule[] = [
  preparing,
  layOut,
  cookCurd,
  cookInStages,
  sweetenButter,
  softenFruit,
  stirInPectin,
  addSugar,
  boilAfterSoftening,
  boilAtOnce,
  bringUp,
  boilByTheClock,
  testSet,
  flavour,
  reheat,
  letRest,
  fillJars,
  processLoads,
  liftJars,
  cleanUp,
  coolJars,
  pressLids,
  fillUpPan,
  heatCanner,
  boilWater,
  heatJars,
  warmSugar,
  coldPlates,
];

function cookingOf({ kind, finish, lines, stages }: PotFormula): Cooking {
  if (kind === 'curd') return 'curd';
  if (kind === 'fruit-butter') return 'butter';
  if (stages.length > 0) return 'stages';
  if (finish.type === 'hard-boil') return 'timed-boil';
  return softeningIn(lines) ? 'softened-boil' : 'plain-boil';
}

function plannedBatch(
  formula: PotFormula,
  balance: Balance,
  { process, verdict }: Keeping,
  options: PlanOptions,
): PlannedBatch {
  const { kind, method, lines } = formula;
  const softening = softeningIn(lines);
  // What goes in with a later stage goes in at no other time.
  const linesAt = (...times: AddWhen[]): number[] =>
    lines
      .filter(
        ({ ingredient, goesIn, stage }) =>
          stage === 1 &&
          times.includes(goesIn ?? usualAddWhen(kind, method, ingredient, softening)),
      )
      .map(({ index }) => index);
  const stages = cookOf(formula);
  const isNearEnd = new Set(linesAt('near-end', 'off-heat'));
  const linesOfStage = (i: number): number[] =>
    lines
      .filter(
        ({ index, stage }) => Math.min(stage, stages.length) === i + 1 && !isNearEnd.has(index),
      )
      .map(({ index }) => index);
  const wanted = options.with ?? USUAL_OPTIONAL_STEPS;
  const preparation = preparationOf(formula).filter(
    ({ optional, code }) => !optional || wanted.includes(code),
  );
  return {
    formula,
    balance,
    process,
    isStop: verdict === 'stop',
    people: options.people ?? 1,
    canner: options.load ?? USUAL_LOAD,
    stages,
    linesOfStage,
    cooking: cookingOf(formula),
    macerated: preparation.some(({ code }) => code === 'macerate'),
    loads: loadsOf(formula, balance),
    jars: Math.max(balance.readyJars - 1, 1),
    preparation,
    linesAt,
    fruitLines: linesAt('start').filter((index) =>
      lines.some((line) => line.index === index && isProduce(line.ingredient)),
    ),
  };
}

/**
 * The steps of a batch in their order, with what goes in at each, as the setting method asks for.
 * Common practice, no source; the process is the table's.
 */
export function planSteps(
  formula: PotFormula,
  balance: Balance,
  keeping: Keeping,
  options: PlanOptions = {},
): PlanStep[] {
  const batch = plannedBatch(formula, balance, keeping, options);
  return STEP_RULES.flatMap((rule) => rule(batch)).map(({ minutes: [least, most], ...draft }) => ({
    lines: [],
    ...draft,
    least: Math.round(least),
    most: Math.round(Math.max(most, least)),
    ...(draft.attended_min !== undefined && { attended_min: Math.round(draft.attended_min) }),
  }));
}
