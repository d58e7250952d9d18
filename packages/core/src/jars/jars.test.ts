import { fillInOrder, jarsToHaveHot, jarWords } from './fill.js';
import {
  fillVolume_ml,
  findJar,
  HALF_INCH_MM,
  JAR_SIZES,
  QUARTER_INCH_MM,
  type JarSize,
} from './sizes.js';

const jar = (id: string): JarSize => {
  const found = findJar(id);
  if (!found) throw new Error(id);
  return found;
};

test('a jar filled to 1/4 in holds its named volume; 1/4 in more headspace costs about 18 ml in a regular mouth (common practice)', () => {
  expect(fillVolume_ml(jar('half-pint'), QUARTER_INCH_MM)).toBeCloseTo(236.6, 6);
  expect(
    fillVolume_ml(jar('half-pint'), QUARTER_INCH_MM) -
      fillVolume_ml(jar('half-pint'), HALF_INCH_MM),
  ).toBeCloseTo(18, 0);
});

// Jars sold by jam weight hold that weight of full-sugar jam at about 1.32 kg/m3 (common practice),
// within 6 %.
test.each(['227-g', '340-g', '375-g', '454-g'])('%s holds its weight of jam', (id) => {
  const grams = fillVolume_ml(jar(id), QUARTER_INCH_MM) * 1.32;
  expect(Math.abs(grams / parseInt(id) - 1)).toBeLessThan(0.06);
});

test('more headspace never holds more, and sizes are in the table once', () => {
  expect(new Set(JAR_SIZES.map((size) => size.id)).size).toBe(JAR_SIZES.length);
  for (const size of JAR_SIZES)
    expect(fillVolume_ml(size, 20)).toBeLessThan(fillVolume_ml(size, 6));
});

test('volume goes into jars in order, and the last size takes the rest', () => {
  expect(fillInOrder(1000, [{ fill_ml: 400, available: 2 }, { fill_ml: 100 }])).toEqual([2, 2]);
  expect(fillInOrder(1000, [{ fill_ml: 400 }, { fill_ml: 100 }])).toEqual([2.5, 0]);
  expect(fillInOrder(1000, [{ fill_ml: 400, available: 1 }])).toEqual([2.5]);
  expect(fillInOrder(0, [{ fill_ml: 400 }])).toEqual([0]);
});

test('one spare jar is kept hot beyond the high end', () => {
  expect(jarsToHaveHot([{ low: 7.9, mid: 8.3, high: 8.7 }])).toBe(10);
  expect(jarsToHaveHot([{ low: 0, mid: 0, high: 0 }])).toBe(0);
});

test.each([
  [0.02, 'none'],
  [0.3, 'under 1'],
  [0.95, '1'],
  [8, '8'],
  [8.11, 'about 8'],
  [8.2, '8¼'],
  [8.5, '8½'],
  [8.8, '8¾'],
  [8.88, 'about 9'],
  [8.95, '9'],
  [75.3, 'about 75'],
])('%f jars is "%s"', (count, words) => {
  expect(jarWords(count)).toBe(words);
});
