import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { balance, readFormula } from '@idle-kettle/core';
import { KitchenGear } from '@idle-kettle/contract';
import { DEMO_BATCHES, DEMO_GEAR, DEMO_KITCHEN } from './household.js';

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
