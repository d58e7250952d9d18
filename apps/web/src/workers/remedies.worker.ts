import { expose } from 'comlink';
import { remedies } from '@idle-kettle/core';

/**
 * Tries changes in full balances: tens of milliseconds, so it runs beside the page and not in it.
 */
export type FindRemedies = typeof remedies;
expose(remedies);
