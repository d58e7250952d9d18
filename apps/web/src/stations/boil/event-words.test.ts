import type { BatchEvent } from '@idle-kettle/core';
import { formatsOf } from '../../ui/preferences.js';
import { eventWords } from './event-words.js';

const words = (type: BatchEvent['type'], body: object, units: 'metric' | 'us' = 'metric'): string =>
  eventWords(
    { id: 'e', at: '2026-09-12T18:00:00Z', device: 'tablet', type, body } as BatchEvent,
    formatsOf({ units, temperatureUnit: units === 'us' ? 'F' : 'C' }),
  );

test.each([
  ['reading', { temperature_C: 97.1 }, '97.1 °C', '206.8 °F'],
  ['weighed', { mass_kg: 1.7 }, 'On the scale 1.70 kg', 'On the scale 3 lb 12 oz'],
] as const)('%s in the person’s units', (type, body, metric, us) => {
  expect(words(type, body)).toBe(metric);
  expect(words(type, body, 'us')).toBe(us);
});

test('lids that are not down are counted', () => {
  expect(words('seals', { size: '454-g', failed: [] })).toMatch(
    /^Lids pressed, 454 g jars: all down/,
  );
  expect(words('seals', { size: '454-g', failed: [2, 5] })).toMatch(/2 × 454 g jars not sealed/);
});

test('a second process is told from the first', () => {
  const processed = { method: 'boiling-water', minutes: 15, altitude_m: 1180 };
  expect(words('processed', processed)).toBe('Processed 15 min in boiling water');
  expect(words('processed', { ...processed, again: { size: '454-g', jars: [2] } })).toBe(
    'Processed again, with new lids: 1 × 454 g jar, 15 min',
  );
});
