import { ChevronDown, ChevronUp, type LucideIcon } from 'lucide-react';
import { useRef, useState } from 'react';
import type { TemperatureUnit } from '@idle-kettle/contract';
import { parseMeasure } from '@idle-kettle/core';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';
import { shortcutTarget } from '../../ui/shortcuts.js';

/** Steps of the one-tap row: half a degree Celsius, or one Fahrenheit. */
const STEP: Readonly<Record<TemperatureUnit, number>> = { C: 0.5, F: 1 };
const BUTTONS = 6;
/** As many of them fit beside each other on a phone. */
const ON_PHONE = 3;

interface ReadingEntryProps {
  /** Where the row of values begins: the last reading, or boiling water. */
  readonly near_C: number;
  readonly gel_C: number;
  readonly onReading: (temperature_C: number) => void;
}

/**
 * What the thermometer says, in one tap or typed. The row stands around the last reading, since a
 * pan climbs slowly.
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
    <section aria-label="Reading" className="panel px-3 py-2">
      <div className="flex flex-wrap items-center justify-between gap-x-4 pb-1.5">
        <h2 className="text-lg sm:text-xl">Tap the reading</h2>
        <Typed onReading={onReading} />
      </div>
      <div className="grid grid-cols-5 gap-1.5 sm:grid-cols-8">
        <Shift Icon={ChevronDown} words="lower" onClick={() => move(-ON_PHONE)} />
        {values.map((value, i) => {
          const reached = value >= gel - 1e-6;
          return (
            <button
              key={value.toFixed(1)}
              type="button"
              className={`btn display h-14 px-0.5 text-[19px] sm:h-16 lg:text-[24px] ${i < ON_PHONE ? '' : 'hidden sm:inline-flex'} ${reached ? 'border-success text-good' : ''}`}
              aria-label={`Reading ${value.toFixed(1)} degrees${reached ? ', at the finish' : ''}`}
              onClick={() => onReading(fromUnit(value))}
            >
              {value.toFixed(temperatureUnit === 'C' ? 1 : 0)}°
            </button>
          );
        })}
        <Shift Icon={ChevronUp} words="higher" onClick={() => move(ON_PHONE)} />
      </div>
    </section>
  );
}

interface ShiftProps {
  readonly Icon: LucideIcon;
  readonly words: string;
  readonly onClick: () => void;
}

/** Goes to lower or higher values. */
const Shift = ({ Icon, words, onClick }: ShiftProps) => (
  <button
    type="button"
    data-repeat
    className="btn h-14 flex-col gap-0 px-0.5 text-[15px] sm:h-16"
    aria-label={`${capital(words)} values`}
    onClick={onClick}
  >
    <Icon aria-hidden="true" className="size-5 shrink-0" /> {words}
  </button>
);

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
        <span className="text-sm text-soft max-sm:sr-only">or type it</span>
        <input
          ref={input}
          {...shortcutTarget('reading')}
          className="input w-20 text-lg font-semibold sm:w-28"
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
