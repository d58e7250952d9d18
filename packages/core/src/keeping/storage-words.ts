import type { KeepingVerdict } from './verdict.js';

/** How a verdict is said before the jars are filled. */
export const STORAGE_SAID: Readonly<Record<KeepingVerdict, string>> = {
  shelf: 'shelf',
  fridge: 'refrigerate',
  freezer: 'freeze',
  stop: 'do not make',
};
