import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { balance, readFormula } from '@idle-kettle/core';
import { KitchenGear } from '@idle-kettle/contract';
import { DEMO_BATCHES, DEMO_GEAR, DEMO_KITCHEN } from './household.js';
import { OWN_FORMULAS } from './past-batches.table.js';
import { dayBefore, pastBatches } from './past-to-demo.js';

test('what the finished batches gave lies in the range that was expected of them', () => {
  for (const { document, finished } of DEMO_BATCHES) {
    const result = balance(readFormula(document, DEMO_KITCHEN).formula);
    for (const { size, full, part } of finished?.jars ?? []) {
      const expected = result?.jars.find((jar) => jar.size === size)?.count;
      expect(full + part).toBeGreaterThan((expected?.low ?? Infinity) * 0.9);
      expect(full + part).toBeLessThan((expected?.high ?? 0) * 1.1);
    }
  }
});

test('the household is invented at 1,180 m, with one batch on the stove', () => {
  expect(DEMO_KITCHEN.altitude_m).toBe(1180);
  expect(DEMO_BATCHES.filter((batch) => batch.finished === undefined)).toHaveLength(1);
  for (const { finished } of DEMO_BATCHES)
    expect(finished?.eaten ?? 0).toBeLessThan(finished?.jars[0]?.full ?? 1);
});

test('its gear is what the wire would take, and says which pan and thermometer are in use', () => {
  expect(
    validateSync(plainToInstance(KitchenGear, DEMO_GEAR), {
      whitelist: true,
      forbidNonWhitelisted: true,
    }),
  ).toEqual([]);
  expect(DEMO_GEAR.vessels.some(({ id }) => id === DEMO_GEAR.usualPanId)).toBe(true);
  expect(DEMO_GEAR.thermometers.some(({ id }) => id === DEMO_GEAR.thermometerId)).toBe(true);
});

const NOW = new Date('2026-11-28T12:00:00.000Z');

test('two years of batches: of every kind and setting method, all over and none in the future', () => {
  const past = pastBatches(NOW);
  expect(past.length + DEMO_BATCHES.length).toBeGreaterThanOrEqual(45);
  expect(new Set(past.map(({ document }) => document.method)).size).toBeGreaterThanOrEqual(6);
  expect(new Set(past.map(({ document }) => document.kind)).size).toBeGreaterThanOrEqual(8);
  for (const { minutesAgo, finished } of past) {
    expect(minutesAgo).toBeGreaterThan(2 * 24 * 60);
    expect(minutesAgo).toBeLessThan(3 * 366 * 24 * 60);
    const [jar] = finished?.jars ?? [];
    const given = (finished?.given ?? []).reduce((sum, [, count]) => sum + count, 0);
    expect((finished?.eaten ?? 0) + given).toBeLessThanOrEqual(jar?.full ?? 0);
  }
});

test('a batch falls on the last such day that is over, or a year before', () => {
  const on = (...day: Parameters<typeof dayBefore>[1]): string =>
    dayBefore(NOW, day).toISOString().slice(0, 10);
  expect(on(0, 9, 6)).toBe('2026-09-06');
  expect(on(1, 9, 6)).toBe('2025-09-06');
  expect(on(0, 12, 5)).toBe('2025-12-05');
  // What was made yesterday has not had its lids pressed.
  expect(on(0, 11, 27)).toBe('2025-11-27');
});

test('the household’s own formulas are understood and give jars', () => {
  for (const document of OWN_FORMULAS) {
    const { formula, problems } = readFormula(document, DEMO_KITCHEN);
    expect(problems).toEqual([]);
    expect(balance(formula)?.jars[0]?.count.mid).toBeGreaterThan(3);
  }
});
