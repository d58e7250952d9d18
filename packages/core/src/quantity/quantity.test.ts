import fc from 'fast-check';
import { figures, formatMass, formatVolume, kitchenFraction } from './format.js';
import { nearest } from './nearest.js';
import { parseAmount, readAmount } from './parse.js';
import { parseMeasure } from './measure.js';
import { UNITS, unitById } from './units.js';

const amount = (text: string, decimal?: '.' | ','): [number, string] => {
  const reading = parseAmount(text, decimal);
  if (!reading.ok) throw new Error(reading.message);
  return [reading.amount.value, reading.amount.unit.id];
};

// Every form the formula document allows.
test.each<[string, number, string]>([
  ['2 1/2 cups', 2.5, 'cup'],
  ['1½ c', 1.5, 'cup'],
  ['1 ½ c.', 1.5, 'cup'],
  ['5/8 cup', 0.625, 'cup'],
  ['⅝ cup', 0.625, 'cup'],
  ['4 lb', 4, 'lb'],
  ['4 lb 6 oz', 4.375, 'lb'],
  ['4 pounds and 6 ounces', 4.375, 'lb'],
  ['55 g', 55, 'g'],
  ['55g', 55, 'g'],
  ['3 Tbsp', 3, 'tbsp'],
  ['3 T', 3, 'tbsp'],
  ['3 t', 3, 'tsp'],
  ['11 each', 11, 'each'],
  ['about 11 medium', 11, 'each'],
  ['1 box', 1, 'box'],
  ['1 pouch', 1, 'pouch'],
  ['half a lemon', 0.5, 'each'],
  ['1 pinch', 1, 'pinch'],
  ['a dash', 1, 'dash'],
  ['1 cup packed', 1, 'cup'],
  ['1 1/2 pecks', 1.5, 'peck'],
  ['2 quarts', 2, 'quart'],
  ['2 fl oz', 2, 'fl-oz'],
  ['2 fl. oz.', 2, 'fl-oz'],
  ['3 imperial pints', 3, 'imperial-pint'],
  ['1 metric cup', 1, 'metric-cup'],
  ['.5 l', 0.5, 'l'],
  ['1,200 g', 1200, 'g'],
  ['1 200 g', 1200, 'g'],
  ['1.25 kg', 1.25, 'kg'],
  ['1-1/2 cups', 1.5, 'cup'],
  ['half a cup', 0.5, 'cup'],
  ['a quarter of a cup', 0.25, 'cup'],
  ['1kg', 1, 'kg'],
  ['2lb 4oz', 2.25, 'lb'],
  ['3-4 cups', 3.5, 'cup'],
  ['2 to 3 lb', 2.5, 'lb'],
  ['1 - 1 1/2 kg', 1.25, 'kg'],
  ['500g-600g', 550, 'g'],
  ['between 2 and 3 kg', 2.5, 'kg'],
  ['one and a half cups', 1.5, 'cup'],
  ['1 & 1/2 cups', 1.5, 'cup'],
  ['a pound and a half', 1.5, 'lb'],
  ['half a dozen', 6, 'each'],
  ['twenty-four', 24, 'each'],
  ['1 cup plus 2 tbsp', 1.125, 'cup'],
  ['3 cups less 2 tablespoons', 2.875, 'cup'],
  ['2 (3-oz) pouches', 6, 'oz'],
  ['2 12-oz bags', 24, 'oz'],
  ['1 can (15 oz)', 15, 'oz'],
  ['3 x 340 g jars', 1020, 'g'],
  ['1 (49 or 57 g) package', 53, 'g'],
  ['1kg/2lb 4oz', 1, 'kg'],
  ['1 cup (8 fl oz, 240 ml)', 240, 'ml'],
  ['4 cups (800 g)', 800, 'g'],
  ['heaped tbsp', 1.5, 'tbsp'],
  ['just under 1 kg', 0.98, 'kg'],
  ['1.000 g', 1000, 'g'],
  ['5OO g', 500, 'g'],
  ['l cup', 1, 'cup'],
  ['2 tablespons', 2, 'tbsp'],
  ['3#', 3, 'lb'],
  ['4 sprigs', 4, 'sprig'],
  ['1 EL', 1, 'metric-tbsp'],
  ['2 dessertspoons', 2, 'dessertspoon'],
  ['3⁄4 cup', 0.75, 'cup'],
])('reads %s', (text, value, unit) => {
  const [v, u] = amount(text);
  expect(v).toBeCloseTo(value, 9);
  expect(u).toBe(unit);
});

test('the decimal mark of the document decides what 1,200 means', () => {
  expect(amount('1,2 kg', ',')).toEqual([1.2, 'kg']);
  expect(amount('1,200 kg', ',')).toEqual([1.2, 'kg']);
  expect(amount('1.200 g', ',')).toEqual([1200, 'g']);
  expect(amount('1,2 kg', '.')).toEqual([1.2, 'kg']); // can only be a decimal
});

test('the quick way for a plain amount says what the grammar says', () => {
  for (const unit of UNITS.filter(({ kind }) => kind !== 'piece'))
    for (const number of ['2', '2.4', '1 1/2', '3/4']) {
      const plain = readAmount(`${number} ${unit.id}`);
      // With words after it the whole grammar is gone through.
      const whole = readAmount(`${number} ${unit.id} of plums`);
      expect(plain.ok && plain.amount).toEqual(whole.ok && whole.amount);
    }
});

test('a range keeps its ends', () => {
  expect(readAmount('3-4 cups blueberries')).toMatchObject({
    amount: { value: 3.5, between: [3, 4] },
    rest: 'blueberries',
  });
  expect(readAmount('4 or 5 lemons')).toMatchObject({ amount: { between: [4, 5] } });
});

test('the same amount in another measure is kept beside it, and never added', () => {
  expect(readAmount('¾ pint (425ml) water')).toMatchObject({
    amount: { value: 425, unit: { id: 'ml' } },
    others: [{ written: '¾ pint' }],
    rest: 'water',
  });
  expect(readAmount('3 lb plums')).toMatchObject({ others: [] });
});

// UK Units of Measurement Regulations 1995: a pint is 568.26125 ml. A British tablespoon of 15 ml and an
// Australian one of 20 are common practice.
test.each([
  ['1 pint', 'uk', 568.26125],
  ['1 pint', 'us', 473.176473],
  ['1 tbsp', 'uk', 15],
  ['1 tbsp', 'australian', 20],
  ['1 cup', 'metric', 250],
  ['1 US pint', 'uk', 473.176473],
  ['1 imperial pint', 'us', 568.26125],
] as const)('%s is %s measure', (text, measures, ml) => {
  const reading = parseAmount(text, { measures });
  const { amount } = reading as typeof reading & { ok: true };
  expect(amount.value * amount.unit.si).toBeCloseTo(ml, 5);
});

test('what follows an amount is handed back', () => {
  expect(readAmount('2.4 kg damsons, pitted')).toMatchObject({ ok: true, rest: 'damsons, pitted' });
  expect(readAmount('2 cups of redcurrants')).toMatchObject({ ok: true, rest: 'redcurrants' });
  expect(readAmount('3 quinces')).toMatchObject({
    ok: true,
    rest: 'quinces',
    amount: { value: 3 },
  });
  expect(readAmount('1 cup packed brown sugar')).toMatchObject({
    ok: true,
    rest: 'brown sugar',
    amount: { packed: true },
  });
});

test.each([
  ['2 cupz', /unknown unit "cupz"; did you mean "cups"\?/],
  ['-1 kg', /below zero/],
  ['0 g', /more than zero/],
  ['plenty', /does not begin with a number/],
  ['', /no amount/],
  ['1/0 cup', /does not begin with a number|nothing/],
  ['1 or 6 tbsp', /choice of two amounts/],
  ['2 kg damsons', /"damsons" after the unit/],
  ['1.2.3 kg', /./],
])('refuses %s and says why', (text, message) => {
  const reading = parseAmount(text);
  expect(reading.ok).toBe(false);
  expect(!reading.ok && reading.message).toMatch(message);
});

describe('properties', () => {
  const units = fc.constantFrom(...UNITS.filter((unit) => unit.name[1] !== ''));

  test('every unit reads back in every spelling, singular, plural and alias', () => {
    fc.assert(
      fc.property(units, fc.integer({ min: 1, max: 99 }), (unit, n) => {
        for (const spelling of [unit.id, ...unit.name, ...unit.aliases])
          expect(amount(`${n} ${spelling}`)).toEqual([n, unit.id]);
      }),
    );
  });

  test('mixed fractions are exact however they are spaced', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 15 }),
        fc.integer({ min: 2, max: 16 }),
        fc.constantFrom(' ', '  ', '-'),
        (whole, top, bottom, gap) => {
          expect(amount(`${whole}${gap}${top}/${bottom} lb`)[0]).toBeCloseTo(
            whole + top / bottom,
            12,
          );
        },
      ),
    );
  });

  test('never throws and never yields NaN, zero or less, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string({ maxLength: 30 }), fc.stringMatching(/^[0-9/., ½a-z-]{0,16}$/)),
        (text) => {
          const reading = readAmount(text);
          if (reading.ok)
            expect(reading.amount.value > 0 && Number.isFinite(reading.amount.value)).toBe(true);
          else expect(reading.message.length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 2000 },
    );
  });

  test('both directions: what is shown reads back to within the rounding of the kitchen', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 60, noNaN: true }),
        fc.constantFrom('metric' as const, 'us' as const),
        (kg, system) => {
          const [value, unit] = amount(formatMass(kg, system));
          expect(Math.abs(value * unitById(unit).si - kg)).toBeLessThan(
            Math.max(0.008 * kg, system === 'us' ? 0.015 : 0.0006),
          );
        },
      ),
    );
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 9000, noNaN: true }),
        fc.constantFrom('metric' as const, 'us' as const),
        (ml, system) => {
          const [value, unit] = amount(formatVolume(ml, system));
          expect(Math.abs(value * unitById(unit).si - ml)).toBeLessThan(Math.max(0.065 * ml, 0.7));
        },
      ),
    );
  });
});

test('amounts are shown as a kitchen measures them', () => {
  expect(formatMass(2.4, 'metric')).toBe('2.40 kg');
  expect(formatMass(2.4, 'us')).toBe('5 lb 5 oz');
  expect(formatMass(0.031, 'metric')).toBe('31 g');
  expect(formatVolume(80, 'us')).toBe('⅓ cup');
  expect(formatVolume(300, 'us')).toBe('1¼ cups');
  expect(formatVolume(68, 'us')).toBe('4⅝ tbsp');
  expect(kitchenFraction(0.333)).toBe('⅓');
  expect(figures(0.0012345, 2)).toBe('0.0012');
});

test('measures read with their unit, or say what would be right', () => {
  const value = (reading: ReturnType<typeof parseMeasure>): number =>
    reading.ok ? reading.value : NaN;
  expect(value(parseMeasure('length', '5,280 ft'))).toBeCloseTo(1609.34, 1);
  expect(value(parseMeasure('length', '1180', '.', 'm'))).toBe(1180);
  expect(value(parseMeasure('temperature', '201.5 °F'))).toBeCloseTo(94.17, 2);
  expect(value(parseMeasure('pressure', '842 hPa'))).toBeCloseTo(84.2, 9);
  expect(value(parseMeasure('rise', '8 F'))).toBeCloseTo(4.444, 3);
  expect(value(parseMeasure('length', '-12 m'))).toBe(-12);
  expect(parseMeasure('length', 'high up')).toMatchObject({
    ok: false,
    message: expect.stringContaining('1180 m') as string,
  });
  expect(parseMeasure('temperature', '96')).toMatchObject({
    ok: false,
    message: expect.stringContaining('no unit') as string,
  });
});

test('nearest words are close ones, and nonsense has none', () => {
  expect(nearest('blackcurant', ['blackcurrant', 'redcurrant', 'pear'])).toContain('blackcurrant');
  expect(nearest('zzzzqq', ['blackcurrant', 'pear'])).toEqual([]);
});
