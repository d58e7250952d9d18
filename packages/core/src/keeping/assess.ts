import { balance, type Balance } from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';
import { processBand, PROCESS_BANDS } from './band.js';
import { PRACTICE, reason, type KeepingReason } from './reason.js';
import { LOW_SOLIDS, processOf, rowFor, type Process } from './row.js';
import { decide, type KeepingOptions } from './rules.js';
import { storageOf, type Storage } from './storage.js';
import { KEEPING_VERDICTS, type KeepingVerdict } from './verdict.js';
import { worstPH } from './acid-gate.js';

export interface Keeping {
  readonly verdict: KeepingVerdict;
  /** What decides first. */
  readonly reasons: readonly KeepingReason[];
  /** Upper end of the 90 % range of the pH, by the table. */
  readonly worstPH: number;
  /** The pH the pot must not pass, where the acid of the fruit decides. */
  readonly limitPH: number | null;
  /** Null where nothing is processed for the shelf. */
  readonly process: Process | null;
  /** The longest time of the row over all altitudes, for when none is stated. */
  readonly safestProcess: Process | null;
  readonly storage: Storage;
}

/**
 * Hot-filled jars ask for this much soluble solids at least, per cent. Long custom in Britain and
 * Europe.
 */
const HOT_FILL_SOLIDS = 60;

/**
 * Whether a batch keeps, by the rules in their order. Of rules 1 to 3 the first that applies
 * decides; otherwise 4 to 7 all apply and the strictest wins. The model's own estimate can refuse;
 * it never grants what a rule withholds.
 *
 * @param made the balance of the same formula, if the caller has it
 * @returns the verdict with its reasons, and the process from the published tables at the stated
 * altitude
 */
export function assessKeeping(
  formula: PotFormula,
  options: KeepingOptions = {},
  made: Balance | null = balance(formula),
): Keeping {
  const worst = worstPH(formula);
  const asked = decide(formula, options, worst, made);
  const band = processBand(formula.place.altitude_m);
  let { verdict } = asked;
  const reasons = [...asked.reasons];
  const strict = (to: KeepingVerdict, why: KeepingReason): void => {
    const stricter = KEEPING_VERDICTS.indexOf(to) > KEEPING_VERDICTS.indexOf(verdict);
    if (stricter) verdict = to;
    // What decides is said first.
    reasons.splice(stricter ? 0 : reasons.length, 0, why);
  };
  const { notUnderstood = [] } = options;
  if (notUnderstood.length > 0)
    strict(
      'fridge',
      reason(
        'not-understood',
        `“${notUnderstood.join('”, “')}” is in the pot but not understood, so nothing can be said for it: write it as an amount and an ingredient`,
      ),
    );
  const solids = lowSolids(formula, made);
  const row = verdict === 'shelf' ? rowFor(formula, solids) : undefined;
  let process: Process | null = null;
  let safestProcess: Process | null = null;
  if (verdict === 'shelf') {
    const { processing, processMinutes } = formula.claims;
    if (!row || 'none' in row) {
      strict(
        'fridge',
        reason('no-row', row ? row.none : 'no table has a time for this; no row, no shelf'),
      );
    } else {
      safestProcess = processOf(formula, row.row, PROCESS_BANDS[3], 'the longest band');
      if (processing === 'hot-fill')
        strict(
          'fridge',
          reason(
            'hot-fill',
            `filled hot and lidded, without a process, is for the fridge here${solids < HOT_FILL_SOLIDS ? `, and at ${solids.toFixed(0)} % solids it is below the 60 % the custom asks for` : ''}. Many who follow the custom (hot sterilised jars, at least 85 C, at least 60 % solids) store such jars cool and dark at their own judgement; other authorities ask for a process`,
            'long the custom in Britain and Europe; US authorities ask for a process',
          ),
        );
      else if (processing === 'none')
        strict(
          'fridge',
          reason('no-process', 'jars that are not processed are kept in the fridge'),
        );
      else if (processing === 'steam' && !row.row.steam)
        strict(
          'fridge',
          reason(
            'no-steam',
            `${row.row.name} has no time in an atmospheric steam canner; use boiling water`,
          ),
        );
      else if (!band)
        strict(
          'fridge',
          reason(
            'altitude-needed',
            'no process time without an altitude: state it, and until then keep the jars in the fridge',
          ),
        );
      else {
        process = processOf(formula, row.row, band, band.label);
        if (processMinutes !== undefined && processMinutes < process.minutes) {
          strict(
            'stop',
            reason(
              'short-process',
              `${processMinutes} minutes are asked for; the table gives ${process.minutes} at ${band.label}. Nothing shorter keeps the jars safe`,
            ),
          );
          process = null;
        }
      }
      if (verdict === 'shelf') reasons.push(...row.notes);
      if (solids < LOW_SOLIDS)
        reasons.push(
          reason(
            'low-solids',
            `${solids.toFixed(0)} % soluble solids at the low end: it moulds soon after opening, and is best within six months`,
            PRACTICE,
          ),
        );
    }
  }
  if (formula.claims.testedSourceVoid !== undefined)
    reasons.push(
      reason(
        'attestation-void',
        `the tested source does not count: ${formula.claims.testedSourceVoid}`,
      ),
    );
  return {
    verdict,
    reasons,
    worstPH: worst,
    limitPH: asked.limitPH,
    process: verdict === 'shelf' ? process : null,
    safestProcess:
      verdict === 'shelf' || reasons.some(({ code }) => code === 'altitude-needed')
        ? safestProcess
        : null,
    storage: storageOf(formula.kind, verdict, solids),
  };
}

/**
 * Soluble solids a keeping rule may count on, per cent: the low end, and never more for what the
 * maker wrote.
 */
function lowSolids(formula: PotFormula, made: Balance | null): number {
  const written = made?.finish.solubleSolidsPercent.low ?? 0;
  if (formula.lines.every((line) => line.composition === line.byTable)) return written;
  const plain = balance({
    ...formula,
    lines: formula.lines.map((line) => ({ ...line, composition: line.byTable })),
  });
  return Math.min(written, plain?.finish.solubleSolidsPercent.low ?? 0);
}
