import { convertAmount } from '@idle-kettle/core';
import { typedConversion } from './typed-conversion.js';

test('a typed amount of a food is converted into the unit asked for', () => {
  const grams = convertAmount('8 cups blueberries', 'g');
  if (!grams.ok) throw new Error(grams.message);
  const asked = typedConversion('8 cups blueberries in g');
  expect(asked?.amount).toBe('8 cups blueberries');
  expect(Number(/about ([\d.]+) g/.exec(asked?.answer ?? '')?.[1])).toBeCloseTo(
    grams.conversion.value.mid,
    -1,
  );
  expect(typedConversion('8 cups blueberries')?.answer).toBe(asked?.answer);
  expect(typedConversion('500 g white sugar to cups')?.answer).toMatch(/is about 2½ cups$/);
});

test.each(['', 'blueberries', '8 cups', '3 hens in g', '2 cups sugar in furlongs'])(
  '“%s” is no amount to convert',
  (typed) => {
    expect(typedConversion(typed)).toBeUndefined();
  },
);
