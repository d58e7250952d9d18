import type { HouseholdImport } from '@idle-kettle/contract';
import { broughtWords, unreadable } from './files.js';

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
): string =>
  broughtWords({
    added: { ...NONE, ...added },
    already: { ...NONE, ...already },
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

test('a text that cannot be a household’s file is refused before it is sent', () => {
  expect(unreadable('{"format":')).toMatch(/not JSON/);
  expect(unreadable('{"format":"idle-kettle/household"}')).toBeUndefined();
});
