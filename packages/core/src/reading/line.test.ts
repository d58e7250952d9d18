import fc from 'fast-check';
import { INGREDIENTS } from '../produce/index.js';
import { isUnderstood, readLine, type LineReading } from './index.js';
import { LINES } from './lines.table.js';

const gramsOf = ({ parts }: LineReading): number =>
  parts.reduce((sum, { mass_kg }) => sum + (mass_kg?.mid ?? NaN) * 1000, 0);
const idOf = ({ parts, named }: LineReading): string | undefined =>
  parts[0]?.ingredient.id ?? named?.ingredient.id;

/** Share by which a weight may be off: the tables give cups and pieces to a tenth. */
const TOLERANCE = 0.15;

test.each(LINES)('%s', (text, id, grams) => {
  const reading = readLine(text);
  expect(isUnderstood(reading)).toBe(true);
  expect(idOf(reading)).toBe(id);
  if (grams === undefined) expect(reading.openAmount).toBeDefined();
  else expect(Math.abs(gramsOf(reading) / grams - 1)).toBeLessThan(TOLERANCE);
});

test.each([
  ['2 kg moonfruit', 'unknown-ingredient'],
  ['1 lb strawberry jam', 'changed'],
  ['500 g apple butter', 'changed'],
  ['1 kg raspberries and blackberries', 'two-ingredients'],
  ['1 kg strawberries with bananas', 'two-ingredients'],
  ['1 kg apples/bananas', 'alternative'],
  ['2 kg peaches or bananas', 'alternative'],
  ['2 lbs plums or damsons', 'alternative'],
  ['1/2 teaspoon butter or margarine', 'alternative'],
  ['1 kg ripe strawberries (or raspberries)', 'alternative'],
  ['1/2 cup lemon juice (fresh or bottled)', 'alternative'],
  ['1 kg raspberries (incl. 300 g banana)', 'contains'],
  ['1 kg raspberries in cream', 'two-ingredients'],
  ['3 tbsp lemon juice plus the grated zest', 'contains'],
  ['1 kg rhubarb leaves', 'part'],
  ['6 peach pits', 'part'],
  ['1 cup strawberry leaves', 'part'],
  ['1 kg cherries with stems', 'part'],
  ['200 ml vinegar (1 % acid)', 'changed'],
  ['3 tbsp home-made cider vinegar', 'changed'],
  ['300 ml sugar-free maple syrup', 'changed'],
  ['200 ml lemon juice, diluted', 'changed'],
  ['500 g mouldy plums', 'changed'],
  ['1 can (400 g) pineapple in syrup', 'in-liquid'],
  ['1 kg plums 50:50 with pears', 'number'],
  ['1 kg strawberries (5 lb)', 'amounts-differ'],
  ['3 (8 oz) peaches', 'amounts-differ'],
  ['1 flat strawberries', 'no-weight'],
  ['1 glass red wine', 'no-weight'],
  ['1 kg vorzim plums', 'unknown-ingredient'],
  ['2 kg plums, bananas', 'two-ingredients'],
  ['-2 kg plums', 'bad-amount'],
  ['0 g sugar', 'bad-amount'],
  ['1 can peaches', 'no-weight'],
  ['3 sugar', 'no-weight'],
  ['', 'nothing-written'],
  ['1 kg', 'no-ingredient'],
])('"%s" is said to be not understood: %s', (text, code) => {
  const reading = readLine(text);
  expect(isUnderstood(reading)).toBe(false);
  expect(reading.problem).toMatchObject({ code });
});

test('one line may hold several foods', () => {
  const ids = (text: string): string[] =>
    readLine(text).parts.map(({ ingredient }) => ingredient.id);
  expect(ids('zest and juice of 1 lemon')).toEqual(['lemon-juice-fresh', 'lemon-zest']);
  expect(ids('2 cups sugar, 1 cup water')).toEqual(['white-sugar', 'water']);
  expect(ids('2 kg plums (and 1 banana)')).toEqual(['plum', 'banana']);
  expect(ids('3 eggs plus 1 yolk')).toEqual(['egg', 'egg-yolk']);
  expect(ids('1 tsp each cinnamon and cloves')).toEqual(['ground-spice', 'ground-spice']);
});

test.each([
  ['2 cups (3/4 lb) carrots', 340],
  ['6 (about 2 lb) peaches', 907],
  ['3 (5 oz) peaches', 425],
  ['1 stick (1/2 cup) butter', 113],
  ['2 cups water, less 2 tbsp', 444],
  ['500 g sugar, plus 250 g', 750],
  ['4 apples (about 150 g each)', 600],
  ['up to 1 cup sugar', 200],
  ['1/2 to 3/4 cup honey', 212],
  ['3 lb plums (about 6 cups pitted)', 1361],
])('"%s" weighs %d g', (text, grams) => {
  const reading = readLine(text);
  expect(isUnderstood(reading)).toBe(true);
  expect(Math.abs(gramsOf(reading) / grams - 1)).toBeLessThan(0.02);
});

test.each([
  ['80 ml lemon juice (not bottled)', 'lemon-juice-fresh', 'juice'],
  ['200ml apple juice, not from concentrate', 'apple-juice', 'juice'],
  ['1 kg plums, stones removed', 'plum', 'pitted'],
  ['1 kg plums with stones', 'plum', 'as-bought'],
  ['750 g damsons, washed and dried', 'damson', 'pitted'],
  ['1 kg elderberries, stripped from their stems', 'elderberry', 'whole'],
  ['1 can (400 g) pineapple in syrup, drained', 'pineapple', 'drained'],
  ['20 blackcurrant leaves', 'fresh-herb', 'whole'],
])('what is denied, taken out or left on in "%s" is read', (text, id, form) => {
  const [part] = readLine(text).parts;
  expect([part?.ingredient.id, part?.form]).toEqual([id, form]);
});

test('the kind of a spice is kept, with its own weight', () => {
  expect(readLine('1 tsp ground cloves').parts[0]).toMatchObject({ variety: 'cloves' });
  expect(readLine('2 kg Bramleys').parts[0]).toMatchObject({ variety: 'bramley' });
});

test('the least and the most of a range are the ends of its mass', () => {
  const [part] = readLine('2 to 3 kg plums').parts;
  expect(part?.mass_kg?.low).toBeCloseTo(2, 1);
  expect(part?.mass_kg?.high).toBeCloseTo(3, 1);
});

describe('generated lines', () => {
  const amounts = fc.oneof(
    fc
      .tuple(
        fc.integer({ min: 1, max: 999 }),
        fc.constantFrom('g', ' g', ' ml', 'ml', ' kg', 'lb', ' cups', ' tbsp'),
      )
      .map(([n, unit]) => `${n}${unit}`),
    fc
      .tuple(fc.integer({ min: 1, max: 9 }), fc.constantFrom('½', ' 1/2', '¾'))
      .map(([n, part]) => `${n}${part} cups`),
    fc
      .tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 6, max: 9 }))
      .map(([a, b]) => `${a}-${b} lb`),
  );
  const foods = fc.constantFrom(...INGREDIENTS);
  const words = fc.constantFrom('', 'fresh ', 'ripe ', 'organic ', 'finely chopped ', '2 ', 'of ');
  const tails = fc.constantFrom(
    '',
    ', washed',
    ', peeled and cored',
    ' (optional)',
    ', or to taste',
    ' *',
  );

  test('an amount and a name are understood whatever stands around them', () => {
    fc.assert(
      fc.property(amounts, foods, tails, (amount, { id, name }, tail) => {
        const reading = readLine(`${amount} ${name[1]}${tail}`);
        expect([id, idOf(reading)]).toEqual([id, id]);
      }),
      { numRuns: 2000, seed: 13 },
    );
  });

  test('no line throws, gives no number or vanishes', () => {
    const anything = fc.oneof(
      fc.string({ maxLength: 120 }),
      fc
        .tuple(amounts, words, foods, tails, fc.string({ maxLength: 12 }))
        .map(([a, w, { name }, t, s]) => `${a} ${w}${name[0]}${s}${t}`),
      fc.stringMatching(/^[0-9/., ½a-z()&x-]{0,60}$/),
    );
    fc.assert(
      fc.property(anything, (text) => {
        const reading = readLine(text);
        expect(reading.text).toBe(text);
        for (const { mass_kg } of reading.parts) {
          if (!mass_kg) continue;
          expect(
            mass_kg.low <= mass_kg.mid && mass_kg.mid <= mass_kg.high && mass_kg.low >= 0,
          ).toBe(true);
        }
        if (!isUnderstood(reading)) expect(reading.problem?.message.length).toBeGreaterThan(10);
      }),
      { numRuns: 2000, seed: 13 },
    );
  });
});
