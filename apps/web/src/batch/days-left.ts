import { differenceInCalendarDays, parseISO } from 'date-fns';
import type { LotView } from '@idle-kettle/contract';

/**
 * Days until the last day at its best; less than none when that is over. Infinity where it is not
 * kept.
 */
export const daysLeft = ({ keeping }: LotView, today: Date): number =>
  keeping.bestBefore === null
    ? Infinity
    : differenceInCalendarDays(parseISO(keeping.bestBefore), today);
