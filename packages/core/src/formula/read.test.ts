import fc from 'fast-check';
import { balance } from '../balance/index.js';
import { emptyFormula, type FormulaDocument } from './document.js';
import { fingerprint } from './fingerprint.js';
import { lineFromText } from './line.js';
import { readFormula } from './read.js';

const damson = (change: object = {}): unknown => ({
  format: 'idle-kettle/formula',
  version: 1,
  title: 'Damson jam',
  kind: 'jam',
  method: 'long-boil',
  finish: { type: 'gel-temperature' },
  place: { altitude: '1180 m' },
  lines: [
    { ingredient: 'damson', form: 'pitted', amount: '2.4 kg' },
    { ingredient: 'white-sugar', amount: '2.2 kg' },
  ],
  jars: [{ size: '454-g' }],
  ...change,
});

const line = (change: object): unknown =>
  damson({
    lines: [
      { ingredient: 'damson', amount: '2.4 kg' },
      { ingredient: 'white-sugar', amount: '2 kg', ...change },
    ],
  });
const said = (document: unknown): string[] =>
  readFormula(document).problems.map((p) => `${p.path}: ${p.message}`);

test('a good document has no problem', () => expect(said(damson())).toEqual([]));

test.each<[string, unknown, RegExp]>([
  [
    'unknown unit',
    line({ amount: '2 cupz' }),
    /^lines\[1\]\.amount: "2 cupz": unknown unit "cupz"; did you mean "cups"\?$/,
  ],
  [
    'unknown fruit',
    line({ ingredient: 'dimsom' }),
    /^lines\[1\]\.ingredient: unknown ingredient "dimsom"; did you mean "damson"\?/,
  ],
  ['negative amount', line({ amount: '-2 kg' }), /lines\[1\]\.amount: .*below zero/],
  [
    'a tonne of sugar',
    line({ amount: '1000 kg' }),
    /lines\[1\]\.amount: .*more than any kitchen boils/,
  ],
  [
    'text for a number',
    line({ amount: 'lots' }),
    /lines\[1\]\.amount: .*does not begin with a number/,
  ],
  [
    'a number alone as value',
    line({ amount: 5 }),
    /lines\[1\]\.amount: 5: write a number and a unit/,
  ],
  ['value NaN', line({ amount: { value: null, unit: 'cup' } }), /lines\[1\]\.amount\.value/],
  ['no amount', line({ amount: undefined }), /lines\[1\]\.amount: missing/],
  [
    '12,000 m',
    damson({ place: { altitude: '12,000 m' } }),
    /place\.altitude: 12000 m .* is not a height people cook at/,
  ],
  [
    'altitude in words',
    damson({ place: { altitude: 'on a hill' } }),
    /place\.altitude: "on a hill" is not a height/,
  ],
  ['empty formula', damson({ lines: [] }), /^lines: nothing is in the pan/],
  [
    'unknown form',
    line({ ingredient: 'white-sugar', form: 'pitted' }),
    /lines\[1\]\.amount: no figures for white sugar in the form "pitted"/,
  ],
  ['unknown kind', damson({ kind: 'jamm' }), /^kind: "jamm": did you mean "jam"\?/],
  [
    'wrong pair',
    damson({ method: 'no-gel' }),
    /^method: "no-gel" does not go with jam; write one of long-boil, powdered-pectin/,
  ],
  ['unknown jar', damson({ jars: [{ size: 'bucket' }] }), /^jars\[0\]\.size: "bucket"/],
  ['headspace', damson({ jars: [{ size: 'pint', headspace: '3 ft' }] }), /^jars\[0\]\.headspace/],
  [
    'percent over 85',
    damson({ finish: { type: 'soluble-solids', percent: 99 } }),
    /^finish\.percent: 99/,
  ],
  ['rise in kg', damson({ finish: { type: 'gel-temperature', rise: '8 kg' } }), /^finish\.rise/],
  ['another version', damson({ version: 9 }), /^version: 9: only version 1/],
  ['not a formula', 'hello', /^: "hello": a formula is a JSON object/],
  [
    'a curd finish of a jam',
    damson({ finish: { type: 'curd' } }),
    /^finish.type: "curd" is the finish of a curd/,
  ],
  [
    'a curd that is not hot',
    damson({ kind: 'curd', method: 'egg', finish: { type: 'curd', temperature: '40 C' } }),
    /^finish.temperature: /,
  ],
])('%s is named where it is', (_, document, message) => {
  expect(said(document).some((text) => message.test(text))).toBe(true);
});

test('the rest is computed though a line is not understood', () => {
  const { formula, problems } = readFormula(line({ amount: 'lots' }));
  expect(problems).toHaveLength(1);
  expect(balance(formula)?.massIn_kg.mid).toBeCloseTo(2.4, 6);
});

test('every problem is named at once', () => {
  const bad = damson({
    kind: 'jamm',
    lines: [{ ingredient: 'x', amount: 'y' }, 7],
    jars: 'all',
    place: { altitude: '9 km' },
  });
  expect(said(bad).map((text) => text.split(':')[0])).toEqual(
    expect.arrayContaining([
      'kind',
      'lines[0].ingredient',
      'lines[0].amount',
      'lines[1]',
      'jars',
      'place.altitude',
    ]),
  );
});

test('warnings, not refusals: no fruit, sea level assumed, weight ounces of a liquid, a finish unusual for its method', () => {
  const codes = (document: unknown): string[] =>
    readFormula(document).formula.warnings.map((w) => w.code);
  expect(codes(damson({ lines: [{ ingredient: 'white-sugar', amount: '1 kg' }] }))).toContain(
    'no-fruit',
  );
  expect(codes(damson({ place: undefined }))).toContain('sea-level-assumed');
  expect(codes(line({ ingredient: 'lemon-juice-bottled', amount: '4 oz' }))).toContain(
    'oz-is-weight',
  );
  expect(codes(damson({ method: 'powdered-pectin' }))).toContain('unusual-finish');
});

test('amounts in their forms: as bought loses its waste, juice keeps its solids, own values win', () => {
  const pot = (lines: object[]): { mass: number; soluble: number } => {
    const first = readFormula(damson({ lines })).formula.lines[0];
    return { mass: first?.mass_kg.mid ?? NaN, soluble: first?.composition.soluble.mid ?? NaN };
  };
  expect(pot([{ ingredient: 'quince', form: 'as-bought', amount: '1 kg' }]).mass).toBeCloseTo(
    0.64,
    6,
  );
  expect(
    pot([{ ingredient: 'damson', amount: '1 kg', overrides: { solubleSolidsPercent: 18 } }])
      .soluble,
  ).toBe(0.18);
  expect(pot([{ ingredient: 'lemon-juice-fresh', amount: 'half a lemon' }]).mass).toBeCloseTo(
    0.0235,
    6,
  );
  expect(pot([{ ingredient: 'brown-sugar', amount: '1 cup packed' }]).mass).toBeCloseTo(0.22, 6);
  expect(
    pot([
      { name: 'Sea buckthorn pulp', composition: { solubleSolidsPercent: 9 }, amount: '500 g' },
    ]),
  ).toEqual({ mass: 0.5, soluble: 0.09 });
});

test('a line typed in one go is taken apart, and what is not understood stays as typed', () => {
  expect(lineFromText('2.4 kg damsons, pitted')).toEqual({
    amount: '2.4 kg',
    ingredient: 'damson',
  });
  expect(lineFromText('2 1/2 cups crushed blackberries')).toEqual({
    amount: '2 1/2 cups',
    ingredient: 'blackberry',
    form: 'crushed',
  });
  expect(lineFromText('1½ lb sugar')).toEqual({ amount: '1½ lb', ingredient: 'white-sugar' });
  expect(lineFromText('300 ml water')).toEqual({ amount: '300 ml', ingredient: 'water' });
  expect(lineFromText('2 tbsp of bottled lemon juice')).toEqual({
    amount: '2 tbsp',
    ingredient: 'lemon-juice-bottled',
  });
  expect(lineFromText('2 kg moonfruit')).toEqual({ amount: '2 kg', ingredient: 'moonfruit' });
  expect(lineFromText('a handful of hope')).toMatchObject({
    ingredient: expect.stringContaining('hope') as string,
  });
  expect(lineFromText('1.8 cupz sugar')).toEqual({ amount: '1.8 cupz', ingredient: 'white-sugar' });
  expect(lineFromText('3 quinces')).toEqual({ amount: '3', ingredient: 'quince' });
});

test('never throws, never NaN, whatever JSON arrives', () => {
  const keys = fc.constantFrom(
    'kind',
    'method',
    'lines',
    'finish',
    'place',
    'jars',
    'version',
    'decimal',
  );
  fc.assert(
    fc.property(
      fc.dictionary(
        keys,
        fc.oneof(fc.jsonValue(), fc.constant([{ ingredient: 'damson', amount: '1 kg' }])),
      ),
      (change) => {
        const { formula } = readFormula(damson(change));
        const result = balance(formula);
        expect(JSON.stringify(result)).not.toMatch(/NaN|null,"mid"/);
      },
    ),
    { numRuns: 500 },
  );
});

test('an empty formula is a document that reads back', () => {
  const empty: FormulaDocument = emptyFormula('New batch');
  expect(said(JSON.parse(JSON.stringify(empty)))).toEqual([
    'lines: nothing is in the pan; add a fruit and its amount',
  ]);
});

/** Documents as people keep them: every optional field there or not. */
const documents = fc
  .record(
    {
      format: fc.constant('idle-kettle/formula' as const),
      version: fc.constant(1 as const),
      title: fc.constantFrom('Damson jam', 'Quince "Nr 3"', 'Zwetschgen-Röster'),
      way: fc.constantFrom(
        ['jam', 'long-boil', 'gel-temperature'],
        ['conserve', 'powdered-pectin', 'hard-boil'],
        ['fruit-butter', 'no-gel', 'consistency'],
        ['curd', 'egg', 'curd'],
        ['jelly', 'calcium-pectin', 'hard-boil'],
      ),
      lines: fc.array(
        fc.record(
          {
            ingredient: fc.constantFrom(
              'damson',
              'quince',
              'blackcurrant',
              'white-sugar',
              'lemon-juice-bottled',
              'water',
              'pear',
            ),
            amount: fc
              .tuple(fc.integer({ min: 1, max: 900 }), fc.constantFrom('g', 'ml', 'oz', 'tbsp'))
              .map(([value, unit]) => `${value} ${unit}`),
            alsoStated: fc.constantFrom('3 cups', '1 1/2 lb'),
            ripeness: fc.constantFrom('under-ripe', 'ripe', 'over-ripe'),
            overrides: fc.record(
              {
                solubleSolidsPercent: fc.integer({ min: 5, max: 30 }),
                pH: fc.constantFrom(2.9, 3.4, 4.1),
              },
              { requiredKeys: [] },
            ),
          },
          { requiredKeys: ['ingredient', 'amount'] },
        ),
        { minLength: 1, maxLength: 8 },
      ),
      place: fc.record(
        {
          altitude: fc.constantFrom('310 m', '3,870 ft'),
          boilingPoint: fc.constantFrom('98.4 C', '204 F'),
        },
        { requiredKeys: [] },
      ),
      jars: fc.array(
        fc.record(
          {
            size: fc.constantFrom('half-pint', '454-g', '250-ml'),
            count: fc.integer({ min: 0, max: 12 }),
            headspace: fc.constantFrom('1/4 in', '13 mm'),
          },
          { requiredKeys: ['size'] },
        ),
        { minLength: 1, maxLength: 3 },
      ),
      processing: fc.constantFrom('boiling-water', 'steam', 'hot-fill', 'none'),
      preSterilised: fc.boolean(),
      processMinutes: fc.integer({ min: 5, max: 40 }),
      testedSource: fc.constant({ publisher: 'an extension service', year: 2015, unchanged: true }),
      measuredPH: fc.constant({
        value: 3.4,
        meterCalibratedOn: '2026-09-12',
        measuredOn: '2026-09-12',
      }),
      statedYield: fc.constantFrom('6 half-pint', '3 pints'),
      notes: fc.string({ maxLength: 40 }),
      steps: fc.array(fc.string({ maxLength: 20 }), { maxLength: 3 }),
    },
    { requiredKeys: ['format', 'version', 'title', 'way', 'lines', 'jars'] },
  )
  .map(({ way: [kind, method, type], ...rest }) => ({ ...rest, kind, method, finish: { type } }));

test('every document survives write-read: the same text again, the same formula, the same fingerprint', () => {
  fc.assert(
    fc.property(documents, (document) => {
      const written = JSON.stringify(document);
      const back = JSON.parse(written) as FormulaDocument;
      expect(JSON.stringify(back)).toBe(written);
      expect(readFormula(back)).toEqual(readFormula(document as unknown as FormulaDocument));
      expect(fingerprint(readFormula(back).formula)).toBe(
        fingerprint(readFormula(document as unknown as FormulaDocument).formula),
      );
    }),
  );
});

test('ripeness, measured values and claims are read, and what they cannot be is named', () => {
  const { formula, problems } = readFormula(
    damson({
      lines: [
        {
          ingredient: 'damson',
          amount: '2 kg',
          ripeness: 'under-ripe',
          overrides: { pH: 3, titratableAcidityPercent: 2 },
        },
        { ingredient: 'white-sugar', amount: '2 kg', alsoStated: '10 cups' },
      ],
      statedYield: '6 half-pint',
      processing: 'steam',
      preSterilised: true,
      processMinutes: 12,
    }),
  );
  expect(problems).toEqual([]);
  expect(formula.claims).toMatchObject({
    processing: 'steam',
    preSterilised: true,
    processMinutes: 12,
  });
  expect(formula.claims.statedYield?.count).toBe(6);
  expect(formula.lines[1]?.alsoStated_kg?.mid).toBeCloseTo(2, 1);
  expect(
    said(
      damson({
        processing: 'oven',
        statedYield: 'plenty',
        processMinutes: -3,
        lines: [
          { ingredient: 'damson', amount: '2 kg', ripeness: 'mouldy', overrides: { pH: 40 } },
        ],
      }),
    ).map((text) => text.split(':')[0]),
  ).toEqual(
    expect.arrayContaining([
      'processing',
      'statedYield',
      'processMinutes',
      'lines[0].ripeness',
      'lines[0].overrides.pH',
    ]),
  );
});
