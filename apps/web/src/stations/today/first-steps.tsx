import { Suspense, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { KitchenView } from '@idle-kettle/contract';
import {
  boilingPointAt,
  gelTemperature_C,
  parseMeasure,
  PROCESS_BANDS,
  PROCESS_ROWS,
  processBand,
} from '@idle-kettle/core';
import { ApiProblem } from '../../data/api.js';
import { saveKitchen } from '../../data/kitchens.js';
import { now as clockNow } from '../../data/clock.js';
import { dateStyleOptions } from '../../ui/dates.js';
import { habitOf, type Habit } from '../../ui/habit.js';
import { formatsOf } from '../../ui/preferences.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { sentence } from '../../ui/sentence.js';
import { fetchedPart } from '../../ui/fetched-part.js';

// After the first paint: it brings the tables of fruit with it.
const WhatHaveYou = fetchedPart(() => import('./what-have-you.js'));

/**
 * A household that has made nothing here yet: how it writes amounts, how high it lives with what that
 * changes, and what it has got.
 */
export function FirstSteps({ kitchen }: { readonly kitchen: KitchenView }) {
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      <section aria-label="Your kitchen" className="panel p-5">
        <h2 className="text-xl">Your kitchen</h2>
        <YourKitchen kitchen={kitchen} />
      </section>
      <section aria-label="What have you got?" className="panel p-5">
        <h2 className="text-xl">What have you got?</h2>
        <Suspense
          fallback={<p className="min-h-[300px] pt-2 text-soft">Looking up what is in season…</p>}
        >
          <WhatHaveYou />
        </Suspense>
      </section>
      <p className="lg:col-span-2">
        No fruit yet?{' '}
        <Link to="/practice" className="inline-flex min-h-[44px] items-center underline">
          Practise on a simulated pan
        </Link>
      </p>
    </div>
  );
}

/** The altitude as typed: metres or feet have to be said, the processing time goes by it. */
function readAltitude(text: string, units: Habit['units']): number | string | undefined {
  if (text.trim() === '') return undefined;
  const read = parseMeasure('length', text, '.', units === 'us' ? 'ft' : 'm');
  return read.ok ? read.value : read.message;
}

function YourKitchen({ kitchen }: { readonly kitchen: KitchenView }) {
  const [habit, setHabit] = useState<Habit>(() =>
    kitchen.altitude_m === null
      ? habitOf(navigator.languages)
      : { ...habitOf(navigator.languages), ...kitchen },
  );
  const formats = formatsOf(habit);
  const [text, setText] = useState(
    kitchen.altitude_m === null ? '' : formats.altitude(kitchen.altitude_m),
  );
  const altitude = readAltitude(text, habit.units);
  const save = async (): Promise<void> => {
    if (typeof altitude !== 'number') return;
    const { units, temperatureUnit, southern, measures, dates } = habit;
    try {
      await saveKitchen({
        ...kitchen,
        units,
        temperatureUnit,
        southern,
        altitude_m: Math.round(altitude * 100) / 100,
        gear: { ...kitchen.gear, writing: { names: [], ...kitchen.gear.writing, measures, dates } },
      });
      toast.success('Kitchen saved');
    } catch (error) {
      toast.error(
        error instanceof ApiProblem
          ? (error.problem.errors?.[0]?.message ?? error.message)
          : 'Not saved: the server does not answer. What you typed is still here.',
      );
    }
  };
  return (
    <form
      className="mt-2 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <p className="text-soft">As your browser suggests; change what does not fit.</p>
      <RadioButtons
        name="Weights and volumes"
        options={[
          ['metric', 'grams and litres'],
          ['us', 'pounds and US cups'],
        ]}
        value={habit.units}
        onChange={(units) => setHabit({ ...habit, units })}
      />
      <RadioButtons
        name="Temperature"
        options={[
          ['C', 'degrees Celsius'],
          ['F', 'degrees Fahrenheit'],
        ]}
        value={habit.temperatureUnit}
        onChange={(temperatureUnit) => setHabit({ ...habit, temperatureUnit })}
      />
      <RadioButtons
        name="Dates and times"
        options={dateStyleOptions(clockNow())}
        value={habit.dates}
        onChange={(dates) => setHabit({ ...habit, dates })}
      />
      <label className="font-semibold">
        Altitude
        <span className="mt-1 flex flex-wrap items-center gap-2 font-normal">
          <input
            className="input w-40"
            aria-invalid={typeof altitude === 'string'}
            placeholder={habit.units === 'us' ? '3870 ft' : '1180 m'}
            maxLength={20}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <button type="submit" className="btn btn-primary" disabled={typeof altitude !== 'number'}>
            Save
          </button>
        </span>
      </label>
      <p role="status" className={typeof altitude === 'string' ? 'text-bad' : 'text-soft'}>
        {typeof altitude === 'string'
          ? sentence(altitude)
          : changesWords(typeof altitude === 'number' ? altitude : undefined, habit)}
      </p>
    </form>
  );
}

/** Minutes of jam in jars that were not sterilised first; undefined where the tables end. */
function jamMinutes(altitude_m: number): number | undefined {
  const band = processBand(altitude_m);
  return band === null ? undefined : PROCESS_ROWS.jam.minutes[PROCESS_BANDS.indexOf(band)];
}

/** What an altitude changes, as it is typed. */
function changesWords(altitude_m: number | undefined, habit: Habit): string {
  if (altitude_m === undefined)
    return 'Height above the sea; from a map is good enough. Where to stop and how long jars are processed follow from it.';
  const formats = formatsOf(habit);
  const place = { altitude_m };
  const water = formats.temperature(boilingPointAt(place).boilingPoint_C.mid);
  const stop = formats.temperature(gelTemperature_C(place));
  const minutes = jamMinutes(altitude_m);
  return `Here water boils at ${water}, a long boil stops at ${stop}${minutes === undefined ? '' : `, and jam in pint jars or smaller is processed ${minutes} min`}.`;
}

export default FirstSteps;
