import type { Kind } from '../formula/index.js';
import { bestWords, daysOf, type Keeping } from '../keeping/index.js';
import { DAY_MS, HOUR_MS, kitchenFraction } from '../quantity/index.js';
import { GELS, type SignCode } from './signs.js';

/** How the jars in question were kept until now. */
export const JARS_UNTIL_NOW = ['sealed', 'refrigerated', 'opened'] as const;
export type JarsUntilNow = (typeof JARS_UNTIL_NOW)[number];

/** What there is to rescue. */
export interface Affected {
  readonly kind: Kind;
  /** Milliseconds since 1970; undefined where nobody knows. */
  readonly filledAt: number | undefined;
  readonly now: number;
  readonly untilNow: JarsUntilNow;
  /** Per cent of solids as made and as meant, where the record tells. */
  readonly solids?: { readonly made: number; readonly meant: number };
  /** How the batch stores as made, where the record tells. */
  readonly keeping?: Pick<Keeping, 'verdict' | 'storage'>;
  /** Until when a jar that did not seal may be processed again. */
  readonly reprocessUntil?: number | undefined;
}

/** What to do with a sign that is no spoilage. */
export interface RescueAdvice {
  /** What comes first; later ones where it does not help. */
  readonly steps: readonly string[];
  /** Nothing is done before this, milliseconds since 1970. */
  readonly waitUntil?: number;
  /** What else it can be used as. */
  readonly use?: string;
  /** Whether it may be cooked again with what sets it. */
  readonly canRemake: boolean;
  /** Nothing is done with it any more. */
  readonly isThrownAway?: boolean;
  readonly caution?: string;
  readonly source: string;
}

const GUIDE = 'USDA Complete Guide to Home Canning, Guide 7; from memory';
const PRACTICE = 'common practice, no source';
const SPOILAGE = 'USDA Complete Guide to Home Canning, Guide 1; from memory';

/** A set takes a day or two; some take two weeks. */
const SETS_WITHIN_H = 48;
const SOME_TAKE_H = 14 * 24;

const HOT_SUGAR =
  'Hot sugar burns badly: long sleeves, nobody small in the kitchen, never taste it hot.';

/**
 * Why jars are thrown away whatever is wrong with them; undefined where they are not. A jar in the
 * cold past its time is not told from a good one by its looks.
 */
function throwAway({ keeping, filledAt, now }: Affected): string | undefined {
  if (keeping?.verdict === 'stop')
    return 'By its record it is not safe to store or eat: throw it away without tasting.';
  if (!keeping || keeping.verdict === 'shelf' || filledAt === undefined) return undefined;
  const { best } = keeping.storage;
  return now - filledAt > daysOf(best) * DAY_MS
    ? `It was to be refrigerated and used within ${bestWords(best)} of making, and that is over: throw it away without tasting. Only what was frozen all that time keeps for a year.`
    : undefined;
}

/** Why jars are not cooked again, or undefined where they may be. */
export function whyNotRemade({ untilNow }: Pick<Affected, 'untilNow'>): string | undefined {
  return untilNow === 'opened'
    ? 'A jar that was eaten from, or stood open, is not put up again. Refrigerate it and use it first.'
    : undefined;
}

type AdviceOf = (jars: Affected) => Omit<RescueAdvice, 'canRemake' | 'isThrownAway'>;

const isForShelf = (keeping: Affected['keeping']): boolean =>
  keeping === undefined || keeping.verdict === 'shelf';

const WAIT: readonly string[] = [
  'Wait. A set takes 24 to 48 hours, and some take up to two weeks.',
  'Leave the jars closed, upright, where they are not moved.',
];

/** Whether it may still set, by its age in hours; undefined where nobody knows when it was filled. */
function mayStillSet(age_h: number | undefined): string {
  if (age_h === undefined)
    return 'If it was filled less than 48 hours ago, wait: some sets take up to two weeks.';
  return age_h < SOME_TAKE_H
    ? 'You can still wait: some sets take up to two weeks. The jars stay closed.'
    : 'It will not set by itself any more.';
}

const tooLoose: AdviceOf = ({ filledAt, now, keeping }) => {
  const use =
    'Syrup for pancakes, a glaze, a filling, a drink: call it that, and it is no failure.';
  if (keeping && filledAt === undefined)
    return {
      steps: [
        'It is not in its jars yet. Cook on, and test a spoonful on a cold plate with the pan off the heat.',
      ],
      use,
      caution: HOT_SUGAR,
      source: GUIDE,
    };
  const age_h = filledAt === undefined ? undefined : (now - filledAt) / HOUR_MS;
  if (filledAt !== undefined && age_h !== undefined && age_h < SETS_WITHIN_H)
    return { waitUntil: filledAt + SETS_WITHIN_H * HOUR_MS, steps: WAIT, use, source: GUIDE };
  return {
    steps: [
      mayStillSet(age_h),
      'To cook it again, first try one cup: cook it as below, then a spoonful on a cold plate.',
      isForShelf(keeping)
        ? 'If the cup sets, the rest the same way, as a new batch: clean hot jars, new lids, full processing.'
        : 'If the cup sets, the rest the same way, into clean jars; they are refrigerated, as before.',
    ],
    use,
    caution: HOT_SUGAR,
    source: GUIDE,
  };
};

const TABLESPOONS_A_CUP = 16;
/** Without a record a stiff spread is loosened by about so much of its volume. Common practice. */
const USUAL_THINNING = 1 / 16;

/** Water or juice that brings a stiff spread back, share of its volume. */
const thinningShare = ({ solids }: Affected): number =>
  solids && solids.made > solids.meant ? solids.made / solids.meant - 1 : USUAL_THINNING;

/** Tablespoons to a half, half of one at least. */
const tablespoons = (count: number): string => {
  const measured = Math.max(Math.round(count * 2) / 2, 0.5);
  const written = kitchenFraction(measured);
  return `${written} ${measured <= 1 ? 'tablespoon' : 'tablespoons'}`;
};

const tooStiff: AdviceOf = (jars) => ({
  steps: [
    `Open one jar at a time, warm it gently, and stir in about ${tablespoons(thinningShare(jars) * TABLESPOONS_A_CUP)} of juice or water to each cup.`,
    'Refrigerate what was thinned and use it within four weeks.',
  ],
  use: 'Cut into cubes with cheese, melted over meat, or as a glaze.',
  source: GUIDE,
});

/** Where what was cooked on goes. */
function afterCookingOn({ untilNow, keeping }: Affected): string {
  if (untilNow === 'opened')
    return 'Then refrigerate it and use it first: what was opened is not put up again.';
  return isForShelf(keeping)
    ? 'Then fill clean hot jars with new lids, and process them in full, as a new batch.'
    : 'Then into clean jars; they are refrigerated, as before.';
}

const thinButter: AdviceOf = (jars) => ({
  steps: [
    jars.solids && jars.solids.made < jars.solids.meant
      ? `Cook it on with the lid off, low, stirring, until about ${Math.round((1 - jars.solids.made / jars.solids.meant) * 100)} % of its weight is gone.`
      : 'Cook it on with the lid off, low, stirring, until it mounds on a spoon and no ring of water forms on a cold plate.',
    'It thickens more as it cools: test on a cold plate with the pan off the heat.',
    afterCookingOn(jars),
  ],
  use: 'A sauce for porridge or yoghurt.',
  caution: HOT_SUGAR,
  source: PRACTICE,
});

const curdled: AdviceOf = () => ({
  steps: [
    'Off the heat at once; stand the bowl in cold water and whisk.',
    'Press it through a sieve, or blend it. If it is smooth then, refrigerate it and use it within a week.',
    'If it is not, start again with fresh eggs: egg that has set does not go back.',
  ],
  use: 'In a cake batter or a pudding that is baked.',
  source: PRACTICE,
});

const looksOnly =
  (source: string, ...steps: readonly string[]): AdviceOf =>
  () => ({ steps, source });

const notSealed: AdviceOf = ({ reprocessUntil, now }) => ({
  steps:
    reprocessUntil !== undefined && now < reprocessUntil
      ? [
          'Within 24 hours of processing: look for a nick, wipe the rim, new lid, and process it again for the full time.',
          'Or refrigerate it now, and use it within four weeks. Or freeze it, with room to expand.',
        ]
      : [
          'If it was refrigerated within 24 hours of processing: use it within four weeks, or freeze it.',
          'If it stood in the cupboard unsealed for longer: throw it away without tasting.',
        ],
  source: SPOILAGE,
});

/** What is done with each sign; a sign without advice does not compile. */
const ADVICE: Readonly<Record<SignCode, AdviceOf>> = {
  'too-loose': tooLoose,
  'too-stiff': tooStiff,
  'thin-butter': thinButter,
  curdled,
  'floating-fruit': looksOnly(
    GUIDE,
    'It is good to eat. Stir it when the jar is opened.',
    'Leave sealed jars upright: turned over, a lid may let go.',
  ),
  weeping: looksOnly(
    GUIDE,
    'It is good to eat if the lid is down and nothing has spoiled: stir it in, or pour it off.',
    'Move the rest somewhere cool and dark, and do not shake the jars.',
  ),
  crystals: looksOnly(
    GUIDE,
    'It is good to eat. Stand the opened jar in hot water and stir: grains of sugar dissolve. Needles of tartrate do not: strain them out.',
    'Wipe grains from the rim of every jar before its lid goes on.',
  ),
  cloudy: looksOnly(GUIDE, 'It is a matter of looks; it tastes as it should.'),
  bubbles: looksOnly(
    GUIDE,
    'Watch one for a minute: bubbles that stand still are air from the filling, and do no harm.',
    'Bubbles that rise are spoilage: throw the jar away without tasting.',
  ),
  faded: looksOnly(
    GUIDE,
    'It is good to eat if the lid is down and nothing has spoiled. Use these jars first.',
    'Move the others into the dark.',
  ),
  scorched: () => ({
    steps: [
      'Off the heat. Do not scrape the base.',
      'Ladle what is above into a clean pan, without the last inch. Let a spoonful cool: if it tastes burnt, it will not go away.',
      'Go on over a lower heat, stirring the base through.',
    ],
    use: 'With chilli or smoked spice in a savoury sauce, if it is only slight.',
    caution: HOT_SUGAR,
    source: PRACTICE,
  }),
  'boiled-over': () => ({
    steps: [
      'Heat off. Lift the pan away only if it does not drip on you; gas off at the tap.',
      'Leave what ran over until it is cold: it burns skin for minutes.',
      'Half into a second pan, or a larger one, and go on. What ran over is missing from the jars: weigh the pan.',
    ],
    caution: HOT_SUGAR,
    source: PRACTICE,
  }),
  'not-sealed': notSealed,
  'too-sour': () => ({
    steps: [
      'Sealed jars stay as they are: the acid keeps them safe.',
      'Stir sugar or honey into an opened jar, a teaspoon at a time, and refrigerate it.',
    ],
    use: 'With cheese or meat, or in a dressing.',
    source: PRACTICE,
  }),
  'too-sweet': () => ({
    steps: [
      'Stir lemon juice into an opened jar, half a teaspoon at a time, and refrigerate it.',
      'Still in the pan: bottled lemon juice now, a teaspoon at a time. It helps the set too.',
    ],
    use: 'As a filling beside something sharp.',
    source: PRACTICE,
  }),
};

/**
 * What to do about a sign that is no spoilage.
 *
 * A spread is remade where it sets by pectin, did not, and its jars were sealed until now or
 * refrigerated within 24 hours of a failed seal.
 */
export function rescueAdvice(sign: SignCode, jars: Affected): RescueAdvice {
  const gone = throwAway(jars);
  if (gone !== undefined)
    return { steps: [gone], canRemake: false, isThrownAway: true, source: SPOILAGE };
  const advice = ADVICE[sign](jars);
  return {
    ...advice,
    canRemake:
      sign === 'too-loose' &&
      GELS.includes(jars.kind) &&
      (jars.filledAt !== undefined || jars.keeping === undefined) &&
      advice.waitUntil === undefined &&
      whyNotRemade(jars) === undefined,
  };
}
