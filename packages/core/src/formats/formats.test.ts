import fc from 'fast-check';
import { balance } from '../balance/index.js';
import { assessKeeping } from '../keeping/index.js';
import { readFormula } from '../formula/index.js';
import { documentOf } from '../testing/formula.js';
import { auditImport } from './audit.js';
import { importFormula, type Imported } from './import.js';
import { ingredientTexts, toJsonLd } from './json-ld.js';
import { toMarkdown } from './markdown.js';

const ok = (text: string): Imported & { ok: true } => {
  const imported = importFormula(text);
  if (!imported.ok) throw new Error(imported.message);
  return imported;
};
const told = (text: string): [string, string][] =>
  ok(text).document.lines.map(({ amount, ingredient, name }) => [
    String(amount as string),
    ingredient ?? name ?? '',
  ]);

const CARD = `Blackcurrant jam from the allotment

Ingredients:
- 4 cups blackcurrants, crushed
- 1 kg (about 5 cups) sugar
• 2 tbsp bottled lemon juice
half a lemon

Method
1. Simmer the fruit for 10 minutes until the skins are soft.
2. Add the sugar and boil to the gel point.
3. Process 5 minutes in a boiling-water canner.
Makes about 6 half-pints.`;

describe('a recipe as people paste it', () => {
  test('title, lines, steps, yield and process are told apart', () => {
    const { document, lines, statedMinutes, from } = ok(CARD);
    expect(from).toBe('text');
    expect(document).toMatchObject({
      title: 'Blackcurrant jam from the allotment',
      kind: 'jam',
      method: 'long-boil',
      finish: { type: 'gel-temperature' },
      statedYield: '6 half-pint',
      jars: [{ size: 'half-pint' }],
    });
    expect(told(CARD)).toEqual(
      [
        ['4 cups', 'blackcurrant'],
        ['1 kg', 'white-sugar'],
        ['2 tbsp', 'lemon-juice-bottled'],
        ['half a', 'lemon'],
      ].map(([amount, id], i) => [
        i === 3 ? (expect.stringMatching(/^half/) as string) : amount,
        id,
      ]),
    );
    expect(document.lines[0]?.form).toBe('crushed');
    expect(document.lines[1]?.alsoStated).toBe('about 5 cups');
    expect(lines.every(({ problem }) => problem === undefined)).toBe(true);
    expect(document.steps).toHaveLength(3);
    expect(statedMinutes).toBe(5);
    expect(document).not.toHaveProperty('processMinutes');
  });

  test.each([
    [
      'Redcurrant jelly',
      '4 cups redcurrant juice\n1 pouch liquid pectin\n7 cups sugar',
      'jelly',
      'liquid-pectin',
    ],
    [
      'Peach jam',
      '4 cups crushed peaches\n1 box powdered pectin\n5 cups sugar',
      'jam',
      'powdered-pectin',
    ],
    ['Quince butter', '2 kg quince puree\n600 g sugar', 'fruit-butter', 'no-gel'],
    [
      'Rosemary wine jelly',
      '2 cups wine\n3 cups sugar\n1 pouch liquid pectin',
      'savoury-jelly',
      'liquid-pectin',
    ],
    [
      'Passion fruit curd',
      '180 g passion fruit puree\n3 eggs\n230 g sugar\n120 g butter',
      'curd',
      'egg',
    ],
    ['Bitter orange marmalade', '1 kg bitter oranges\n2 kg sugar', 'marmalade', 'long-boil'],
  ])('%s: kind and method are seen', (title, lines, kind, method) =>
    expect(ok(`${title}\n${lines}`).document).toMatchObject({ kind, method }),
  );

  test.each([
    ['1', '1 lemon'],
    ['1 each', '1 lemon'],
    ['half a lemon', 'half a lemon'],
    ['half a', 'half a lemon'],
    ['11 each', '11 lemons'],
    ['about 3 medium', 'about 3 medium lemons'],
    ['400 g', '400 g lemons'],
  ])('a count says whether it is one or many: %s', (amount, text) => {
    const { document } = ok(CARD);
    const lemons = {
      ...document,
      lines: [{ amount, ingredient: 'lemon' }, ...document.lines.slice(0, 3)],
    };
    expect(ingredientTexts(lemons)[0]).toBe(text);
    expect(ok(JSON.stringify(toJsonLd(lemons))).document.lines[0]?.ingredient).toBe('lemon');
  });

  test('what is not understood stays as written, with why', () => {
    const { lines, document } = ok('Odd jam\n2 kg plums\n3 cups of moonberries');
    expect(lines[2]?.problem).toMatch(/moonberries/);
    expect(document.lines[1]).toMatchObject({ amount: '3 cups', ingredient: 'moonberries' });
  });
});

describe('schema.org Recipe', () => {
  const recipe = {
    '@context': 'https://schema.org',
    '@graph': [
      { '@type': 'WebPage' },
      {
        '@type': ['Recipe'],
        name: 'Damson <b>jam</b>',
        recipeYield: ['8', '8 half-pints'],
        recipeIngredient: ['2.4 kg damsons', '2.2 kg sugar'],
        recipeInstructions: [
          { '@type': 'HowToSection', itemListElement: [{ '@type': 'HowToStep', text: 'Simmer.' }] },
          'Boil.',
        ],
      },
    ],
  };
  test('as JSON, and within a page of HTML', () => {
    for (const text of [
      JSON.stringify(recipe),
      `<html><script>alert(1)</script><script type="application/ld+json">${JSON.stringify(recipe)}</script><p>3 kg lies</p></html>`,
    ]) {
      const { document, from } = ok(text);
      expect(from).toBe('json-ld');
      expect(document).toMatchObject({
        title: 'Damson jam',
        statedYield: '8 half-pint',
        steps: ['Simmer.', 'Boil.'],
      });
      expect(document.lines).toHaveLength(2);
    }
  });
  test('what we write is read back: the same lines', () => {
    const document = documentOf([
      ['2.4 kg', 'damson'],
      ['2.2 kg', 'white-sugar'],
      ['2 tbsp', 'lemon-juice-bottled'],
      ['4 cups', 'blackcurrant', 'crushed'],
    ]);
    const back = ok(JSON.stringify(toJsonLd(document, '8 half-pints')));
    const solids = (of: typeof document): number | undefined =>
      balance(readFormula(of, {}).formula)?.solubleSolids_kg.mid;
    expect(solids(back.document)).toBeCloseTo(solids(document) ?? NaN, 6);
    expect(back.lines.every(({ problem }) => problem === undefined)).toBe(true);
  });
  test('a page without it is read as text', () =>
    expect(
      told('<h1>Plum jam</h1><ul><li>2&nbsp;kg plums</li><li>1&frac12; kg sugar</li></ul>'),
    ).toEqual([
      ['2 kg', 'plum'],
      ['1½ kg', 'white-sugar'],
    ]));
});

describe('our own document', () => {
  test('comes back whole, but for what a person must say again', () => {
    const document = documentOf(
      [
        ['2.4 kg', 'damson'],
        ['2.2 kg', 'white-sugar'],
      ],
      {
        notes: 'from the old tree',
        processing: 'steam',
        processMinutes: 5,
        testedSource: { publisher: 'somebody', year: 2015, unchanged: true },
        measuredPH: { value: 3.4, meterCalibratedOn: '2026-09-12', measuredOn: '2026-09-12' },
        place: { altitude: '0 m' },
      },
    );
    const back = ok(JSON.stringify(document));
    expect(back.document).toMatchObject({
      lines: document.lines,
      notes: 'from the old tree',
      processing: 'steam',
    });
    for (const key of ['testedSource', 'measuredPH', 'place', 'processMinutes'])
      expect(back.document).not.toHaveProperty(key);
    expect(back.notes).toHaveLength(2);
    expect(back.statedMinutes).toBe(5);
  });
});

test.each([
  ['', /nothing in it/],
  ['{"kind": "jam"', /cut short/],
  ['{"a": 1}', /no formula and no recipe/],
  ['hello there', /no line with an amount/],
  ['x'.repeat(2_000_001), /2\.0 MB; a recipe is at most 2 MB/],
  [JSON.stringify({ format: 'idle-kettle/formula', kind: 'jamm', lines: [] }), /kind: "jamm"/],
])('%.20s is refused with a reason', (text, message) => {
  const imported = importFormula(text);
  expect(imported.ok ? '' : imported.message).toMatch(message);
});

test('hostile and broken text neither throws nor takes long', () => {
  const from = performance.now();
  for (const text of [
    '<p '.repeat(300_000),
    '<script type="application/ld+json">'.repeat(40_000),
    '['.repeat(200_000),
    '<!--'.repeat(200_000),
    '&#x'.repeat(200_000),
    '1 cup ('.repeat(100_000),
    '{"@type":"Recipe","recipeIngredient":["' + '1 cup, ('.repeat(100_000) + '"]}',
  ])
    importFormula(text);
  expect(performance.now() - from).toBeLessThan(5000);
  fc.assert(fc.property(fc.string({ maxLength: 300 }), (text) => void importFormula(text)));
  fc.assert(fc.property(fc.json(), (text) => void importFormula(text)));
});

describe('the audit of what was brought in', () => {
  const codes = (text: string, altitude_m = 1180): string[] => {
    const { document, statedMinutes } = ok(text);
    const { formula } = readFormula(document, { altitude_m });
    const made = balance(formula);
    if (!made) throw new Error('nothing in the pot');
    const keeping = assessKeeping(formula, {}, made);
    return auditImport({ formula, balance: made, keeping }, { statedMinutes }).map(
      ({ code, right }) => `${code} ${right ? 'right' : 'wrong'}`,
    );
  };
  test('a yield its sugar alone overfills, a process that is short up here', () =>
    expect(codes(CARD.replace('6 half-pints', '2 half-pints'))).toEqual([
      'stated-yield-impossible wrong',
      'keeping right',
      'process wrong',
    ]));
  test('the same recipe right at its own place', () =>
    expect(codes(CARD.replace('Process 5', 'Process 10'), 0)).toEqual([
      'stated-yield right',
      'keeping right',
      'process right',
    ]));
  test('low-acid fruit, and pounds that do not match their cups', () =>
    expect(codes('Melon jam\n2 lb (about 9 cups) chopped cantaloupe\n1 kg sugar\n')).toEqual([
      'stated-amounts-disagree wrong',
      'keeping wrong',
    ]));
});

test('as Markdown: text stays text', () => {
  const document = documentOf(
    [
      ['2.4 kg', 'damson'],
      ['2.2 kg', 'white-sugar'],
    ],
    { title: '<script>Damson</script> *jam*', notes: 'line one\n# not a heading' },
  );
  const { formula } = readFormula(document, { altitude_m: 1180 });
  const made = balance(formula);
  const text = toMarkdown(document, made, assessKeeping(formula, {}, made));
  expect(text).toMatch(/^# \\<script\\>Damson/);
  expect(text).toContain('- 2.4 kg damsons');
  expect(text).toMatch(/- shelf: 15 min boiling-water/);
  expect(text).toMatch(/Not a tested recipe/);
  expect(text.split('\n').filter((line) => line.startsWith('# '))).toHaveLength(1);
});
