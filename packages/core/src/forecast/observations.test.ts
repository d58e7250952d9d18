import { binObservations, type Observation } from './observations.js';

const at = (time_s: number, temperature_C: number): Observation => ({ time_s, temperature_C });

test('readings of one instrument close together are one, with their mean and a smaller doubt', () => {
  const [alone] = binObservations([at(0, 100)]);
  const [together, later, ...rest] = binObservations([
    at(0, 100),
    at(10, 101),
    at(20, 102),
    at(30, 104),
  ]);
  expect(rest).toEqual([]);
  expect(together).toMatchObject({ kind: 'temperature', time_s: 10, value: 101 });
  expect(later).toMatchObject({ time_s: 30, value: 104 });
  expect(together?.sd).toBeLessThan(alone?.sd ?? 0);
  // Half of the error does not average out, however many there are.
  const many = binObservations(Array.from({ length: 20 }, (_, i) => at(i, 100)))[0];
  expect(many?.sd).toBeGreaterThan((alone?.sd ?? 0) * 0.7);
});

test('each instrument by itself, in order of time', () => {
  const bins = binObservations([
    at(0, 99),
    { time_s: 2, mass_kg: 3.1 },
    at(4, 99.4),
    { time_s: 5, solidsPercent: 55 },
  ]);
  expect(bins.map(({ kind }) => kind)).toEqual(['temperature', 'mass', 'solids']);
  expect(bins[0]?.value).toBeCloseTo(99.2, 9);
});

test('what is no number, or before the clock, is left out', () =>
  expect(binObservations([at(0, NaN), at(-5, 99), { time_s: 3, mass_kg: Infinity }])).toEqual([]));
