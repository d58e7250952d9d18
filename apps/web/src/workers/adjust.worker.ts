import { expose } from 'comlink';
import { answerTo, remedies } from '@idle-kettle/core';

/**
 * Tries changes in full balances: tens of milliseconds each, so it runs beside the page and not in
 * it.
 */
const adjust = { remedies, answerTo };
export type Adjust = typeof adjust;
expose(adjust);
