import { useState } from 'react';
import { SIGNS, signsOf, type Kind, type SignCode, type StoredWhere } from '@idle-kettle/core';
import { likelyJars, type AffectedJars } from './affected-jars.js';
import { Answered } from './answered.js';
import { Causes } from './causes.js';
import { JarsInQuestion } from './jars-in-question.js';
import { NextTime } from './next-time.js';
import type { RecordedBatch } from './recorded-batch.js';
import { Remakes } from './remakes.js';
import { useRescue } from './use-rescue.js';
import { WhatToDo } from './what-to-do.js';

interface FindingsProps {
  readonly kind: Kind;
  readonly batch?: RecordedBatch;
  readonly likely?: AffectedJars;
}

/** Soluble solids of a spread nobody has a record of, per cent. Common practice. */
const USUAL_SOLIDS = 60;
/** Where it matters which jars, and how they were kept. */
const COOKED_AGAIN: ReadonlySet<SignCode> = new Set<SignCode>(['too-loose', 'thin-butter']);

/** What is wrong, which jars, why, and what to do. */
export function Findings({ kind, batch, likely = likelyJars([], []) }: FindingsProps) {
  const [sign, setSign] = useState<SignCode>();
  const [jars, setJars] = useState(likely);
  const [stored, setStored] = useState<StoredWhere>({});
  const { record, diagnosis, advice, spread_ml, startOf } = useRescue({
    kind,
    batch,
    sign,
    jars,
    stored,
  });
  return (
    <>
      {sign === undefined ? (
        <WhatIsWrong kind={kind} onSign={setSign} />
      ) : (
        <Answered
          text={SIGNS.find(({ code }) => code === sign)?.name ?? ''}
          change="Something else is wrong"
          onChange={() => setSign(undefined)}
        />
      )}
      {sign && diagnosis && advice && (
        <div className="grid items-start gap-4 lg:grid-cols-2">
          <div className="flex flex-col gap-4">
            <WhatToDo key={sign} advice={advice} />
            {COOKED_AGAIN.has(sign) && advice.isThrownAway !== true && (
              <JarsInQuestion jars={jars} onChange={setJars} />
            )}
            {advice.canRemake && spread_ml !== undefined && (
              <Remakes
                spread_ml={spread_ml}
                solidsPercent={record?.made.outcome.solids ?? USUAL_SOLIDS}
                keeping={record?.keeping}
                startOf={startOf}
              />
            )}
          </div>
          <div className="flex flex-col gap-4">
            <Causes
              diagnosis={diagnosis}
              hasRecord={record !== undefined}
              stored={stored}
              onStored={setStored}
            />
            {batch && <NextTime batch={batch} causes={diagnosis.causes} />}
          </div>
        </div>
      )}
    </>
  );
}

function WhatIsWrong({
  kind,
  onSign,
}: {
  readonly kind: Kind;
  readonly onSign: (sign: SignCode) => void;
}) {
  return (
    <section aria-label="What is wrong" className="panel p-5">
      <h2 className="text-xl">What is wrong?</h2>
      <ul className="mt-3 grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {signsOf(kind).map(({ code, name, text }) => (
          <li key={code} className="flex">
            <button
              type="button"
              className="btn h-auto min-h-[60px] w-full flex-col items-start gap-0 py-2 text-left"
              onClick={() => onSign(code)}
            >
              <span className="text-lg">{name}</span>
              <span className="text-sm font-normal">{text}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
