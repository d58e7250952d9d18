import { KINDS, METHODS_OF_KIND } from '../formula/index.js';
import { solidsWord, wantedSolids } from './wanted.js';

// Common practice: jams 60-68 %, sweetened butters 32-53 %, calcium gels 20-60 %.
test.each([
  ['jam', 'long-boil', 65, 'full'],
  ['jam', 'long-boil', 55, 'thin'],
  ['jelly', 'powdered-pectin', 72, 'heavy'],
  ['jam', 'calcium-pectin', 35, 'full'],
  ['fruit-butter', 'no-gel', 43, 'full'],
  ['fruit-butter', 'no-gel', 15, 'thin'],
  ['syrup', 'no-gel', 60, 'heavy'],
  ['curd', 'egg', 43, 'full'],
] as const)('a %s by %s at %i %% is %s', (kind, method, percent, word) =>
  expect(solidsWord(percent, wantedSolids(kind, method))).toBe(word),
);

test('every kind and way has a zone, the right way round', () => {
  for (const kind of KINDS)
    for (const method of METHODS_OF_KIND[kind]) {
      const [least, most] = wantedSolids(kind, method);
      expect(least).toBeLessThan(most);
      expect(solidsWord(least, [least, most])).toBe('full');
      expect(solidsWord(most, [least, most])).toBe('full');
    }
});
