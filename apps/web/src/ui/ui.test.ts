import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  balance,
  emptyFormula,
  INGREDIENTS,
  readFormula,
  type FormulaDocument,
} from '@idle-kettle/core';
import { stopWords } from '../batch/words.js';
import { fileName } from './file-name.js';
import { fruitColour } from './fruit-colour.js';
import { formatsOf } from './preferences.js';
import { jarsOf, partWords } from './jar-picture.js';
import { metresIn } from './metres-in.js';
import { clock } from './now.js';
import { capital, sentence } from './sentence.js';
import { shareWords } from './share-words.js';

test.each([
  [0, '0:00'],
  [999, '0:00'],
  [61_000, '1:01'],
  [17 * 60_000 + 20_000, '17:20'],
  [3_725_000, '1:02:05'],
  [-5, '0:00'],
])('%i ms is %s on the clock', (ms, words) => {
  expect(clock(ms)).toBe(words);
});

test('a message becomes one sentence with one end', () => {
  expect(sentence('unknown unit "cupz"; did you mean "cups"?')).toBe(
    'Unknown unit "cupz"; did you mean "cups"?',
  );
  expect(sentence('there is no fruit in the pan')).toBe('There is no fruit in the pan.');
});

test('a capital, but pH stays pH', () => {
  expect(capital('weigh the damsons')).toBe('Weigh the damsons');
  expect(sentence('pH 3.7: pectin sets best from 2.8 to 3.4')).toBe(
    'pH 3.7: pectin sets best from 2.8 to 3.4.',
  );
  expect(capital('')).toBe('');
});

test.each([
  [0.1, 'a quarter'],
  [0.3, 'a third'],
  [0.45, 'half'],
  [0.6, 'two thirds'],
  [0.9, 'three quarters'],
])('%f is about %s', (share, words) => expect(shareWords(share)).toBe(words));

test.each([
  ['1180 m', 'metric', 1180],
  ['1180', 'metric', 1180],
  ['3870 ft', 'metric', 1179.6],
  ['3870', 'us', 1179.6],
  ['0 m', 'metric', 0],
  ['12,000 m', 'metric', undefined],
  ['on a hill', 'metric', undefined],
  ['', 'metric', undefined],
  ['1180 kg', 'metric', undefined],
] as const)('a height of "%s" in %s is %s m', (text, units, metres) => {
  const read = metresIn(text, units);
  if (metres === undefined) expect(read).toBeUndefined();
  else expect(read).toBeCloseTo(metres, 0);
});

test.each([
  ['Damson jam', 'damson-jam'],
  ['Zwetschgen-Röster "Nr 3"', 'zwetschgen-roster-nr-3'],
  ['../../etc/passwd', 'etc-passwd'],
  ['C:\\con', 'c-con'],
  ['果醬', 'formula'],
  ['x'.repeat(200), 'x'.repeat(60)],
])('%s becomes a file called %s', (title, name) => expect(fileName(title)).toBe(name));

test('two numbers never run together in a count of jars', () => {
  expect(jarsOf('nearly 9', '454-g')).toBe('nearly 9 × 454 g jars');
  expect(jarsOf('8', 'half-pint')).toBe('8 half-pints');
  expect(jarsOf('1', 'half-pint', 1)).toBe('1 half-pint');
});

test.each([
  [0.05, 'a spoonful'],
  [0.25, 'a quarter full'],
  [0.35, 'a third full'],
  [0.5, 'half full'],
  [0.7, 'two thirds full'],
  [0.92, 'nearly full'],
])('a jar %f full is %s', (part, words) => {
  expect(partWords(part)).toBe(words);
});

test('temperatures, differences and weights in both habits', () => {
  const [metric, us] = [
    formatsOf({ units: 'metric', temperatureUnit: 'C' }),
    formatsOf({ units: 'us', temperatureUnit: 'F' }),
  ];
  expect([metric.temperature(100.5), us.temperature(100.5)]).toEqual(['100.5 °C', '212.9 °F']);
  expect([metric.difference(1.5), us.difference(1.5)]).toEqual(['1.5°', '2.7°']);
  expect([metric.otherMass(2.4), us.otherMass(2.4)]).toEqual(['5 lb 5 oz', '2.40 kg']);
  for (const celsius of [-10, 37, 100.46])
    expect(us.fromUnit(us.toUnit(celsius))).toBeCloseTo(celsius, 9);
});

test.each<[Partial<FormulaDocument>, string]>([
  [{ finish: { type: 'gel-temperature' } }, 'stop at 100.5 °C'],
  [{ finish: { type: 'soluble-solids', percent: 63 } }, 'stop at 63 % solids'],
  [
    { finish: { type: 'hard-boil', minutes: 1 }, method: 'powdered-pectin' },
    'stop after 1 min of hard boil',
  ],
  [{ finish: { type: 'weight', mass: '1.7 kg' } }, 'stop at 1.70 kg'],
  [{ finish: { type: 'curd' }, kind: 'curd', method: 'egg' }, 'stop at 76.7 °C'],
  [
    { finish: { type: 'consistency' }, kind: 'fruit-butter', method: 'no-gel' },
    'stop when it mounds on a spoon',
  ],
])('a pan with %j says "%s"', (change, words) => {
  const document = {
    ...emptyFormula('x'),
    lines: [
      { ingredient: 'plum', amount: '1 kg' },
      { ingredient: 'white-sugar', amount: '1 kg' },
    ],
    ...change,
  };
  const { formula } = readFormula(document, { altitude_m: 1180 });
  const outcome = balance(formula);
  if (!outcome) throw new Error('nothing in the pan');
  const stop = stopWords(formula, outcome, formatsOf({ units: 'metric', temperatureUnit: 'C' }));
  expect(`${stop.lead} ${stop.words}`).toBe(words);
});

/**
 * Contrast of two colours by the formula of WCAG 2.1, "relative luminance" and "contrast ratio".
 */
function contrast(a: string, b: string): number {
  const luminance = (hex: string): number => {
    const [r = 0, g = 0, blue = 0] = [1, 3, 5]
      .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
      .map((c) => (c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
    return 0.2126 * r + 0.7152 * g + 0.0722 * blue;
  };
  const [light = 0, dark = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
}

describe.each(['day', 'night'] as const)('the %s theme', (theme) => {
  const css = readFileSync(join(__dirname, '../styles.css'), 'utf8');
  const daisy = new RegExp(`name: '${theme}';([^}]*)}`).exec(css)?.[1] ?? '';
  const own = new RegExp(`\\[data-theme='${theme}'\\] {([^}]*)}`).exec(css)?.[1] ?? '';
  const token = (name: string): string => {
    const found = new RegExp(`--${name}: (#[0-9a-f]{6})`).exec(daisy + own)?.[1];
    if (found === undefined) throw new Error(`no token --${name} in the ${theme} theme`);
    return found;
  };
  const grounds = ['color-base-100', 'color-base-200', 'color-base-300', 'notice'];

  test.each(['color-base-content', 'soft', 'good-ink', 'watch-ink', 'bad-ink'])(
    '%s is readable on every ground (WCAG AA, 4.5)',
    (ink) => {
      for (const ground of grounds)
        expect([ground, contrast(token(ink), token(ground)) >= 4.5]).toEqual([ground, true]);
    },
  );

  test.each(['primary', 'secondary', 'accent', 'neutral', 'success', 'warning', 'error'])(
    'what is written on %s is readable',
    (colour) => {
      expect(
        contrast(token(`color-${colour}`), token(`color-${colour}-content`)),
      ).toBeGreaterThanOrEqual(4.5);
    },
  );

  test('the colour of every fruit stands out from the panel (WCAG, 3.0 for graphics)', () => {
    for (const { id, category } of INGREDIENTS) {
      if (category === 'fruit' || category === 'vegetable')
        expect([id, contrast(fruitColour(id, theme), token('color-base-100')) >= 3]).toEqual([
          id,
          true,
        ]);
    }
  });
});
