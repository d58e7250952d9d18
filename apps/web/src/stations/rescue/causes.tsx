import { LACKS, type Diagnosis, type Lack, type StoredWhere } from '@idle-kettle/core';
import { RadioButtons } from '../../ui/radio-buttons.js';

const YES_NO = [
  ['yes', 'Yes'],
  ['no', 'No'],
] as const;

interface CausesProps {
  readonly diagnosis: Diagnosis;
  readonly hasRecord: boolean;
  readonly stored: StoredWhere;
  readonly onStored: (stored: StoredWhere) => void;
}

/** Why it came out so, by its own record; or that the record cannot tell, and what it lacks. */
export function Causes({ diagnosis: { causes, lacks }, hasRecord, stored, onStored }: CausesProps) {
  return (
    <section aria-label="Likely causes" className="panel p-5">
      <h2 className="text-xl">
        {causes.length > 0 ? 'Likely causes, by its record' : 'The record cannot tell why'}
      </h2>
      {causes.length > 0 && (
        <ol className="mt-2 space-y-3">
          {causes.map(({ code, name, because, source }) => (
            <li key={code} className="max-w-prose border-l-4 border-secondary pl-3">
              <p className="display text-lg">{name}</p>
              <p>{because}.</p>
              <p className="text-sm text-soft">{source}</p>
            </li>
          ))}
        </ol>
      )}
      {causes.length === 0 && (
        <p className="mt-1 max-w-prose">
          {hasRecord
            ? 'By all that was written down it should have come out as wanted.'
            : 'Without a record of how it was made any cause would be a guess.'}
        </p>
      )}
      {lacks.length > 0 && (
        <p className="mt-2 max-w-prose text-soft">
          Not in the record: {lacks.map((lack) => LACKS[lack]).join('; ')}.
        </p>
      )}
      {hasRecord && <Stored lacks={lacks} stored={stored} onStored={onStored} />}
    </section>
  );
}

/** Asks where the jars stood, where that could be the cause. */
function Stored({
  lacks,
  stored,
  onStored,
}: Pick<CausesProps, 'stored' | 'onStored'> & { readonly lacks: readonly Lack[] }) {
  const asksWarm = lacks.includes('warmth') || stored.warm !== undefined;
  const asksLight = lacks.includes('light') || stored.inLight !== undefined;
  if (!asksWarm && !asksLight) return null;
  return (
    <div className="mt-3 flex flex-col gap-3">
      {asksWarm && (
        <Question
          text="Did the jars stand warmer than 21 °C (70 °F)?"
          answer={stored.warm}
          onAnswer={(warm) => onStored({ ...stored, warm })}
        />
      )}
      {asksLight && (
        <Question
          text="Did they stand in the light?"
          answer={stored.inLight}
          onAnswer={(inLight) => onStored({ ...stored, inLight })}
        />
      )}
    </div>
  );
}

function Question({
  text,
  answer,
  onAnswer,
}: {
  readonly text: string;
  readonly answer: boolean | undefined;
  readonly onAnswer: (answer: boolean) => void;
}) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span>{text}</span>
      <RadioButtons
        name={text}
        options={YES_NO}
        value={answer === undefined ? undefined : YES_NO[answer ? 0 : 1][0]}
        onChange={(value) => onAnswer(value === 'yes')}
      />
    </div>
  );
}
