import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { BatchSummary, BatchView, SupplyBody } from '@idle-kettle/contract';
import {
  computeFormula,
  costOf,
  jarsExpected,
  needsOf,
  stockLeft,
  withoutPlace,
  type Balance,
  type BatchCost,
  type Kitchen,
  type Need,
  type PotFormula,
} from '@idle-kettle/core';
import { batchQuery, useBatches } from '../data/queries.js';
import { usePreferences } from '../ui/preferences.js';
import { useGear } from './use-gear.js';

const NONE: readonly SupplyBody[] = [];

/** Sugar, pectin, lids and the like as this household has and pays them. */
export const useSupplies = (): readonly SupplyBody[] => useGear().gear.supplies ?? NONE;

/** What a batch needs: of its jars those filled, else those expected. */
export function needsOfBatch(
  { document }: Pick<BatchView, 'document'>,
  kitchen: Kitchen,
  jarsFilled = 0,
): Need[] {
  const { formula, balance } = computeFormula(withoutPlace(document), kitchen);
  const expected = balance ? jarsExpected(balance) : 0;
  return needsOf(formula.lines, jarsFilled > 0 ? jarsFilled : expected);
}

/** What some batches need, in their order; undefined for those that are not here yet. */
export function useNeedsOf(batches: readonly BatchSummary[]): readonly (Need[] | undefined)[] {
  const { kitchen } = usePreferences();
  const key = batches.map(({ id, jarsFilled }) => `${id} ${jarsFilled}`).join();
  const combine = useCallback(
    (results: readonly UseQueryResult<BatchView>[]) => {
      const jars = key.split(',').map((each) => Number(each.split(' ')[1]));
      return results.map(({ data }, i) => data && needsOfBatch(data, kitchen, jars[i]));
    },
    [key, kitchen],
  );
  return useQueries({ queries: batches.map(({ id }) => batchQuery(id)), combine });
}

const isBegunSince = ({ startedAt }: BatchSummary, at: string): boolean =>
  startedAt !== null && startedAt > at;

/** What is left of what was counted: what was begun since the count is taken off. */
export function useStockLeft(): ReadonlyMap<string, number> {
  const supplies = useSupplies();
  const counted = supplies.flatMap(({ countedAt }) => countedAt ?? []).toSorted();
  const [earliest] = counted;
  const begun = (useBatches().data ?? []).filter(
    (batch) => earliest !== undefined && isBegunSince(batch, earliest),
  );
  const needs = useNeedsOf(begun);
  return stockLeft(supplies, ({ of, countedAt }: SupplyBody) =>
    begun.reduce((sum, batch, i) => {
      if (countedAt === undefined || !isBegunSince(batch, countedAt)) return sum;
      const used = needs[i]?.filter((need) => need.of === of) ?? [];
      return sum + used.reduce((all, { amount }) => all + amount, 0);
    }, 0),
  );
}

/** What a batch costs a jar, by the prices that were given. */
export function useCost(
  formula: Pick<PotFormula, 'lines'>,
  balance: Balance | null,
): BatchCost | undefined {
  const supplies = useSupplies();
  const jars = balance ? jarsExpected(balance) : 0;
  return costOf(needsOf(formula.lines, jars), jars, supplies);
}
