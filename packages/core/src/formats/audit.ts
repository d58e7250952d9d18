import type { Balance } from '../balance/index.js';
import type { PotFormula, WarningCode } from '../formula/index.js';
import type { Keeping } from '../keeping/index.js';

export type FindingCode = WarningCode | 'stated-yield' | 'keeping' | 'process';

/** One thing a recipe claims, held against the arithmetic and the tables. */
export interface Finding {
  readonly code: FindingCode;
  readonly right: boolean;
  readonly text: string;
}

/** Warnings of the balance that are about what the recipe says of itself. */
const CLAIMS: ReadonlySet<WarningCode> = new Set<WarningCode>([
  'stated-yield-impossible',
  'stated-yield-unlikely',
  'stated-amounts-disagree',
  'sugar-cut',
  'batch-doubled',
  'already-past-finish',
]);

/** A recipe with what comes of it here. */
export interface Audited {
  readonly formula: PotFormula;
  readonly balance: Balance;
  readonly keeping: Keeping;
}

/**
 * What is wrong with a recipe that was brought in, and what is right: does the stated yield fit, do
 * two amounts of one line agree, is it acid enough, is its process long enough at this altitude.
 *
 * @param statedMinutes the process it asks for, if it does
 */
export function auditImport(
  { formula, balance, keeping }: Audited,
  statedMinutes?: number,
): Finding[] {
  const findings: Finding[] = balance.warnings
    .filter(({ code }) => CLAIMS.has(code))
    .map(({ code, text }) => ({ code, right: false, text }));
  if (formula.claims.statedYield && !findings.some(({ code }) => code.startsWith('stated-yield')))
    findings.push({ code: 'stated-yield', right: true, text: 'the stated yield can be right' });
  const [why] = keeping.reasons;
  findings.push({
    code: 'keeping',
    right: keeping.verdict === 'shelf',
    text:
      keeping.verdict === 'shelf'
        ? 'acid enough for the shelf, at its worst'
        : (why?.text ?? 'not for the shelf'),
  });
  if (statedMinutes !== undefined) {
    const needed = keeping.process?.minutes;
    findings.push(
      needed === undefined
        ? {
            code: 'process',
            right: false,
            text: `it asks for a process of ${statedMinutes} minutes; ${keeping.verdict === 'shelf' ? 'without an altitude none can be confirmed' : 'no process makes this one fit for the shelf'}`,
          }
        : {
            code: 'process',
            right: statedMinutes >= needed,
            text: `it asks for a process of ${statedMinutes} minutes; the table gives ${needed} here, and that is what holds`,
          },
    );
  }
  return findings;
}
