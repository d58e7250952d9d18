import { useForm } from 'react-hook-form';
import {
  fingerprint,
  FORMULA_FIELDS,
  JAR_SIZES,
  type KeepingReasonCode,
  type SourceKind,
  type SourceMethod,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { PROCESS_WORDS } from '../../batch/words.js';
import { now } from '../../data/clock.js';

/**
 * Refusals that nothing in the pan can lift, only a tested source or a measured pH; see the keeping
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
  const asked = keeping.reasons.some(({ code }) => LIFTED_BY_ROUTE.has(code));
  if (boil.processed || (!asked && !document.testedSource)) return null;
  return (
    <section aria-label="Ways to the shelf" className="panel mt-4 p-4">
      <h2 className="text-xl">Ways to the shelf</h2>
      <p className="mt-1 text-soft">
        This pan may reach pH 4.6, where botulism can grow, and an estimate never makes it safe.
        Only one of these does.
      </p>
      <div className="mt-3 grid gap-4 lg:grid-cols-2">
        <Tested />
        <div>
          <h3 className="font-semibold">A pH measured in this batch</h3>
          <p className="mt-1 text-soft">
            After filling, at Jar: process the jars there, refrigerate them, and within two days log
            what a pH meter shows in a cooled, blended spoonful. 4.20 or less counts, in this batch
            and no other.
          </p>
        </div>
      </div>
    </section>
  );
}

const SOURCE_WORDS: Readonly<Record<SourceKind, string>> = {
  'food-authority': 'a national or state food authority',
  'extension-service': 'a university extension service',
  'pectin-or-jar-maker': 'the laboratory of a maker of pectin or jars',
  other: 'family, a friend, a web log, a book without a laboratory',
};
const KINDS = Object.keys(SOURCE_WORDS) as readonly SourceKind[];
const METHODS: readonly SourceMethod[] = ['boiling-water', 'steam'];
const EARLIEST_YEAR = 1988;
const { title: titleField, page: pageField, minutes: minutesField } = FORMULA_FIELDS.testedSource;

const isYear = (text: string): boolean =>
  /^\d{4}$/.test(text) &&
  Number(text) >= EARLIEST_YEAR &&
  Number(text) <= new Date(now()).getFullYear();
const areMinutes = (text: string): boolean =>
  /^\d+$/.test(text) && Number(text) >= minutesField.least && Number(text) <= minutesField.most;

function Tested() {
  const { document, asMade, formula, change } = useBatch();
  const { testedSource } = document;
  const { register, handleSubmit, formState, watch } = useForm({
    defaultValues: {
      kind: '' as SourceKind | '',
      title: '',
      year: '',
      page: '',
      jar: document.jars[0]?.size ?? '',
      minutes: '',
      method: 'boiling-water' as SourceMethod,
      unchanged: false,
    },
    mode: 'onChange',
  });
  if (testedSource) return <Attested />;
  const isOther = watch('kind') === 'other';
  const attest = handleSubmit(({ kind, title, year, page, jar, minutes, method }) => {
    if (kind === '') return;
    change('attest', (was) => ({
      ...was,
      testedSource: {
        kind,
        title: title.trim(),
        year: Number(year),
        page: page.trim(),
        jar,
        minutes: Number(minutes),
        method,
        unchanged: true,
        // Of the pan as computed now, without what the log added to it.
        ...(asMade.lines.length === was.lines.length && { of: fingerprint(formula) }),
      },
    }));
  });
  const label = 'flex flex-col gap-1 text-sm text-soft';
  const field = 'input text-base-content';
  return (
    <form className="flex flex-col gap-2" onSubmit={(event) => void attest(event)}>
      <h3 className="font-semibold">A tested formula, made unchanged</h3>
      <label className={label}>
        tested by
        <select
          className="select w-full text-base-content"
          {...register('kind', { validate: (kind) => kind !== '' && kind !== 'other' })}
        >
          <option value="">choose…</option>
          {KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {SOURCE_WORDS[kind]}
            </option>
          ))}
        </select>
      </label>
      {isOther && (
        <p role="alert" className="text-watch">
          However good, nobody measured it in a laboratory: it never makes this pan fit for the
          shelf. Refrigerate or freeze it.
        </p>
      )}
      <label className={label}>
        title
        <input
          className={`${field} w-full`}
          maxLength={titleField.most}
          {...register('title', { validate: (text) => text.trim().length >= 3 })}
        />
      </label>
      <div className="flex flex-wrap gap-3">
        <label className={label}>
          year
          <input
            className={`${field} w-24`}
            inputMode="numeric"
            maxLength={4}
            placeholder={`${EARLIEST_YEAR} on`}
            {...register('year', { validate: isYear })}
          />
        </label>
        <label className={`${label} min-w-40 flex-1`}>
          page or address
          <input
            className={`${field} w-full`}
            maxLength={pageField.most}
            {...register('page', { validate: (text) => text.trim() !== '' })}
          />
        </label>
      </div>
      <div className="flex flex-wrap gap-3">
        <label className={label}>
          its jar
          <select
            className="select w-40 text-base-content"
            {...register('jar', { required: true })}
          >
            {JAR_SIZES.map((jar) => (
              <option key={jar.id} value={jar.id}>
                {jar.name[0]}
              </option>
            ))}
          </select>
        </label>
        <label className={label}>
          its minutes
          <input
            className={`${field} w-24`}
            inputMode="numeric"
            maxLength={3}
            {...register('minutes', { validate: areMinutes })}
          />
        </label>
        <label className={label}>
          its method
          <select className="select w-44 text-base-content" {...register('method')}>
            {METHODS.map((method) => (
              <option key={method} value={method}>
                {PROCESS_WORDS[method]}
              </option>
            ))}
          </select>
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

/** An attestation that was entered, whether it still is of this pan, and the way back. */
function Attested() {
  const { document, formula, change } = useBatch();
  const { testedSource } = document;
  if (!testedSource) return null;
  const why = formula.claims.testedSourceVoid;
  return (
    <div>
      <h3 className="font-semibold">A tested formula, made unchanged</h3>
      <p className="mt-1">
        {testedSource.title ?? testedSource.publisher}, {testedSource.year}
        {testedSource.page !== undefined && `, ${testedSource.page}`}
        {testedSource.minutes !== undefined && `: ${testedSource.minutes} min`}.
      </p>
      <p className="mt-1">
        {why === undefined
          ? 'Any edit of an ingredient, amount, finish, jar or process voids it.'
          : `It does not count: ${why}.`}
      </p>
      <button
        type="button"
        className="btn mt-2"
        onClick={() =>
          change('', (was) => {
            const next = { ...was };
            delete next.testedSource;
            return next;
          })
        }
      >
        Withdraw
      </button>
    </div>
  );
}
