import { expose } from 'comlink';
import { watchBoil } from '@idle-kettle/core';

/**
 * Fits the kettle model to a boil: some tens of milliseconds on a slow tablet, so it runs beside
 * the page.
 */
export type WatchBoil = typeof watchBoil;
expose(watchBoil);
