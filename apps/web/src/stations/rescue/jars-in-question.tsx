import { JAR_SIZES, whyNotRemade, type JarsUntilNow } from '@idle-kettle/core';
import { jarName } from '../../ui/jar-picture.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { countOf, type AffectedJars } from './affected-jars.js';

const UNTIL_NOW: readonly (readonly [JarsUntilNow, string])[] = [
  ['sealed', 'Sealed until now'],
  ['refrigerated', 'Refrigerated within 24 h'],
  ['opened', 'Opened or eaten from'],
];

/** Which jars, and how they were kept. */
export function JarsInQuestion({
  jars,
  onChange,
}: {
  readonly jars: AffectedJars;
  readonly onChange: (jars: AffectedJars) => void;
}) {
  const isWrong = jars.count !== '' && countOf(jars) === undefined;
  const refusal = whyNotRemade(jars);
  return (
    <section aria-label="Which jars" className="panel p-5">
      <h2 className="text-xl">Which jars?</h2>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1 text-sm text-soft">
          how many
          <input
            inputMode="decimal"
            className="input w-24 text-base-content"
            value={jars.count}
            maxLength={6}
            aria-invalid={isWrong}
            aria-describedby={isWrong ? 'jars-wrong' : undefined}
            onChange={({ target }) => onChange({ ...jars, count: target.value })}
          />
        </label>
        <label className="flex min-w-48 flex-col gap-1 text-sm text-soft">
          size
          <select
            className="select text-base-content"
            value={jars.size}
            onChange={({ target }) => onChange({ ...jars, size: target.value })}
          >
            {JAR_SIZES.map(({ id }) => (
              <option key={id} value={id}>
                {jarName(id, 2)}
              </option>
            ))}
          </select>
        </label>
      </div>
      {isWrong && (
        <p id="jars-wrong" role="alert" className="mt-1 text-sm text-bad">
          Write how many jars, such as 4 or 3.5
        </p>
      )}
      <RadioButtons
        name="How they were kept"
        className="mt-3"
        options={UNTIL_NOW}
        value={jars.untilNow}
        onChange={(untilNow) => onChange({ ...jars, untilNow })}
      />
      {refusal !== undefined && <p className="mt-2 max-w-prose font-semibold">{refusal}</p>}
    </section>
  );
}
