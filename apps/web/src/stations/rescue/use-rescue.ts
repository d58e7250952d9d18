import { useMemo, useState } from 'react';
import {
  batchRecord,
  diagnose,
  HOUR_MS,
  remakeDocument,
  rescueAdvice,
  type BatchRecord,
  type Diagnosis,
  type Kind,
  type Remake,
  type RescueAdvice,
  type SignCode,
  type StoredWhere,
} from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';
import { takeToRemake, type OpenedJars } from '../../batch/jar-moves.js';
import { useNewBatch } from '../../batch/new-batch.js';
import { now } from '../../data/clock.js';
import { logEvent } from '../../data/log-event.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { countOf, jarsToOpen, spreadIn_ml, type AffectedJars } from './affected-jars.js';
import type { RecordedBatch } from './recorded-batch.js';

interface Asked {
  readonly kind: Kind;
  /** Undefined where there is no record to go by. */
  readonly batch: RecordedBatch | undefined;
  /** What is wrong; undefined until it is said. */
  readonly sign: SignCode | undefined;
  readonly jars: AffectedJars;
  readonly stored: StoredWhere;
}

interface Found {
  readonly record: BatchRecord | undefined;
  /** Both undefined until it is said what is wrong. */
  readonly diagnosis: Diagnosis | undefined;
  readonly advice: RescueAdvice | undefined;
  /** What the jars hold, ml; undefined while they are not counted. */
  readonly spread_ml: number | undefined;
  readonly startOf: StartOf;
}

/** A remake that can be started as a batch. */
export interface RemakeStart {
  /** Jars on the shelf that are opened for it. */
  readonly opens: readonly OpenedJars[];
  readonly start: (takesJarsOff: boolean) => void;
}

/** How a remake starts as a batch; undefined where its record does not allow it. */
export type StartOf = (remake: Pick<Remake, 'way' | 'batches'>) => RemakeStart | undefined;

/** Why it came out so, what to do, and the remake as a batch. */
export function useRescue({ kind, batch, sign, jars, stored }: Asked): Found {
  const { kitchen } = usePreferences();
  const formats = useFormats();
  const newBatch = useNewBatch();
  // A page that stays open does not compute its record anew with every second.
  const [openedAt] = useState(now);
  const record = useMemo(
    () => batch && batchRecord({ ...batch, kitchen, now: openedAt, stored }),
    [batch, kitchen, openedAt, stored],
  );
  const count = countOf(jars);
  const spread_ml = count === undefined ? undefined : spreadIn_ml(jars, count, kitchen.jars);
  const startOf: StartOf = ({ way, batches }) => {
    if (!record || !batch || count === undefined || spread_ml === undefined) return undefined;
    const document = remakeDocument(record, { batch: batch.id, way, spread_ml, size: jars.size });
    if (!document) return undefined;
    const opens = jarsToOpen(batch.lots, jars, count / batches);
    return {
      opens,
      start: (takesJarsOff) => {
        logEvent(batch.id, 'note', { text: `Cooked again as “${document.title}”` });
        if (takesJarsOff) takeToRemake(opens);
        void newBatch({ document: document as FormulaBody });
      },
    };
  };
  return {
    record,
    diagnosis: sign && diagnose(sign, record, formats),
    advice:
      sign &&
      rescueAdvice(sign, {
        kind,
        filledAt: record?.age_h === undefined ? undefined : openedAt - record.age_h * HOUR_MS,
        now: openedAt,
        untilNow: jars.untilNow,
        ...(record && {
          solids: { made: record.made.outcome.solids, meant: record.meant.outcome.solids },
          keeping: record.keeping,
          reprocessUntil: record.seals.reprocessUntil,
        }),
      }),
    spread_ml,
    startOf,
  };
}
