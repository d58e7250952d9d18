import type { Balance } from '../balance/index.js';
import type { PotFormula, WarningCode } from '../formula/index.js';
import { fahrenheit } from '../quantity/index.js';
import type { Keeping } from '../keeping/index.js';
import { stepClaims, type StepClaimCode } from './step-claims.js';

export type FindingCode =
  WarningCode | StepClaimCode | 'stated-stop' | 'stated-yield' | 'keeping' | 'process';

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

/** What a recipe says beside its lines. */
export interface RecipeSays {
  /** The process it asks for, minutes. */
  readonly statedMinutes?: number | undefined;
  /** Where it stops, as written for its own place. */
  readonly statedStop_C?: number | undefined;
  readonly steps?: readonly string[] | undefined;
}

/** A thermometer shows no smaller difference that matters, K. */
const SAME_STOP_K = 0.7;
const bothUnits = (celsius: number): string =>
  `${celsius.toFixed(1)} °C (${fahrenheit(celsius).toFixed(0)} °F)`;

/** A gel temperature is of a place: the recipe's is another than the kitchen's. */
function stopFinding(
  { formula, balance }: Audited,
  statedStop_C: number | undefined,
): Finding | undefined {
  const here_C = balance.finish.temperature_C?.mid;
  const isGel = formula.finish.type === 'gel-temperature';
  if (statedStop_C === undefined || here_C === undefined || !isGel) return undefined;
  if (Math.abs(statedStop_C - here_C) <= SAME_STOP_K)
    return {
      code: 'stated-stop',
      right: true,
      text: `it stops at ${bothUnits(statedStop_C)}, which is right here`,
    };
  return {
    code: 'stated-stop',
    right: false,
    text: `it stops at ${bothUnits(statedStop_C)}; water boils at another temperature here, and the same set is at ${bothUnits(here_C)}`,
  };
}

/**
 * What is wrong with a recipe that was brought in, and what is right: does the stated yield fit, do
 * two amounts of one line agree, is it acid enough, is its process long enough at this altitude.
 *
 */
export function auditImport(
  { formula, balance, keeping }: Audited,
  { statedMinutes, statedStop_C, steps = [] }: RecipeSays = {},
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
        ? 'acid enough for the shelf at its highest likely pH'
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
  const stop = stopFinding({ formula, balance, keeping }, statedStop_C);
  if (stop) findings.push(stop);
  const claims = stepClaims(steps, formula.kind);
  findings.push(...claims.map(({ code, text }) => ({ code, right: false, text })));
  return findings;
}
