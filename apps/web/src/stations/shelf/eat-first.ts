import { differenceInCalendarDays, parseISO } from 'date-fns';
import type { LotView } from '@idle-kettle/contract';

/** A shelf jar is eaten first from so many days before its best is over. Common practice. */
const SOON_DAYS = 60;

/** Days until the last day at its best; less than none when that is over. Infinity where it is not kept. */
export const daysLeft = ({ keeping }: LotView, today: Date): number =>
  keeping.bestBefore === null ? Infinity : differenceInCalendarDays(parseISO(keeping.bestBefore), today);

/** Lots to eat before the others: opened, part jars, what stands in the cold for want of a seal, and what is soon past its best. */
export function eatFirst(lots: readonly LotView[], today: Date): LotView[] {
  return lots
    .filter(
      (lot) =>
        lot.count > 0 &&
        lot.keeping.verdict !== 'stop' &&
        (lot.keeping.verdict === 'fridge' || daysLeft(lot, today) <= SOON_DAYS),
    )
    .sort((a, b) => daysLeft(a, today) - daysLeft(b, today) || Number(b.keptIn === 'opened') - Number(a.keptIn === 'opened'));
} // prettier-ignore
