import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { format } from 'date-fns';
import { fingerprint, FORMULA_FIELDS, type KeepingReasonCode } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { now } from '../../data/clock.js';

/**
 * Refusals that nothing in the pot can lift, only a tested source or a measured pH; see the keeping
 * rules.
 */
const LIFTED_BY_ROUTE: ReadonlySet<KeepingReasonCode> = new Set<KeepingReasonCode>([
  'low-acid',
  'unknown-ingredient',
]);

/**
 * The two ways by which produce that may reach pH 4.6 comes to the shelf all the same: a tested
 * formula, or a meter.
 */
export function WaysToTheShelf() {
  const { keeping, document, boil } = useBatch();
  const { testedSource, measuredPH } = document;
  const asked = keeping?.reasons.some(({ code }) => LIFTED_BY_ROUTE.has(code)) ?? false;
  if (boil.processed || (!asked && !testedSource && !measuredPH)) return null;
  return (
    <section aria-label="Ways to the shelf" className="panel mt-4 p-4">
      <h2 className="text-xl">Ways to the shelf</h2>
      <p className="mt-1 text-soft">
        This pot may reach pH 4.6, where botulism can grow, and an estimate never makes it safe.
        Only one of these does.
      </p>
      <div className="mt-3 grid gap-4 lg:grid-cols-2">
        <Tested />
        <Measured />
      </div>
    </section>
  );
}

const TESTED = 'A tested formula, made unchanged';
const MEASURED = 'A pH measured in this batch';

interface GivenProps {
  readonly title: string;
  readonly claim: 'testedSource' | 'measuredPH';
  readonly children: ReactNode;
}

/** A claim that was entered, whether it still is of this formula, and the way back. */
function Given({ title, claim, children }: GivenProps) {
  const { document, asMade, change } = useBatch();
  const of = document[claim]?.of;
  return (
    <div>
      <h3 className="font-semibold">{title}</h3>
      {children}
      <p className="mt-1">
        {of === undefined || of === fingerprint(asMade)
          ? 'Any edit of an ingredient, amount, finish or process voids it.'
          : 'The formula was edited since, so it no longer counts.'}
      </p>
      <button
        type="button"
        className="btn mt-2"
        onClick={() =>
          change('', (was) => {
            const next = { ...was };
            delete next[claim];
            return next;
          })
        }
      >
        Take it back
      </button>
    </div>
  );
}

const { publisher: publisherField, year: yearField } = FORMULA_FIELDS.testedSource;
const isYear = (text: string): boolean =>
  /^\d{4}$/.test(text) && Number(text) >= yearField.least && Number(text) <= yearField.most;

function Tested() {
  const { document, change } = useBatch();
  const { testedSource } = document;
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { publisher: '', year: '', unchanged: false },
    mode: 'onChange',
  });
  if (testedSource)
    return (
      <Given title={TESTED} claim="testedSource">
        <p className="mt-1">
          {testedSource.publisher}, {testedSource.year}.
        </p>
      </Given>
    );
  const attest = handleSubmit(({ publisher, year }) =>
    change('attest', (was) => ({
      ...was,
      testedSource: {
        publisher: publisher.trim(),
        year: Number(year),
        unchanged: true,
        of: fingerprint(was),
      },
    })),
  );
  return (
    <form className="flex flex-col gap-2" onSubmit={(event) => void attest(event)}>
      <h3 className="font-semibold">{TESTED}</h3>
      <div className="flex flex-wrap gap-3">
        <label className="flex min-w-40 flex-1 flex-col gap-1 text-sm text-soft">
          who published it
          <input
            className="input w-full text-base-content"
            maxLength={publisherField.most}
            {...register('publisher', { validate: (text) => text.trim() !== '' })}
          />
        </label>
        <label className="flex flex-col gap-1 text-sm text-soft">
          year
          <input
            className="input w-24 text-base-content"
            inputMode="numeric"
            maxLength={4}
            {...register('year', { required: true, validate: isYear })}
          />
        </label>
      </div>
      <label className="flex min-h-[44px] items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          {...register('unchanged', { required: true })}
        />
        I make it exactly as published
      </label>
      <button type="submit" className="btn self-start" disabled={!formState.isValid}>
        I attest it
      </button>
    </form>
  );
}

const { least: LEAST_PH, most: MOST_PH } = FORMULA_FIELDS.measuredPH.value;
const pHFrom = (text: string): number => Number(text.replace(',', '.'));
const isPH = (text: string): boolean => pHFrom(text) >= LEAST_PH && pHFrom(text) <= MOST_PH;

function Measured() {
  const { document, asMade, change } = useBatch();
  const { measuredPH } = document;
  const today = format(now(), 'yyyy-MM-dd');
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { value: '', meterCalibratedOn: '', measuredOn: '' },
    mode: 'onChange',
  });
  const use = handleSubmit(({ value, ...days }) =>
    change('pH', (was) => ({
      ...was,
      measuredPH: { value: pHFrom(value), ...days, of: fingerprint(asMade) },
    })),
  );
  if (measuredPH)
    return (
      <Given title={MEASURED} claim="measuredPH">
        <p className="mt-1">
          pH {measuredPH.value} on {measuredPH.measuredOn}, meter calibrated on{' '}
          {measuredPH.meterCalibratedOn}.
        </p>
      </Given>
    );
  return (
    <form className="flex flex-col gap-2" onSubmit={(event) => void use(event)}>
      <h3 className="font-semibold">{MEASURED}</h3>
      <div className="flex flex-wrap gap-3">
        <label className="flex flex-col gap-1 text-sm text-soft">
          pH
          <input
            className="input w-20 text-base-content"
            inputMode="decimal"
            placeholder="4.0"
            maxLength={5}
            {...register('value', { required: true, validate: isPH })}
          />
        </label>
        <label className="flex flex-col gap-1 text-sm text-soft">
          meter calibrated on
          <input
            type="date"
            max={today}
            className="input w-40 text-base-content"
            {...register('meterCalibratedOn', { required: true })}
          />
        </label>
        <label className="flex flex-col gap-1 text-sm text-soft">
          measured on
          <input
            type="date"
            max={today}
            className="input w-40 text-base-content"
            {...register('measuredOn', { required: true })}
          />
        </label>
      </div>
      <p className="text-sm text-soft">
        With a meter calibrated the same day, in the finished and cooled spread, puréed. A paper
        strip is not a meter. 4.2 or less counts.
      </p>
      <button type="submit" className="btn self-start" disabled={!formState.isValid}>
        Use this pH
      </button>
    </form>
  );
}
