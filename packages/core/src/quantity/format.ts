import { fahrenheit, FOOT_M } from './measure.js';
import { unitById, type Unit } from './units.js';

/** The habit of the person: which units are shown first. */
export type UnitSystem = 'metric' | 'us';

/** Fractions found on measuring cups and spoons. */
const KITCHEN_FRACTIONS: readonly (readonly [number, string])[] = [
  [0, ''],
  [1 / 8, '⅛'],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [3 / 8, '⅜'],
  [1 / 2, '½'],
  [5 / 8, '⅝'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [7 / 8, '⅞'],
  [1, ''],
];

/** Measures from the largest, and the least of each that is worth dirtying it for. */
const MEASURES = [
  { id: 'cup', least: 0.24 },
  { id: 'tbsp', least: 0.9 },
  { id: 'tsp', least: 0 },
] as const;

/** A measuring cup is not filled more exactly than this, share of it. Common practice. */
const CLOSE_ENOUGH = 0.06;

/** The number to the nearest fraction a kitchen can measure. */
function nearestKitchenShare(value: number): number {
  const whole = Math.floor(value);
  const part = value - whole;
  return (
    whole +
    KITCHEN_FRACTIONS.reduce(
      (best, [share]) => (Math.abs(share - part) < Math.abs(best - part) ? share : best),
      0,
    )
  );
}

/**
 * The number to the nearest fraction a kitchen can measure, as written: 2.48 is "2½", never "2.48".
 */
export function kitchenFraction(value: number): string {
  const nearest = nearestKitchenShare(value);
  const whole = Math.floor(nearest + 1e-9);
  const mark =
    KITCHEN_FRACTIONS.find(([share]) => Math.abs(share - (nearest - whole)) < 1e-6)?.[1] ?? '';
  return whole === 0 && mark !== '' ? mark : `${whole}${mark}`;
}

/** `value` with about `digits` significant figures, never in exponent form. */
export function figures(value: number, digits: number): string {
  if (!Number.isFinite(value) || value === 0) return '0';
  const places = Math.max(0, digits - 1 - Math.floor(Math.log10(Math.abs(value))));
  return value.toFixed(Math.min(places, 6));
}

const counted = (count: string, unit: Unit): string =>
  `${count} ${unit.name[/^(1|[⅛¼⅓⅜½⅝⅔¾⅞])$/.test(count) ? 0 : 1]}`;

/** A mass for people: "2.40 kg", "310 g", "5 lb 5 oz", "1½ oz". @param mass_kg from 0 */
export function formatMass(mass_kg: number, system: UnitSystem): string {
  if (system === 'metric') {
    if (mass_kg >= 0.9995) return `${figures(mass_kg, 3)} kg`;
    const grams = mass_kg * 1000;
    return grams >= 9.95 ? `${Math.round(grams)} g` : `${figures(grams, 2)} g`;
  }
  const ounces = mass_kg / unitById('oz').si;
  if (ounces < 15.75) return counted(kitchenFraction(Math.max(ounces, 1 / 8)), unitById('oz'));
  const whole = Math.round(ounces);
  return whole % 16 === 0 ? `${whole / 16} lb` : `${Math.floor(whole / 16)} lb ${whole % 16} oz`;
}

/** A volume for people: "1.20 l", "310 ml", "2½ cups", "3 tbsp". @param volume_ml from 0 */
export function formatVolume(volume_ml: number, system: UnitSystem): string {
  if (system === 'metric') {
    if (volume_ml >= 999.5) return `${figures(volume_ml / 1000, 3)} l`;
    return volume_ml >= 9.95 ? `${Math.round(volume_ml)} ml` : `${figures(volume_ml, 2)} ml`;
  }
  // The largest measure that says it closely: 68 ml is 4⅝ tbsp, since a ¼ cup would be an eighth
  // short.
  const ways = MEASURES.map(({ id, least }) => {
    const unit = unitById(id);
    const exact = volume_ml / unit.si;
    const share = Math.max(nearestKitchenShare(exact), 1 / 8);
    return { unit, share, off: exact < least ? Infinity : Math.abs(share / exact - 1) };
  });
  const chosen = ways.find((way) => way.off <= CLOSE_ENOUGH) ?? ways[2];
  return chosen ? counted(kitchenFraction(chosen.share), chosen.unit) : '';
}

/** A temperature with one decimal and its letter: "100.5 °C". */
export function formatTemperature(temperature_C: number, unit: 'C' | 'F'): string {
  const value = unit === 'C' ? temperature_C : fahrenheit(temperature_C);
  return `${value.toFixed(1)} °${unit}`;
}

/** An altitude to whole metres or feet: "1180 m". */
export function formatAltitude(altitude_m: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${Math.round(altitude_m)} m`
    : `${Math.round(altitude_m / FOOT_M)} ft`;
}
