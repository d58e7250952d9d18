import { useMemo, useState } from 'react';
import {
  batchRecord,
  HOUR_MS,
  remakeDocument,
  diagnose,
  rescueAdvice,
  SIGNS,
  signsOf,
  type FormulaDocument,
  type Kind,
  type RemakeWay,
  type SignCode,
  type StoredWhere,
} from '@idle-kettle/core';
import { useNewBatch } from '../../batch/new-batch.js';
import { now } from '../../data/clock.js';
import { logEvent } from '../../data/log-event.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { countOf, likelyJars, spreadIn_ml, type AffectedJars } from './affected-jars.js';
import { Answered } from './answered.js';
import { Causes } from './causes.js';
import { JarsInQuestion } from './jars-in-question.js';
import { NextTime } from './next-time.js';
import type { FormulaBody } from '@idle-kettle/contract';
import type { RecordedBatch } from './recorded-batch.js';
import { Remakes } from './remakes.js';
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
const NOT_GELS: ReadonlySet<Kind> = new Set<Kind>(['fruit-butter', 'curd', 'syrup']);

/** What is wrong, which jars, why, and what to do. */
export function Findings({ kind, batch, likely = likelyJars([], []) }: FindingsProps) {
  const { kitchen } = usePreferences();
  const formats = useFormats();
  const [sign, setSign] = useState<SignCode>();
  const [jars, setJars] = useState(likely);
  const [stored, setStored] = useState<StoredWhere>({});
  // A page that stays open does not compute its record anew with every second.
  const [openedAt] = useState(now);
  const record = useMemo(
    () => batch && batchRecord({ ...batch, kitchen, now: openedAt, stored }),
    [batch, kitchen, openedAt, stored],
  );
  const diagnosis = sign && diagnose(sign, record, formats);
  const advice =
    sign &&
    rescueAdvice(sign, {
      kind,
      isGel: !NOT_GELS.has(kind),
      filledAt: record?.age_h === undefined ? undefined : openedAt - record.age_h * HOUR_MS,
      now: openedAt,
      untilNow: jars.untilNow,
      ...(record && {
        solids: { made: record.made.outcome.solids, meant: record.meant.outcome.solids },
        keeping: record.keeping,
        reprocessUntil: record.seals.reprocessUntil,
      }),
    });
  const count = countOf(jars);
  const newBatch = useNewBatch();
  const remakeBy = (way: RemakeWay): FormulaDocument | undefined =>
    record && batch && count !== undefined
      ? remakeDocument(record, {
          batch: batch.id,
          way,
          spread_ml: spreadIn_ml(jars, count, kitchen.jars),
          size: jars.size,
        })
      : undefined;
  const start = async (way: RemakeWay): Promise<void> => {
    const document = remakeBy(way);
    if (!document || !batch) return;
    logEvent(batch.id, 'note', { text: `Cooked again as “${document.title}”` });
    await newBatch({ document: document as FormulaBody });
  };
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
      {diagnosis && advice && (
        <div className="grid items-start gap-4 lg:grid-cols-2">
          <div className="flex flex-col gap-4">
            <WhatToDo key={sign} advice={advice} />
            {COOKED_AGAIN.has(sign) && advice.isThrownAway !== true && (
              <JarsInQuestion jars={jars} onChange={setJars} />
            )}
            {advice.canRemake && count !== undefined && (
              <Remakes
                spread_ml={spreadIn_ml(jars, count, kitchen.jars)}
                solidsPercent={record?.made.outcome.solids ?? USUAL_SOLIDS}
                keeping={record?.keeping}
                onStart={record && batch ? (way) => void start(way) : undefined}
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
