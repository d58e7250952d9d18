import type { CauseRule } from './cause-rule.js';
import { JAR_CAUSES } from './jar-causes.js';
import { SET_CAUSES } from './set-causes.js';
import { STOVE_CAUSES } from './stove-causes.js';
import { TASTE_CAUSES } from './taste-causes.js';

/** Every cause that can be named, each by what a record has for it. */
export const CAUSE_RULES: readonly CauseRule[] = [
  ...SET_CAUSES,
  ...STOVE_CAUSES,
  ...JAR_CAUSES,
  ...TASTE_CAUSES,
];
