import { KINDS, METHODS_OF_KIND } from '../formula/index.js';
import { concentrationWord, wantedSolids } from './wanted.js';

// Common practice: jams 60-68 %, sweetened butters 32-53 %, calcium gels 20-60 %.
test.each([
  ['jam', 'long-boil', 65, 'usual'],
  ['jam', 'long-boil', 55, 'low'],
  ['jelly', 'powdered-pectin', 72, 'high'],
  ['jam', 'calcium-pectin', 35, 'usual'],
  ['fruit-butter', 'no-gel', 43, 'usual'],
  ['fruit-butter', 'no-gel', 15, 'low'],
  ['syrup', 'no-gel', 60, 'high'],
  ['curd', 'egg', 43, 'usual'],
] as const)('a %s by %s at %i %% is %s', (kind, method, percent, word) =>
  expect(concentrationWord(percent, wantedSolids(kind, method))).toBe(word),
);

test('every kind and way has a zone, the right way round', () => {
  for (const kind of KINDS)
    for (const method of METHODS_OF_KIND[kind]) {
      const [least, most] = wantedSolids(kind, method);
      expect(least).toBeLessThan(most);
      expect(concentrationWord(least, [least, most])).toBe('usual');
      expect(concentrationWord(most, [least, most])).toBe('usual');
    }
});
