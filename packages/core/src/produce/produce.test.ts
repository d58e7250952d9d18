import fc from 'fast-check';
import { parseAmount, unitById } from '../quantity/index.js';
import { compositionOf, knownForms, massOf } from './mass.js';
import { INGREDIENTS, ingredientById } from './find.js';

describe('the table', () => {
  test('ids are unique and kebab-case', () => {
    const ids = INGREDIENTS.map((i) => i.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) expect(id).toMatch(/^[a-z]+(-[a-z]+)*$/);
  });

  test.each(INGREDIENTS.map((i) => [i.id, i] as const))(
    '%s: ordered ranges, a source on every value, water left over',
    (_, i) => {
      const ranges = [
        i.solubleSolidsPercent,
        i.insolubleSolidsPercent,
        i.gramsEach,
        i.gramsPerBox,
        i.gramsPerPouch,
        i.wastePercent,
      ].filter((r) => r !== undefined);
      for (const r of ranges) {
        expect(r.low <= r.mid && r.mid <= r.high && r.low >= 0).toBe(true);
        expect(r.source.length).toBeGreaterThan(5);
      }
      expect(i.solubleSolidsPercent.mid + i.insolubleSolidsPercent.mid).toBeLessThanOrEqual(100);
      expect(knownForms(i)).toContain(i.usualForm);
    },
  );
});

// A pound of crushed berries is about 1.9-2 cups; a pound of granulated sugar about 2 1/4 cups
// (common practice).
test.each([
  ['1 lb', 'blackberry', 'crushed', 1.9, 2.05],
  ['1 lb', 'white-sugar', 'whole', 2.2, 2.3],
] as const)('%s of %s %s in cups', (_, id, form, least, most) => {
  const ingredient = ingredientById(id);
  if (!ingredient) throw new Error(id);
  const mass = massOf(
    { value: 1, unit: unitById('cup'), approximate: false, packed: false },
    ingredient,
    form,
  );
  const cups = 0.45359237 / (mass.ok ? mass.mass_kg.mid : NaN);
  expect(cups).toBeGreaterThan(least);
  expect(cups).toBeLessThan(most);
});

test('what cannot be measured that way is refused with a way that works', () => {
  const sugar = ingredientById('white-sugar');
  const reading = parseAmount('3 boxes');
  if (!sugar || !reading.ok) throw new Error('setup');
  expect(massOf(reading.amount, sugar, 'whole')).toMatchObject({
    ok: false,
    message: expect.stringContaining('400 g') as string,
  });
  expect(massOf(reading.amount, sugar, 'crushed')).toMatchObject({
    ok: false,
    message: expect.stringContaining('form "crushed"') as string,
  });
});

test('twice the amount is twice the mass, for every ingredient, form and unit that can be measured', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...INGREDIENTS),
      fc.constantFrom('g', 'cup', 'each', 'lb', 'pinch'),
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      (ingredient, unit, value) => {
        for (const form of knownForms(ingredient)) {
          const of = (v: number): number => {
            const mass = massOf(
              { value: v, unit: unitById(unit), approximate: false, packed: false },
              ingredient,
              form,
            );
            return mass.ok ? mass.mass_kg.mid : NaN;
          };
          const one = of(value);
          if (!Number.isNaN(one)) expect(of(2 * value) / one).toBeCloseTo(2, 9);
          const { soluble, insoluble } = compositionOf(ingredient, form);
          expect(soluble.mid + insoluble.mid).toBeLessThanOrEqual(1);
        }
      },
    ),
  );
});
