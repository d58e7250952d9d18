import { createContext, useContext } from 'react';
import type { FoodNameBody, TemperatureUnit } from '@idle-kettle/contract';
import {
  celsius,
  fahrenheit,
  formatAltitude,
  formatMass,
  formatTemperature,
  formatVolume,
  INCH_MM,
  type Kitchen,
  type Measures,
  type UnitSystem,
} from '@idle-kettle/core';

/** What the person prefers, and the kitchen everything is computed for. */
export interface Preferences {
  readonly units: UnitSystem;
  readonly temperatureUnit: TemperatureUnit;
  /** The kitchen in use, as the computation takes it. */
  readonly kitchen: Kitchen;
  /** False until the kitchen has been read or while its altitude is not stated. */
  readonly isPlaceKnown: boolean;
  /** South of the equator. */
  readonly southern: boolean;
  /** Whose cups, spoons and pints the person writes in; undefined is the US. */
  readonly measures?: Measures | undefined;
  /** What this household takes words for that no table knows. */
  readonly foodNames: readonly FoodNameBody[];
}

export const PreferencesContext = createContext<Preferences>({
  units: 'metric',
  temperatureUnit: 'C',
  kitchen: {},
  isPlaceKnown: false,
  southern: false,
  foodNames: [],
});

const QUARTERS = ['', '¼', '½', '¾'] as const;
/** "¼", "1½": to the nearest quarter. */
function inQuarters(value: number): string {
  const quarters = Math.max(Math.round(value * 4), 1);
  return `${Math.floor(quarters / 4) || ''}${QUARTERS[quarters % 4] ?? ''}`;
}

export interface Formats {
  readonly mass: (kg: number) => string;
  /** The same mass in the other system, shown small. */
  readonly otherMass: (kg: number) => string;
  readonly volume: (ml: number) => string;
  readonly temperature: (celsius: number) => string;
  /** Number only, for large readouts. */
  readonly degrees: (celsius: number) => string;
  readonly difference: (kelvin: number) => string;
  readonly altitude: (metres: number) => string;
  /** Room left in a jar: "6 mm", "1/4 in". */
  readonly headspace: (millimetres: number) => string;
  readonly toUnit: (celsius: number) => number;
  readonly fromUnit: (value: number) => number;
}

export function formatsOf({
  units,
  temperatureUnit,
}: Pick<Preferences, 'units' | 'temperatureUnit'>): Formats {
  const inF = temperatureUnit === 'F';
  const toUnit = (temperature_C: number): number =>
    inF ? fahrenheit(temperature_C) : temperature_C;
  return {
    mass: (kg) => formatMass(kg, units),
    otherMass: (kg) => formatMass(kg, units === 'metric' ? 'us' : 'metric'),
    volume: (ml) => formatVolume(ml, units),
    temperature: (temperature_C) => formatTemperature(temperature_C, temperatureUnit),
    degrees: (temperature_C) => `${toUnit(temperature_C).toFixed(1)}°`,
    difference: (kelvin) => `${(kelvin * (inF ? 9 / 5 : 1)).toFixed(1)}°`,
    altitude: (metres) => formatAltitude(metres, units),
    headspace: (millimetres) =>
      units === 'us' ? `${inQuarters(millimetres / INCH_MM)} in` : `${millimetres.toFixed(0)} mm`,
    toUnit,
    fromUnit: (value) => (inF ? celsius(value) : value),
  };
}

export const usePreferences = (): Preferences => useContext(PreferencesContext);
export const useFormats = (): Formats => formatsOf(usePreferences());
