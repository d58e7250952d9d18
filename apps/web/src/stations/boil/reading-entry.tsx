import { ChevronDown, ChevronUp } from 'lucide-react';
import { useRef, useState } from 'react';
import type { TemperatureUnit } from '@idle-kettle/contract';
import { parseMeasure } from '@idle-kettle/core';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { shortcutTarget } from '../../ui/shortcuts.js';

/** Steps of the one-tap row: half a degree Celsius, or one Fahrenheit. */
const STEP: Readonly<Record<TemperatureUnit, number>> = { C: 0.5, F: 1 };
const BUTTONS = 6;

interface ReadingEntryProps {
  /** Where the row of values begins: the last reading, or boiling water. */
  readonly near_C: number;
  readonly gel_C: number;
  readonly onReading: (temperature_C: number) => void;
}

/**
 * What the thermometer says, in one tap or typed. The row stands around the last reading, since a
 * pot climbs slowly.
 */
export function ReadingEntry({ near_C, gel_C, onReading }: ReadingEntryProps) {
  const { temperatureUnit } = usePreferences();
  const { toUnit, fromUnit } = useFormats();
  const step = STEP[temperatureUnit];
  const [shift, setShift] = useState({ near: near_C, by: 0 });
  const moved = shift.near === near_C ? shift.by : 0;
  const first = Math.round(toUnit(near_C) / step) * step + (moved - 1) * step;
  const values = Array.from({ length: BUTTONS }, (_, i) => first + i * step);
  const gel = toUnit(gel_C);
  const move = (by: number): void => setShift({ near: near_C, by: moved + by });
  return (
    <section aria-label="Reading" className="panel p-3">
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 pb-2">
        <h2 className="text-xl">Tap what the thermometer says</h2>
        <Typed onReading={onReading} />
      </div>
      <div className="grid grid-cols-6 gap-2 sm:grid-cols-8 sm:max-lg:gap-1.5">
        <button
          type="button"
          className="btn order-last col-span-3 h-14 sm:order-none sm:col-span-1 sm:h-[76px] sm:flex-col sm:gap-0 sm:px-1"
          aria-label="Lower values"
          onClick={() => move(-BUTTONS + 2)}
        >
          <ChevronDown aria-hidden="true" className="size-6 shrink-0" /> lower
        </button>
        {values.map((value) => {
          const reached = value >= gel - 1e-6;
          return (
            <button
              key={value.toFixed(1)}
              type="button"
              className={`btn display col-span-2 h-16 px-1 text-[26px] sm:col-span-1 sm:h-[76px] sm:max-lg:text-[20px] ${reached ? 'border-success text-good' : ''}`}
              aria-label={`Reading ${value.toFixed(1)} degrees${reached ? ', at the finish' : ''}`}
              onClick={() => onReading(fromUnit(value))}
            >
              {value.toFixed(temperatureUnit === 'C' ? 1 : 0)}°
            </button>
          );
        })}
        <button
          type="button"
          className="btn order-last col-span-3 h-14 sm:col-span-1 sm:h-[76px] sm:flex-col sm:gap-0 sm:px-1"
          aria-label="Higher values"
          onClick={() => move(BUTTONS - 2)}
        >
          <ChevronUp aria-hidden="true" className="size-6 shrink-0" /> higher
        </button>
      </div>
    </section>
  );
}

function Typed({ onReading }: { readonly onReading: (temperature_C: number) => void }) {
  const { temperatureUnit } = usePreferences();
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const reading = parseMeasure('temperature', text, '.', temperatureUnit);
        if (!reading.ok) {
          setWrong(reading.message);
          return;
        }
        onReading(reading.value);
        setText('');
        setWrong(undefined);
        input.current?.focus();
      }}
    >
      <label className="flex items-center gap-2">
        <span className="text-sm text-soft">or type it</span>
        <input
          ref={input}
          {...shortcutTarget('reading')}
          className="input w-28 text-lg font-semibold"
          inputMode="decimal"
          aria-invalid={wrong !== undefined}
          aria-describedby="reading-wrong"
          placeholder={`°${temperatureUnit}`}
          value={text}
          maxLength={12}
          onChange={(event) => {
            setText(event.target.value);
            setWrong(undefined);
          }}
        />
      </label>
      <button type="submit" className="btn btn-secondary" disabled={text.trim() === ''}>
        Log
      </button>
      <span id="reading-wrong" role="alert" className="text-sm text-bad">
        {wrong}
      </span>
    </form>
  );
}
