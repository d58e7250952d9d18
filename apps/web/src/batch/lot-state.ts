import type { LotView } from '@idle-kettle/contract';

/** An opened jar is drawn so full, since nobody says how much is left in it. */
const OPENED_FILL = 0.6;

/** Whether a jar is opened or was filled in part: it is finished, not opened. */
export const isBegun = ({ keptIn, partFill }: Pick<LotView, 'keptIn' | 'partFill'>): boolean =>
  keptIn === 'opened' || partFill !== null;

/** How full a jar of a lot is drawn, 0 to 1. */
export const drawnFill = ({ keptIn, partFill }: Pick<LotView, 'keptIn' | 'partFill'>): number =>
  partFill ?? (keptIn === 'opened' ? OPENED_FILL : 1);
