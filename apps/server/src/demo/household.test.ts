import { assessKeeping, balance, readFormula } from '@idle-kettle/core';
import { DEMO_BATCHES, DEMO_FORMULAS, DEMO_KITCHEN } from './household.js';

test.each(DEMO_FORMULAS.map((document) => [document.title, document] as const))(
  '%s is understood whole and gives something sensible',
  (_, document) => {
    const { formula, problems } = readFormula(document, DEMO_KITCHEN);
    expect(problems).toEqual([]);
    const result = balance(formula);
    expect(result?.warnings).toEqual([]);
    const solids = result?.finish.solubleSolidsPercent.mid ?? 0;
    const full = document.kind !== 'curd' && !['no-gel', 'calcium-pectin'].includes(document.method);
    expect(solids).toBeGreaterThan(full ? 58 : 25);
    expect(solids).toBeLessThan(full ? 68 : 55);
    expect(['good', 'firm']).toContain(result?.set.verdict);
    // All keep on the shelf by the tables but the curd, which is not the published one.
    expect(assessKeeping(formula).verdict).toBe(document.kind === 'curd' ? 'fridge' : 'shelf');
    expect(result?.jars[0]?.count.mid).toBeGreaterThan(3);
    expect(result?.waterToBoilOff_kg.mid).toBeGreaterThan(0);
  },
);

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
