import { documentOf } from '../testing/formula.js';
import { readScaleTarget } from './target.js';

const DAMSON = documentOf([
  ['2.4 kg', 'damson'],
  ['300 ml', 'water'],
  ['2.2 kg', 'white-sugar'],
]);

test.each<[string, object]>([
  ['12 half-pints', { by: 'jars', count: 12 }],
  ['fill 11 454 g jars', { by: 'jars', count: 11 }],
  ['all 3.1 kg', { by: 'line', line: 0, to: '3.1 kg' }],
  ['use all of my 3.1 kg damsons', { by: 'line', line: 0, to: '3.1 kg' }],
  ['2 kg sugar', { by: 'line', line: 2, to: '2 kg' }],
  ['my 8 litre pan', { by: 'pot', pot_l: 8 }],
  ['8-l pot', { by: 'pot', pot_l: 8 }],
  ['6 quart pot', { by: 'pot' }],
  ['my 6 litre slow cooker', { by: 'pot', pot_l: 6 }],
  ['half', { by: 'factor', factor: 0.5 }],
  ['x 3', { by: 'factor', factor: 3 }],
  ['2.5 times', { by: 'factor', factor: 2.5 }],
])('"%s"', (text, target) =>
  expect(readScaleTarget(text, DAMSON)).toMatchObject({ ok: true, target }),
);

test.each([
  ['', /12 half-pints/],
  ['a lot', /write what to fit/],
  ['8 kg pan', /size of the pan/],
  ['2 kg cherries', /no sweet cherry in the pan/],
])('"%s" is refused with what would be right', (text, message) => {
  const reading = readScaleTarget(text, DAMSON);
  expect(reading.ok ? '' : reading.message).toMatch(message);
});

test('without fruit there is nothing a bare amount could mean', () =>
  expect(readScaleTarget('3 kg', documentOf([['1 kg', 'white-sugar']]))).toMatchObject({
    ok: false,
  }));
