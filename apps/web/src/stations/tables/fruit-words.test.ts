import { inSeason } from '@idle-kettle/core';
import { monthsWords, pectinWords } from './fruit-words.js';

const NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const season = (fruit: string, southern = false): string =>
  monthsWords(
    NAMES.map((_, i) => inSeason(fruit, i + 1, southern)),
    (month) => NAMES[month - 1] ?? '',
  );

test('months follow each other, over the turn of the year too', () => {
  expect(season('damson')).toBe('Aug to Oct');
  expect(season('bitter-orange')).toBe('Dec to Feb');
  expect(season('damson', true)).toBe('Feb to Apr');
  expect(season('passion-fruit')).toBe('all year');
  expect(monthsWords([true, ...Array<boolean>(11).fill(false)], () => 'Jan')).toBe('Jan');
});

test.each([
  [1.8, 'much'],
  [0.6, 'some'],
  [0.25, 'little'],
  [undefined, 'not known'],
])('%s %% pectin is %s', (percent, words) => expect(pectinWords(percent)).toBe(words));
