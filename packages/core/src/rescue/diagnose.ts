import type { BatchRecord } from './batch-record.js';
import type { CauseCode, FigureWriter, Lack } from './cause-rule.js';
import { CAUSE_RULES } from './causes.js';
import type { SignCode } from './signs.js';

/** A likely cause, with the figures of the record that say so. */
export interface LikelyCause {
  readonly code: CauseCode;
  readonly name: string;
  /** 0 to 1; only its order means anything to a person. */
  readonly strength: number;
  readonly because: string;
  readonly nextTime: string;
  readonly source: string;
}

export interface Diagnosis {
  /** The likeliest first; empty where the record cannot tell. */
  readonly causes: readonly LikelyCause[];
  /** What the record lacks that would have told. */
  readonly lacks: readonly Lack[];
}

/**
 * Why a batch came out as it did, by what its record has: a cause is named only where the record
 * supports it. Without any the record cannot tell, and says what it lacks.
 *
 * @param record undefined where there is none
 */
export function diagnose(
  sign: SignCode,
  record: BatchRecord | undefined,
  write: FigureWriter,
): Diagnosis {
  if (!record) return { causes: [], lacks: ['record'] };
  const rules = CAUSE_RULES.filter(({ signs }) => signs.includes(sign));
  const causes = rules
    .flatMap(({ code, name, support, nextTime, source }) => {
      const found = support(record);
      return found
        ? [
            {
              code,
              name,
              strength: found.strength,
              because: found.because(write),
              nextTime,
              source,
            },
          ]
        : [];
    })
    .sort((a, b) => b.strength - a.strength);
  return { causes, lacks: [...new Set(rules.flatMap(({ lacks }) => lacks?.(record) ?? []))] };
}
