import { formatDistanceToNow } from 'date-fns';
import { useState } from 'react';
import { useForm, useWatch, type Resolver } from 'react-hook-form';
import { toast } from 'sonner';
import { kitchenOf, type KitchenView } from '@idle-kettle/contract';
import { boilingPointAt, gelTemperature_C, MEASURES, thermometerOffset_K } from '@idle-kettle/core';
import { ApiProblem } from '../../data/api.js';
import { today } from '../../data/clock.js';
import { saveKitchen, useKitchens } from '../../data/kitchens.js';
import { useLessons } from '../../data/queries.js';
import { dateStyleOptions } from '../../ui/dates.js';
import { MEASURES_WORDS } from '../../ui/measures-words.js';
import { Notice } from '../../ui/notice.js';
import { useHour } from '../../ui/now.js';
import { formatsOf } from '../../ui/preferences.js';
import { sentence } from '../../ui/sentence.js';
import { readForm, toForm, withoutUnit, type KitchenForm } from './kitchen-form.js';
import { Places } from './places.js';

/** Where the kitchen stands, and what is measured in it. */
export function Place() {
  const kitchens = useKitchens().data ?? [];
  const [kitchen] = kitchens;
  if (!kitchen) return null;
  return (
    <>
      <Places kitchens={kitchens} />
      <Settings key={kitchen.id} kitchen={kitchen} />
    </>
  );
}

function Settings({ kitchen }: { readonly kitchen: KitchenView }) {
  const resolver: Resolver<KitchenForm> = (values) => {
    const { errors } = readForm(values, kitchen, today());
    const entries = Object.entries(errors).map(([field, message]) => [
      field,
      { type: 'validate', message },
    ]);
    return entries.length === 0
      ? { values, errors: {} }
      : {
          values: {},
          errors: Object.fromEntries(entries) as Record<string, { type: string; message: string }>,
        };
  };
  /** The settings the form shows are from then. */
  const [loadedAt, setLoadedAt] = useState(kitchen.updatedAt);
  const { register, handleSubmit, control, getValues, reset, setValue, formState } =
    useForm<KitchenForm>({
      defaultValues: toForm(kitchen),
      resolver,
      mode: 'onChange',
    });
  const { errors, isDirty } = formState;
  const form = useWatch({ control }) as KitchenForm;
  const bare = withoutUnit(form.altitude);

  const undo = async (to: KitchenView): Promise<void> => {
    const saved = await saveKitchen(to, undefined);
    setLoadedAt(saved.updatedAt);
    reset(toForm(saved));
  };
  /** Saves what was changed as soon as its field is left. */
  const save = handleSubmit(async (values) => {
    try {
      const next = { ...kitchen, ...readForm(values, kitchen, today()).settings };
      const saved = await saveKitchen(next, loadedAt);
      setLoadedAt(saved.updatedAt);
      // What is typed meanwhile stays.
      const typed = getValues();
      reset(toForm(saved));
      for (const field of Object.keys(typed) as (keyof KitchenForm)[])
        if (typed[field] !== values[field])
          setValue(field, typed[field], { shouldDirty: true, shouldValidate: true });
      toast.success('Kitchen saved', {
        id: 'kitchen-saved',
        action: { label: 'Undo', onClick: () => void undo(kitchen) },
        duration: 10_000,
      });
    } catch (error) {
      toast.error(
        error instanceof ApiProblem ? error.message : 'Not saved yet: the server does not answer',
        {
          description: 'What you typed is still here.',
        },
      );
    }
  });

  return (
    <div className="grid gap-5 lg:grid-cols-[minmax(0,1fr)_340px]">
      <form
        onSubmit={(event) => void save(event)}
        onBlur={() => {
          if (isDirty) void save();
        }}
        onChange={({ target }) => {
          if (target instanceof HTMLSelectElement) setTimeout(() => void save());
        }}
        className="panel flex flex-col gap-4 p-5"
        noValidate
      >
        <Field label="Name of the kitchen" error={errors.name?.message} id="name">
          <input
            id="name"
            className="input w-full max-w-sm"
            maxLength={80}
            {...register('name')}
            aria-invalid={Boolean(errors.name)}
            aria-describedby="name-hint"
          />
        </Field>
        <Field
          label="Altitude"
          hint={`Above the sea, such as ${form.units === 'metric' ? '1180 m' : '3870 ft'}. From a map is good enough.`}
          error={errors.altitude?.message}
          id="altitude"
        >
          <input
            id="altitude"
            className="input w-44"
            placeholder={form.units === 'metric' ? '1180 m' : '3870 ft'}
            maxLength={20}
            {...register('altitude')}
            aria-invalid={Boolean(errors.altitude)}
            aria-describedby="altitude-hint"
          />
          {bare !== undefined && (
            <span className="ml-2 inline-flex flex-wrap items-center gap-2">
              {(['m', 'ft'] as const).map((unit) => (
                <button
                  key={unit}
                  type="button"
                  className="btn"
                  onClick={() => {
                    setValue('altitude', `${bare} ${unit}`, {
                      shouldDirty: true,
                      shouldValidate: true,
                    });
                    void save();
                  }}
                >
                  {bare} {unit === 'm' ? 'metres' : 'feet'}
                </button>
              ))}
            </span>
          )}
        </Field>
        <Field
          label="Boiling water, on your thermometer"
          hint="The surest of all: bring water to a full rolling boil and write what the thermometer shows. It corrects for altitude, weather and the thermometer’s own error. Leave it empty if not measured."
          error={errors.boilingPoint?.message}
          id="boilingPoint"
        >
          <input
            id="boilingPoint"
            className="input w-44"
            placeholder={form.temperatureUnit === 'C' ? '96.1 °C' : '205.0 °F'}
            maxLength={20}
            {...register('boilingPoint')}
            aria-invalid={Boolean(errors.boilingPoint)}
            aria-describedby="boilingPoint-hint"
          />
          {kitchen.boilingPointMeasuredAt !== null && kitchen.boilingPoint_C !== null && (
            <span className="ml-3 text-sm text-soft">
              measured{' '}
              {formatDistanceToNow(new Date(kitchen.boilingPointMeasuredAt), { addSuffix: true })}
            </span>
          )}
        </Field>
        <Field
          label="Pressure today"
          hint="From a barometer in this kitchen, not from a forecast: that one is reduced to sea level. It counts for a day."
          error={errors.pressure?.message}
          id="pressure"
        >
          <input
            id="pressure"
            className="input w-44"
            placeholder="880 hPa"
            maxLength={20}
            {...register('pressure')}
            aria-invalid={Boolean(errors.pressure)}
            aria-describedby="pressure-hint"
          />
        </Field>
        <div className="flex flex-wrap gap-5">
          <Field label="Weights and volumes" id="units">
            <select id="units" className="select w-44" {...register('units')}>
              <option value="metric">grams and litres</option>
              <option value="us">pounds and US cups</option>
            </select>
          </Field>
          <Field label="Cups, spoons and pints" id="measures">
            <select id="measures" className="select w-44" {...register('measures')}>
              {MEASURES.map((each) => (
                <option key={each} value={each}>
                  {MEASURES_WORDS[each]}
                </option>
              ))}
            </select>
          </Field>
          <Field label="Dates and times" id="dates">
            <select id="dates" className="select w-52" {...register('dates')}>
              {dateStyleOptions(today()).map(([each, words]) => (
                <option key={each} value={each}>
                  {words}
                </option>
              ))}
            </select>
          </Field>
          <Field label="Temperature" id="temperatureUnit">
            <select id="temperatureUnit" className="select w-44" {...register('temperatureUnit')}>
              <option value="C">degrees Celsius</option>
              <option value="F">degrees Fahrenheit</option>
            </select>
          </Field>
          <Field label="Hemisphere" id="southern">
            <select id="southern" className="select w-44" {...register('southern')}>
              <option value="north">northern</option>
              <option value="south">southern</option>
            </select>
          </Field>
        </div>
        <p className="text-sm text-soft" role="status">
          {formState.isSubmitting
            ? 'Saving…'
            : 'Everything here is saved when you leave its field.'}
        </p>
      </form>
      <Derived form={form} kitchen={kitchen} />
    </div>
  );
}

interface FieldProps {
  readonly id: string;
  readonly label: string;
  readonly hint?: string;
  readonly error?: string | undefined;
  readonly children: React.ReactNode;
}

function Field({ id, label, hint, error, children }: FieldProps) {
  return (
    <div>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <div className="mt-1">{children}</div>
      <p
        id={`${id}-hint`}
        className={`mt-1 text-sm ${error === undefined ? 'text-soft' : 'text-bad'}`}
        role={error === undefined ? undefined : 'alert'}
      >
        {error === undefined ? hint : sentence(error)}
      </p>
    </div>
  );
}

const FROM_WORDS = {
  measured: 'as you measured it',
  learned: 'by the place, on your thermometer as learned from your boils',
  pressure: 'by the pressure',
  altitude: 'by the altitude; weather moves it half a degree',
  'sea-level': 'at sea level, since no altitude is entered',
} as const;

/** What follows from the settings as they are being typed. */
function Derived({ form, kitchen }: { readonly form: KitchenForm; readonly kitchen: KitchenView }) {
  const hour = useHour();
  const { settings, errors } = readForm(form, kitchen, new Date(0));
  const learned = useLessons().data;
  const place = kitchenOf(
    {
      ...settings,
      altitude_m: errors.altitude === undefined ? settings.altitude_m : null,
      boilingPoint_C: errors.boilingPoint === undefined ? settings.boilingPoint_C : null,
      pressure_kPa: errors.pressure === undefined ? (settings.pressure_kPa ?? null) : null,
    },
    settings.pressureReadAt === kitchen.pressureReadAt
      ? hour
      : Date.parse(settings.pressureReadAt ?? ''),
    [],
    learned?.kitchenId === kitchen.id ? learned.lessons : undefined,
  );
  const formats = formatsOf(form);
  const isKnown = [place.altitude_m, place.pressure_kPa, place.boilingPoint_C].some(
    (each) => each !== undefined,
  );
  const water = boilingPointAt(place);
  const offset = thermometerOffset_K(place);
  return (
    <aside aria-label="What follows" className="flex flex-col gap-4">
      <section className="panel p-5">
        {isKnown ? (
          <>
            <p className="text-soft">
              {form.temperatureUnit === 'F' ? 'gel point' : 'setting point'}
            </p>
            <p className="display text-[58px] leading-none">
              {formats.degrees(gelTemperature_C(place))}
            </p>
            <p className="mt-3 text-soft">water boils at</p>
            <p className="text-[26px] font-bold">{formats.temperature(water.boilingPoint_C.mid)}</p>
            <p className="text-sm text-soft">{FROM_WORDS[water.from]}</p>
          </>
        ) : (
          <p>Enter the altitude: where to stop and how long to process follow from it.</p>
        )}
      </section>
      {offset !== undefined && Math.abs(offset) > 1 && (
        <Notice
          title={
            Math.abs(offset) > 3
              ? 'Altitude and thermometer disagree'
              : `The thermometer reads ${offset > 0 ? 'high' : 'low'}`
          }
          tone="care"
        >
          At this altitude water boils near {formats.temperature(water.boilingPoint_C.mid - offset)}
          ; the thermometer says {formats.difference(Math.abs(offset))}{' '}
          {offset > 0 ? 'more' : 'less'}.
          {Math.abs(offset) > 3
            ? ' Check both before you trust either.'
            : ' The temperature to stop at allows for it.'}
        </Notice>
      )}
      {form.altitude.trim() === '' && (
        <Notice title="Enter your altitude too">
          Boiling water tells where to stop, but how long jars are processed goes by the altitude
          you state, never by a thermometer.
        </Notice>
      )}
    </aside>
  );
}
