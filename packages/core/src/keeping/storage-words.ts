import type { KeepingVerdict } from './verdict.js';

/** How a verdict is said before the jars are filled. */
export const STORAGE_SAID: Readonly<Record<KeepingVerdict, string>> = {
  shelf: 'shelf',
  fridge: 'refrigerate',
  freezer: 'freeze',
  stop: 'do not make',
};

/** How it is said of jars that are filled. */
export const FILLED_STORAGE_SAID: Readonly<Record<KeepingVerdict, string>> = {
  ...STORAGE_SAID,
  stop: 'throw away, do not taste',
};
