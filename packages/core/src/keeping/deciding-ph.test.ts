import { decidingPH } from './deciding-ph.js';

test.each([
  [4.24, 4.2, 1, '4.24'],
  [4.24, 4.2, 2, '4.24'],
  [4.2004, 4.2, 2, '4.2004'],
  [4.2, 4.2, 1, '4.2'],
  [4.19, 4.2, 1, '4.2'],
  [3.61, 4.4, 1, '3.6'],
  [4.44, 4.4, 1, '4.44'],
  [5.9, 4.2, 1, '5.9'],
])('%f at a limit of %f, %i digits at least: %s', (pH, limit, least, shown) =>
  expect(decidingPH(pH, limit, least)).toBe(shown),
);
