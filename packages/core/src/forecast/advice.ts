import { FILL_BEFORE_FOAM } from '../balance/index.js';
import type { Boil, TestVerdict } from '../boil-log/index.js';
import {
  placeInWords,
  type AddWhen,
  type PotFormula,
  type PotLine,
  type SugarIn,
} from '../formula/index.js';
import { laterSugar } from '../made-batch/index.js';
import { MINUTE_MS, MINUTE_S, SECOND_MS } from '../quantity/index.js';
import { cookOf } from '../thermal/index.js';
import { linesDue } from './additions-due.js';
import type { CombinedEvidence } from './evidence.js';
import type { WatchedBoil } from './watch-boil.js';

/** What the advice at the stove is about; the page has a sound and a picture by it. */
export type AdviceCode =
  | 'rewarm'
  | 'next-stage'
  | 'test-now'
  | 'back-on'
  | 'curdles'
  | 'foam'
  | 'whisk'
  | 'full-boil'
  | 'hold-boil'
  | 'off-now'
  | 'sugar'
  | 'warm-sugar'
  | 'pectin'
  | 'done'
  | 'five-more'
  | 'test-again'
  | 'test-soon'
  | 'plates'
  | 'jars-hot'
  | 'stir'
  | 'stir-slow'
  | 'watch';

/** The one thing to do next at the stove. */
export interface Advice {
  readonly code: AdviceCode;
  readonly text: string;
  readonly why: string;
  /**
   * What one tap logs when it is done: its text as a note, so that it is not advised again; that the
   * base was stirred; that the sugar is in; or that lines of the formula are in.
   */
  readonly tick?: 'note' | 'stirred' | 'sugar-in' | 'added';
  /** The lines of the formula that go in with it, by their places in the document. */
  readonly lines?: readonly number[];
}

/** What a boil is advised from. */
export interface AdviceInput {
  readonly boil: Boil;
  readonly formula: PotFormula;
  /** The forecast, where there is one. */
  readonly watched: WatchedBoil | undefined;
  readonly evidence: CombinedEvidence | undefined;
  /** Milliseconds since 1970. */
  readonly now: number;
  /** How full the pan is before it foams, share of its depth, where the pan is known. */
  readonly panFill?: number | undefined;
}

/** What the rules look at, worked out once for a moment. Moments in milliseconds since 1970. */
interface StoveMoment extends AdviceInput {
  readonly startedAt: number;
  /** Since when the pan has been on the heat without a break. */
  readonly onHeatSince: number;
  readonly lastReading: Boil['readings'][number] | undefined;
  /** Kelvin under the boiling point of water here; infinite without a reading. */
  readonly belowBoiling_K: number;
  /** How fast the temperature rises, K a minute; 0 where it cannot be told. */
  readonly rise_KPerMin: number;
  readonly lastTest: { readonly at: number; readonly verdict: TestVerdict } | undefined;
  /** Texts of the notes in the log: advice that was ticked off. */
  readonly notes: ReadonlySet<string>;
  /** Likely time left, s; infinite without a forecast. */
  readonly timeLeft_s: number;
}

/** One piece of advice: when it holds, and what it says. */
export interface AdviceRule {
  readonly code: AdviceCode;
  readonly applies: (moment: StoveMoment) => boolean;
  readonly advice: (moment: StoveMoment) => Omit<Advice, 'code'>;
}

/** Boiled on after a test that was not there yet, minutes. Common practice. */
const MINUTES_BETWEEN_TESTS = 5;
/** Fruit has usually softened by then, minutes. Common practice. */
const SOFT_AFTER_MIN = 10;
/**
 * A pan without its sugar boils within this of water, K; with it, it is further up. Common
 * practice.
 */
const UNSUGARED_RISE_K = 1.3;
/**
 * Minutes between two stirrings: fruit softening, with its sugar in, near the end; a butter, and
 * one that thickens. Common practice.
 */
export const STIR_EVERY_MIN = {
  softening: 6,
  sugared: 4,
  nearEnd: 2,
  butter: 15,
  thickButter: 6,
} as const;
/** With less than this left the base catches; with less than this a butter is thick, s. */
const NEAR_END_S = 8 * MINUTE_S;
const THICK_BUTTER_S = 60 * MINUTE_S;
/** It comes to the boil within this, K, and climbs by as much a minute. Common practice. */
const COMING_TO_THE_BOIL = { below_K: 5, above_K: 0.3, rise_KPerMin: 0.7 } as const;
/** Sugar that has just gone in foams up again, minutes. Common practice. */
const SUGAR_FOAMS_MIN = 4;
/** And only where it is this near to the boil, K. */
const SUGAR_FOAMS_BELOW_K = 1;
/** Two readings tell a rise when they are this far apart. A choice of ours. */
const RISE_OVER_MS = { least: 40 * SECOND_MS, most: 5 * MINUTE_MS } as const;
/** The finish may be there within this: time to test, s. A choice of ours. */
const TEST_WITHIN_S = 150;
/** While it likely takes longer than this, s, there is time to make plates and jars ready first. */
const READY_FIRST_S = 5 * MINUTE_S;
/** Plates and jars are made ready this long before the finish, s. Common practice. */
const READY_BEFORE_S = 15 * MINUTE_S;
/** A curd counts as done this near to its finish, K: what a thermometer is read to. */
const CURD_DONE_K = 0.2;
/**
 * Egg sets this far over the curd's own finish, K: it is curdled. From memory of cookery texts, 82
 * to 85 C.
 */
export const CURDLES_ABOVE_FINISH_K = 6;

const minutesSince = (at: number, now: number): number => (now - at) / MINUTE_MS;

/** The moment on the heat; undefined before it and after the end. */
function stoveMoment(input: AdviceInput): StoveMoment | undefined {
  const { boil, now, watched } = input;
  const { startedAt, readings, boilingPoint_C } = boil;
  if (startedAt === undefined || boil.phase === 'done') return undefined;
  const lastReading = readings.at(-1);
  const logged = boil.log.filter(({ undone }) => !undone);
  const test = logged.findLast(({ event }) => event.type === 'test');
  return {
    ...input,
    startedAt,
    onHeatSince: boil.heat.at(-1)?.from ?? startedAt,
    lastReading,
    belowBoiling_K:
      lastReading && boilingPoint_C !== undefined
        ? boilingPoint_C - lastReading.temperature_C
        : Infinity,
    rise_KPerMin: riseOf(readings),
    lastTest:
      test?.event.type === 'test' ? { at: test.at, verdict: test.event.body.verdict } : undefined,
    notes: new Set(logged.flatMap(({ event }) => (event.type === 'note' ? [event.body.text] : []))),
    timeLeft_s: watched?.forecast.left_s.mid ?? Infinity,
    now,
  };
}

function riseOf(readings: Boil['readings']): number {
  const last = readings.at(-1);
  if (!last) return 0;
  const before = readings.findLast(
    ({ at }) => last.at - at >= RISE_OVER_MS.least && last.at - at < RISE_OVER_MS.most,
  );
  if (!before) return 0;
  return (last.temperature_C - before.temperature_C) / minutesSince(before.at, last.at);
}

const isSet = (verdict: TestVerdict | undefined): boolean =>
  verdict === 'wrinkles' || verdict === 'stiff';
const isButter = ({ formula }: StoveMoment): boolean => formula.finish.type === 'consistency';
const isCurd = ({ formula }: StoveMoment): boolean => formula.finish.type === 'curd';
const isTimedBoil = ({ formula }: StoveMoment): boolean => formula.finish.type === 'hard-boil';
/** When the pan was last taken off, milliseconds since 1970. */
const offSince = ({ boil, now }: StoveMoment): number => boil.heat.at(-1)?.to ?? now;
const testedSinceOff = (moment: StoveMoment): boolean =>
  moment.lastTest !== undefined && moment.lastTest.at >= offSince(moment);

const PAUSED_ADVICE: readonly AdviceRule[] = [
  {
    code: 'rewarm',
    applies: ({ boil }) => boil.pauses.at(-1)?.kept === 'fridge',
    advice: () => ({
      text: 'Rewarm it slowly, stirring',
      why: 'Refrigerate in shallow dishes, under 5 °C within six hours, and back to the boil the next day. It catches while it is thick and cold.',
    }),
  },
  {
    code: 'rewarm',
    applies: () => true,
    advice: () => ({
      text: 'Back on the heat today, stirring',
      why: 'Covered and cool for some hours at most; longer, and it belongs in the fridge.',
    }),
  },
];

const OFF_HEAT_ADVICE: readonly AdviceRule[] = [
  {
    code: 'test-now',
    applies: (moment) => !testedSinceOff(moment),
    advice: () => ({
      text: 'Test it now',
      why: 'The pan stands off the heat meanwhile: between nearly and done there can be two minutes.',
    }),
  },
  {
    code: 'done',
    applies: ({ lastTest }) => isSet(lastTest?.verdict),
    advice: () => ({ text: 'It is done: to the jars', why: 'It wrinkles on the plate.' }),
  },
  {
    code: 'back-on',
    applies: () => true,
    advice: () => ({
      text: 'Back on the heat, five minutes more',
      why: 'Not there yet; the next test after that.',
    }),
  },
];

const curdNearCurdling: AdviceRule = {
  code: 'curdles',
  applies: ({ formula: { finish }, lastReading }) =>
    finish.type === 'curd' &&
    lastReading !== undefined &&
    lastReading.temperature_C >= finish.temperature_C + CURDLES_ABOVE_FINISH_K / 2,
  advice: () => ({
    text: 'Off the heat at once',
    why: 'A little more and the egg curdles. Stand the bowl in cold water, whisk, and sieve it.',
  }),
};

const curdDone: AdviceRule = {
  code: 'done',
  applies: ({ formula: { finish }, lastReading }) =>
    finish.type === 'curd' &&
    lastReading !== undefined &&
    lastReading.temperature_C >= finish.temperature_C - CURD_DONE_K,
  advice: () => ({
    text: 'It is done: off the water, and sieve it',
    why: 'It coats the spoon; hotter, it curdles.',
  }),
};

const comesToTheBoil = (moment: StoveMoment): boolean =>
  !isCurd(moment) &&
  moment.belowBoiling_K < COMING_TO_THE_BOIL.below_K &&
  moment.belowBoiling_K > -COMING_TO_THE_BOIL.above_K &&
  moment.rise_KPerMin > COMING_TO_THE_BOIL.rise_KPerMin;
const sugarJustIn = ({ boil: { sugarInAt }, now }: StoveMoment): boolean =>
  sugarInAt !== undefined && minutesSince(sugarInAt, now) < SUGAR_FOAMS_MIN;

const foamText = (moment: StoveMoment): string =>
  sugarJustIn(moment)
    ? 'Stir until the sugar is fully dissolved, and watch the foam'
    : 'It comes to the boil: watch the foam';

const foamRises: AdviceRule = {
  code: 'foam',
  // While the timed boil runs it says so itself, and when it is over nothing else matters.
  applies: (moment) =>
    moment.boil.minute === undefined &&
    !isButter(moment) &&
    (comesToTheBoil(moment) ||
      (sugarJustIn(moment) && moment.belowBoiling_K < SUGAR_FOAMS_BELOW_K)) &&
    !moment.notes.has(foamText(moment)),
  advice: (moment) => ({
    text: foamText(moment),
    why:
      moment.panFill !== undefined && moment.panFill > FILL_BEFORE_FOAM
        ? `The pan is ${Math.round(moment.panFill * 100)} % full, and it foams three to four times its height: it will climb over. Half of it into a second pan, or a lower heat.`
        : 'It foams three to four times its height: stay with it, spoon in hand, ready to take it off.',
    tick: 'note',
  }),
};

const whiskCurd: AdviceRule = {
  code: 'whisk',
  applies: isCurd,
  advice: () => ({
    text: 'Whisk constantly',
    why: 'Over simmering, not boiling, water: it curdles soon after it is done. Top the water up.',
  }),
};

const placesOf = (lines: readonly PotLine[]): number[] => lines.map(({ index }) => index);
const namesOf = (lines: readonly PotLine[]): string => lines.map(({ label }) => label).join(', ');
/** Lines that are still to go in at these times, while the minute has not begun. */
const stillDue = ({ boil, formula }: StoveMoment, ...times: AddWhen[]): readonly PotLine[] =>
  boil.minute === undefined ? linesDue(formula, boil, ...times) : [];

/** Powdered pectin before the sugar, however the boil is finished. */
const stirInPowder: AdviceRule = {
  code: 'pectin',
  applies: (moment) =>
    moment.boil.sugarInAt === undefined && stillDue(moment, 'before-sugar').length > 0,
  advice: (moment) => ({
    text: `Stir in the ${namesOf(stillDue(moment, 'before-sugar'))}, before the sugar`,
    why: 'Straight in, or mixed with a quarter cup of the measured sugar so that it does not clump. Then to a full rolling boil.',
    tick: 'added',
    lines: placesOf(stillDue(moment, 'before-sugar')),
  }),
};

/** The sugar of a timed boil: all at once, at a full rolling boil. */
const sugarAtFullBoil: AdviceRule = {
  code: 'sugar',
  applies: (moment) =>
    isTimedBoil(moment) && stillDue(moment, 'skins-soft', 'full-boil').length > 0,
  advice: (moment) => {
    const due = stillDue(moment, 'skins-soft', 'full-boil');
    const withPectin = moment.formula.method === 'calcium-pectin';
    return {
      text: withPectin
        ? 'At the boil: stir in the sweetener with its pectin'
        : 'At a full rolling boil: all the sugar at once',
      why: withPectin
        ? 'The powder is whisked into the sweetener first, so that it does not clump. Then boil 1 to 2 minutes to dissolve it.'
        : 'One that stirring does not stop. Then back to it, and only then the minute.',
      tick: 'sugar-in',
      lines: placesOf(due),
    };
  },
};

/** Liquid pectin last, at a full rolling boil with the sugar in. */
const pouchLast: AdviceRule = {
  code: 'pectin',
  applies: (moment) => stillDue(moment, 'after-sugar').length > 0,
  advice: (moment) => ({
    text: `At a full rolling boil: stir in the ${namesOf(stillDue(moment, 'after-sugar'))}`,
    why: 'All of the pouch, squeezed out. Then back to the full boil, and the minute.',
    tick: 'added',
    lines: placesOf(stillDue(moment, 'after-sugar')),
  }),
};

const bringToFullBoil: AdviceRule = {
  code: 'full-boil',
  applies: (moment) => isTimedBoil(moment) && moment.boil.minute === undefined,
  advice: () => ({
    text: 'Stir until it is at a full rolling boil',
    why: 'One that stirring does not stop. Then start the minute.',
  }),
};

const holdTimedBoil: AdviceRule = {
  code: 'hold-boil',
  applies: ({ formula: { finish }, boil: { minute }, now }) =>
    finish.type === 'hard-boil' &&
    minute !== undefined &&
    minutesSince(minute.startedAt, now) < finish.minutes,
  advice: () => ({
    text: 'Keep it rolling and stir',
    why: 'It climbs in the pan: mind the foam and your hands.',
  }),
};

const timedBoilOver: AdviceRule = {
  code: 'off-now',
  applies: isTimedBoil,
  advice: () => ({
    text: 'Off the heat: the time is up',
    why: 'Boiled longer the pectin loses its strength.',
  }),
};

const addSugar: AdviceRule = {
  code: 'sugar',
  applies: ({ boil, formula, belowBoiling_K, startedAt, now }) =>
    boil.sugarInAt === undefined &&
    laterSugar(formula).length > 0 &&
    formula.kind !== 'fruit-butter' &&
    minutesSince(startedAt, now) >= SOFT_AFTER_MIN &&
    // Without a reading it is infinitely far below the boil, and sugar is asked for all the same.
    belowBoiling_K > -UNSUGARED_RISE_K,
  advice: ({ formula: { sugarIn } }) => ({
    text: `Skins soft? Then ${SUGAR_GOES_IN[sugarIn].text}`,
    why: `It toughens skins that are not: 4 minutes or 15, by look. ${SUGAR_GOES_IN[sugarIn].why}`,
    tick: 'sugar-in',
  }),
};

/** How the sugar goes in, as it is told at the stove. Common practice. */
const SUGAR_GOES_IN: Readonly<Record<SugarIn, { readonly text: string; readonly why: string }>> = {
  'at-once': {
    text: 'the sugar goes in',
    why: 'All at once; fully dissolved before it boils fast.',
  },
  'by-degrees': {
    text: 'the sugar goes in by degrees',
    why: 'A third at a time, each fully dissolved before the next; log each part below.',
  },
  warmed: {
    text: 'the warm sugar goes in',
    why: 'All at once; fully dissolved before it boils fast. The dish is hot.',
  },
};

const WARM_SUGAR = 'Put the sugar in a low oven to warm';
const warmSugar: AdviceRule = {
  code: 'warm-sugar',
  applies: ({ boil, formula, notes }) =>
    formula.sugarIn === 'warmed' &&
    boil.sugarInAt === undefined &&
    laterSugar(formula).length > 0 &&
    !notes.has(WARM_SUGAR),
  advice: () => ({
    text: WARM_SUGAR,
    why: 'In a shallow dish for 10 to 15 minutes: it dissolves faster and cools the pan less. It must not brown.',
    tick: 'note',
  }),
};

const evidenceSaysDone: AdviceRule = {
  code: 'done',
  applies: ({ evidence }) => evidence?.doneness === 'there' || evidence?.doneness === 'past',
  advice: ({ evidence }) => ({
    text: 'It is done: off the heat',
    why:
      evidence?.doneness === 'past'
        ? 'It is past its point: every minute makes it stiffer.'
        : 'What was measured and seen says so.',
  }),
};

/** A test was not there yet, and the pan is on the heat again. */
const boilsOnAfterTest = ({ lastTest, onHeatSince, now }: StoveMoment): boolean =>
  lastTest !== undefined &&
  minutesSince(lastTest.at, now) < MINUTES_BETWEEN_TESTS + 1 &&
  onHeatSince > lastTest.at;
const minutesToNextTest = ({ onHeatSince, now }: StoveMoment): number =>
  Math.ceil(MINUTES_BETWEEN_TESTS - minutesSince(onHeatSince, now));

const boilOnToNextTest: AdviceRule = {
  code: 'five-more',
  applies: (moment) => boilsOnAfterTest(moment) && minutesToNextTest(moment) > 0,
  advice: (moment) => ({
    text: `Boil on, ${minutesToNextTest(moment)} min to the next test`,
    why: 'Stir the base: it catches from here on.',
  }),
};

const testAgain: AdviceRule = {
  code: 'test-again',
  applies: boilsOnAfterTest,
  advice: () => ({ text: 'Off the heat, and test again', why: 'Five minutes are over.' }),
};

/** So far under the setting point nothing is tested, whatever the forecast's range says, K. */
const FAR_UNDER_K = 2;
const isFarUnder = ({ boil, formula, lastReading }: StoveMoment): boolean =>
  formula.finish.type === 'gel-temperature' &&
  lastReading !== undefined &&
  boil.gelTemperature_C !== undefined &&
  boil.gelTemperature_C - lastReading.temperature_C > FAR_UNDER_K;

/** With less than this left the pan climbs so fast that a reading soon is old, s. A choice of ours. */
export const CLIMBS_FAST_S = 5 * MINUTE_S;
/** Then a forecast from readings older than this is stale, minutes. A choice of ours. */
export const STALE_NEAR_END_MIN = 2;
/** A stale reading is asked for anew, unless it may be there already: then the pan comes off the heat. */
const readingIsStale: AdviceRule = {
  code: 'watch',
  applies: (moment) => {
    const { formula, lastReading, timeLeft_s, watched, now } = moment;
    return (
      formula.finish.type === 'gel-temperature' &&
      lastReading !== undefined &&
      timeLeft_s < CLIMBS_FAST_S &&
      minutesSince(lastReading.at, now) >= STALE_NEAR_END_MIN &&
      (isFarUnder(moment) || (watched?.forecast.left_s.low ?? 0) > 0)
    );
  },
  advice: ({ lastReading, now }) => ({
    text: 'Take a reading now',
    why: `The last one is ${Math.round(minutesSince(lastReading?.at ?? now, now))} min old, and near the end it climbs fast.`,
  }),
};

const outOfReach: AdviceRule = {
  code: 'watch',
  applies: ({ watched, lastReading }) =>
    watched?.forecast.isOutOfReach === true && lastReading !== undefined,
  advice: () => ({
    text: 'At this heat it does not get there',
    why: 'More heat, a wider pan, the lid off or half the batch: as it is now the finish is hours away.',
  }),
};

const testSoon: AdviceRule = {
  code: 'test-soon',
  applies: (moment) =>
    !isFarUnder(moment) &&
    moment.watched !== undefined &&
    moment.watched.forecast.left_s.low < TEST_WITHIN_S,
  advice: () => ({
    text: 'Off the heat, and test it',
    why: 'It may be there. Burns at over 104 °C: long sleeves, dry cloth.',
  }),
};

/** A butter is not tested on cold plates, and its jars wait for hours. */
const finishIsNear = (moment: StoveMoment): boolean =>
  moment.timeLeft_s < READY_BEFORE_S && !isButter(moment);

const PLATES = 'Put two plates in the cold';
const coldPlates: AdviceRule = {
  code: 'plates',
  applies: (moment) => finishIsNear(moment) && !moment.notes.has(PLATES),
  advice: ({ watched }) => ({
    text: PLATES,
    why: `The first test in about ${Math.max(Math.round((watched?.forecast.left_s.low ?? 0) / MINUTE_S), 1)} min.`,
    tick: 'note',
  }),
};

const HOT_JARS = 'Jars hot, canner near temperature?';
const hotJars: AdviceRule = {
  code: 'jars-hot',
  applies: (moment) => finishIsNear(moment) && !moment.notes.has(HOT_JARS),
  advice: () => ({
    text: HOT_JARS,
    why: 'They must be ready the moment the pan is.',
    tick: 'note',
  }),
};

/** What is made ready before the first test, as long as that is likely some minutes away. */
const whileThereIsTime = (rule: AdviceRule): AdviceRule => ({
  ...rule,
  applies: (moment) => moment.timeLeft_s > READY_FIRST_S && rule.applies(moment),
});

/** The stage of the formula that runs, and the next one; undefined where it is elsewhere. */
function stageNow({ boil, formula, startedAt }: StoveMoment) {
  const numbered = boil.places.findLast(({ stage }) => stage !== undefined);
  const number = numbered?.stage ?? 1;
  const stage = formula.stages[number - 1];
  return (
    stage && {
      number,
      stage,
      next: formula.stages[number],
      since: numbered?.at ?? startedAt,
    }
  );
}

/** The time of the stage that runs is over. */
const stageIsOver = (moment: StoveMoment): boolean => {
  const running = stageNow(moment);
  return (
    running?.stage.end.type === 'time' &&
    minutesSince(running.since, moment.now) >= running.stage.end.minutes.mid
  );
};

const WORK_ADVICE = {
  blend: 'Blend it',
  sieve: 'Sieve it',
  mill: 'Turn it through the food mill',
} as const;

const nextStage: AdviceRule = {
  code: 'next-stage',
  applies: (moment) => stageIsOver(moment) && stageNow(moment)?.next !== undefined,
  advice: (moment) => {
    const running = stageNow(moment);
    const next = running?.next;
    const work = next?.work && `${WORK_ADVICE[next.work]}, then`;
    const number = (running?.number ?? 0) + 1;
    const goesIn = moment.formula.lines.filter(({ stage }) => stage === number);
    const withLines = goesIn.length > 0 ? `, with the ${namesOf(goesIn)}` : '';
    return {
      text: `${work ?? 'Now'} stage ${number}: ${next ? placeInWords(next) : ''}${withLines}`,
      why:
        next?.work === 'blend'
          ? 'Hot purée jumps: fill the blender a third at most, lid vented under a towel.'
          : 'The time of this stage is over. Start the next one below when you have changed it.',
    };
  },
};

const clockIsUp: AdviceRule = {
  code: 'done',
  applies: (moment) => stageIsOver(moment) && stageNow(moment)?.next === undefined,
  advice: () => ({
    text: 'The time is up: finish, or cook on',
    why: 'It is thicker when cold. Bring it back to a simmer of 85 °C before you fill the jars.',
  }),
};

/** Nobody stirs what stands in a slow cooker. */
const isUnattended = ({ boil, formula }: StoveMoment): boolean =>
  (boil.places.at(-1) ?? cookOf(formula)[0])?.where === 'slow-cooker';

/** Minutes between two stirrings at this stage. */
function stirEvery_min(moment: StoveMoment): number {
  const { timeLeft_s, boil, formula } = moment;
  if (isButter(moment))
    return timeLeft_s < THICK_BUTTER_S ? STIR_EVERY_MIN.thickButter : STIR_EVERY_MIN.butter;
  if (timeLeft_s < NEAR_END_S) return STIR_EVERY_MIN.nearEnd;
  return boil.sugarInAt !== undefined || laterSugar(formula).length === 0
    ? STIR_EVERY_MIN.sugared
    : STIR_EVERY_MIN.softening;
}

const stirBase: AdviceRule = {
  code: 'stir',
  applies: (moment) =>
    !isUnattended(moment) &&
    minutesSince(Math.max(moment.boil.stirredAt ?? 0, moment.onHeatSince), moment.now) >=
      stirEvery_min(moment),
  advice: (moment) => ({
    text: 'Stir the base',
    why:
      moment.timeLeft_s < NEAR_END_S
        ? 'It catches from here on; bubbles grow slow and heavy.'
        : `About every ${stirEvery_min(moment)} min at this stage: what lies on the base catches first.`,
    tick: 'stirred',
  }),
};

const leaveIt: AdviceRule = {
  code: 'stir-slow',
  applies: isUnattended,
  advice: () => ({
    text: 'It cooks by itself',
    why: 'A depth or a weight once an hour makes the forecast better. Lid off and on high for the last hours, if it is to thicken.',
  }),
};

const stirButter: AdviceRule = {
  code: 'stir-slow',
  applies: isButter,
  advice: () => ({
    text: 'Stir now and then, lid off or ajar',
    why: 'It spits as it thickens, and catches late. Done when it mounds and no ring of water runs from it on a cold plate.',
  }),
};

const keepWatching: AdviceRule = {
  code: 'watch',
  applies: () => true,
  advice: ({ boil }) => ({
    text: boil.readings.length === 0 ? 'Take a reading when it boils' : 'Stir now and then',
    why: 'Tip of the thermometer in the middle, off the base. It foams three to four times its height: stay with it.',
  }),
};

/** On the heat: danger first, then what cannot wait, then what can. */
const ON_HEAT_ADVICE: readonly AdviceRule[] = [
  curdNearCurdling,
  curdDone,
  foamRises,
  whiskCurd,
  warmSugar,
  stirInPowder,
  sugarAtFullBoil,
  pouchLast,
  bringToFullBoil,
  holdTimedBoil,
  timedBoilOver,
  addSugar,
  nextStage,
  clockIsUp,
  evidenceSaysDone,
  boilOnToNextTest,
  testAgain,
  readingIsStale,
  whileThereIsTime(coldPlates),
  whileThereIsTime(hotJars),
  testSoon,
  coldPlates,
  hotJars,
  outOfReach,
  stirBase,
  leaveIt,
  stirButter,
  keepWatching,
];

function rulesFor(phase: Boil['phase']): readonly AdviceRule[] {
  if (phase === 'paused') return PAUSED_ADVICE;
  return phase === 'off-heat' ? OFF_HEAT_ADVICE : ON_HEAT_ADVICE;
}

/**
 * What to do now, one thing, as a cook beside you would say it: the first rule that applies. Common
 * practice, no source.
 *
 * @returns undefined before the heat and after the end
 */
export function adviceFor(input: AdviceInput): Advice | undefined {
  const moment = stoveMoment(input);
  if (!moment) return undefined;
  const rule = rulesFor(moment.boil.phase).find(({ applies }) => applies(moment));
  return rule && { code: rule.code, ...rule.advice(moment) };
}
