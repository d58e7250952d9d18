import type { Need } from './needs.js';

/** What a household has of one thing, and what it pays for it. */
export interface Supply {
  /** An ingredient's id, or "lid". */
  readonly of: string;
  /** As counted: kilograms, lids by the piece. */
  readonly stock?: number | undefined;
  /** Money for `per` of it, in the household's own currency. */
  readonly price?: number | undefined;
  /** Kilograms, or pieces, that the price is for. */
  readonly per?: number | undefined;
}

/** What is left of each thing that was counted. */
export const stockLeft = <S extends Supply>(
  supplies: readonly S[],
  usedSince: (supply: S) => number,
): ReadonlyMap<string, number> =>
  new Map(
    supplies.flatMap((supply) =>
      supply.stock === undefined
        ? []
        : [[supply.of, Math.max(supply.stock - usedSince(supply), 0)] as const],
    ),
  );

/** One thing of a shopping list. */
export interface ShoppingItem extends Need {
  /** Undefined where it was never counted: then all of it is to be bought. */
  readonly have: number | undefined;
  readonly buy: number;
}

/** Less than this is not worth a way to the shop: half a gram. A choice of ours. */
const NOTHING_KG = 0.0005;

/** Fruit first, since it decides the day; then sugar, what sets and sours, the rest, lids last. A choice of ours. */
const ORDER = ['fruit', 'sweetener', 'pectin', 'acid'];
const rank = ({ category }: Need): number => {
  if (category === undefined) return ORDER.length + 1;
  const at = ORDER.indexOf(category);
  return at === -1 ? ORDER.length : at;
};

/**
 * What is to be bought for these needs, after what is there. Of one thing under two names, what is
 * there goes to the first.
 */
export function shoppingList(
  needs: readonly Need[],
  left: ReadonlyMap<string, number>,
): ShoppingItem[] {
  const untaken = new Map(left);
  return needs
    .map((need) => {
      const have = untaken.get(need.of);
      const short = need.amount - (have ?? 0);
      if (have !== undefined) untaken.set(need.of, Math.max(-short, 0));
      return { ...need, have, buy: short < NOTHING_KG ? 0 : short };
    })
    .sort((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name));
}

/** What a batch costs, as far as prices were given. */
export interface BatchCost {
  readonly total: number;
  readonly perJar: number;
  /** Names of what has no price, in the order of a shopping list, the most of it first. */
  readonly unpriced: readonly string[];
}

/** @returns undefined where nothing has a price, or no jar is filled */
export function costOf(
  needs: readonly Need[],
  jars: number,
  supplies: readonly Supply[],
): BatchCost | undefined {
  const priceOf = (of: string): number | undefined => {
    const { price, per } = supplies.find((each) => each.of === of) ?? {};
    return price === undefined || per === undefined || per <= 0 ? undefined : price / per;
  };
  const priced = needs.filter(({ of }) => priceOf(of) !== undefined);
  if (priced.length === 0 || jars <= 0) return undefined;
  const total = priced.reduce((sum, { of, amount }) => sum + amount * (priceOf(of) ?? 0), 0);
  return {
    total,
    perJar: total / jars,
    unpriced: needs
      .filter(({ of }) => priceOf(of) === undefined)
      .toSorted((a, b) => rank(a) - rank(b) || b.amount - a.amount)
      .map(({ name }) => name),
  };
}
