import { useEffect, useMemo } from 'react';
import { madeBatch, type Boil, type FormulaDocument } from '@idle-kettle/core';
import type { BatchSummary } from '@idle-kettle/contract';
import { now as clockNow } from '../data/clock.js';
import { useKitchenInUse } from '../data/kitchens.js';
import { useNow } from '../ui/now.js';
import { usePreferences } from '../ui/preferences.js';
import { clocksOf, lidsOf, setRunningClocks } from './running-clocks.js';
import { useAdvice } from './use-advice.js';
import { useBatchOnStove } from './use-batch-on-stove.js';
import { isoDay } from '../data/iso-day.js';

/** Clocks change their kind within a second of their time. */
const TO_MS = 1000;

/**
 * The minutes of a process that runs, by the table for the altitude as it is now; 0 where none runs,
 * not known before the formula and the kitchen are here.
 */
function useTableMinutes(document: FormulaDocument | undefined, boil: Boil): number | undefined {
  const { kitchen } = usePreferences();
  const isKitchenKnown = useKitchenInUse() !== undefined;
  const isRunning = boil.process.begun !== undefined;
  return useMemo(() => {
    if (!isRunning) return 0;
    if (!document || !isKitchenKnown) return undefined;
    const { keeping } = madeBatch(document, boil, kitchen, {
      on: isoDay(clockNow()),
      planned: true,
    });
    return (keeping.process ?? keeping.processMeanwhile)?.minutes ?? 0;
  }, [document, boil, kitchen, isRunning, isKitchenKnown]);
}

const isCooking = ({ phase }: Boil): boolean =>
  phase === 'on-heat' || phase === 'off-heat' || phase === 'paused';

/** Says which clocks of one batch run. Shows nothing. */
function KeepClocks({ batch }: { readonly batch: BatchSummary }) {
  const { boil, document, formula } = useBatchOnStove(batch.id);
  // Without a forecast: this says only when to stir.
  const { next } = useAdvice(boil, isCooking(boil) ? formula : undefined, undefined);
  const tableMinutes = useTableMinutes(document, boil);
  const now = Math.floor(useNow() / TO_MS) * TO_MS;
  useEffect(() => {
    setRunningClocks(batch.id, [
      ...clocksOf(batch, { boil, next, tableMinutes }, now),
      ...lidsOf(batch, now),
    ]);
  }, [batch, boil, next, tableMinutes, now]);
  useEffect(() => () => setRunningClocks(batch.id, []), [batch.id]);
  return null;
}

/** The clocks of every batch that has some. Fetched only once there is one: most visits need none. */
export function ClockKeeper({ batches }: { readonly batches: readonly BatchSummary[] }) {
  return batches.map((batch) => <KeepClocks key={batch.id} batch={batch} />);
}

export default ClockKeeper;
