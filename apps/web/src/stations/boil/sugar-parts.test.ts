import { lineFromText } from '@idle-kettle/core';
import { partAmounts } from './sugar-parts.js';

test('parts of the sugar are round amounts as one measures them', () => {
  expect(partAmounts(0.55, 'metric')).toEqual(['200 g', '500 g']);
  expect(partAmounts(2.1, 'metric')).toEqual(['1 kg', '2 kg']);
  expect(partAmounts(0.4, 'us')).toEqual(['1 cup', '2 cups']);
  expect(partAmounts(0.1, 'us')).toEqual(['1/2 cup', '1 cup']);
  expect(partAmounts(0, 'us')).toEqual([]);
});

test('what a tap logs is read as that amount of sugar', () => {
  for (const units of ['metric', 'us'] as const)
    for (const about_kg of [0.03, 0.2, 0.7, 5])
      for (const amount of partAmounts(about_kg, units))
        expect(lineFromText(`${amount} white sugar`)).toMatchObject({
          amount,
          ingredient: 'white-sugar',
        });
});
