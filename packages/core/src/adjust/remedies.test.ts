import type { FormulaDocument } from '../formula/index.js';
import { documentOf, POWDER, type Lines } from '../testing/formula.js';
import { remedies } from './remedies.js';

// Common practice: a box wants about 5 cups of crushed fruit, and a second one is never the answer.
describe('what one rule offers no other warns of', () => {
  const codes = (lines: Lines, rest: Partial<FormulaDocument> = {}): string[] =>
    remedies(documentOf(lines, rest), { kitchen: { altitude_m: 300 } }).map(({ code }) => code);

  test('too much fruit for a box: less of it, and no second box', () => {
    const found = remedies(
      documentOf(
        [
          ['8 cups', 'strawberry', 'crushed'],
          ['1 box', 'pectin-powder'],
          ['7 1/2 cups', 'white-sugar'],
        ],
        POWDER,
      ),
      { kitchen: { altitude_m: 300 } },
    );
    const less = found.find(({ code }) => code === 'less-fruit');
    expect(less?.text).toMatch(/^Use 5 cups? strawberries: .*about 5 cups/);
    expect(found.map(({ code }) => code)).not.toContain('pectin-for-set');
  });

  test('strawberries get lemon before they get apples', () => {
    const found = codes([
      ['1 kg', 'strawberry'],
      ['900 g', 'white-sugar'],
    ]);
    expect(found).toContain('acid-for-set');
    if (found.includes('pectin-partner'))
      expect(found.indexOf('acid-for-set')).toBeLessThan(found.indexOf('pectin-partner'));
  });
});
