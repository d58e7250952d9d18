import { BUTTER, documentOf, LIQUID, pot, POWDER, type Lines } from '../testing/formula.js';
import type { FormulaDocument } from '../formula/index.js';
import { balance, type Balance } from './balance.js';

const made = (lines: Lines, rest: Partial<FormulaDocument> = {}): Balance => {
  const result = balance(pot(documentOf(lines, rest)));
  if (!result) throw new Error('nothing in the pan');
  return result;
};
const met = (result: Balance): Record<string, boolean> =>
  Object.fromEntries(result.standards.map(({ id, met: is }) => [id, is]));
const codes = (result: Balance): string[] => result.warnings.map(({ code }) => code);

/**
 * US 21 CFR 150.140/150.160/150.110 and EU directive 2001/113/EC as amended in 2024, both from
 * memory.
 */
describe('composition standards', () => {
  test('damsons 45 : 55 at 66 % is a US jam; the same with a third of the fruit is not', () => {
    const to66 = { finish: { type: 'soluble-solids', percent: 66 } } as const;
    expect(
      met(
        made(
          [
            ['0.9 kg', 'damson'],
            ['1.1 kg', 'white-sugar'],
            ['300 ml', 'water'],
          ],
          to66,
        ),
      ),
    ).toMatchObject({ 'us-jam': true, 'eu-jam': true });
    expect(
      met(
        made(
          [
            ['0.35 kg', 'damson'],
            ['1.1 kg', 'white-sugar'],
            ['300 ml', 'water'],
          ],
          to66,
        ),
      ),
    ).toMatchObject({ 'us-jam': false, 'eu-jam': false });
  });
  test('an apricot needs 47 parts where a damson needs 45', () => {
    const of = (fruit: string): Balance =>
      made(
        [
          ['0.92 kg', fruit],
          ['1.1 kg', 'white-sugar'],
          ['300 ml', 'water'],
        ],
        { finish: { type: 'soluble-solids', percent: 66 } },
      );
    expect(met(of('damson'))['us-jam']).toBe(true);
    expect(met(of('apricot'))['us-jam']).toBe(false);
  });
  test('62 % is a jam in the EU and not in the US', () =>
    expect(
      met(
        made(
          [
            ['1.2 kg', 'raspberry'],
            ['1 kg', 'white-sugar'],
          ],
          { finish: { type: 'soluble-solids', percent: 62 } },
        ),
      ),
    ).toMatchObject({ 'us-jam': false, 'eu-jam': true, 'eu-extra-jam': true }));
  test('a marmalade counts its citrus, not its apples', () => {
    const of = (citrus: string, apple: string): Balance =>
      made(
        [
          [citrus, 'bitter-orange', 'sliced'],
          [apple, 'tart-apple'],
          ['1.5 kg', 'white-sugar'],
          ['1 l', 'water'],
        ],
        { kind: 'marmalade' },
      );
    expect(met(of('700 g', '100 g'))).toEqual({ 'eu-marmalade': true });
    expect(met(of('150 g', '650 g'))).toEqual({ 'eu-marmalade': false });
  });
  test('a butter by name has 43 % solids and five of fruit to two of sugar', () => {
    const at = (percent: number, sugar: string): Balance =>
      made(
        [
          ['2 kg', 'quince', 'puree'],
          [sugar, 'white-sugar'],
        ],
        { ...BUTTER, finish: { type: 'consistency', percent } },
      );
    expect(met(at(45, '700 g'))).toEqual({ 'us-fruit-butter': true });
    expect(met(at(35, '700 g'))).toEqual({ 'us-fruit-butter': false });
    expect(met(at(50, '1200 g'))).toEqual({ 'us-fruit-butter': false });
  });
  test('a curd and a syrup have none, and each check names its source', () => {
    expect(
      made(
        [
          ['1 kg', 'blackcurrant', 'juice'],
          ['700 g', 'white-sugar'],
        ],
        { kind: 'syrup', method: 'no-gel', finish: { type: 'soluble-solids', percent: 50 } },
      ).standards,
    ).toEqual([]);
    for (const { source, text } of made([
      ['1 kg', 'plum'],
      ['1 kg', 'white-sugar'],
    ]).standards) {
      expect(source).toMatch(/from memory/);
      expect(text).toMatch(/\d/);
    }
  });
});

describe('mixed schools are named, and computed all the same', () => {
  const BOX: Lines = [
    ['5 cups', 'blackcurrant', 'crushed'],
    ['1 box', 'pectin-powder'],
    ['7 cups', 'white-sugar'],
  ];
  test('a box with its sugar is left alone', () => expect(codes(made(BOX, POWDER))).toEqual([]));
  test.each<[string, string, Lines, Partial<FormulaDocument>]>([
    [
      'sugar cut with powdered pectin',
      'sugar-cut',
      [
        ['5 cups', 'blackcurrant', 'crushed'],
        ['1 box', 'pectin-powder'],
        ['2 cups', 'white-sugar'],
      ],
      POWDER,
    ],
    [
      'two boxes at once',
      'batch-doubled',
      [
        ['10 cups', 'blackcurrant', 'crushed'],
        ['2 box', 'pectin-powder'],
        ['14 cups', 'white-sugar'],
      ],
      POWDER,
    ],
    [
      'five pouches at once',
      'batch-doubled',
      [
        ['4 l', 'redcurrant', 'juice'],
        ['5 pouch', 'pectin-liquid'],
        ['7 kg', 'white-sugar'],
      ],
      LIQUID,
    ],
    [
      'pectin in a long boil',
      'pectin-in-long-boil',
      [
        ['2 kg', 'raspberry'],
        ['2 tbsp', 'pectin-powder'],
        ['1.8 kg', 'white-sugar'],
      ],
      {},
    ],
    [
      'calcium pectin without any',
      'no-calcium-pectin',
      [
        ['2 kg', 'raspberry'],
        ['400 g', 'white-sugar'],
      ],
      { method: 'calcium-pectin', finish: { type: 'hard-boil', minutes: 2 } },
    ],
    [
      'jam sugar without any',
      'no-jam-sugar',
      [
        ['2 kg', 'raspberry'],
        ['1 kg', 'white-sugar'],
      ],
      { method: 'jam-sugar', finish: { type: 'hard-boil', minutes: 4 } },
    ],
    [
      'sucralose with ordinary pectin',
      'sweet-without-solids',
      [
        ['5 cups', 'raspberry', 'crushed'],
        ['1 box', 'pectin-powder'],
        ['20 g', 'sucralose'],
      ],
      POWDER,
    ],
    [
      'powdered pectin to a gel temperature',
      'unusual-finish',
      BOX,
      { ...POWDER, finish: { type: 'gel-temperature' } },
    ],
  ])('%s', (_, code, lines, rest) => expect(codes(made(lines, rest))).toContain(code));
});

describe('what may go wrong in the jar', () => {
  test('sweet fruit, little acid and a far stop: grains', () =>
    expect(
      codes(
        made(
          [
            ['1 kg', 'pear'],
            ['1.2 kg', 'white-sugar'],
            ['400 ml', 'water'],
          ],
          { finish: { type: 'soluble-solids', percent: 73 } },
        ),
      ),
    ).toContain('may-crystallise'));
  test('very sharp and firm: weeping', () =>
    expect(
      codes(
        made(
          [
            ['2 kg', 'redcurrant', 'juice'],
            ['1.7 kg', 'white-sugar'],
            ['1 box', 'pectin-powder'],
            ['30 g', 'citric-acid'],
          ],
          { kind: 'jelly' },
        ),
      ),
    ).toContain('may-weep'));
  test('an ordinary damson jam: neither', () =>
    expect(
      codes(
        made([
          ['2.4 kg', 'damson'],
          ['2 kg', 'white-sugar'],
          ['300 ml', 'water'],
        ]),
      ).filter((code) => code.startsWith('may-')),
    ).toEqual([]));
});

describe('claims are audited with the arithmetic', () => {
  const damson = [
    ['2 kg', 'damson'],
    ['2 kg', 'white-sugar'],
  ] as const satisfies Lines;
  const claimed = (statedYield: string, lines: Lines = damson): string[] =>
    made(lines, { statedYield })
      .warnings.filter(({ code }) => code.startsWith('stated'))
      .map(({ code, text }) => `${code}: ${text}`);
  test('too few for the sugar alone', () =>
    expect(claimed('5 half-pint')).toEqual([
      expect.stringMatching(
        /^stated-yield-impossible: the recipe says 5 half-pints; the 2\.\d+ kg of sugar and fruit solids in it fill \d+\.\d even when boiled to toffee/,
      ),
    ]));
  test('more than goes in', () =>
    expect(claimed('30 half-pint')).toEqual([
      expect.stringMatching(
        /^stated-yield-impossible: .* all 4\.00 kg that goes in would fill \d+\.\d with nothing boiled away/,
      ),
    ]));
  test('possible but unlikely', () =>
    expect(
      claimed('16 half-pint', [
        ['4 kg', 'raspberry'],
        ['1.5 kg', 'white-sugar'],
      ]),
    ).toEqual([expect.stringMatching(/^stated-yield-unlikely: .* \d+\.\d to \d+\.\d is likely/)]));
  test('likely', () => expect(claimed('11 half-pint')).toEqual([]));
  test('pounds and cups that disagree, and ones that agree', () => {
    const also = (alsoStated: string): string[] =>
      codes(
        made([], {
          lines: [
            { ingredient: 'blackberry', form: 'crushed', amount: '2 lb', alsoStated },
            { ingredient: 'white-sugar', amount: '2 lb' },
          ],
        }),
      );
    expect(also('4 cups')).toEqual([]);
    expect(also('9 cups')).toEqual(['stated-amounts-disagree']);
  });
});
