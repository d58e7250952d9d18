import { balance, type Balance } from '../balance/index.js';
import { asMadeOf, type PotFormula, type PotLine } from '../formula/index.js';
import { worstPH } from './acid-gate.js';
import { isAboveTheTables, processBand, PROCESS_BANDS, type ProcessBand } from './band.js';
import { PRACTICE, reason, type KeepingReason, type KeepingReasonCode } from './reason.js';
import { processOf, rowFor, type Process, type RowChoice } from './row.js';
import { decide, type KeepingOptions } from './rules.js';
import { daysOf, LOW_SOLIDS, storageOf, type Storage } from './storage.js';
import { isFruitLike, massOf_kg } from './pot-lines.js';
import { withOtherAmounts } from './two-amounts.js';
import { KEEPING_VERDICTS, type KeepingVerdict } from './verdict.js';

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
  /**
   * What to process for where the jars go in the fridge only until something is made good (a pH
   * measured, the heat stated, a process run again); null elsewhere.
   */
  readonly processMeanwhile: Process | null;
  /** The longest time of the row over all altitudes, for when none is stated. */
  readonly safestProcess: Process | null;
  readonly storage: Storage;
}

/**
 * Hot-filled jars ask for this much soluble solids at least, per cent. Long custom in Britain and
 * Europe.
 */
const HOT_FILL_SOLIDS = 60;

/** A verdict that can only become stricter, with its reasons: what decides is first. */
class StrictestVerdict {
  constructor(
    public verdict: KeepingVerdict,
    readonly reasons: KeepingReason[],
  ) {}

  /** Takes a verdict over where it is stricter; its reason is said in any case. */
  take(verdict: KeepingVerdict, why: KeepingReason): void {
    const isStricter = KEEPING_VERDICTS.indexOf(verdict) > KEEPING_VERDICTS.indexOf(this.verdict);
    if (isStricter) this.verdict = verdict;
    this.reasons.splice(isStricter ? 0 : this.reasons.length, 0, why);
  }
}

/** How jars for the shelf are processed, or why they cannot be. */
interface ProcessQuestion {
  readonly formula: PotFormula;
  /** Soluble solids at their low end, per cent. */
  readonly solids: number;
  readonly choice: RowChoice;
  readonly band: ProcessBand | null;
}

interface Refusal {
  readonly verdict: KeepingVerdict;
  readonly reason: KeepingReason;
}
/** One thing without which jars are not processed for the shelf (rules 5 to 7 and 9). */
type ProcessRule = (question: ProcessQuestion) => Refusal | undefined;

const noRow: ProcessRule = ({ choice }) =>
  'none' in choice ? { verdict: 'fridge', reason: reason('no-row', choice.none) } : undefined;

const hotFilled: ProcessRule = ({ formula, solids }) => {
  if (formula.claims.processing !== 'hot-fill') return undefined;
  const thin =
    solids < HOT_FILL_SOLIDS
      ? `, and at ${solids.toFixed(0)} % solids it is below the 60 % the custom asks for`
      : '';
  return {
    verdict: 'fridge',
    reason: reason(
      'hot-fill',
      `filled hot and lidded, without a process, is for the fridge here${thin}. Many who follow the custom (hot sterilised jars, at least 85 C, at least 60 % solids) store such jars cool and dark at their own judgement; other authorities ask for a process`,
      'long the custom in Britain and Europe; US authorities ask for a process',
    ),
  };
};

const notProcessed: ProcessRule = ({ formula }) =>
  formula.claims.processing === 'none'
    ? {
        verdict: 'fridge',
        reason: reason('no-process', 'jars that are not processed are refrigerated'),
      }
    : undefined;

const notBySteam: ProcessRule = ({ formula, choice }) =>
  formula.claims.processing === 'steam' && 'row' in choice && !choice.row.steam
    ? {
        verdict: 'fridge',
        reason: reason(
          'no-steam',
          `${choice.row.name} has no time in an atmospheric steam canner; use boiling water`,
        ),
      }
    : undefined;

const altitudeNeeded: ProcessRule = ({ band }) =>
  band
    ? undefined
    : {
        verdict: 'fridge',
        reason: reason(
          'altitude-needed',
          'no processing time without an altitude: enter it, and until then refrigerate the jars',
        ),
      };

const shorterThanTheTable: ProcessRule = ({ formula, choice, band }) => {
  const { processMinutes: asked } = formula.claims;
  if (asked === undefined || !band || 'none' in choice) return undefined;
  const { minutes } = asLongAsTested(formula, processOf(formula, choice.row, band, band.label));
  return asked >= minutes
    ? undefined
    : {
        verdict: 'stop',
        reason: reason(
          'short-process',
          `${asked} minutes are asked for; the table gives ${minutes} at ${band.label}. Nothing shorter keeps the jars safe`,
        ),
      };
};

const aboveTheTables: ProcessRule = ({ formula }) =>
  isAboveTheTables(formula.place.altitude_m)
    ? {
        verdict: 'fridge',
        reason: reason(
          'too-high',
          'the tables end at 10,000 ft (3,048 m): above it there is no tested time, so not for the shelf',
        ),
      }
    : undefined;

/** The first that applies refuses the process. */
const PROCESS_RULES: readonly ProcessRule[] = [
  noRow,
  hotFilled,
  notProcessed,
  notBySteam,
  aboveTheTables,
  altitudeNeeded,
  shorterThanTheTable,
];

function refusalOf(question: ProcessQuestion): Refusal | undefined {
  for (const rule of PROCESS_RULES) {
    const refusal = rule(question);
    if (refusal) return refusal;
  }
  return undefined;
}

const lowSolidsReason = (solids: number): KeepingReason =>
  reason(
    'low-solids',
    `${solids.toFixed(0)} % soluble solids at the low end: it moulds soon after opening, and is best within six months`,
    PRACTICE,
  );

const notUnderstoodReason = (texts: readonly string[]): KeepingReason =>
  reason(
    'not-understood',
    `“${texts.join('”, “')}” is in the pan but not understood, so nothing can be said for it: write it as an amount and an ingredient`,
  );

/** A person's word that a line is no food changes no verdict, and is shown beside it. */
const leftOutReason = (texts: readonly string[]): KeepingReason =>
  reason(
    'left-out',
    `“${texts.join('”, “')}” was marked as no food and is not counted; the storage holds only without it`,
    PRACTICE,
  );

/**
 * Whether a batch keeps, by the rules in their order. Of rules 1 to 4, 8 and 10 the first that
 * applies decides the contents; what asks for a process always applies, and the strictest wins. The
 * model's own estimate can refuse; it never grants what a rule withholds. Where two amounts of a
 * line disagree, the worse one counts.
 *
 * @param made the balance of the same formula, if the caller has it
 * @returns the verdict with its reasons, and the process from the published tables at the stated
 * altitude
 */
export function assessKeeping(
  written: PotFormula,
  options: KeepingOptions = {},
  made: Balance | null = balance(written),
): Keeping {
  const formula = asMadeOf(written);
  const asWritten = { keeping: assessAmounts(formula, options, made), lines: [] as string[] };
  const { keeping, lines } = withOtherAmounts(formula)
    .map((other) => ({
      keeping: assessAmounts(other.formula, options, balance(other.formula)),
      lines: other.lines.map(({ label }) => label),
    }))
    .reduce(
      (worst, other) => (isStricter(other.keeping, worst.keeping) ? other : worst),
      asWritten,
    );
  return lines.length === 0
    ? keeping
    : { ...keeping, reasons: [...keeping.reasons, twoAmountsReason(lines)] };
}

/** The same verdict made stricter, with what made it so first; a kinder one changes nothing. */
export function madeStricter(
  keeping: Keeping,
  formula: PotFormula,
  made: Balance | null,
  verdict: KeepingVerdict,
  why: KeepingReason,
): Keeping {
  if (KEEPING_VERDICTS.indexOf(verdict) <= KEEPING_VERDICTS.indexOf(keeping.verdict))
    return { ...keeping, reasons: [...keeping.reasons, why] };
  return {
    ...keeping,
    verdict,
    reasons: [why, ...keeping.reasons.filter(({ code }) => code !== why.code)],
    process: null,
    processMeanwhile: keeping.process ?? keeping.processMeanwhile,
    storage: storageOf(formula, verdict, lowSolids(formula, made)),
  };
}

/** Whether one verdict asks for more care than another: by its word, then minutes, months and pH. */
export function isStricter(one: Keeping, other: Keeping): boolean {
  const steps = [
    KEEPING_VERDICTS.indexOf(one.verdict) - KEEPING_VERDICTS.indexOf(other.verdict),
    (one.process?.minutes ?? 0) - (other.process?.minutes ?? 0),
    daysOf(other.storage.best) - daysOf(one.storage.best),
    one.worstPH - other.worstPH,
  ];
  return (steps.find((step) => step !== 0) ?? 0) > 0;
}

const twoAmountsReason = (names: readonly string[]): KeepingReason =>
  reason(
    'two-amounts',
    `the two amounts written for ${names.join(', ')} differ by more than a quarter: the worse one counts`,
    PRACTICE,
  );

/** The verdict of the amounts as they stand in the formula. */
function assessAmounts(
  formula: PotFormula,
  options: KeepingOptions,
  made: Balance | null,
): Keeping {
  const worst = worstPH(formula);
  const contents = decide(formula, options, worst, made);
  const [why, ...others] = contents.reasons;
  const result = new StrictestVerdict(contents.verdict, [
    ...(why ? [withTail(why, withoutThem(formula, options, contents.because))] : []),
    ...others,
  ]);
  const { notUnderstood = [], leftOut = [] } = options;
  if (notUnderstood.length > 0) {
    const understood = assessAmounts(formula, { ...options, notUnderstood: [] }, made);
    result.take(
      'fridge',
      withTail(notUnderstoodReason(notUnderstood), `. Without it: ${verdictWords(understood)}`),
    );
  }
  const solids = lowSolids(formula, made);
  const { process, safestProcess } =
    result.verdict === 'shelf' ? takeProcess(formula, solids, result) : NO_PROCESS;
  if (formula.claims.testedSourceVoid !== undefined)
    result.reasons.push(
      reason(
        'attestation-void',
        `the tested source does not count: ${formula.claims.testedSourceVoid}`,
      ),
    );
  if (leftOut.length > 0) result.reasons.push(leftOutReason(leftOut));
  const { verdict, reasons } = result;
  const isShelf = verdict === 'shelf';
  const asksForAltitude = reasons.some(({ code }) => code === 'altitude-needed');
  return {
    verdict,
    reasons,
    worstPH: worst,
    limitPH: contents.limitPH,
    process: isShelf ? process : null,
    processMeanwhile: LIFTED_BY_A_METER.some((code) => reasons[0]?.code === code)
      ? processByTable(formula, made)
      : null,
    safestProcess: isShelf || asksForAltitude ? safestProcess : null,
    storage: storageOf(formula, verdict, solids),
  };
}

/** What refuses the shelf until a pH is measured in the batch. */
const LIFTED_BY_A_METER: readonly KeepingReasonCode[] = ['low-acid', 'not-acid-enough'];

/**
 * The process of a formula by its row and altitude alone, whatever its acid: null where there is no
 * row or no band for it.
 */
export function processByTable(written: PotFormula, made: Balance | null): Process | null {
  const formula = asMadeOf(written);
  const band = processBand(formula.place.altitude_m);
  const solids = lowSolids(formula, made);
  const choice = rowFor(formula, solids);
  const question: ProcessQuestion = { formula, solids, choice, band };
  const refusal = [noRow, notBySteam].find((rule) => rule(question) !== undefined);
  return 'none' in choice || !band || refusal
    ? null
    : asLongAsTested(formula, processOf(formula, choice.row, band, band.label));
}

/** A tested formula's own minutes where they are more. */
function asLongAsTested({ claims: { testedSource } }: PotFormula, process: Process): Process {
  return testedSource === undefined || testedSource.minutes <= process.minutes
    ? process
    : {
        ...process,
        minutes: testedSource.minutes,
        source: `${testedSource.title}, ${testedSource.year}; longer than ${process.source}`,
      };
}

const withTail = (why: KeepingReason, tail: string): KeepingReason => ({
  ...why,
  text: why.text + tail,
});

/** A verdict in a few words: "shelf, 10 minutes". */
const verdictWords = ({ verdict, process }: Keeping): string =>
  process ? `${verdict}, ${process.minutes} minutes` : verdict;

/** What the verdict would be without the lines that decide, where that is the shelf. */
function withoutThem(
  formula: PotFormula,
  options: KeepingOptions,
  because: readonly PotLine[] | undefined,
): string {
  const lines = formula.lines.filter((line) => !because?.includes(line));
  // Of what is mostly that nothing is said: without it there is no such spread.
  if (!because || because.length === 0 || massOf_kg(because) > massOf_kg(lines.filter(isFruitLike)))
    return '';
  const without = { ...formula, lines };
  const kept = assessAmounts(without, { ...options, notUnderstood: [] }, balance(without));
  const names = [...new Set(because.map(({ label }) => label))].join(', ');
  return kept.verdict === 'shelf' ? `. Without ${names}: ${verdictWords(kept)}` : '';
}

type Processes = Pick<Keeping, 'process' | 'safestProcess'>;
const NO_PROCESS: Processes = { process: null, safestProcess: null };

/** The process of jars whose contents are for the shelf; what refuses it makes `result` stricter. */
function takeProcess(formula: PotFormula, solids: number, result: StrictestVerdict): Processes {
  const band = processBand(formula.place.altitude_m);
  const choice = rowFor(formula, solids);
  const question: ProcessQuestion = { formula, solids, choice, band };
  const refusal = refusalOf(question);
  if (refusal) result.take(refusal.verdict, refusal.reason);
  if ('none' in choice) return NO_PROCESS;
  if (result.verdict === 'shelf') result.reasons.push(...choice.notes);
  if (solids < LOW_SOLIDS) result.reasons.push(lowSolidsReason(solids));
  return {
    process:
      !refusal && band
        ? asLongAsTested(formula, processOf(formula, choice.row, band, band.label))
        : null,
    safestProcess: processOf(formula, choice.row, PROCESS_BANDS[3], 'the longest band'),
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
