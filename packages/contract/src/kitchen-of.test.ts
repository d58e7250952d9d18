import { emptyGear, kitchenOf, type KitchenGear, type KitchenSettings } from './index.js';

const NOW = Date.parse('2026-09-12T18:00:00.000Z');
const settings = (
  gear: Partial<KitchenGear>,
  change: Partial<KitchenSettings> = {},
): KitchenSettings => ({
  name: 'Hollow Lane',
  altitude_m: 1180,
  boilingPoint_C: null,
  boilingPointMeasuredAt: null,
  units: 'metric',
  temperatureUnit: 'C',
  gear: { ...emptyGear(), ...gear },
  ...change,
});
const PAN = { id: 'p', name: 'Pan', kind: 'pan' } as const;

test('what is not known is left to the tables', () => {
  expect(kitchenOf(settings({}), NOW)).toEqual({ altitude_m: 1180 });
});

test('a barometer counts for a day', () => {
  const at = (pressureReadAt: string) =>
    kitchenOf(settings({}, { pressure_kPa: 87.9, pressureReadAt }), NOW);
  expect(at('2026-09-12T08:00:00.000Z')).toMatchObject({ pressure_kPa: 87.9 });
  expect(at('2026-09-11T08:00:00.000Z')).not.toHaveProperty('pressure_kPa');
});

test('the usual pan, with the strongest burner under it; other vessels do not count', () => {
  const burners = [
    { id: 'a', name: 'Small', kind: 'gas', power_kW: 1.8 },
    { id: 'b', name: 'Big', kind: 'gas', power_kW: 3.5 },
    { id: 'c', name: 'Unknown', kind: 'induction' },
  ] as const;
  const vessels = [
    { ...PAN, capacity_l: 16, evaporation_kgPerH: 2.1 },
    { ...PAN, id: 'q', capacity_l: 5 },
  ];
  expect(kitchenOf(settings({ vessels, usualPanId: 'p', burners: [...burners] }), NOW).pan).toEqual(
    {
      capacity_l: 16,
      evaporation_kgPerH: 2.1,
      heat_W: 1575,
    },
  );
  expect(kitchenOf(settings({ vessels }), NOW)).not.toHaveProperty('pan');
  // Every pan and every ring whose power is known, for a boil that says what it is on.
  const { pans, rings } = kitchenOf(
    settings({
      vessels: [...vessels, { id: 's', name: 'Slow', kind: 'slow-cooker' }],
      burners: [...burners],
    }),
    NOW,
  );
  expect(pans).toEqual([
    { id: 'p', capacity_l: 16, evaporation_kgPerH: 2.1 },
    { id: 'q', capacity_l: 5 },
  ]);
  expect(rings?.map(({ id }) => id)).toEqual(['a', 'b']);
});

test('only jars that were measured beat the table', () => {
  const jars = [
    { size: '340-g', stock: 12 },
    { size: 'pint', volume_ml: 481 },
  ];
  expect(kitchenOf(settings({ jars }), NOW).jars).toEqual([{ size: 'pint', volume_ml: 481 }]);
});
