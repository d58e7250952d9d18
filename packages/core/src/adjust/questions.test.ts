import { balance } from '../balance/index.js';
import { readFormula, type FormulaDocument } from '../formula/index.js';
import { computeFormula, KEEPING_VERDICTS } from '../keeping/index.js';
import { STARTERS } from '../starters/index.js';
import { documentOf, POWDER } from '../testing/formula.js';
import { answerTo, carbohydrate_gPerServing, USUAL_QUESTIONS, type Variant } from './questions.js';

const HERE = { kitchen: { altitude_m: 300 } };

const POWDERED = documentOf(
  [
    ['1.2 kg', 'strawberry', 'crushed'],
    ['2 tbsp', 'lemon-juice-bottled'],
    ['1 box', 'pectin-powder'],
    ['1.6 kg', 'white-sugar'],
  ],
  POWDER,
);
const DAMSON = documentOf([
  ['1.5 kg', 'damson', 'pitted'],
  ['300 ml', 'water'],
  ['1.4 kg', 'white-sugar'],
]);

const variant = (code: string, document: FormulaDocument, name: RegExp): Variant => {
  const found = answerTo(code, document, HERE)?.variants.find((each) => name.test(each.name));
  if (!found) throw new Error(`${code} has no ${String(name)}`);
  return found;
};

describe('less sugar', () => {
  test('halved, full-sugar pectin no longer sets, and calcium pectin does', () => {
    expect(variant('less-sugar', POWDERED, /^Half of it$/).worse).toBe('set');
    const calcium = variant('less-sugar', POWDERED, /calcium/);
    expect(calcium.worse).toBeUndefined();
    expect(calcium.document.lines.map(({ ingredient }) => ingredient)).toContain('pectin-calcium');
  });
  test('a quarter less of a long boil leaves fewer jars', () => {
    expect(variant('less-sugar', DAMSON, /quarter/).effect).toMatch(/yield −\d/);
  });
});

test('honey brings the solids of the sugar it replaces', () => {
  const before = balance(readFormula(DAMSON, HERE.kitchen).formula)!;
  const { document } = variant('honey', DAMSON, /^Honey for all/);
  const after = balance(readFormula(document, HERE.kitchen).formula)!;
  expect(after.solubleSolids_kg.mid / before.solubleSolids_kg.mid).toBeCloseTo(1, 1);
  expect(document.lines.map(({ ingredient }) => ingredient)).not.toContain('white-sugar');
  const half = variant('honey', DAMSON, /half/).document;
  expect(half.lines[2]?.amount).toBe('700 g');
});

test('no sugar at all is no set for fruit pectin', () => {
  expect(variant('honey', POWDERED, /^No sugar/).worse).toBeDefined();
});

// Drained from a tin nobody knows what acid is left: on no acid list, so not for the shelf.
test('frozen fruit stays as it is; tinned fruit is not for the shelf', () => {
  expect(variant('frozen', DAMSON, /frozen/).worse).toBeUndefined();
  expect(variant('frozen', DAMSON, /tinned/).worse).toBe('storage');
});

test('other fruit is acid, and computed', () => {
  const variants = answerTo('swap', DAMSON, HERE)?.variants ?? [];
  expect(variants.length).toBe(3);
  for (const { document } of variants) {
    expect(document.lines[0]?.ingredient).not.toBe('damson');
    expect(readFormula(document, HERE.kitchen).problems).toEqual([]);
  }
});

test('doubled with added pectin: rather twice', () => {
  expect(answerTo('double', POWDERED, HERE)?.text).toMatch(/make it twice/);
  expect(answerTo('double', DAMSON, HERE)?.text).not.toMatch(/make it twice/);
});

test('in jars with no tested time it is not for the shelf', () => {
  const [pint, quart] = answerTo(
    'bigger-jars',
    { ...DAMSON, jars: [{ size: '12-oz' }] },
    HERE,
  )!.variants;
  expect(pint?.worse).toBeUndefined();
  expect(pint?.effect).toMatch(/it fills about \d/);
  expect(quart?.worse).toBe('storage');
});

test('without its lemon a mild fruit is not for the shelf', () => {
  const apricot = documentOf([
    ['1.5 kg', 'apricot', 'pitted'],
    ['1.3 kg', 'white-sugar'],
    ['6 tbsp', 'lemon-juice-bottled'],
  ]);
  expect(computeFormula(apricot, HERE.kitchen).keeping.verdict).toBe('shelf');
  expect(variant('lemon', apricot, /./).worse).toBe('storage');
  expect(answerTo('lemon', DAMSON, HERE)).toBeUndefined();
});

test('without a canner it is refrigerated; steam is as good for an acid jam', () => {
  expect(variant('no-canner', DAMSON, /not processed/).worse).toBe('storage');
  expect(variant('no-canner', DAMSON, /steam/).worse).toBeUndefined();
});

// All that is dissolved counted as carbohydrate: 65 % of 15 g is 9.75 g.
test('carbohydrate in a tablespoon', () => {
  const { low, high } = carbohydrate_gPerServing(
    balance(readFormula(DAMSON, HERE.kitchen).formula)!,
  );
  expect(low).toBeGreaterThan(9);
  expect(high).toBeLessThan(10.6);
  expect(answerTo('carbohydrate', DAMSON, HERE)?.text).toMatch(/clinician decides/);
});

describe('every question, of every starter', () => {
  test.each(USUAL_QUESTIONS.map(({ code }) => code))('%s', (code) => {
    let answered = 0;
    for (const document of STARTERS) {
      const answer = answerTo(code, document, HERE);
      if (!answer) continue;
      answered += 1;
      expect(answer.text).not.toMatch(/NaN|undefined|Infinity/);
      const before = computeFormula(document, HERE.kitchen).keeping.verdict;
      for (const { worse, document: after } of answer.variants) {
        const verdict = computeFormula(after, HERE.kitchen).keeping.verdict;
        // What is stricter to store is always said.
        if (KEEPING_VERDICTS.indexOf(verdict) > KEEPING_VERDICTS.indexOf(before))
          expect(worse).toBe('storage');
      }
    }
    expect(answered).toBeGreaterThan(0);
  });
});

test('nothing is said of a formula that is not understood', () => {
  expect(answerTo('double', documentOf([['2 cupz', 'damson']]), HERE)).toBeUndefined();
  expect(answerTo('no such question', DAMSON, HERE)).toBeUndefined();
});
