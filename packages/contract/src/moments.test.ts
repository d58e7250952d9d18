import * as fc from 'fast-check';
import { isDay, isMoment } from './moments.js';

test.each([
  ['2026-11-23', true],
  ['2024-02-29', true],
  ['1900-01-01', true],
  ['2026-02-29', false],
  ['2026-11-31', false],
  ['2026-13-01', false],
  ['2026-W47-1', false],
  ['2026-327', false],
  ['20261123', false],
  ['0000-00-00', false],
  ['20026-11-23', false],
  ['2026-11-23T00:00:00Z', false],
  [20261123, false],
  [null, false],
])('%j is a day: %s', (text, right) => expect(isDay(text)).toBe(right));

test.each([
  ['2026-09-12T18:00:00.000Z', true],
  ['2026-09-12T18:00:00+02:00', true],
  ['2026-09-12T18:00Z', true],
  ['2026-09-12T18:00:00', false],
  ['2026-09-12', false],
  ['2026-09-12 18:00:00Z', false],
  ['2026-02-30T18:00:00Z', false],
  ['2026-W37-6T18:00:00Z', false],
  ['2026-09-12T24:00:00Z', false],
  ['2026-09-12T18:00:60Z', false],
  ['2026-09-12T18:00:00+25:00', false],
  ['275760-09-13T00:00:00.000Z', false],
  [{}, false],
])('%j is a moment: %s', (text, right) => expect(isMoment(text)).toBe(right));

test('every moment of the years taken is one as the browser writes it', () => {
  const range = { noInvalidDate: true, min: new Date('1900-01-01'), max: new Date('2999-12-31') };
  fc.assert(
    fc.property(fc.date(range), (date) => {
      expect(isMoment(date.toISOString())).toBe(true);
      expect(isDay(date.toISOString().slice(0, 10))).toBe(true);
    }),
  );
});
