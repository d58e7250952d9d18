import { useForm } from 'react-hook-form';
import { MEASURED_LIMIT } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { logEvent } from '../../data/log-event.js';
import * as dates from '../../ui/dates.js';

const LEAST_PH = 1.5;
const MOST_PH = 9;
const pHFrom = (text: string): number => Number(text.trim().replace(',', '.'));
const isPH = (text: string): boolean =>
  text.trim() !== '' && pHFrom(text) >= LEAST_PH && pHFrom(text) <= MOST_PH;

/**
 * A pH of this batch: logged, never carried to another. What it does for the verdict is core's to
 * say.
 */
export function MeasuredPH() {
  const { id, boil, keeping } = useBatch();
  const { register, handleSubmit, formState, reset } = useForm({
    defaultValues: { value: '', twoBuffers: false },
    mode: 'onChange',
  });
  const isAsked =
    keeping.processMeanwhile !== null &&
    keeping.reasons.some(({ code }) => code === 'low-acid' || code === 'not-acid-enough');
  if (boil.jarred.length === 0 || (!isAsked && boil.measuredPHs.length === 0)) return null;
  const use = handleSubmit(({ value, twoBuffers }) => {
    logEvent(id, 'measured-ph', { value: pHFrom(value), twoBuffers });
    reset();
  });
  const told = keeping.reasons.find(
    ({ code }) => code === 'measured-pH' || code === 'measured-pH-void',
  );
  return (
    <section aria-label="Measured pH" className="panel p-4">
      <h2 className="text-xl">Measured pH</h2>
      {boil.measuredPHs.map(({ value, at }) => (
        <p key={at}>
          pH <strong>{value.toFixed(2)}</strong>, {dates.dayAndTime(at)}
        </p>
      ))}
      {told && <p className="text-soft">{told.text}.</p>}
      <p className="mt-1 text-soft">
        A spoonful from a filled jar, cooled and blended smooth, within two days of filling.{' '}
        {MEASURED_LIMIT.toFixed(2)} or less counts. A paper strip is not a meter.
      </p>
      <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={(event) => void use(event)}>
        <label className="flex flex-col gap-1 text-sm text-soft">
          pH
          <input
            className="input w-24 text-base-content"
            inputMode="decimal"
            placeholder="4.05"
            maxLength={5}
            {...register('value', { validate: isPH })}
          />
        </label>
        <label className="flex min-h-[44px] items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            {...register('twoBuffers', { required: true })}
          />
          the meter was set in two buffers today
        </label>
        <button type="submit" className="btn" disabled={!formState.isValid}>
          Log this pH
        </button>
      </form>
    </section>
  );
}
