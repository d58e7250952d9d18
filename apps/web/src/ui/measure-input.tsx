import { useId, useState } from 'react';
import {
  figures,
  formatMass,
  formatTemperature,
  formatVolume,
  parseAmount,
  parseMeasure,
  type UnitSystem,
} from '@idle-kettle/core';
import type { TemperatureUnit } from '@idle-kettle/contract';
import { usePreferences } from './preferences.js';

/** What is measured, in the unit the value has. */
export type Measured =
  'litres' | 'millilitres' | 'kilograms' | 'grams' | 'celsius' | 'kilowatts' | 'number';

type Reading =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly message: string };

/** The value as the person writes it. */
function write(
  value: number,
  of: Measured,
  units: UnitSystem,
  temperature: TemperatureUnit,
): string {
  switch (of) {
    case 'litres':
      return formatVolume(value * 1000, units);
    case 'millilitres':
      return formatVolume(value, units);
    case 'kilograms':
      return formatMass(value, units);
    case 'grams':
      return formatMass(value / 1000, units);
    case 'celsius':
      return formatTemperature(value, temperature);
    case 'kilowatts':
      return `${figures(value, 2)} kW`;
    case 'number':
      return `${value}`;
  }
}

const PER: Readonly<
  Partial<Record<Measured, { kind: 'mass' | 'volume'; si: number; bare: string; eg: string }>>
> = {
  litres: { kind: 'volume', si: 1000, bare: 'l', eg: '"8 l" or "9 quarts"' },
  millilitres: { kind: 'volume', si: 1, bare: 'ml', eg: '"265 ml" or "9 fl oz"' },
  kilograms: { kind: 'mass', si: 1, bare: 'kg', eg: '"1.9 kg" or "4 lb"' },
  grams: { kind: 'mass', si: 0.001, bare: 'g', eg: '"49 g" or "1 3/4 oz"' },
};

function read(text: string, of: Measured, temperature: TemperatureUnit): Reading {
  const plain = text.trim().replace(',', '.');
  if (of === 'celsius') return parseMeasure('temperature', text, '.', temperature);
  const per = PER[of];
  if (!per) {
    const value = Number(plain.replace(/\s*kw$/i, ''));
    return Number.isFinite(value)
      ? { ok: true, value }
      : { ok: false, message: `"${text}" is not a number` };
  }
  const amount = parseAmount(/^[\d.]+$/.test(plain) ? `${plain} ${per.bare}` : text);
  return amount.ok && amount.amount.unit.kind === per.kind
    ? { ok: true, value: (amount.amount.value * amount.amount.unit.si) / per.si }
    : { ok: false, message: `"${text}": write ${per.eg}` };
}

interface MeasureInputProps {
  readonly label: string;
  readonly of: Measured;
  readonly value: number | undefined;
  readonly least: number;
  readonly most: number;
  readonly placeholder?: string;
  readonly className?: string;
  readonly onChange: (value: number | undefined) => void;
}

/**
 * A measured value, typed with or without its unit and kept when the field is left. What cannot be
 * read stays as it was typed, with what would be right.
 */
export function MeasureInput({
  label,
  of,
  value,
  least,
  most,
  placeholder,
  className = 'w-28',
  onChange,
}: MeasureInputProps) {
  const { units, temperatureUnit } = usePreferences();
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const hint = useId();
  const shown =
    value === undefined
      ? ''
      : write(value, of, units, temperatureUnit)
          .replace(/(\.\d*?)0+(?= )/, '$1')
          .replace(/\.(?= )/, '');
  const keep = (): void => {
    if (typed === undefined || typed === shown) return setTyped(undefined);
    if (typed.trim() === '') {
      setTyped(undefined);
      setWrong(undefined);
      return onChange(undefined);
    }
    const reading = read(typed, of, temperatureUnit);
    if (!reading.ok) return setWrong(reading.message);
    if (reading.value < least || reading.value > most)
      return setWrong(
        `write ${write(least, of, units, temperatureUnit)} to ${write(most, of, units, temperatureUnit)}`,
      );
    setWrong(undefined);
    setTyped(undefined);
    // Finer than any kitchen measures, and free of the tails of unit conversion.
    onChange(Number(reading.value.toPrecision(5)));
  };
  return (
    <label className="flex flex-col gap-1 text-sm text-soft">
      {label}
      <input
        className={`input text-base-content ${className}`}
        value={typed ?? shown}
        placeholder={placeholder ?? ''}
        maxLength={24}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong === undefined ? undefined : hint}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
        }}
      />
      {wrong !== undefined && (
        <span id={hint} role="alert" className="max-w-48 text-bad">
          {wrong}
        </span>
      )}
    </label>
  );
}

interface TextInputProps {
  readonly label: string;
  readonly value: string;
  readonly placeholder?: string;
  readonly className?: string;
  readonly onChange: (value: string) => void;
}

/** A short text, kept when the field is left; emptied it goes back to what it was. */
export function TextInput({
  label,
  value,
  placeholder = '',
  className = 'w-44',
  onChange,
}: TextInputProps) {
  const [typed, setTyped] = useState<string>();
  const keep = (): void => {
    const next = typed?.trim();
    setTyped(undefined);
    if (next !== undefined && next !== '' && next !== value) onChange(next);
  };
  return (
    <label className="flex flex-col gap-1 text-sm text-soft">
      {label}
      <input
        className={`input text-base-content ${className}`}
        value={typed ?? value}
        placeholder={placeholder}
        maxLength={60}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
        }}
      />
    </label>
  );
}
