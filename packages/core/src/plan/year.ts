import type { PotFormula } from '../formula/index.js';
import { inSeason, isSeasonal, monthAfter, monthsUntilSeason } from '../produce/index.js';

/** What a household got through of one kind of one fruit, and what is left of it. */
export interface JarsUsed {
  readonly title: string;
  /** Id of its fruit; null where it has none. */
  readonly fruit: string | null;
  /** Jars eaten or given away, over so many days, 1 to 365. */
  readonly used: number;
  readonly days: number;
  readonly left: number;
  /** Jars a year, where somebody said how many they want; else it is learned from what was used. */
  readonly stated?: number | undefined;
  /** Jars that its last batch filled. */
  readonly perBatch: number;
}

/** What to make of it, and when. */
export interface YearAhead {
  /** Jars a year, as stated or as used; undefined while it is too early to tell. */
  readonly aYear: number | undefined;
  /** Days until the last one is eaten, at that pace; undefined where nothing is eaten. */
  readonly lastsDays: number | undefined;
  /** Whole batches that make up for what is missing over the year to come. */
  readonly batches: number;
  /** First month it is in season from now on, 1 to 12; undefined where it is all year. */
  readonly from: number | undefined;
  /** It is in season now. */
  readonly now: boolean;
}

/** Before so many days a year's use is a guess. Common practice. */
const TELLS_AFTER_DAYS = 60;
const YEAR_DAYS = 365;
/** A seventh of a batch more or less is not worth another one. Common practice. */
const NOT_WORTH_ONE = 0.15;

/** Jars a year at the pace they were used; undefined while it is too early to tell. */
function usedAYear({ used, days }: JarsUsed): number | undefined {
  return days < TELLS_AFTER_DAYS ? undefined : (used * YEAR_DAYS) / Math.min(days, YEAR_DAYS);
}

/**
 * What a household makes in the year to come so that it lasts: its use over the last year, less
 * what is left.
 *
 * @param month 1 to 12, now
 */
export function yearPlan<T extends JarsUsed>(
  uses: readonly T[],
  month: number,
  southern = false,
): (T & YearAhead)[] {
  return uses
    .map((each): T & YearAhead => {
      const { left, perBatch, fruit } = each;
      const aYear = each.stated ?? usedAYear(each);
      const missing = aYear === undefined ? 0 : Math.max(aYear - left, 0);
      const batches = perBatch > 0 ? Math.max(Math.ceil(missing / perBatch - NOT_WORTH_ONE), 0) : 0;
      return {
        ...each,
        aYear,
        lastsDays:
          aYear === undefined || aYear === 0 ? undefined : Math.round((left / aYear) * YEAR_DAYS),
        batches,
        from:
          fruit !== null && isSeasonal(fruit)
            ? monthAfter(month, monthsUntilSeason(fruit, month, southern))
            : undefined,
        now: fruit === null || inSeason(fruit, month, southern),
      };
    })
    .sort((a, b) => b.batches - a.batches || (a.lastsDays ?? Infinity) - (b.lastsDays ?? Infinity));
}

/** What a year's batches take. */
export interface YearNeeds {
  /** A lid for every jar, and its band where it has none yet. */
  readonly lids: number;
  readonly sugar_kg: number;
  /** Each product once. */
  readonly pectin: readonly { readonly name: string; readonly mass_kg: number }[];
}

/** What so many batches of these formulas take, all together. */
export function yearNeeds(
  planned: readonly {
    readonly formula: Pick<PotFormula, 'lines'>;
    readonly batches: number;
    readonly perBatch: number;
  }[],
): YearNeeds {
  const pectin = new Map<string, number>();
  let sugar_kg = 0;
  for (const { formula, batches } of planned)
    for (const { ingredient, label, mass_kg } of formula.lines) {
      if (ingredient.category === 'sweetener') sugar_kg += mass_kg.mid * batches;
      if (ingredient.pectinProduct)
        pectin.set(label, (pectin.get(label) ?? 0) + mass_kg.mid * batches);
    }
  return {
    lids: planned.reduce((sum, { batches, perBatch }) => sum + batches * perBatch, 0),
    sugar_kg,
    pectin: [...pectin].map(([name, mass_kg]) => ({ name, mass_kg })),
  };
}
