import type { Advice } from '@idle-kettle/core';
import { advisedAction } from './advised-action.js';

const advice = (code: Advice['code'], tick?: Advice['tick']): Advice => ({
  code,
  text: '',
  why: '',
  ...(tick && { tick }),
});

test.each([
  ['test-now', 'test'],
  ['test-soon', 'off-heat'],
  ['curdles', 'off-heat'],
  ['done', 'finish'],
  ['back-on', 'on-heat'],
  ['full-boil', 'minute'],
] as const)('%s fills the button %s', (code, action) =>
  expect(advisedAction(advice(code))).toBe(action),
);

test('what is ticked off in the advice itself fills no other button, nor does waiting', () => {
  expect(advisedAction(advice('stir', 'stirred'))).toBeUndefined();
  expect(advisedAction(advice('plates', 'note'))).toBeUndefined();
  expect(advisedAction(advice('watch'))).toBeUndefined();
  expect(advisedAction(undefined)).toBeUndefined();
});
