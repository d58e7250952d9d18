import { balance } from '../balance/index.js';
import { firstFruit, readFormula, type FormulaDocument, type Kitchen } from '../formula/index.js';
import { computeFormula, KEEPING_VERDICTS } from '../keeping/index.js';
import { storageOf } from '../keeping/storage.js';
import { labelContent } from '../label/index.js';
import { HOUR_MS } from '../quantity/index.js';
import { STARTERS } from '../starters/index.js';
import { cookedBatch, withLine } from '../testing/cooked-batch.js';
import { documentOf } from '../testing/formula.js';
import { batchRecord, type BatchRecord } from './batch-record.js';
import { remakesOf } from './remake.js';
import { remakeDocument } from './remake-batch.js';

const HERE: Kitchen = { altitude_m: 900 };
const BATCH = '5b0f3c0a-6d0e-4c5b-9a53-2f4f0f0a1b2d';
const HALF_PINTS_ML = 4 * 236.6;

/** A batch cooked and processed for long enough, a month old. */
function recordOf(document: FormulaDocument, minutes = 40): BatchRecord {
  const { boil, endedAt } = cookedBatch({
    document,
    kitchen: HERE,
    seed: 3,
    past: -1.5,
    more: [
      {
        type: 'processed',
        // The jars are filled six minutes after it is done, and the load is over within the hour.
        after_s: 50 * 60,
        from: 'done',
        body: {
          method: 'boiling-water',
          minutes,
          altitude_m: 900,
        },
      },
    ],
  });
  const record = batchRecord({ document, boil, kitchen: HERE, now: endedAt + 700 * HOUR_MS });
  if (!record) throw new Error('nothing is understood');
  return record;
}

const REDCURRANT = documentOf(
  [
    ['1.2 l', 'redcurrant', 'juice'],
    ['1 kg', 'white-sugar'],
  ],
  { kind: 'jelly', title: 'Redcurrant jelly' },
);

const order = (way: 'powdered' | 'liquid' | 'none' | 'calcium', spread_ml = HALF_PINTS_ML) => ({
  batch: BATCH,
  way,
  spread_ml,
  size: 'half-pint',
});

describe('a jelly that is cooked again', () => {
  const record = recordOf(REDCURRANT);
  const document = remakeDocument(record, order('powdered'))!;

  test('is its spread with the published additions, and knows its batch', () => {
    const [spread, ...added] = document.lines;
    expect(spread?.madeOf?.batch).toBe(BATCH);
    expect(added.map(({ ingredient, amount }) => ({ ingredient, amount }))).toEqual(
      remakesOf(HALF_PINTS_ML, record.made.outcome.solids)[0]?.lines,
    );
    expect(readFormula(document, HERE).problems).toEqual([]);
  });

  test('has the mass of its jars, and comes to about as many and what went in', () => {
    const made = balance(readFormula(document, HERE).formula)!;
    // 4 half-pints of spread, a quarter cup of sugar and half a cup of water.
    expect(made.jars[0]?.count.mid).toBeGreaterThan(3.7);
    expect(made.jars[0]?.count.mid).toBeLessThan(5);
    expect(made.set.firmness.mid).toBeGreaterThan(record.madeBalance.set.firmness.mid);
  });

  test('more than 6 cups is one of several batches', () => {
    const eight = remakeDocument(record, order('liquid', 8 * 236.6))!;
    const four = remakeDocument(record, order('liquid', 4 * 236.6))!;
    expect(eight.lines[0]?.amount).toBe(four.lines[0]?.amount);
  });
});

test('what it was made of goes in proportion when there is more of it', () => {
  const document = remakeDocument(recordOf(REDCURRANT), order('none'))!;
  const read = (amount: string): number =>
    readFormula(withLine(document, 0, { amount }), HERE).formula.lines[0]?.madeOf?.[0]?.mass_kg
      .mid ?? NaN;
  expect(read('2 kg') / read('1 kg')).toBeCloseTo(2, 6);
});

test('storage goes by what it was made of: melon is not for the shelf however it is cooked again', () => {
  const melon = documentOf([
    ['1.5 kg', 'cantaloupe', 'chopped'],
    ['1.2 kg', 'white-sugar'],
    ['2 tbsp', 'lemon-juice-bottled'],
  ]);
  const document = remakeDocument(recordOf(melon), order('powdered'))!;
  expect(computeFormula(document, HERE).keeping.verdict).toBe('fridge');
  // Not by its processing alone.
  delete document.processing;
  expect(computeFormula(document, HERE).keeping.verdict).toBe('fridge');
});

test('a measured pH that counted against it counts on', () => {
  const measured = withLine(REDCURRANT, 0, { overrides: { pH: 4.6 } });
  const document = remakeDocument(recordOf(measured), order('powdered'))!;
  delete document.processing;
  expect(document.lines[0]?.madeOf?.lines[0]?.overrides).toEqual({ pH: 4.6 });
  const worst = (each: FormulaDocument): number => computeFormula(each, HERE).keeping.worstPH;
  const plain = remakeDocument(recordOf(REDCURRANT), order('powdered'))!;
  expect(worst(document)).toBeGreaterThan(worst(plain) + 0.5);
});

test('its label names what was in the jars, allergens above all, and it keeps the colour of its fruit', () => {
  const withNuts = documentOf([
    ['1.2 kg', 'plum', 'pitted'],
    ['1 kg', 'white-sugar'],
    ['80 g', 'nuts'],
  ]);
  const document = remakeDocument(recordOf(withNuts), order('powdered'))!;
  const { formula } = readFormula(document, HERE);
  const label = labelContent(formula, balance(formula), {
    verdict: 'fridge',
    size: 'half-pint',
    madeOn: '2026-08-02',
    bestBefore: '2026-08-30',
    batchId: BATCH,
    partFill: null,
    keptIn: null,
  });
  // The bottled lemon juice of the remake may hold sulphites.
  expect(label?.allergens).toEqual(['nuts', 'sulphites']);
  expect(label?.ingredients.map(({ name }) => name)).not.toContain('spread from the jars');
  expect(label?.fruitPer100_g).toBeGreaterThan(30);
  expect(firstFruit(document)).toBe('plum');
});

test('what spoils in days spoils in days when it is cooked again, however late it was processed', () => {
  const withGarlic = documentOf([
    ['1.2 kg', 'plum', 'pitted'],
    ['1 kg', 'white-sugar'],
    ['30 g', 'garlic'],
  ]);
  const document = remakeDocument(recordOf(withGarlic), order('powdered'))!;
  const { formula } = readFormula(document, HERE);
  expect(storageOf(formula, 'fridge', 60).best).toEqual({ days: 4 });
});

test('what was processed too short is not for the shelf the second time either', () => {
  const document = remakeDocument(recordOf(REDCURRANT, 2), order('powdered'))!;
  expect(document.processing).toBe('none');
  expect(computeFormula(document, HERE).keeping.verdict).toBe('fridge');
});

test('what is not understood is not cooked again', () => {
  const record = recordOf({
    ...REDCURRANT,
    lines: [...REDCURRANT.lines, { ingredient: 'quux', amount: '3 spoons of it' }],
  });
  expect(remakeDocument(record, order('powdered'))).toBeUndefined();
});

// Every gelled starter, every way: never kinder, never shorter, never less acid than it was.
const GELLED = STARTERS.filter(({ kind }) => !['fruit-butter', 'curd', 'syrup'].includes(kind)).map(
  (document) => [document.title, document] as const,
);

test.each(GELLED)('%s, cooked again, is stored no kinder', (_, starter) => {
  const document = { ...starter, jars: [{ size: 'half-pint' }] };
  const record = recordOf(document);
  for (const { way } of remakesOf(HALF_PINTS_ML, record.made.outcome.solids)) {
    const remade = remakeDocument(record, order(way));
    if (!remade) continue;
    const { keeping, problems } = computeFormula(remade, HERE);
    expect(problems).toEqual([]);
    expect(KEEPING_VERDICTS.indexOf(keeping.verdict)).toBeGreaterThanOrEqual(
      KEEPING_VERDICTS.indexOf(record.keeping.verdict),
    );
    const before = computeFormula(document, HERE).keeping.process?.minutes ?? 0;
    if (keeping.verdict === 'shelf')
      expect(keeping.process?.minutes ?? 0).toBeGreaterThanOrEqual(before);
  }
});

test('an acid jelly that was for the shelf is for the shelf again, by its own row', () => {
  const record = recordOf(REDCURRANT);
  expect(record.keeping.verdict).toBe('shelf');
  const { keeping } = computeFormula(remakeDocument(record, order('liquid'))!, HERE);
  expect(keeping.verdict).toBe('shelf');
  expect(keeping.process?.minutes).toBe(computeFormula(REDCURRANT, HERE).keeping.process?.minutes);
});
