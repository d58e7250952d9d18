import { balance } from '../balance/index.js';
import { ingredientById } from '../produce/index.js';
import { documentOf, LIQUID, pot, POWDER, type Lines } from '../testing/formula.js';
import { usualAddWhen } from './add-when.js';
import type { FormulaDocument, Kind, Method, AddWhen } from './document.js';

// Orders of addition by school: common practice.
test.each([
  ['jam', 'long-boil', 'white-sugar', 'skins-soft'],
  ['jam', 'powdered-pectin', 'pectin-powder', 'before-sugar'],
  ['jam', 'powdered-pectin', 'white-sugar', 'full-boil'],
  ['jelly', 'liquid-pectin', 'white-sugar', 'start'],
  ['jelly', 'liquid-pectin', 'pectin-liquid', 'after-sugar'],
  ['jam', 'calcium-pectin', 'calcium-water', 'start'],
  ['jam', 'calcium-pectin', 'pectin-calcium', 'full-boil'],
  ['fruit-butter', 'no-gel', 'white-sugar', 'near-end'],
  ['curd', 'egg', 'butter', 'near-end'],
  ['jam', 'long-boil', 'vanilla', 'off-heat'],
] as const)('%s by %s: %s goes in at %s', (kind: Kind, method: Method, id, stage: AddWhen) => {
  const ingredient = ingredientById(id);
  expect(ingredient && usualAddWhen(kind, method, ingredient, kind !== 'jelly')).toBe(stage);
});

test('sugar goes into juice at once', () => {
  expect(
    usualAddWhen('jelly', 'long-boil', { id: 'white-sugar', category: 'sweetener' }, false),
  ).toBe('start');
});

describe('an order that mixes the schools is explained', () => {
  const codes = (
    lines: Lines,
    rest: Partial<FormulaDocument>,
    goesIn: Record<string, AddWhen>,
  ): string[] => {
    const document = documentOf(lines, rest);
    const moved = document.lines.map((line) => ({
      ...line,
      ...(goesIn[line.ingredient ?? ''] && { goesIn: goesIn[line.ingredient ?? ''] }),
    }));
    return balance(pot({ ...document, lines: moved }))?.warnings.map(({ code }) => code) ?? [];
  };
  const BOXED: Lines = [
    ['1.1 kg', 'sour-cherry', 'crushed'],
    ['1 box', 'pectin-powder'],
    ['1.25 kg', 'white-sugar'],
  ];
  const POUCHED: Lines = [
    ['1 kg', 'pear', 'crushed'],
    ['1.35 kg', 'white-sugar'],
    ['1 pouch', 'pectin-liquid'],
  ];
  test('sugar before powdered pectin', () => {
    expect(codes(BOXED, POWDER, {})).not.toContain('sugar-before-pectin');
    expect(codes(BOXED, POWDER, { 'white-sugar': 'start' })).toContain('sugar-before-pectin');
    expect(codes(BOXED, POWDER, { 'pectin-powder': 'near-end' })).toContain('sugar-before-pectin');
  });
  test('liquid pectin with the fruit', () => {
    expect(codes(POUCHED, LIQUID, { 'pectin-liquid': 'start' })).toContain('liquid-pectin-first');
    expect(codes(POUCHED, LIQUID, { 'pectin-liquid': 'off-heat' })).not.toContain(
      'liquid-pectin-first',
    );
  });
  test('sugar on hard skins', () => {
    const lines: Lines = [
      ['1 kg', 'damson'],
      ['900 g', 'white-sugar'],
    ];
    expect(codes(lines, {}, { 'white-sugar': 'start' })).toContain('sugar-before-soft');
  });
});
