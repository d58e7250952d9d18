import { fillVolume_ml, findJar, QUARTER_INCH_MM } from '@idle-kettle/core';
import { countOf, jarsToOpen, likelyJars, spreadIn_ml } from './affected-jars.js';

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

describe('the jars that are opened to be cooked again', () => {
  const whole = { size: '340-g', count: 4, keptIn: null, partFill: null } as const;
  const begun = { ...whole, count: 1, partFill: 0.5, keptIn: 'fridge' } as const;
  const asked = { size: '340-g', count: '4', untilNow: 'sealed' } as const;
  const opened = (
    lots: Parameters<typeof jarsToOpen>[0],
    wanted: number,
    jars: Parameters<typeof jarsToOpen>[1] = asked,
  ): number[] => jarsToOpen(lots, jars, wanted).map(({ count }) => count);
  test('are as many as are cooked, and no more than there are', () => {
    expect(opened([whole], 3)).toEqual([3]);
    expect(opened([whole], 3.5)).toEqual([4]);
    expect(opened([whole], 9)).toEqual([4]);
    expect(opened([whole, { ...whole, count: 2 }], 5)).toEqual([4, 1]);
  });
  test('are whole ones first, then begun ones', () => {
    const part = { ...whole, count: 1, partFill: 0.5 };
    expect(jarsToOpen([part, whole], asked, 4.5)).toEqual([
      { lot: whole, count: 4 },
      { lot: part, count: 1 },
    ]);
    expect(opened([part, whole], 4)).toEqual([4]);
  });
  test('are of that size, stored as was said', () => {
    expect(opened([{ ...whole, size: 'pint' }, begun], 2)).toEqual([]);
    expect(opened([whole, begun], 0.5, { ...asked, untilNow: 'refrigerated' })).toEqual([1]);
  });
});
