import { documentOf } from '../testing/formula.js';
import { logFrom } from '../testing/log.js';
import { boilFrom, type BatchEvent } from '../boil-log/index.js';
import type { FormulaDocument } from '../formula/index.js';
import { sugarSoFar, type SugarSoFar } from './sugar-so-far.js';

const START = Date.parse('2026-10-03T15:00:00.000Z');
const event = logFrom(START, 60_000);
const QUINCE = documentOf([
  ['2 kg', 'quince'],
  ['1.8 kg', 'white-sugar'],
]);
const TASTED = documentOf([
  ['20 kg', 'pear'],
  ['to taste', 'brown-sugar'],
]);

function sumOf(document: FormulaDocument, ...events: readonly BatchEvent[]): SugarSoFar {
  const boil = boilFrom([
    event('light', 0, { gelTemperature_C: 104, boilingPoint_C: 99.6 }),
    ...events,
  ]);
  return sugarSoFar(boil, document, {});
}
const part = (minute: number, text: string): BatchEvent =>
  event('addition', minute, { text, planned: true });

test('by degrees: parts add up, the rest is to go, and with "the sugar is in" nothing is', () => {
  expect(sumOf(QUINCE)).toMatchObject({ in_kg: 0, planned_kg: 1.8, isToTaste: false });
  const two = sumOf(QUINCE, part(5, '600 g sugar'), part(9, '500 g white sugar'));
  expect(two.in_kg).toBeCloseTo(1.1, 6);
  expect(two.toGo_kg).toBeCloseTo(0.7, 6);
  const all = sumOf(QUINCE, part(5, '600 g sugar'), event('sugar-in', 12, {}));
  expect([all.in_kg, all.toGo_kg]).toEqual([expect.closeTo(1.8, 6), 0]);
});

test('to taste: what was added is the sum; nothing is to go, and its name is the formula’s', () => {
  const sum = sumOf(
    TASTED,
    event('addition', 300, { text: '2 kg brown sugar' }),
    event('addition', 320, { text: '500 g brown sugar' }),
    event('addition', 325, { text: '200 ml lemon juice' }),
  );
  expect(sum).toMatchObject({ toGo_kg: 0, isToTaste: true, name: 'brown sugar' });
  expect(sum.in_kg).toBeCloseTo(2.5, 6);
  expect(sum.parts).toHaveLength(2);
});

test('a part taken back does not count', () => {
  const slip = part(5, '600 g sugar');
  expect(sumOf(QUINCE, slip, event('undo', 6, { eventId: slip.id })).in_kg).toBe(0);
});
