import { HOUR_MS, parseAmount } from '../quantity/index.js';
import { fillVolume_ml, findJar, QUARTER_INCH_MM } from '../jars/index.js';
import { rescueAdvice, whyNotRemade, type Affected } from './advice.js';
import { remakesOf } from './remake.js';
import { SIGN_CODES, SPOILAGE_SIGNS, THROW_AWAY } from './signs.js';

const FILLED = Date.parse('2026-09-12T19:00:00.000Z');
const jars = (rest: Partial<Affected> = {}): Affected => ({
  kind: 'jam',
  filledAt: FILLED,
  now: FILLED + 30 * 24 * HOUR_MS,
  untilNow: 'sealed',
  ...rest,
});

describe('a loose set', () => {
  // USDA Complete Guide to Home Canning, Guide 7 (from memory): 24 to 48 hours, some two weeks.
  test('is waited for before anything is done', () => {
    const early = rescueAdvice('too-loose', jars({ now: FILLED + 20 * HOUR_MS }));
    expect(early.waitUntil).toBe(FILLED + 48 * HOUR_MS);
    expect(early.canRemake).toBe(false);
    expect(early.steps[0]).toMatch(/^Wait/);
    const later = rescueAdvice('too-loose', jars({ now: FILLED + 72 * HOUR_MS }));
    expect(later.waitUntil).toBeUndefined();
    expect(later.steps[0]).toMatch(/up to two weeks/);
    expect(rescueAdvice('too-loose', jars()).steps[0]).toMatch(/not set by itself/);
  });

  test('is remade only from jars that were sealed until now or refrigerated in time', () => {
    expect(rescueAdvice('too-loose', jars()).canRemake).toBe(true);
    expect(rescueAdvice('too-loose', jars({ untilNow: 'refrigerated' })).canRemake).toBe(true);
    expect(rescueAdvice('too-loose', jars({ untilNow: 'opened' })).canRemake).toBe(false);
    expect(whyNotRemade({ untilNow: 'opened' })).toMatch(/not put up again/);
    expect(rescueAdvice('too-loose', jars({ kind: 'syrup' })).canRemake).toBe(false);
  });

  test('in the pan it is cooked on; with no record the person is asked to have waited', () => {
    const keeping = {
      verdict: 'shelf',
      storage: { where: 'cool-dark-dry', best: { months: 12 }, text: '', source: '' },
    } as const;
    const inPan = rescueAdvice('too-loose', jars({ filledAt: undefined, keeping }));
    expect(inPan.canRemake).toBe(false);
    expect(inPan.steps[0]).toMatch(/Cook on/);
    const unknown = rescueAdvice('too-loose', jars({ filledAt: undefined }));
    expect(unknown.steps[0]).toMatch(/less than 48 hours ago, wait/);
    expect(unknown.canRemake).toBe(true);
  });

  test('and nothing else is', () => {
    for (const sign of SIGN_CODES.filter((code) => code !== 'too-loose'))
      expect(rescueAdvice(sign, jars()).canRemake).toBe(false);
  });
});

test('a lid that did not seal: again within 24 hours, then the cold or the waste', () => {
  const reprocessUntil = FILLED + 24 * HOUR_MS;
  const inTime = rescueAdvice('not-sealed', jars({ now: FILLED + 14 * HOUR_MS, reprocessUntil }));
  expect(inTime.steps[0]).toMatch(/new lid/);
  const late = rescueAdvice('not-sealed', jars({ reprocessUntil }));
  expect(late.steps.join(' ')).toMatch(/throw it away without tasting/);
  expect(late.steps.join(' ')).not.toMatch(/process it again/);
});

describe('a batch that was for the fridge', () => {
  const fridge = {
    verdict: 'fridge',
    storage: { where: 'fridge', best: { days: 28 }, text: '', source: '' },
  } as const;
  const days = (count: number) => ({ now: FILLED + count * 24 * HOUR_MS, keeping: fridge });

  test('past its time is thrown away, whatever is wrong with it', () => {
    for (const sign of SIGN_CODES) {
      const advice = rescueAdvice(sign, jars(days(29)));
      expect(advice.isThrownAway).toBe(true);
      expect(advice.canRemake).toBe(false);
      expect(advice.steps).toHaveLength(1);
      expect(advice.steps[0]).toMatch(/within 4 weeks.*without tasting/);
    }
  });

  test('in its time is cooked again, and stays refrigerated', () => {
    const advice = rescueAdvice('too-loose', jars(days(20)));
    expect(advice.canRemake).toBe(true);
    expect(advice.steps.join(' ')).toMatch(/refrigerated, as before/);
    expect(advice.steps.join(' ')).not.toMatch(/full processing/);
  });

  test('and what was never safe is thrown away at once', () => {
    const stop = { ...fridge, verdict: 'stop' } as const;
    expect(
      rescueAdvice('too-loose', jars({ keeping: stop, now: FILLED + HOUR_MS })).isThrownAway,
    ).toBe(true);
  });
});

test('a stiff spread is thinned by what was boiled off too much', () => {
  const [step] = rescueAdvice('too-stiff', jars({ solids: { made: 72, meant: 65 } })).steps;
  // 72 / 65 - 1 = 10.8 % of a cup of 16 tablespoons.
  expect(step).toContain('1½ tablespoons');
  expect(rescueAdvice('too-stiff', jars()).steps[0]).toContain('1 tablespoon of');
});

test('a thin butter is told how far to go', () => {
  const [step] = rescueAdvice('thin-butter', jars({ solids: { made: 24, meant: 30 } })).steps;
  expect(step).toContain('20 %');
  const last = (rest: Partial<Affected>) => rescueAdvice('thin-butter', jars(rest)).steps.at(-1);
  expect(last({})).toMatch(/process them in full/);
  expect(last({ untilNow: 'opened' })).toMatch(/not put up again/);
});

test('what has spoiled is never opened, smelt or tasted to find out', () => {
  expect(SPOILAGE_SIGNS).toHaveLength(5);
  expect(THROW_AWAY.title).toMatch(/do not taste/i);
  expect(THROW_AWAY.steps[0]).toMatch(/^Do not open, smell or taste/);
  for (const sign of SIGN_CODES)
    for (const step of rescueAdvice(sign, jars()).steps) expect(step).not.toMatch(/\bsmell\b/i);
});

// USDA Complete Guide to Home Canning, Guide 7 (from memory), per 4 cups: 1/4 cup sugar, 1/2 cup
// water, 2 Tbsp bottled lemon juice, 4 tsp powdered pectin; or 3/4 cup sugar, 2 Tbsp lemon, 2 Tbsp
// liquid pectin; or 2 Tbsp lemon. In ml of spread.
const PUBLISHED = {
  powdered: {
    'white-sugar': 59.1,
    water: 118.3,
    'lemon-juice-bottled': 29.6,
    'pectin-powder': 19.7,
  },
  liquid: { 'white-sugar': 177.4, 'lemon-juice-bottled': 29.6, 'pectin-liquid': 29.6 },
  none: { 'lemon-juice-bottled': 29.6 },
} as const;
const QUART_ML = 946.35;

/** A spoon or cup is filled no more exactly than this, share of it. Common practice. */
const MEASURED_TO = 0.08;

describe.each([
  [1, 'half-pint'],
  [3.5, 'half-pint'],
  [9, 'half-pint'],
  [1, '340-g'],
  [3.5, '340-g'],
  [9, '340-g'],
  [1, 'pint'],
  [9, '4-oz'],
])('%s jars of %s', (count, size) => {
  const spread_ml = count * fillVolume_ml(findJar(size)!, QUARTER_INCH_MM);
  const ways = remakesOf(spread_ml, 60);

  test('get the published amounts, in spoons and cups one has', () => {
    expect(ways.map(({ way }) => way)).toEqual(['powdered', 'liquid', 'none']);
    for (const { way, lines, batches } of ways)
      for (const { ingredient, amount } of lines) {
        const published = (PUBLISHED[way as keyof typeof PUBLISHED] as Record<string, number>)[
          ingredient
        ]!;
        const wanted_ml = (published * spread_ml) / QUART_ML;
        const measured = parseAmount(amount);
        if (!measured.ok) throw new Error(amount);
        const { value, unit } = measured.amount;
        expect(Math.abs((batches * value * unit.si) / wanted_ml - 1)).toBeLessThan(MEASURED_TO);
      }
  });

  test('are shared evenly, 6 cups at once at most', () => {
    for (const { batches, cupsAtOnce } of ways) {
      expect(cupsAtOnce).toBeLessThanOrEqual(6);
      expect(Math.abs(batches * cupsAtOnce * 236.588 - spread_ml)).toBeLessThan(
        batches * 236.588 * 0.13,
      );
    }
  });
});

test('one cup is tried with a quarter of what four take', () => {
  const [powdered] = remakesOf(QUART_ML, 60);
  expect(powdered?.trial).toEqual([
    { ingredient: 'white-sugar', amount: '1 tbsp' },
    { ingredient: 'water', amount: '2 tbsp' },
    { ingredient: 'lemon-juice-bottled', amount: '1½ tsp' },
    { ingredient: 'pectin-powder', amount: '1 tsp' },
  ]);
});
