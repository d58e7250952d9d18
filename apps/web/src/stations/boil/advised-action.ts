import type { Advice, AdviceCode } from '@idle-kettle/core';

/** What a button at the stove does. */
export type StoveAction =
  | 'reading'
  | 'test'
  | 'addition'
  | 'measure'
  | 'heat'
  | 'off-heat'
  | 'on-heat'
  | 'minute'
  | 'finish';

/** The button that does what is advised. Advice that is ticked off has a button of its own. */
const ACTION_OF: Readonly<Partial<Record<AdviceCode, StoveAction>>> = {
  rewarm: 'on-heat',
  'back-on': 'on-heat',
  'test-now': 'test',
  'test-soon': 'off-heat',
  'test-again': 'off-heat',
  'off-now': 'off-heat',
  curdles: 'off-heat',
  'full-boil': 'minute',
  done: 'finish',
};

/** @returns the one button to fill; undefined where the advice has its own, or wants none */
export function advisedAction(advice: Advice | undefined): StoveAction | undefined {
  return advice && advice.tick === undefined ? ACTION_OF[advice.code] : undefined;
}
