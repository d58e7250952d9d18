import {
  mostImportant,
  type Remedy,
  type RemedyCode,
  type Warning,
  type WarningCode,
} from '@idle-kettle/core';
import { usePreferences } from '../ui/preferences.js';
import { sentence } from '../ui/sentence.js';
import { useBatch, type BenchBatch } from './batch-context.js';
import { useRemedies } from './use-remedies.js';

const REMEDY_TITLES: Readonly<Record<RemedyCode, string>> = {
  'acid-for-keeping': 'Not acid enough for the shelf',
  'smaller-jars': 'No time in the tables for this jar',
  'less-fat': 'Too much fat for the shelf',
  'less-sugar': 'Too much sugar for the water',
  'more-water': 'Too much sugar for the water',
  'acid-for-set': 'A little short of acid',
  'boil-further': 'It stops too thin to set',
  'pectin-partner': 'Short of pectin',
  'pectin-for-set': 'Short of pectin',
  'calcium-instead': 'Too little sugar for this pectin',
  'sugar-for-set': 'Too little sugar for this pectin',
  'less-sugar-for-set': 'More sugar than its pectin carries',
  'less-fruit': 'More fruit than its pectin sets',
  'calcium-for-set': 'Short of calcium',
  softer: 'It will be stiff',
  'acid-against-grains': 'Grains may form in the jar',
};

export const WARNING_TITLES: Readonly<Record<WarningCode, string>> = {
  'already-past-finish': 'Too much sugar for the water',
  'boils-dry': 'It would boil dry',
  'no-fruit': 'No fruit in the pan',
  'oz-is-weight': 'Ounces are weight here',
  'stop-off-the-point': 'Not the setting point here',
  'unusual-finish': 'An unusual finish',
  'finish-below-solids': 'It cannot boil down that far',
  'stated-yield-impossible': 'The stated yield cannot be right',
  'stated-yield-unlikely': 'The stated yield is unlikely',
  'stated-amounts-disagree': 'Two amounts disagree',
  'sugar-cut': 'Sugar cut with this pectin',
  'batch-doubled': 'A doubled batch',
  'may-crystallise': 'Grains may form in the jar',
  'may-weep': 'It may weep in the jar',
  'altitude-needed': 'Enter your altitude',
  'sea-level-assumed': 'Enter your altitude',
  'pan-too-small': 'The pan is too small',
  'liquid-pectin-first': 'Liquid pectin goes in last',
  'sugar-before-pectin': 'Pectin goes in before the sugar',
  'sugar-by-degrees': 'All the sugar at once',
  'sugar-before-soft': 'Soften the fruit before the sugar',
  'pectin-in-long-boil': 'Added pectin in a long boil',
  'no-calcium-pectin': 'No calcium pectin in the pan',
  'no-jam-sugar': 'No jam sugar in the pan',
  'sweet-without-solids': 'Sweetener without solids',
};
/** Said elsewhere, or by the missing place below. */
const PLACE_WARNINGS: ReadonlySet<WarningCode> = new Set<WarningCode>([
  'sea-level-assumed',
  'altitude-needed',
]);

/** The one thing to look at first, what to do about it, and what else there is. */
export interface MainProblem {
  readonly title: string;
  readonly text: string;
  /** Nothing is wrong: it only says what comes next. */
  readonly isPlain?: boolean;
  /** What mends it in one tap. */
  readonly remedy?: Remedy;
  /** Where it is mended. */
  readonly link?: { readonly to: string; readonly words: string };
  /** Other changes that help, and other warnings. */
  readonly remedies: readonly Remedy[];
  readonly warnings: readonly Warning[];
  /** The formula has moved on since the remedies were worked out. */
  readonly stale: boolean;
}

const NOTHING_ELSE = { remedies: [], warnings: [], stale: false } as const;

/** Before anything can be mended: an empty pan, a line that is not understood, no altitude. */
function firstOfAll({ document, problems, balance, formula }: BenchBatch): MainProblem | undefined {
  const [first] = problems;
  if (document.lines.length === 0)
    return {
      ...NOTHING_ELSE,
      isPlain: true,
      title: 'The pan is empty',
      text: 'Add the fruit and its amount, and everything here fills in as you type.',
    };
  if (first)
    return {
      ...NOTHING_ELSE,
      title:
        problems.length > 1
          ? `${problems.length} things are not understood`
          : 'One thing is not understood',
      text: `${sentence(first.message)} The rest is computed without it.`,
    };
  const warnings = balance?.warnings ?? formula.warnings;
  if (warnings.some(({ code }) => PLACE_WARNINGS.has(code)))
    return {
      ...NOTHING_ELSE,
      title: 'No altitude yet',
      text: 'The processing time depends on your altitude alone, and higher up the pan boils cooler. Until you enter it there is no processing time.',
      link: { to: '/kitchen', words: 'Enter your altitude' },
    };
  return undefined;
}

/** Where nothing is warned of and nothing helps: that it will not set, and why. */
function willNotSet({ balance }: BenchBatch): MainProblem | undefined {
  const [why] = balance?.set.reasons ?? [];
  if (balance?.set.verdict !== 'none' || balance.set.model === 'none' || !why) return undefined;
  return {
    ...NOTHING_ELSE,
    title: 'It will not set',
    text: `${sentence(why.text)} Nothing small changes that.`,
  };
}

/** The most important problem of the batch on the bench; undefined where there is none. */
export function useMainProblem(): MainProblem | undefined {
  const batch = useBatch();
  const { kitchen, units } = usePreferences();
  const { remedies, stale } = useRemedies({
    document: batch.asMade,
    kitchen,
    units,
    onHeat: batch.boil.startedAt !== undefined,
  });
  const first = firstOfAll(batch);
  if (first) return first;
  const offered = batch.boil.phase === 'done' ? [] : remedies;
  const warnings = batch.balance?.warnings ?? [];
  const most = mostImportant(offered, warnings);
  if (!most) return willNotSet(batch);
  if (most.type === 'warning')
    return {
      title: WARNING_TITLES[most.warning.code],
      text: sentence(most.warning.text),
      remedies: offered,
      warnings: warnings.filter((warning) => warning !== most.warning),
      stale,
    };
  const { remedy } = most;
  return {
    title: REMEDY_TITLES[remedy.code],
    text: `${remedy.text}: ${remedy.effect === '' ? 'it helps' : remedy.effect}.`,
    remedy,
    remedies: offered.filter((each) => each !== remedy),
    warnings,
    stale,
  };
}
