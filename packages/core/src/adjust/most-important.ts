import type { Warning, WarningCode } from '../formula/index.js';
import type { Remedy, RemedyCode } from './remedies.js';

/** What a problem is about, the most important first. */
const CONCERNS = ['storage', 'burn-or-boil-over', 'set', 'taste', 'yield'] as const;
type Concern = (typeof CONCERNS)[number];

const CONCERN_OF_REMEDY: Readonly<Record<RemedyCode, Concern>> = {
  'acid-for-keeping': 'storage',
  'smaller-jars': 'storage',
  'less-fat': 'storage',
  'less-sugar': 'burn-or-boil-over',
  'more-water': 'burn-or-boil-over',
  'acid-for-set': 'set',
  'sugar-for-set': 'set',
  'boil-further': 'set',
  'pectin-partner': 'set',
  'pectin-for-set': 'set',
  'less-sugar-for-set': 'set',
  'less-fruit': 'set',
  'calcium-instead': 'set',
  'calcium-for-set': 'set',
  softer: 'set',
  'acid-against-grains': 'taste',
};

/** Warnings that are more urgent than that something could be better. */
const CONCERN_OF_WARNING: Readonly<Partial<Record<WarningCode, Concern>>> = {
  'already-past-finish': 'burn-or-boil-over',
  'boils-dry': 'burn-or-boil-over',
  'pan-too-small': 'burn-or-boil-over',
  'sugar-before-pectin': 'set',
  'sugar-by-degrees': 'set',
  'liquid-pectin-first': 'set',
  'no-calcium-pectin': 'set',
  'no-jam-sugar': 'set',
  'stated-yield-impossible': 'yield',
  'stated-yield-unlikely': 'yield',
};

/** The one thing to look at first: what would mend it, or a warning that nothing computed mends. */
export type MostImportant =
  | { readonly type: 'remedy'; readonly remedy: Remedy }
  | { readonly type: 'warning'; readonly warning: Warning };

/**
 * The most important of what is offered and what is warned of: storage, then burns and boiling over,
 * the set, the taste, the yield. Of one concern what can be mended in a tap comes first; a warning
 * of no concern of these comes last.
 *
 * @param remedies in their own order
 * @returns undefined where there is nothing to say
 */
export function mostImportant(
  remedies: readonly Remedy[],
  warnings: readonly Warning[],
): MostImportant | undefined {
  const rank = (concern: Concern | undefined): number =>
    concern === undefined ? CONCERNS.length : CONCERNS.indexOf(concern);
  const found = [
    ...remedies.map((remedy) => ({
      rank: rank(CONCERN_OF_REMEDY[remedy.code]),
      problem: { type: 'remedy', remedy } as const,
    })),
    ...warnings.map((warning) => ({
      rank: rank(CONCERN_OF_WARNING[warning.code]),
      problem: { type: 'warning', warning } as const,
    })),
  ];
  return found.toSorted((a, b) => a.rank - b.rank)[0]?.problem;
}
