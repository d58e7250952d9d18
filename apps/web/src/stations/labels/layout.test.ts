import fc from 'fast-check';
import { LABEL_SHEETS, type LabelContent } from '@idle-kettle/core';
import {
  DESIGNS,
  layOutLabel,
  PT_PER_MM,
  wrap,
  type LabelLayout,
  type LabelWords,
  type Measure,
} from './layout.js';

/**
 * Letters of half their height, a bold a little wider: near enough to a real face to lay lines out.
 */
const measure: Measure = (text, size, face) => text.length * size * (face === 'text' ? 0.5 : 0.55);
const CONTENT: LabelContent = {
  lot: '260912-5B0',
  madeOn: '2026-09-12',
  bestBefore: '2027-09-12',
  storage: 'Keep cool, dark and dry.',
  opened: 'Once opened, in the fridge.',
  net_g: 345,
  fruitPer100_g: 74,
  sugarPer100_g: 63,
  ingredients: [
    { name: 'damsons', allergen: false },
    { name: 'white sugar', allergen: false },
    { name: 'butter', allergen: true },
  ],
  allergens: ['milk'],
  warnings: [],
};
const words = (change: Partial<LabelWords> = {}): LabelWords => ({
  title: 'Damson jam',
  dates: 'Made 12 Sep 2026 · best before 12 Sep 2027 · lot 260912-5B0',
  net: 'Net about 345 g (12.2 oz)',
  content: CONTENT,
  withIngredients: true,
  withCode: true,
  ...change,
});
const said = (layout: LabelLayout | undefined): string =>
  layout?.texts.map(({ text }) => text).join(' ') ?? '';

describe.each(LABEL_SHEETS.map((sheet) => [sheet.id, sheet] as const))('%s', (_, sheet) => {
  test.each(DESIGNS)(
    '%s: every text and the code lie inside, clear of each other, with what is needed',
    (design) => {
      const titles = fc
        .array(fc.string({ minLength: 1, maxLength: 14 }), { minLength: 1, maxLength: 8 })
        .map((each) => each.join(' '));
      fc.assert(
        fc.property(titles, fc.boolean(), fc.boolean(), (title, withIngredients, withCode) => {
          const layout = layOutLabel(
            words({ title, withIngredients, withCode }),
            sheet.cell,
            design,
            measure,
          );
          if (!layout) throw new Error('no room');
          const [width, height] = [sheet.cell.width * PT_PER_MM, sheet.cell.height * PT_PER_MM];
          const right = layout.code ? layout.code.x : width;
          for (const { text, x, y, size, face } of layout.texts) {
            expect(x).toBeGreaterThan(0);
            expect(x + measure(text, size, face)).toBeLessThanOrEqual(right + 1e-6);
            expect(y - size).toBeGreaterThanOrEqual(0);
            expect(y + size * 0.25).toBeLessThanOrEqual(height);
            expect(size).toBeGreaterThanOrEqual(5.5);
          }
          const rows = layout.texts.map(({ y }) => y);
          expect(rows).toEqual([...rows].sort((a, b) => a - b));
          if (layout.code) expect(layout.code.y + layout.code.height).toBeLessThanOrEqual(height);
          for (const needed of ['lot 260912-5B0', 'Net about 345 g', 'cool, dark and dry'])
            expect(said(layout)).toContain(needed);
        }),
        { numRuns: 20 },
      );
    },
  );
});

test('what has no room is left off from the end, and said', () => {
  const small = layOutLabel(words(), { width: 62, height: 29 }, 'band', measure);
  expect(small?.dropped).toContain('licence');
  const large = layOutLabel(words(), { width: 99.1, height: 67.7 }, 'band', measure);
  expect(large?.dropped).toEqual([]);
  expect(said(large)).toContain('Ingredients: damsons, white sugar, BUTTER.');
  expect(layOutLabel(words(), { width: 25, height: 12 }, 'plain', measure)).toBeUndefined();
});

test('a larger label is printed larger', () => {
  const size = (width: number, height: number): number =>
    layOutLabel(words(), { width, height }, 'plain', measure)?.texts[0]?.size ?? 0;
  expect(size(99.1, 67.7)).toBeGreaterThan(size(63.5, 38.1));
});

test('lines are broken at spaces; one word that is too long is cut with an ellipsis', () => {
  const width = (text: string): number => text.length;
  expect(wrap('damson and quince jam', 10, width)).toEqual(['damson and', 'quince jam']);
  expect(wrap('unterkirchnerhof', 8, width)).toEqual(['unterki…']);
  expect(wrap('  ', 8, width)).toEqual([]);
  expect(wrap('made 12\u00a0Sep\u00a02026', 12, width)).toEqual(['made', '12 Sep 2026']);
});

test('a label too small for its allergens refuses; none is left off', () => {
  const many = ['egg', 'milk', 'nuts', 'sulphites'];
  const label = words({
    content: { ...CONTENT, allergens: many },
    withIngredients: false,
    withCode: false,
  });
  const [least] = [...LABEL_SHEETS].sort(
    (a, b) => a.cell.width * a.cell.height - b.cell.width * b.cell.height,
  );
  for (const sheet of LABEL_SHEETS) {
    const layout = layOutLabel(label, sheet.cell, 'plain', measure);
    if (layout) expect(said(layout)).toContain('Contains EGG, MILK, NUTS, SULPHITES.');
  }
  expect(
    layOutLabel(label, { width: (least?.cell.width ?? 0) / 2, height: 12 }, 'plain', measure),
  ).toBeUndefined();
});
