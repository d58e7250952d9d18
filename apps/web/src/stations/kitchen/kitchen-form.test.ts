import { emptyGear, type KitchenView } from '@idle-kettle/contract';
import { readForm, toForm } from './kitchen-form.js';

const NOW = new Date('2026-09-12T18:00:00.000Z');
const kitchen: KitchenView = {
  id: 'k',
  name: 'Hollow Lane',
  altitude_m: 1180,
  boilingPoint_C: 96.1,
  boilingPointMeasuredAt: '2026-09-01T08:00:00.000Z',
  pressure_kPa: 88,
  pressureReadAt: '2026-09-12T08:00:00.000Z',
  southern: false,
  gear: emptyGear(),
  units: 'metric',
  temperatureUnit: 'C',
  updatedAt: '',
};

test('a kitchen shown and read back is the same kitchen, in either habit', () => {
  for (const habit of [{}, { units: 'us', temperatureUnit: 'F' }] as const) {
    const { settings, errors } = readForm(
      toForm({ ...kitchen, ...habit }),
      { ...kitchen, ...habit },
      NOW,
    );
    expect(errors).toEqual({});
    expect(settings.altitude_m).toBeCloseTo(1180, 0);
    expect(settings).toMatchObject({
      boilingPoint_C: 96.1,
      boilingPointMeasuredAt: '2026-09-01T08:00:00.000Z',
      pressureReadAt: '2026-09-12T08:00:00.000Z',
      southern: false,
    });
  }
});

test('numbers without a unit are read in the habit of the form, and a new measurement is dated', () => {
  const form = {
    ...toForm(kitchen),
    altitude: '3870',
    boilingPoint: '204.8',
    pressure: '879',
    units: 'us',
    temperatureUnit: 'F',
  } as const;
  const { settings } = readForm(form, kitchen, NOW);
  expect(settings.altitude_m).toBeCloseTo(1179.58, 1);
  expect(settings.boilingPoint_C).toBeCloseTo(96, 1);
  expect(settings.boilingPointMeasuredAt).toBe(NOW.toISOString());
  expect(settings).toMatchObject({ pressure_kPa: 87.9, pressureReadAt: NOW.toISOString() });
});

test('nothing measured is null, and drops its date', () => {
  expect(
    readForm({ ...toForm(kitchen), boilingPoint: ' ', altitude: '' }, kitchen, NOW).settings,
  ).toMatchObject({ altitude_m: null, boilingPoint_C: null, boilingPointMeasuredAt: null });
});

test.each([
  [{ altitude: '12,000 m' }, 'altitude', /-430 to 5500 m/],
  [{ altitude: 'high' }, 'altitude', /"high" is not a height/],
  [{ boilingPoint: '37' }, 'boilingPoint', /this cool/],
  [{ boilingPoint: '150 C' }, 'boilingPoint', /this hot/],
  [{ name: '  ' }, 'name', /1 to 80 letters/],
  [{ pressure: '1013.25 kPa' }, 'pressure', /480 to 1090 hPa/],
  [{ pressure: 'low' }, 'pressure', /"low" is not a pressure/],
] as const)('%j is named at its field', (change, field, message) => {
  expect(readForm({ ...toForm(kitchen), ...change }, kitchen, NOW).errors[field]).toMatch(message);
});
