import { validateSync } from 'class-validator';
import { plainToInstance } from 'class-transformer';
import {
  emptyGear,
  type DateStyle,
  flattenErrors,
  type KitchenGear,
  KitchenSettings,
  type KitchenView,
  type TemperatureUnit,
  USUAL_DATE_STYLE,
} from '@idle-kettle/contract';
import {
  formatAltitude,
  formatTemperature,
  parseMeasure,
  type Measures,
  type UnitSystem,
} from '@idle-kettle/core';

/** The kitchen as typed: numbers are text until they are read. */
export interface KitchenForm {
  name: string;
  altitude: string;
  boilingPoint: string;
  pressure: string;
  southern: 'north' | 'south';
  units: UnitSystem;
  temperatureUnit: TemperatureUnit;
  measures: Measures;
  dates: DateStyle;
}

export const toForm = (kitchen: KitchenView): KitchenForm => ({
  name: kitchen.name,
  altitude: kitchen.altitude_m === null ? '' : formatAltitude(kitchen.altitude_m, kitchen.units),
  boilingPoint:
    kitchen.boilingPoint_C === null
      ? ''
      : formatTemperature(kitchen.boilingPoint_C, kitchen.temperatureUnit),
  pressure: kitchen.pressure_kPa === null ? '' : `${(kitchen.pressure_kPa * 10).toFixed(0)} hPa`,
  southern: kitchen.southern ? 'south' : 'north',
  units: kitchen.units,
  temperatureUnit: kitchen.temperatureUnit,
  measures: kitchen.gear?.writing?.measures ?? 'us',
  dates: kitchen.gear?.writing?.dates ?? USUAL_DATE_STYLE,
});

/** The gear with how the household writes measures, days and times. */
const withWriting = (
  gear: KitchenGear,
  writing: Pick<KitchenForm, 'measures' | 'dates'>,
): KitchenGear => ({
  ...gear,
  writing: { names: [], ...gear.writing, ...writing },
});

export type FormErrors = Partial<Record<keyof KitchenForm, string>>;

/**
 * A bare number of an altitude: metres or feet, it does not say which, and the processing time goes by
 * it.
 * @returns the number as typed; undefined where there is a unit, or no number
 */
export const withoutUnit = (text: string): string | undefined =>
  /^\d[\d.,\s]*$/.test(text.trim()) && Number(text.trim()) !== 0 ? text.trim() : undefined;

/**
 * What was typed as settings, checked by the contract's own rules. Fields that cannot be read keep
 * their text and get a message.
 */
export function readForm(
  form: KitchenForm,
  was: KitchenView,
  now: Date,
): { settings: KitchenSettings; errors: FormErrors } {
  const errors: FormErrors = {};
  const measured = (
    field: 'altitude' | 'boilingPoint' | 'pressure',
    name: 'length' | 'temperature' | 'pressure',
    unit: string,
  ): number | null => {
    if (form[field].trim() === '') return null;
    const reading = parseMeasure(name, form[field], '.', unit);
    if (reading.ok) return Math.round(reading.value * 100) / 100;
    errors[field] = reading.message;
    return null;
  };
  const bare = withoutUnit(form.altitude);
  if (bare !== undefined)
    errors.altitude = `is ${bare} in metres or in feet? Write “${bare} m” or “${bare} ft”`;
  const boilingPoint_C = measured('boilingPoint', 'temperature', form.temperatureUnit);
  const unchanged =
    boilingPoint_C !== null &&
    was.boilingPoint_C !== null &&
    Math.abs(boilingPoint_C - was.boilingPoint_C) < 0.06;
  const pressure_kPa = measured('pressure', 'pressure', 'hPa');
  const samePressure =
    pressure_kPa !== null &&
    was.pressure_kPa !== null &&
    Math.abs(pressure_kPa - was.pressure_kPa) < 0.06;
  const taken = (
    value: number | null,
    isAsBefore: boolean,
    before: string | null,
  ): string | null => {
    if (value === null) return null;
    return isAsBefore ? before : now.toISOString();
  };
  const settings = plainToInstance(KitchenSettings, {
    name: form.name.trim(),
    altitude_m: measured('altitude', 'length', form.units === 'metric' ? 'm' : 'ft'),
    boilingPoint_C: unchanged ? was.boilingPoint_C : boilingPoint_C,
    boilingPointMeasuredAt: taken(boilingPoint_C, unchanged, was.boilingPointMeasuredAt),
    pressure_kPa,
    pressureReadAt: taken(pressure_kPa, samePressure, was.pressureReadAt),
    southern: form.southern === 'south',
    units: form.units,
    temperatureUnit: form.temperatureUnit,
    gear: withWriting(was.gear ?? emptyGear(), { measures: form.measures, dates: form.dates }),
  } satisfies KitchenSettings);
  const fieldOf: Readonly<Record<string, keyof KitchenForm>> = {
    altitude_m: 'altitude',
    boilingPoint_C: 'boilingPoint',
    pressure_kPa: 'pressure',
    name: 'name',
    units: 'units',
    temperatureUnit: 'temperatureUnit',
  };
  for (const { path, message } of flattenErrors(validateSync(settings))) {
    const field = fieldOf[path];
    if (field) errors[field] ??= message;
  }
  return { settings, errors };
}
