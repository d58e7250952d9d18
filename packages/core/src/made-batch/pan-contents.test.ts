import type { FormulaDocument } from '../formula/index.js';
import { documentOf } from '../testing/formula.js';
import { logFrom } from '../testing/log.js';
import { type BatchEvent, boilFrom, CookingClock } from '../boil-log/index.js';
import { panContents, withoutOmitted, type PanContents } from './pan-contents.js';

const START = Date.parse('2026-10-03T15:00:00.000Z');
const event = logFrom(START, 60_000);
const LIGHT = event('light', 0, { gelTemperature_C: 100.5, boilingPoint_C: 96.1 });
const DAMSON = documentOf([
  ['2 kg', 'damson'],
  ['300 ml', 'water'],
  ['1.8 kg', 'white-sugar'],
]);
function potOf(
  events: readonly BatchEvent[],
  unsaid: 'in' | 'out' = 'in',
  document: FormulaDocument = DAMSON,
): PanContents {
  const boil = boilFrom([LIGHT, ...events]);
  const pot = panContents(
    boil,
    document,
    { altitude_m: 300 },
    new CookingClock(boil, START),
    START,
    unsaid,
  );
  if (!pot) throw new Error('nothing in the pan');
  return pot;
}
const kg = ({ contents }: PanContents['whole']): number => contents.mass;

test('sugar that waits for soft skins goes in when the log says so, by the pan’s clock', () => {
  const { whole, first, added } = potOf([event('sugar-in', 15, {})]);
  expect(kg(whole) - kg(first)).toBeCloseTo(1.8, 6);
  expect(added).toHaveLength(1);
  expect(added[0]?.time_s).toBe(900);
  expect((added[0]?.soluble_kg ?? 0) + (added[0]?.water_kg ?? 0)).toBeCloseTo(1.8, 2);
});

test('by degrees each part goes in at its time, and at the last what is left of it', () => {
  const part = event('addition', 10, { text: '600 g sugar', planned: true });
  const { first, added } = potOf([part, event('sugar-in', 20, {})]);
  expect(kg(first)).toBeCloseTo(2.3, 1);
  expect(added.map(({ time_s }) => time_s)).toEqual([600, 1200]);
  expect(added[0]?.soluble_kg).toBeCloseTo(0.6, 2);
  expect(added[1]?.soluble_kg).toBeCloseTo(1.2, 2);
  // While parts go in, the rest is not taken to be in.
  expect(potOf([part]).added.map(({ soluble_kg }) => soluble_kg)).toEqual([expect.closeTo(0.6, 2)]);
  // More than there is of it is all of it.
  const much = event('addition', 12, { text: '1.5 kg sugar', planned: true });
  const sum = potOf([part, much]).added.reduce((kg_, each) => kg_ + each.soluble_kg, 0);
  expect(sum).toBeCloseTo(1.8, 2);
});

test('warmed sugar goes in warm', () => {
  const warm = potOf([event('sugar-in', 15, {})], 'in', { ...DAMSON, sugarIn: 'warmed' });
  expect(warm.added[0]?.temperature_C).toBe(80);
  expect(potOf([event('sugar-in', 15, {})]).added[0]?.temperature_C).toBeUndefined();
});

test('where nothing is said of it, it is as asked; ticked in the plan beforehand, it is in', () => {
  expect(kg(potOf([]).first)).toBeCloseTo(4.1, 1);
  expect(kg(potOf([], 'out').first)).toBeCloseTo(2.3, 1);
  expect(kg(potOf([event('step', -60, { code: 'macerate' })], 'out').first)).toBeCloseTo(4.1, 1);
});

test('additions in the order of the log, nothing for words that are not understood, none for one taken back', () => {
  const slip = event('addition', 7, { text: '1 l water' });
  const { added } = potOf([
    event('addition', 5, { text: '200 ml water' }),
    event('addition', 6, { text: 'a little love' }),
    slip,
    event('undo', 8, { eventId: slip.id }),
  ]);
  expect(added.map(({ time_s }) => time_s)).toEqual([300, 360]);
  expect(added[0]?.water_kg).toBeCloseTo(0.2, 2);
  expect(added[1]).toMatchObject({ water_kg: 0, soluble_kg: 0 });
});

test('a line left out is gone once, however often it is said; one that is not there is named', () => {
  const left = (...ingredients: string[]) =>
    withoutOmitted(
      DAMSON,
      boilFrom(ingredients.map((ingredient, i) => event('omission', i, { ingredient }))),
    );
  expect(left('water').document.lines).toHaveLength(2);
  expect(left('water', 'water').document.lines).toHaveLength(2);
  expect(left('honey')).toEqual({ document: DAMSON, missed: ['honey'] });
});
