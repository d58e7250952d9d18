import fc from 'fast-check';
import { readFormula, type FormulaDocument } from '../formula/index.js';
import { computeFormula } from '../keeping/index.js';
import { isUnderstood, readLine, type LineReading } from '../reading/index.js';
import { STARTERS } from '../starters/index.js';
import { auditImport } from './audit.js';
import { foundRecipe, importFormula, type Imported } from './import.js';
import { toJsonLd, ingredientTexts } from './json-ld.js';
import { toMarkdown } from './markdown.js';
import { claimsOf, readStatedYield, yieldOf } from './recipe-claims.js';
import type { FoundRecipe } from './recipe.js';
import { RECIPES } from './recipes.table.js';
import { textLines } from './text-lines.js';

const found = (text: string): FoundRecipe => {
  const reading = foundRecipe(text);
  if (!reading.ok) throw new Error(reading.message);
  return reading.recipe;
};
const imported = (text: string): Imported & { ok: true } => {
  const reading = importFormula(text);
  if (!reading.ok) throw new Error(reading.message);
  return reading;
};
const foodsOf = ({ lines }: FoundRecipe): string[] =>
  lines.flatMap(({ role, reading }) => {
    if (role !== 'ingredient' || !reading) return [];
    if (!isUnderstood(reading)) return ['?'];
    const ids = reading.parts.map(({ ingredient }) => ingredient.id);
    return ids.length > 0 ? ids : [reading.named?.ingredient.id ?? '?'];
  });

describe('recipes as people paste them', () => {
  test.each(RECIPES.map((recipe) => [recipe.text.trim().split('\n')[0], recipe] as const))(
    '%s',
    (_, { text, kind, method, foods, made }) => {
      const recipe = found(text);
      const claims = claimsOf(recipe);
      expect(foodsOf(recipe)).toEqual(foods);
      expect([claims.kind ?? null, claims.method ?? null]).toEqual([kind, method]);
      if (made !== null) expect(yieldOf(recipe)?.text).toBe(made);
    },
  );

  test('every line of the text is there once, with its own words and a role', () => {
    for (const { text } of RECIPES.filter((recipe) => !recipe.text.includes('<html>'))) {
      const lines = found(text).lines.filter(({ fromStep }) => fromStep !== true);
      expect(lines.map((line) => line.text)).toEqual(textLines(text));
    }
  });

  test('the name of a page is not that of the recipe', () => {
    const page = RECIPES.find(({ text }) => text.startsWith('Home\n'));
    expect(found(page?.text ?? '').title).toBe('Strawberry Rhubarb Jam');
  });

  test('a counted food that only a step names is a line of its own', () => {
    const recipe = found(
      'Jam\n1 kg strawberries\n1 kg sugar\nStir in 2 bananas, mashed, and boil.',
    );
    expect(foodsOf(recipe)).toEqual(['strawberry', 'white-sugar', 'banana']);
  });

  test('two columns are read one after the other', () => {
    const recipe = found(`QUINCE JELLY              HOW TO MAKE IT
3 kg quinces              Simmer the quinces in the water.
4 l water                 Strain overnight.
2 kg sugar                Boil with the sugar to a set.`);
    expect(foodsOf(recipe)).toEqual(['quince', 'water', 'white-sugar']);
    expect(recipe.lines.filter(({ role }) => role === 'step')).toHaveLength(3);
  });

  test.each([
    ['7-8 half pints', '7.5 half-pint'],
    ['5 jars of 340 g', '5 340-g'],
    ['about 3.3 kg', '3.3 kg'],
    ['8 (1/2 pint) jars', '8 half-pint'],
    ['six 8 oz jars', '6 8-oz'],
    ['4 x 227 g jars', '4 227-g'],
    ['about 2 pints', '2 pint'],
    ['3.3kg/7lb', '3.3 kg'],
    ['6 (250 ml) jars', '6 250-ml'],
  ])('a yield of "%s" is %s', (text, yields) => expect(readStatedYield(text)?.text).toBe(yields));

  test.each(['12', 'plenty', 'some jars', '4 jars'])('"%s" is no yield to audit', (text) =>
    expect(readStatedYield(text)).toBeUndefined(),
  );

  test('what is no fruit spread is said, not turned into jam', () => {
    expect(imported('Green tomato chutney\n2 kg green tomatoes\n500 ml vinegar')).toMatchObject({
      otherFood: 'a recipe for chutney',
    });
  });

  test('apples peeled after their weight were weighed as bought, before it they were not', () => {
    const forms = (line: string): unknown => imported(`Jam\n${line}`).document.lines[0]?.form;
    expect(forms('1.5 kg apples, peeled and cored')).toBe('as-bought');
    expect(forms('1.5 kg peeled and cored apples')).toBeUndefined();
  });

  test('British words make the pint of a recipe a British one', () => {
    const { document } = imported('Jam\n1kg/2lb 4oz damsons\n1 pint water\n1 kg sugar');
    expect(document.measures).toBe('uk');
    const plain = importFormula('Jam\n1 kg damsons\n1 pint water', { usual: { measures: 'uk' } });
    expect(plain.ok && plain.document.measures).toBe('uk');
    const { formula } = readFormula(document, { altitude_m: 100 });
    expect(formula.lines[1]?.mass_kg.mid).toBeCloseTo(0.568, 2);
  });

  test('a correction is taken for its line, which keeps its own words', () => {
    const text = 'Odd jam\n1 kg moonfruit\n1 kg sugar\na spoon of hope';
    const picked = importFormula(text, {
      corrections: new Map([[1, { type: 'picked', ingredient: 'damson' }]]),
    });
    expect(picked.ok && picked.document.lines[0]).toMatchObject({
      ingredient: 'damson',
      amount: '1 kg',
      writtenAs: 'moonfruit',
    });
    const rewritten = importFormula(text, {
      corrections: new Map([[1, { type: 'rewritten', text: '1 kg damsons' }]]),
    });
    expect(rewritten.ok && rewritten.document.lines[0]).toEqual({
      ingredient: 'damson',
      amount: '1 kg',
    });
    expect(rewritten.ok && rewritten.lines[1]?.text).toBe('1 kg moonfruit');
    const none = importFormula(text, { corrections: new Map([[1, { type: 'no-food' }]]) });
    expect(none.ok && none.document.leftOut).toEqual(['1 kg moonfruit']);
  });
});

test('what a recipe tells that is answered: where it stops, how it fills and seals', () => {
  const reading = imported(
    'Jam\n1 kg damsons\n1 kg sugar\nBoil to 105C.\nFill, leaving 1 inch headspace.\nTurn the jars upside down.',
  );
  const { formula, balance, keeping } = computeFormula(reading.document, { altitude_m: 1180 });
  if (!balance) throw new Error('nothing in the pan');
  const { statedStop_C, document } = reading;
  const findings = auditImport(
    { formula, balance, keeping },
    { statedStop_C, steps: document.steps },
  );
  expect(findings.filter(({ right }) => !right).map(({ code }) => code)).toEqual([
    'stated-stop',
    'headspace-claim',
    'inverted-jars',
  ]);
});

describe('our own exports come back the same', () => {
  const measure = (document: FormulaDocument): [string, number][] =>
    readFormula(document).formula.lines.map(({ ingredient, mass_kg }) => [
      ingredient.id,
      Math.round(mass_kg.mid * 1e4),
    ]);
  const spiced: FormulaDocument[] = ['cinnamon', 'cloves', 'nutmeg', 'allspice'].map((variety) => ({
    ...(STARTERS[0] as FormulaDocument),
    lines: [
      ...(STARTERS[0]?.lines ?? []),
      { ingredient: 'ground-spice', variety, amount: '1 tsp' },
    ],
  }));
  const finishes: FormulaDocument[] = (
    [
      { type: 'gel-temperature', rise: '4.5 K' },
      { type: 'soluble-solids', percent: 63 },
      { type: 'weight', mass: '2.1 kg' },
    ] as const
  ).map((finish) => ({ ...(STARTERS[0] as FormulaDocument), finish }));

  test.each(
    [...STARTERS, ...spiced, ...finishes].map((document) => [document.title, document] as const),
  )('%s', (_, document) => {
    for (const text of [
      JSON.stringify(toJsonLd(document)),
      toMarkdown(document, null, null),
      JSON.stringify(document),
    ]) {
      const back = imported(text).document;
      expect(measure(back)).toEqual(measure(document));
      expect({ kind: back.kind, method: back.method, finish: back.finish }).toEqual({
        kind: document.kind,
        method: document.method,
        finish: document.finish,
      });
      expect(back.title).toBe(document.title);
    }
  });
});

describe('an unread food never ends on the shelf', () => {
  const HERE = { altitude_m: 120 };
  const verdict = (text: string): string => {
    const reading = importFormula(text);
    return reading.ok ? computeFormula(reading.document, HERE).keeping.verdict : 'nothing';
  };
  /** More than sixty recipes: the starters under four ways of writing them. */
  const texts = STARTERS.flatMap((document) => {
    const lines = ingredientTexts(document);
    return [
      [document.title, ...lines, 'Boil it and fill the jars.'],
      [document.title, 'Ingredients', ...lines.map((line) => `- ${line}`), 'Method', '1. Boil it.'],
      [document.title, ...lines.map((line, i) => `${i + 1}) ${line}`)],
      [
        `# ${document.title}`,
        '## For the pan',
        ...lines.map((line) => `* **${line}**`),
        '## To make',
        'Boil it.',
      ],
    ];
  });
  const FOOD_WORD = /[a-z]{4,}/gi;
  const damaged: readonly (readonly [string, (line: string) => string])[] = [
    ['an unknown word', (line) => line.replace(FOOD_WORD, 'moonfruit')],
    [
      'letters in another order',
      (line) => line.replace(FOOD_WORD, (word) => [...word].toReversed().join('')),
    ],
    ['joined to its number', (line) => line.replace(/(\d)\s+/g, '$1').replaceAll(' ', '')],
    [
      'a letter too many',
      (line) => line.replace(FOOD_WORD, (word) => `${word.slice(0, 2)}q${word.slice(2)}`),
    ],
    [
      'half of the word',
      (line) => line.replace(FOOD_WORD, (word) => word.slice(0, Math.ceil(word.length / 2))),
    ],
  ];

  /** The food of a line; bottled and fresh juice are of one family, and the fresh one is the weaker. */
  const family = (reading: LineReading | undefined): string | undefined =>
    reading?.parts[0]?.ingredient.id.replace(/-(?:bottled|fresh)$/, '');

  test('there are sixty of them', () => expect(texts.length).toBeGreaterThanOrEqual(60));

  test.each(damaged)('%s', (_, damage) => {
    for (const lines of texts)
      lines.forEach((line, i) => {
        if (!/\d/.test(line) || /^1\. Boil/.test(line)) return;
        const hurt = lines.with(i, damage(line)).join('\n');
        const reading = importFormula(hurt);
        if (!reading.ok) return;
        const damagedLine = reading.lines.find(({ text }) => text === damage(line))?.reading;
        const wholeLine = readLine(line);
        const exactWords =
          damagedLine !== undefined &&
          isUnderstood(damagedLine) &&
          damagedLine.named?.misspelling === undefined;
        // A slip may be taken for what was meant; a word that is itself a food ("gin") is that food.
        const isReadAlike = exactWords || family(damagedLine) === family(wholeLine);
        if (!isReadAlike) expect([hurt, verdict(hurt)]).not.toEqual([hurt, 'shelf']);
      });
  });

  test('an ingredient picked for unknown words, and a line marked as no food, are named', () => {
    const text = 'Jam\n1 kg raspberries\n1 kg sugar\n100 g moonfruit';
    const reading = importFormula(text, {
      corrections: new Map([[3, { type: 'picked', ingredient: 'raspberry' }]]),
    });
    if (!reading.ok) throw new Error(reading.message);
    const { keeping } = computeFormula(reading.document, HERE);
    expect(keeping.verdict).toBe('fridge');
    expect(keeping.reasons[0]?.text).toContain('moonfruit');
    const left = importFormula(text, { corrections: new Map([[3, { type: 'no-food' }]]) });
    if (!left.ok) throw new Error(left.message);
    expect(computeFormula(left.document, HERE).keeping.reasons.map(({ code }) => code)).toContain(
      'left-out',
    );
  });
});

test('no text throws, and each of its lines is accounted for once', () => {
  const lines = fc.array(
    fc.oneof(
      fc.string({ maxLength: 40 }),
      fc.constantFrom(
        '2 kg plums',
        'Ingredients',
        'Method',
        'Boil it.',
        'Makes 6 half-pints',
        '',
        '1 cup sugar to each cup of juice',
      ),
    ),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(lines, (written) => {
      const text = written.join('\n');
      const reading = foundRecipe(text);
      if (!reading.ok || /[<{[]/.test(text)) return;
      const own = reading.recipe.lines.filter(({ fromStep }) => fromStep !== true);
      expect(own.map((line) => line.text)).toEqual(textLines(text));
    }),
    { numRuns: 2000, seed: 13 },
  );
});
