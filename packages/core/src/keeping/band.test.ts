import { processBand } from './band.js';

// Bands of the process tables: USDA Complete Guide to Home Canning (from memory).
test.each([
  [-100, '0-1000-ft'],
  [0, '0-1000-ft'],
  [304.8, '0-1000-ft'],
  [305, '1001-3000-ft'],
  [914.4, '1001-3000-ft'],
  [915, '3001-6000-ft'],
  [1180, '3001-6000-ft'],
  [1828.8, '3001-6000-ft'],
  [1829, 'above-6000-ft'],
  [3048, 'above-6000-ft'],
  [3049, undefined],
])('%f m is in the band %s', (altitude, band) => expect(processBand(altitude)?.id).toBe(band));

test('no altitude, no band', () => expect(processBand(undefined)).toBeNull());
