import fc from 'fast-check';
import { balance } from '../balance/index.js';
import { assessKeeping } from '../keeping/index.js';
import { readFormula } from '../formula/index.js';
import { findJar } from '../jars/index.js';
import { parseAmount, unitById, writeAddition, writeAmount } from '../quantity/index.js';
import { BUTTER, CALCIUM, documentOf, pot, POWDER } from '../testing/formula.js';
import { edited } from './edit.js';
import { remedies } from './remedies.js';
import { scaleFormula, type ScaleResult } from './scale.js';

const HERE = { kitchen: { altitude_m: 300 } };
const jars = (document: Parameters<typeof pot>[0]): number =>
  balance(pot(document))?.jars.reduce((sum, { count }) => sum + count.mid, 0) ?? NaN;
const ok = (result: ScaleResult) => {
  if (!result.ok) throw new Error(result.message);
  return result;
};
const DAMSON = documentOf([
  ['2.4 kg', 'damson'],
  ['300 ml', 'water'],
  ['2.2 kg', 'white-sugar'],
  ['2 tbsp', 'lemon-juice-bottled'],
]);
const halfPint = findJar('half-pint');

describe('remedies', () => {
  const codes = (document: Parameters<typeof remedies>[0]): string[] =>
    remedies(document, HERE).map(({ code }) => code);

  test.each([
    ['pear', '1.6 kg', 5],
    ['apricot', '1.6 kg', 40],
    // Between the two published patterns of berries.
    ['blackberry', '1.4 kg', 5],
    ['cherry', '1.6 kg', 5],
  ])(
    '%s and %s of sugar without acid get the least bottled lemon that makes it keep, and no less does',
    (id, sugar, least_ml) => {
      const document = documentOf([
        ['2 kg', id],
        [sugar, 'white-sugar'],
      ]);
      const remedy = remedies(document, HERE)[0];
      expect(remedy).toMatchObject({
        code: 'acid-for-keeping',
        effect: expect.stringContaining('storage refrigerate → shelf') as string,
      });
      const after = edited(document, remedy?.change ?? []);
      expect(assessKeeping(pot(after)).verdict).toBe('shelf');
      const ml = Number(/([\d.]+) ml/.exec(after.lines.at(-1)?.amount as string)?.[1]);
      expect(ml).toBeGreaterThan(least_ml);
      const less = {
        ...after,
        lines: after.lines.map((line, i) =>
          i === after.lines.length - 1 ? { ...line, amount: `${ml * 0.85} ml` } : line,
        ),
      };
      expect(assessKeeping(pot(less)).verdict).toBe('fridge');
    },
  );

  test('a slow cooker takes more of a butter than a pan takes of a jam', () => {
    const plums = documentOf(
      [
        ['25 kg', 'plum'],
        ['4 kg', 'white-sugar'],
      ],
      BUTTER,
    );
    const factor = (document: typeof plums) =>
      ok(scaleFormula(document, { by: 'pot', pot_l: 6 }, HERE.kitchen)).factor;
    expect(
      factor(plums) /
        factor({ ...plums, kind: 'jam', method: 'long-boil', finish: { type: 'gel-temperature' } }),
    ).toBeCloseTo(2.4, 1);
  });

  test('every remedy offered does what it says', () => {
    const cases = [
      documentOf([
        ['2 kg', 'strawberry'],
        ['1.5 kg', 'white-sugar'],
      ]),
      documentOf([
        ['200 g', 'pear'],
        ['2 kg', 'white-sugar'],
      ]),
      documentOf(
        [
          ['4 cups', 'raspberry', 'crushed'],
          ['1 box', 'pectin-powder'],
          ['2 cups', 'white-sugar'],
        ],
        POWDER,
      ),
      documentOf(
        [
          ['4 cups', 'peach', 'crushed'],
          ['1 tsp', 'pectin-calcium'],
          ['1 cup', 'white-sugar'],
        ],
        CALCIUM,
      ),
      documentOf([
        ['2 kg', 'cherry'],
        ['1.5 kg', 'white-sugar'],
      ]),
    ];
    for (const document of cases) {
      const found = remedies(document, HERE);
      expect(found.length).toBeGreaterThan(0);
      for (const { change, text, effect } of found) {
        expect(text).toMatch(/^(Add|Make it|Boil|Fill|Keep|Set it) /);
        expect(effect.length).toBeGreaterThan(5);
        const { problems } = readFormula(edited(document, change), { altitude_m: 300 });
        expect(problems).toEqual([]);
      }
    }
  });

  test('sugar cut with powdered pectin gets sugar, a sweet pan water or less sugar, a quart pints', () => {
    expect(
      codes(
        documentOf(
          [
            ['4 cups', 'raspberry', 'crushed'],
            ['1 box', 'pectin-powder'],
            ['2 cups', 'white-sugar'],
          ],
          POWDER,
        ),
      ),
    ).toContain('sugar-for-set');
    const cut = documentOf(
      [
        ['1.1 kg', 'sour-cherry', 'crushed'],
        ['1 box', 'pectin-powder'],
        ['450 g', 'white-sugar'],
      ],
      POWDER,
    );
    const instead = remedies(cut, HERE).find(({ code }) => code === 'calcium-instead');
    const after = edited(cut, instead?.change ?? []);
    expect(after).toMatchObject({ method: 'calcium-pectin' });
    expect(after.lines.map(({ ingredient }) => ingredient)).toEqual([
      'sour-cherry',
      'white-sugar',
      'calcium-water',
      'pectin-calcium',
    ]);
    expect(balance(pot(after))?.set.verdict).toBe('good');
    expect(
      codes(
        documentOf([
          ['200 g', 'redcurrant'],
          ['2 kg', 'white-sugar'],
        ]),
      ),
    ).toContain('more-water');
    expect(codes({ ...DAMSON, jars: [{ size: 'quart' }] })).toContain('smaller-jars');
  });

  test('on the heat only additions are offered, said as what to pour in', () => {
    const document = documentOf([
      ['2 kg', 'pear'],
      ['1.6 kg', 'white-sugar'],
      ['2 tbsp', 'lemon-juice-bottled'],
    ]);
    expect(remedies(document, HERE)[0]?.change[0]).toMatchObject({ op: 'set', line: 2 });
    const onHeat = remedies(document, { ...HERE, onHeat: true });
    expect(onHeat[0]?.change[0]).toMatchObject({ op: 'add', ingredient: 'lemon-juice-bottled' });
    expect(onHeat.flatMap(({ change }) => change).every(({ op }) => op !== 'set')).toBe(true);
  });
  test('a formula with nothing wrong gets none, and a broken one none either', () => {
    expect(remedies(DAMSON, HERE)).toEqual([]);
    expect(remedies(documentOf([['2 cupz', 'damson']]), HERE)).toEqual([]);
  });
});

describe('scaling', () => {
  test('to jars: 12 half-pints within a tenth of a jar', () => {
    if (!halfPint) throw new Error('jar');
    for (const document of [
      DAMSON,
      documentOf(
        [
          ['5 cups', 'slip-skin-grape', 'juice'],
          ['1 box', 'pectin-powder'],
          ['7 cups', 'white-sugar'],
        ],
        { kind: 'jelly', ...POWDER },
      ),
    ]) {
      const { document: scaled } = ok(
        scaleFormula(document, { by: 'jars', count: 12, jar: halfPint }, HERE.kitchen),
      );
      // Amounts are rounded to what a kitchen measures.
      expect(Math.abs(jars(scaled) - 12)).toBeLessThan(0.25);
    }
  });
  test('to all of a line', () => {
    const { document, factor } = ok(
      scaleFormula(DAMSON, { by: 'line', line: 0, to: '3.1 kg' }, HERE.kitchen),
    );
    expect(document.lines[0]?.amount).toBe('3.1 kg');
    expect(factor).toBeCloseTo(3.1 / 2.4, 9);
    expect(document.lines[2]?.amount).toBe('2.84 kg');
  });
  test('to a pan: filled to a third', () => {
    const { document } = ok(scaleFormula(DAMSON, { by: 'pot', pot_l: 8 }, HERE.kitchen));
    const made = balance(pot(document));
    expect(made?.pot_l.least).toBeGreaterThan(7);
    expect(made?.pot_l.least).toBeLessThan(9);
  });
  test('added pectin is split into batches, not doubled', () => {
    const jam = documentOf(
      [
        ['5 cups', 'raspberry', 'crushed'],
        ['1 box', 'pectin-powder'],
        ['7 cups', 'white-sugar'],
      ],
      POWDER,
    );
    const { notes } = ok(scaleFormula(jam, { by: 'factor', factor: 3 }, HERE.kitchen));
    expect(notes.join()).toMatch(/in 3 equal batches/);
  });
  test('what cannot be scaled is named', () => {
    expect(scaleFormula(DAMSON, { by: 'line', line: 9, to: '1 kg' })).toMatchObject({
      ok: false,
      path: 'lines[9]',
    });
    expect(scaleFormula(DAMSON, { by: 'line', line: 0, to: '3 cupz' })).toMatchObject({
      ok: false,
      path: '--to',
    });
    expect(scaleFormula(DAMSON, { by: 'factor', factor: 5000 })).toMatchObject({ ok: false });
    expect(scaleFormula(documentOf([['x', 'damson']]), { by: 'factor', factor: 2 })).toMatchObject({
      ok: false,
      path: 'lines[0].amount',
    });
  });
  test('an attestation, a measured pH and a stated yield do not survive it', () => {
    const { document } = ok(
      scaleFormula(
        {
          ...DAMSON,
          statedYield: '9 half-pint',
          testedSource: { publisher: 'Somebody', year: 2015, unchanged: true },
        },
        { by: 'factor', factor: 2 },
        HERE.kitchen,
      ),
    );
    expect(document).not.toHaveProperty('testedSource');
    expect(document).not.toHaveProperty('statedYield');
  });
});

describe('amounts as a person writes them', () => {
  test.each([
    [0.333, 'cup', '1/3 cup'],
    [2.5, 'cup', '2 1/2 cups'],
    [7.0625, 'cup', '7 cups'],
    [0.07, 'cup', '1 tbsp 1/4 tsp'],
    [8.87, 'tbsp', '1/2 cup 1 tbsp'],
    [2.36, 'tsp', '2 3/8 tsp'],
    [1.8, 'tbsp', '1 tbsp 2 1/2 tsp'],
    [5.31, 'cup', '5 1/4 cups'],
    [0.55, 'cup', '1/2 cup 1 tbsp'],
    [1.35, 'kg', '1.35 kg'],
    [0.35, 'kg', '350 g'],
    [4.375, 'lb', '4 lb 6 oz'],
    [12, 'each', '12 each'],
    [300, 'ml', '300 ml'],
    [0.0625, 'tsp', '0.0625 tsp'],
  ] as const)('%f %s is "%s"', (value, unit, written) =>
    expect(writeAmount(value, unitById(unit))).toBe(written),
  );
  test('every amount written is read back within 3.5 %', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          'g',
          'kg',
          'oz',
          'lb',
          'ml',
          'l',
          'tsp',
          'tbsp',
          'cup',
          'pint',
          'quart',
          'each',
          'box',
        ),
        fc.double({ min: 0.13, max: 60, noNaN: true }),
        (id, value) => {
          const written = writeAmount(value, unitById(id));
          const read = parseAmount(written);
          if (!read.ok) throw new Error(`${written}: ${read.message}`);
          const ratio = (read.amount.value * read.amount.unit.si) / (value * unitById(id).si);
          expect([written, Math.abs(ratio - 1) < 0.07]).toEqual([written, true]);
        },
      ),
    );
  });
  test('additions are rounded up to what a spoon can do', () => {
    expect(writeAddition(28, 1.03, 'metric')).toBe('30 ml');
    expect(writeAddition(28, 1.03, 'us')).toBe('2 tbsp');
    expect(writeAddition(14, undefined, 'metric')).toBe('14 g');
    expect(writeAddition(251, 1.03, 'us')).toBe('1 1/8 cups');
  });
});
