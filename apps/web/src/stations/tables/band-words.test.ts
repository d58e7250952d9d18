import { FOOT_M, PROCESS_BANDS, processBand } from '@idle-kettle/core';
import { bandWords } from './band-words.js';

test('the bands are said in the household’s unit', () => {
  expect(bandWords('us')).toEqual([
    'up to 1000 ft',
    '1001 to 3000 ft',
    '3001 to 6000 ft',
    '6001 to 10000 ft',
  ]);
  expect(bandWords('metric')).toEqual([
    'up to 304 m',
    '305 to 914 m',
    '915 to 1828 m',
    '1829 to 3048 m',
  ]);
});

test.each(['us', 'metric'] as const)(
  'no height is said to be in a shorter band than it is processed by: %s',
  (units) => {
    const per = units === 'us' ? FOOT_M : 1;
    bandWords(units).forEach((words, i) => {
      const [last] = words.match(/\d+(?= (?:ft|m)$)/) ?? [];
      expect(processBand(Number(last) * per)).toBe(PROCESS_BANDS[i]);
    });
  },
);
