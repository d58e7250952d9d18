import type { HouseholdImport } from '@idle-kettle/contract';
import { broughtWords, notOfHousehold } from './files.js';

const NONE = {
  kitchens: 0,
  preparedWeights: 0,
  formulas: 0,
  batches: 0,
  events: 0,
  lots: 0,
  moves: 0,
  frozenFruit: 0,
  photos: 0,
  practiceScenarios: 0,
  practiceRuns: 0,
};
const words = (
  added: Partial<HouseholdImport['added']>,
  already: Partial<HouseholdImport['added']> = {},
  attestationsLeftOut = 0,
  leftOut: HouseholdImport['leftOut'] = [],
): string =>
  broughtWords({
    added: { ...NONE, ...added },
    already: { ...NONE, ...already },
    leftOut,
    attestationsLeftOut,
  }).join(' ');

test('what came in, counted', () => {
  expect(words({ batches: 1, events: 17, lots: 2, kitchens: 1 })).toBe(
    'New here: 1 batch with 17 events, 2 lots of jars, 1 kitchen.',
  );
  expect(words({}, { batches: 60 })).toBe(
    'Nothing new was in it. What was here already stayed as it is.',
  );
  expect(words({ formulas: 3 }, {}, 2)).toMatch(
    /^New here: 3 formulas\. Tested sources and measured pH .* left out/,
  );
});

test('what was left out, and why', () => {
  const left = words({}, { batches: 2 }, 0, [
    { part: 'events', count: 3, reason: 'log-exists' },
    { part: 'lots', count: 1, reason: 'batch-deleted' },
  ]);
  expect(left).toMatch(/Left out: 3 events of batches that have a log here/);
  expect(left).toMatch(/Left out: 1 lot of jars of batches that were deleted here/);
});

test('a file that cannot be a household’s is refused before it is sent', () => {
  expect(notOfHousehold('PK\u0003\u0004', 900)).toMatch(/not JSON/);
  expect(notOfHousehold('{}', 300e6)).toMatch(/256 MB.*backup/);
  expect(notOfHousehold(' {"format":"idle-kettle/household"', 255e6)).toBeUndefined();
});
