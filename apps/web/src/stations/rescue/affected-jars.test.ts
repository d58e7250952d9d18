import { fillVolume_ml, findJar, QUARTER_INCH_MM } from '@idle-kettle/core';
import { countOf, likelyJars, spreadIn_ml } from './affected-jars.js';

const JARS = { size: 'half-pint', untilNow: 'sealed' } as const;

test.each([
  ['3', 3],
  ['3.5', 3.5],
  ['3,5', 3.5],
  ['', undefined],
  ['0', undefined],
  ['a few', undefined],
  ['-2', undefined],
])('%s jars', (count, number) => {
  expect(countOf({ ...JARS, count })).toBe(number);
});

test('jars hold what their owner measured', () => {
  const named = fillVolume_ml(findJar('half-pint')!, QUARTER_INCH_MM);
  expect(spreadIn_ml({ ...JARS, count: '2' }, 2)).toBeCloseTo(2 * named, 6);
  expect(
    spreadIn_ml({ ...JARS, count: '2' }, 2, [{ size: 'half-pint', volume_ml: 251 }]),
  ).toBeCloseTo(502, 6);
});

describe('the jars that are most likely meant', () => {
  const lot = { size: '340-g', count: 4, keptIn: null, partFill: null } as const;
  test('are those that are left, as they are kept', () => {
    expect(likelyJars([{ ...lot, count: 1, keptIn: 'opened' }, lot], [])).toEqual({
      size: '340-g',
      count: '4',
      untilNow: 'sealed',
    });
    expect(likelyJars([{ ...lot, count: 2, keptIn: 'opened' }], []).untilNow).toBe('opened');
    expect(likelyJars([{ ...lot, count: 1, keptIn: 'fridge', partFill: 0.5 }], [])).toEqual({
      size: '340-g',
      count: '0.5',
      untilNow: 'refrigerated',
    });
  });
  test('are asked for where none is left', () => {
    expect(likelyJars([{ ...lot, count: 0 }], ['pint'])).toEqual({
      size: 'pint',
      count: '',
      untilNow: 'sealed',
    });
  });
});
