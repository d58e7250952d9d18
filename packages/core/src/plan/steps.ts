import { UNKNOWN_EVAPORATION_PER_H, hoursToLose, type Vessel } from '../thermal/index.js';
import { FILL_WITHOUT_FOAM, type Balance } from '../balance/index.js';
import { isProduce } from '../produce/index.js';
import { softeningIn, STAGES, usualStage, type PotFormula, type Stage } from '../formula/index.js';
import type { Keeping } from '../keeping/index.js';
import { preparationOf } from './preparation.js';

/** How much of the cook a step takes. */
export type Hands = 'hands-on' | 'hands-off' | 'cannot-leave';

/** One step of an evening. */
export interface PlanStep {
  readonly code: string;
  readonly text: string;
  readonly hands: Hands;
  /** Minutes it takes, least and most. */
  readonly least: number;
  readonly most: number;
  /** Lines of the document that go in with it. */
  readonly lines: readonly number[];
  readonly caution?: string;
  /** It may be ended whenever it suits the cook within its range: a soak, a drip. */
  readonly elastic?: boolean;
  /** What tells that it is done, beside the clock. */
  readonly cue?: string;
  /**
   * Beside the others: it begins so many minutes before the step named begins, so that it is ready
   * then; below zero, after it began. The others follow one on the other.
   */
  readonly before?: { readonly code: string; readonly minutes: number };
}

export interface PlanOptions {
  /** Pairs of hands that prepare the fruit. */
  readonly hands?: number;
  /** Jars of the batch's size that go into the canner at once. */
  readonly load?: number;
  /** What a butter cooks in; a low stove unless given. */
  readonly vessel?: Vessel;
  /** Optional steps that are taken up, by their code; peel that soaks unless given. */
  readonly with?: readonly string[];
}

const HOUR = 60;
/** A jar is filled, wiped and lidded in about this many minutes. Common practice. */
const PER_JAR = [0.8, 1.5] as const;
/**
 * Canner water takes so long to its temperature; a steam canner holds less of it. Common practice.
 */
const CANNER_MIN = { 'boiling-water': 40, steam: 25 } as const;
/** Optional steps that are taken up when nobody said. Common practice: peel is soaked. */
export const USUALLY_TAKEN: readonly string[] = ['soak'];
/** Jars in, the water comes back to the boil, or the steam to its mark. Common practice. */
const BACK_TO_BOIL = [6, 14] as const;
const REST_MIN = 5;
/** A full load where the canner's own is not known. Common practice. */
const USUAL_LOAD = 7;

/**
 * Fruit that cooks down makes room for so much of what the pot may hold, and has done so after so
 * many minutes. Common practice.
 */
const MAKES_ROOM = 1 / 3;
const EVERY_LOAD_MIN = 90;
/** More stages than this want a larger pan. */
const MOST_LOADS = 8;

/**
 * How often a butter pot is filled up as its fruit cooks down; 1 when all of it goes in at once, or
 * the pan is not known.
 */
export function loadsOf({ kind, pan }: PotFormula, { pot_l }: Pick<Balance, 'pot_l'>): number {
  if (kind !== 'fruit-butter' || pan?.capacity_l === undefined) return 1;
  const room = pan.capacity_l * FILL_WITHOUT_FOAM;
  const more = pot_l.fill - room;
  return more <= 0 ? 1 : 1 + Math.ceil(more / (room * MAKES_ROOM));
}

/**
 * The steps of a batch in their order, with what goes in at each, as the way to a set asks for.
 * Common practice, no source; the process is the table's.
 */
export function planSteps(
  formula: PotFormula,
  balance: Balance,
  { process }: Keeping,
  {
    hands = 1,
    load = USUAL_LOAD,
    vessel = 'low-stove',
    with: taken = USUALLY_TAKEN,
  }: PlanOptions = {},
): PlanStep[] {
  const { kind, method, lines, finish } = formula;
  const softening = softeningIn(lines);
  const at = (...stages: Stage[]): number[] =>
    lines
      .filter(({ ingredient, goesIn }) =>
        stages.includes(goesIn ?? usualStage(kind, method, ingredient, softening)),
      )
      .map(({ index }) => index);
  const step = (
    code: string,
    text: string,
    mode: Hands,
    least: number,
    most: number,
    more: Partial<PlanStep> = {},
  ): PlanStep => ({
    code,
    text,
    hands: mode,
    least: Math.round(least),
    most: Math.round(Math.max(most, least)),
    lines: [],
    ...more,
  });
  const fruit = at('start').filter((index) =>
    lines.some((line) => line.index === index && isProduce(line.ingredient)),
  );
  const steps: PlanStep[] = preparationOf(formula)
    .filter(({ optional, code }) => !optional || taken.includes(code))
    .map(({ code, text, minutes, handsOff, caution }) => {
      const share = handsOff ? 1 : Math.max(hands, 1);
      // Fruit that stands in its sugar has both in it.
      const lines = code === 'macerate' ? [...fruit, ...at('skins-soft')] : [];
      return step(
        code,
        text,
        handsOff ? 'hands-off' : 'hands-on',
        minutes.least / share,
        minutes.most / share,
        { lines, ...(handsOff && { elastic: true }), ...(caution !== undefined && { caution }) },
      );
    });
  steps.push(
    step(
      'lay-out',
      'clear the kitchen, lay out jars, lids, funnel, ladle and thermometer, and measure the dry things',
      'hands-on',
      8,
      15,
    ),
  );

  const { low, high } = balance.boilMinutes;
  if (kind === 'curd')
    steps.push(
      step(
        'cook',
        'whisk it over simmering water until it coats the spoon, then sieve it',
        'cannot-leave',
        12,
        25,
        {
          lines: at(...STAGES),
          caution: 'eggs are cooked by 77 °C (170 °F), and curdle soon after',
          cue: 'it coats the spoon, and a finger leaves its line',
        },
      ),
    );
  else if (kind === 'fruit-butter') {
    const water = balance.waterToBoilOff_kg;
    const cooker = vessel === 'pan' ? 'low-stove' : vessel;
    steps.push(
      step(
        'cook',
        loadsOf(formula, balance) > 1
          ? `cook it down in ${loadsOf(formula, balance)} loads, the pot four fifths full at first, lid off or ajar`
          : 'cook it down, lid off or ajar, stirring more often as it thickens',
        'hands-on',
        hoursToLose(water.low, cooker).low * HOUR,
        hoursToLose(water.high, cooker).high * HOUR,
        {
          lines: at('start', 'skins-soft'),
          caution: 'it spits as it thickens, and catches late',
          cue: 'it mounds on the spoon, and no water rings it on a cold plate',
        },
      ),
    );
    if (at('near-end', 'off-heat').length > 0)
      steps.push(
        step('sweeten', 'sweeten and spice it near the end', 'hands-on', 5, 10, {
          lines: at('near-end', 'off-heat'),
        }),
      );
  } else {
    const total =
      (balance.waterToBoilOff_kg.mid / (balance.massIn_kg.mid * UNKNOWN_EVAPORATION_PER_H.mid)) *
      HOUR;
    const long = finish.type !== 'hard-boil';
    if (long && softening) {
      const down = Math.max(total - balance.boilMinutes.mid, 0);
      const stood = steps.some(({ code }) => code === 'macerate');
      steps.push(
        step(
          'soften',
          stood
            ? 'bring it up slowly in its sugar, and simmer until the skins are soft'
            : 'simmer the fruit until its skins are soft',
          'hands-on',
          Math.max(12, down * 0.7),
          Math.max(25, down * 1.3),
          {
            lines: at('start').filter((index) => !stood || !fruit.includes(index)),
            cue: 'a skin is crushed between two fingers',
          },
        ),
      );
      if (!stood)
        steps.push(
          step(
            'sugar',
            'take it down, stir the sugar in until no grain is felt on the spoon',
            'cannot-leave',
            4,
            8,
            { lines: at('skins-soft'), cue: 'the spoon no longer grates' },
          ),
        );
      steps.push(
        step('boil', 'boil it fast to the finish', 'cannot-leave', low, high, {
          lines: at('full-boil'),
          caution: 'it foams three to four times its height, and burns at over 104 °C',
          cue: 'bubbles grow slow, heavy and glossy',
        }),
      );
    } else if (long)
      steps.push(
        step(
          'boil',
          'bring it up, dissolve the sugar, boil it fast to the finish',
          'cannot-leave',
          low + 8,
          high + 15,
          {
            lines: at('start', 'skins-soft', 'full-boil'),
            caution: 'it foams three to four times its height, and burns at over 104 °C',
            cue: 'bubbles grow slow, heavy and glossy',
          },
        ),
      );
    else {
      steps.push(
        step(
          'bring-up',
          method === 'powdered-pectin'
            ? 'stir the pectin into the fruit and bring it to a full rolling boil'
            : 'bring it to a full rolling boil, stirring',
          'cannot-leave',
          8,
          18,
          { lines: at('start', 'before-sugar'), cue: 'a boil that stirring does not stop' },
        ),
      );
      steps.push(
        step(
          'boil',
          method === 'powdered-pectin'
            ? 'all the sugar at once; back to a full rolling boil, and the timed minute'
            : method === 'calcium-pectin'
              ? 'stir in the sweetener with its pectin, and boil it to dissolve'
              : 'the timed boil, stirring',
          'cannot-leave',
          (finish.type === 'hard-boil' ? finish.minutes : 1) + 3,
          (finish.type === 'hard-boil' ? finish.minutes : 1) + 8,
          { lines: at('full-boil', 'after-sugar'), caution: 'it climbs in the pan and burns' },
        ),
      );
    }
    if (long)
      steps.push(
        step(
          'test',
          'test it off the heat, and boil on if it is not there',
          'cannot-leave',
          4,
          12,
          { lines: at('near-end') },
        ),
      );
    if (at('off-heat').length > 0)
      steps.push(
        step('flavour', 'off the heat, stir in what must not boil', 'cannot-leave', 1, 3, {
          lines: at('off-heat'),
        }),
      );
    if (
      kind === 'marmalade' ||
      lines.some(
        ({ ingredient, form }) =>
          isProduce(ingredient) && ['whole', 'pitted', 'sliced'].includes(form),
      )
    )
      steps.push(
        step(
          'rest',
          'let it rest and stir it, so that fruit and peel do not float',
          'hands-off',
          5,
          10,
        ),
      );
  }
  const jars = Math.max(balance.readyJars - 1, 1);
  steps.push(
    step(
      'fill',
      `skim, fill ${jars} hot jars to the headspace, wipe rims, lids on fingertip tight`,
      'cannot-leave',
      Math.max(jars * PER_JAR[0], 4),
      Math.max(jars * PER_JAR[1], 6),
      { caution: 'hot food into hot jars, on wood or a towel' },
    ),
  );
  if (process) {
    const loads = Math.ceil(jars / Math.max(load, 1));
    for (let i = 1; i <= loads; i++)
      steps.push(
        step(
          `process-${i}`,
          `${loads > 1 ? `load ${i} of ${loads}: ` : ''}process ${process.minutes} min ${process.method === 'steam' ? 'in steam' : 'in boiling water'}, then ${REST_MIN} min of rest with the heat off`,
          'hands-off',
          BACK_TO_BOIL[0] + process.minutes + REST_MIN,
          BACK_TO_BOIL[1] + process.minutes + REST_MIN,
          {
            caution:
              i < loads
                ? 'the jars of the next load stay hot'
                : 'lid off away from the face; lift the jars straight up',
          },
        ),
      );
  }
  steps.push(
    step(
      'lift',
      process ? 'lift the jars out and stand them apart' : 'close the jars and stand them to cool',
      'hands-on',
      2,
      5,
    ),
  );
  steps.push(step('clean-up', 'clean up while they cool', 'hands-on', 15, 30));
  steps.push(
    step(
      'cool',
      process ? 'leave them untouched' : 'let them cool, then into the fridge',
      'hands-off',
      process ? 12 * HOUR : HOUR,
      process ? 24 * HOUR : 2 * HOUR,
    ),
  );
  if (process)
    steps.push(
      step('seals', 'press each lid: no give is sealed. Bands off, wash, label', 'hands-on', 5, 15),
    );

  const loads = Math.min(loadsOf(formula, balance), MOST_LOADS);
  for (let i = 2; i <= loads; i++)
    steps.push(
      step(
        `load-${i}`,
        `fill the pot up: load ${i} of ${loads}, when it has sunk by a third`,
        'hands-on',
        5,
        10,
        {
          before: { code: 'cook', minutes: -EVERY_LOAD_MIN * (i - 1) },
          caution: 'slide it in, it splashes; stir to the base',
        },
      ),
    );
  const beside = (code: string, text: string, before: string, minutes: number): PlanStep =>
    step(code, text, 'hands-on', 2, 5, { before: { code: before, minutes } });
  if (process) {
    steps.push(
      beside(
        'canner',
        process.method === 'steam'
          ? 'canner on, with its water'
          : 'canner on: water for an inch over the jars',
        'fill',
        CANNER_MIN[process.method],
      ),
    );
    steps.push(beside('kettle', 'a kettle of hot water at hand for topping up', 'fill', 12));
  }
  steps.push(
    beside(
      'jars-hot',
      process?.preSterilise
        ? 'jars in the boiling canner: they are boiled sterile'
        : 'jars into hot water, lids laid out',
      'fill',
      process?.preSterilise ? 25 : 15,
    ),
  );
  if (finish.type === 'gel-temperature' || finish.type === 'soluble-solids')
    steps.push(beside('plates', 'two plates into the freezer', 'test', 20));
  return steps;
}
