import type { Balance } from '../balance/index.js';
import {
  OWN_INGREDIENT,
  type Attestation,
  type Kind,
  type PotFormula,
  type PotLine,
} from '../formula/index.js';
import { isProduce, type AcidClass } from '../produce/index.js';
import { worstPH } from './acid-gate.js';
import { acidMissing_ml } from './distance.js';
import { curdDepartures } from './curd.js';
import {
  checkMeasuredPH,
  MEASURED_LIMIT,
  type MeasuredPHCheck,
  type PHReading,
} from './measured-ph.js';
import { decidingPH } from './deciding-ph.js';
import { ACIDIFIED, PATTERN_SOURCE, reason, type KeepingReason } from './reason.js';
import { massOf_kg } from './pot-lines.js';
import { publishedPatternOf } from './published-patterns.js';
import type { KeepingVerdict } from './verdict.js';

export interface KeepingOptions {
  /** A pH measured in this batch; without it only a tested source gets past rule 3. */
  readonly measuredPH?: PHReading;
  /** The day it is made, as "2026-11-23"; a tested source of a later year is none. */
  readonly on?: string;
  /**
   * What is in the pan but could not be understood, as typed: of such a pan nothing kind can be
   * said.
   */
  readonly notUnderstood?: readonly string[];
  /** Lines a person said are no food. */
  readonly leftOut?: readonly string[];
}

/**
 * Highest worst pH of acid fruit on the shelf: 0.2 under the line of 4.6. 21 CFR 114 with a margin
 * of ours.
 */
const ACID_LIMIT = 4.4;
/** The same for fruit whose published range reaches up to 4.6. */
const BORDERLINE_LIMIT = 4.2;
/** A trace of fat against foam, share of what goes in: about 1/2 tsp a usual batch. Common practice. */
export const FAT_TRACE = 0.0007;
/** Drops of a flavouring oil, share of what goes in. Common practice. */
const DROPS = 0.0007;

/** What rules 1 to 4, 8 and 10 say. */
export interface Decision {
  readonly verdict: KeepingVerdict;
  readonly reasons: readonly KeepingReason[];
  /** The pH the pan must not pass, where the acid of the fruit decides. */
  readonly limitPH: number | null;
  /** The lines that decide against it, where some do. */
  readonly because?: readonly PotLine[];
}

/** What the rules look at, worked out once. */
interface Contents {
  readonly formula: PotFormula;
  readonly lines: readonly PotLine[];
  readonly mass_kg: number;
  /** The highest pH the pan may have. */
  readonly worstPH: number;
  /** Lines that may reach pH 4.6, seasonings beyond their spoonfuls among them. */
  readonly lowAcid: readonly PotLine[];
  readonly measured: MeasuredPHCheck | undefined;
  readonly reading: PHReading | undefined;
  /** Nothing in the pan is unknown. */
  readonly isUnderstood: boolean;
  readonly on: string | undefined;
  /** Lines of acid fruit whose published range reaches up to 4.6. */
  readonly borderline: readonly PotLine[];
  /** The highest pH of such acid fruit on the shelf. */
  readonly limitPH: number;
}

/** A refusal for what some lines are: what it would be without them is said with it. */
const refusedFor = (
  because: readonly PotLine[],
  verdict: KeepingVerdict,
  ...reasons: KeepingReason[]
): Decision => ({ ...withoutLimit(verdict, ...reasons), because });

/** One rule of what keeps: its number in the order they are known by, and what it says. */
interface KeepingRule {
  readonly rule: 1 | 2 | 3 | 4 | 8 | 10;
  /** @returns undefined where the rule does not apply */
  readonly decide: (contents: Contents) => Decision | undefined;
}

const withoutLimit = (verdict: KeepingVerdict, ...reasons: KeepingReason[]): Decision => ({
  verdict,
  reasons,
  limitPH: null,
});

const named = ({ lines }: Contents, ids: ReadonlySet<string>): PotLine[] =>
  lines.filter(({ ingredient }) => ids.has(ingredient.id));
const namesOf = (lines: readonly PotLine[]): string =>
  [...new Set(lines.map(({ label }) => label))].join(', ');

const OIL: ReadonlySet<string> = new Set(['cooking-oil']);
const FATS: ReadonlySet<string> = new Set(['butter', 'margarine', 'cooking-oil']);
const FLAVOURING_OILS: ReadonlySet<string> = new Set(['essential-oil']);

/** What grows botulism where oil shuts out the air: vegetables, mushrooms, garlic, herbs, flowers. */
const isDangerousUnderOil = ({ ingredient: { category, cautions, id } }: PotLine): boolean =>
  category === 'vegetable' ||
  HERBS.has(id) ||
  cautions.some((caution) => caution === 'garlic' || caution === 'flowers' || caution === 'leaves');
const HERBS: ReadonlySet<string> = new Set([
  'herb-infusion',
  'fresh-herb',
  'dried-herb',
  'lavender',
  'crystallized-ginger',
]);

const mayNotBeAcid = ({ ingredient: { acidClass } }: PotLine): boolean =>
  acidClass === 'low-acid' || acidClass === 'refused';

const underOil: KeepingRule = {
  rule: 10,
  decide: (contents) => {
    const dangerous = contents.lines.filter(isDangerousUnderOil);
    const oil_kg = massOf_kg(named(contents, OIL));
    // More of what may not be acid does not make a trace of the oil.
    const acid_kg = contents.mass_kg - massOf_kg(contents.lines.filter(mayNotBeAcid));
    const isAny = dangerous.length > 0 || !contents.isUnderstood;
    if (oil_kg <= acid_kg * FAT_TRACE || !isAny) return undefined;
    return refusedFor(
      dangerous,
      'stop',
      reason(
        'under-oil',
        `${dangerous.length > 0 ? namesOf(dangerous) : 'something not understood'} under oil: without air and acid this is where botulism grows. Do not make it`,
      ),
    );
  },
};

const publishedCurd: KeepingRule = {
  rule: 1,
  decide: ({ formula }) => {
    if (formula.kind !== 'curd') return undefined;
    const departures = curdDepartures(formula);
    return departures.length === 0
      ? withoutLimit(
          'shelf',
          reason(
            'published-curd',
            'the published curd with bottled juice in its own proportions: half-pints, into a canner of 180 F (82 C) water brought up slowly over 25 to 30 minutes',
          ),
        )
      : withoutLimit(
          'fridge',
          reason(
            'curd',
            `only the published lemon or lime curd is for the shelf (${departures.slice(0, 2).join('; ')}): keep this one in the fridge, four weeks at most, or freeze it up to a year`,
          ),
        );
  },
};

const refusedIngredient: KeepingRule = {
  rule: 2,
  decide: ({ lines }) => {
    const refused = lines.filter(({ ingredient }) => ingredient.acidClass === 'refused');
    return refused.length === 0
      ? undefined
      : refusedFor(
          refused,
          'fridge',
          reason(
            'not-for-the-shelf',
            `${namesOf(refused)}: not for the shelf at home in a spread; keep it in the fridge or freeze it`,
          ),
        );
  },
};

const fatBeyondTrace: KeepingRule = {
  rule: 2,
  decide: (contents) => {
    const fat_kg = massOf_kg(named(contents, FATS));
    const drops_kg = massOf_kg(named(contents, FLAVOURING_OILS));
    return fat_kg <= contents.mass_kg * FAT_TRACE && drops_kg <= contents.mass_kg * DROPS
      ? undefined
      : withoutLimit(
          'fridge',
          reason(
            'fat',
            `${Math.round((fat_kg + drops_kg) * 1000)} g of fat is beyond a trace against foam (0.7 g to each kilogram that goes in, about 1/2 tsp a usual batch); keep it in the fridge or freeze it`,
          ),
        );
  },
};

/** Kinds that are thick purées by what they are. */
const PUREED_KINDS: ReadonlySet<Kind> = new Set<Kind>(['fruit-butter', 'jellied-sauce']);

/** A purée is one whatever it is called: by its kind, or by the form its low-acid produce is in. */
const lowAcidPuree: KeepingRule = {
  rule: 2,
  decide: ({ formula, lowAcid }) => {
    const pureed = PUREED_KINDS.has(formula.kind)
      ? lowAcid
      : lowAcid.filter(({ form, ingredient }) => form === 'puree' && isProduce(ingredient));
    return pureed.length === 0
      ? undefined
      : refusedFor(
          pureed,
          'fridge',
          reason(
            'low-acid-butter',
            `${namesOf(pureed)}: thick purées and butters of low-acid produce are not for the shelf; keep it in the fridge or freeze it`,
          ),
        );
  },
};

/** Why a whole attestation does not fit these jars or this process. */
function whyUnfit(
  { jars, claims: { processing } }: PotFormula,
  tested: Attestation,
  on = '',
): string | undefined {
  const larger = jars.find(
    ({ jar }) => jar.volumeToQuarterInch_ml > tested.jar.volumeToQuarterInch_ml * SAME_JAR,
  );
  if (larger)
    return `it was tested in a ${tested.jar.name[0]}, and a ${larger.jar.name[0]} is larger`;
  if (processing === 'steam' && tested.method !== 'steam')
    return 'it was tested in boiling water, not in steam';
  return on !== '' && tested.year > Number(on.slice(0, 4))
    ? 'its year is still to come'
    : undefined;
}
/** A jar of this much more than another is no larger. A choice of ours. */
const SAME_JAR = 1.07;

/** The two ways past the acid rules: a tested formula made unchanged, or a measured pH. */
function attestedRoute({ formula, measured, on }: Contents): Decision | undefined {
  const { testedSource: tested } = formula.claims;
  if (tested && whyUnfit(formula, tested, on) === undefined)
    return withoutLimit(
      'shelf',
      reason(
        'tested-source',
        `by ${tested.title}, ${tested.year}, made unchanged, as you attested: ${tested.minutes} min in a ${tested.jar.name[0]}. Any change of the pan, the finish or the process voids it`,
        `${tested.title}, ${tested.year}, ${tested.page}`,
      ),
    );
  return measured?.ok
    ? withoutLimit(
        'shelf',
        reason(
          'measured-pH',
          `measured in this batch: pH ${measured.value.toFixed(2)}, not above ${MEASURED_LIMIT.toFixed(2)}, with a meter set in two buffers that day`,
          ACIDIFIED,
        ),
      )
    : undefined;
}

/** Why an attestation does not count, where it is of these ingredients but not of these jars. */
function whyNotTested({ formula, on }: Contents): KeepingReason[] {
  const { testedSource: tested } = formula.claims;
  const why = tested && whyUnfit(formula, tested, on);
  return why === undefined
    ? []
    : [reason('attestation-void', `the tested source does not count: ${why}`)];
}

/** Why a measured pH does not count, where one was given that does not. */
const whyNotMeasured = ({ measured }: Contents): KeepingReason[] =>
  measured && !measured.ok
    ? [reason('measured-pH-void', `the measured pH does not count: ${measured.why}`, ACIDIFIED)]
    : [];

/** How far low-acid produce is from the line, where no spread bears the acid it would take. */
const howFar = ({ formula, worstPH: highest }: Contents): string =>
  acidMissing_ml(formula, MEASURED_LIMIT) === undefined
    ? `. It is near pH ${highest.toFixed(1)}: no amount of lemon juice a spread could bear would do`
    : '';

/** How much acid is missing, or that none would do; a savoury jelly takes vinegar. */
function missingAcid({ formula, limitPH }: Contents): string {
  const isSavoury = formula.kind === 'savoury-jelly';
  const acid = isSavoury ? 'distilled-vinegar' : 'lemon-juice-bottled';
  const name = isSavoury ? 'vinegar of 5 % acid' : 'bottled lemon juice';
  const ml = acidMissing_ml(formula, limitPH, acid);
  return ml === undefined
    ? `refrigerate; no amount of ${name} a spread could bear would do`
    : `refrigerate until about ${ml} ml more ${name} is in`;
}

const mayReachLowAcid: KeepingRule = {
  rule: 3,
  decide: (contents) => {
    const { lowAcid } = contents;
    if (lowAcid.length === 0) return undefined;
    const isOwn = lowAcid.some(({ ingredient }) => ingredient.id === OWN_INGREDIENT);
    const why = isOwn
      ? reason(
          'unknown-ingredient',
          `${namesOf(lowAcid)}: an ingredient that is not in the table is never for the shelf by an estimate`,
          ACIDIFIED,
        )
      : reason(
          'low-acid',
          `${namesOf(lowAcid)} may reach pH 4.6, where botulism can grow: for the shelf only by a tested formula made unchanged, or by a pH of ${MEASURED_LIMIT.toFixed(2)} or less measured in this batch${howFar(contents)}`,
          ACIDIFIED,
        );
    return (
      attestedRoute(contents) ??
      refusedFor(lowAcid, 'fridge', why, ...whyNotMeasured(contents), ...whyNotTested(contents))
    );
  },
};

/** What a meter showed, or a document tells of: it can make the verdict worse. */
function highestMeasured({ formula, reading }: Contents): number | undefined {
  const told = [formula.claims.measuredPH?.value, reading?.value].flatMap((value) => value ?? []);
  return told.length === 0 ? undefined : Math.max(...told);
}

const byPattern: KeepingRule = {
  rule: 8,
  decide: (contents) => {
    const { formula, limitPH } = contents;
    const measured = highestMeasured(contents) ?? 0;
    const pattern = measured > limitPH ? undefined : publishedPatternOf(formula);
    return pattern === undefined
      ? undefined
      : withoutLimit(
          'shelf',
          reason(
            'published-pattern',
            `by its proportions a well-known published pattern: ${pattern}. Make it unchanged; more bottled lemon juice does no harm`,
            PATTERN_SOURCE,
          ),
        );
  },
};

/** Peel brings flavour and pectin, next to no acid. */
const isPeel = ({ form }: PotLine): boolean => form === 'peel' || form === 'zest';

const nothingAcid: KeepingRule = {
  rule: 4,
  decide: ({ lines }) =>
    lines.some(
      (line) =>
        (isProduce(line.ingredient) && !isPeel(line)) ||
        line.ingredient.category === 'juice' ||
        line.ingredient.category === 'acid',
    )
      ? undefined
      : withoutLimit(
          'fridge',
          reason(
            'no-acid',
            'nothing acid is in the pan: there is no rule by which it keeps on the shelf',
          ),
        ),
};

/** Rounding of a pH, so that one at its limit is not over it. */
const PH_ROUNDING = 1e-9;

const acidFruit: KeepingRule = {
  rule: 4,
  decide: (contents) => {
    const { worstPH: likely, borderline, limitPH } = contents;
    // What was measured can make it worse.
    const measured = highestMeasured(contents);
    const highest = Math.max(likely, measured ?? 0);
    if (highest <= limitPH + PH_ROUNDING)
      return {
        verdict: 'shelf',
        limitPH,
        reasons: [
          reason(
            'acid-fruit',
            `acid enough: highest likely pH ${decidingPH(highest, limitPH)}, not above ${limitPH.toFixed(2)}`,
            ACIDIFIED,
          ),
        ],
      };
    const measuredAbove = measured !== undefined && measured > limitPH;
    const route = measuredAbove ? undefined : attestedRoute(contents);
    const close = borderline.length > 0 ? ` (${namesOf(borderline)} may come close to 4.6)` : '';
    return (
      route ?? {
        verdict: 'fridge',
        limitPH,
        reasons: [
          reason(
            'not-acid-enough',
            `highest likely pH ${decidingPH(highest, limitPH)}, above ${limitPH.toFixed(2)}${close}: ${missingAcid(contents)}`,
            ACIDIFIED,
          ),
          ...whyNotMeasured(contents),
          ...whyNotTested(contents),
        ],
      }
    );
  },
};

/**
 * Oil first; a curd by its own rule alone; what refuses; then the first that judges the contents.
 */
const KEEPING_RULES: readonly KeepingRule[] = [
  underOil,
  publishedCurd,
  refusedIngredient,
  fatBeyondTrace,
  lowAcidPuree,
  mayReachLowAcid,
  byPattern,
  nothingAcid,
  acidFruit,
];

/**
 * Rules 1 to 4 and 8 of what keeps, with rule 10 before them: the first that applies decides.
 *
 * @param highestPH the highest pH the pan may have; see `worstPH`
 * @param made the balance of the formula, null when nothing is in the pan
 */
export function decide(
  formula: PotFormula,
  { on, measuredPH, notUnderstood = [] }: KeepingOptions,
  highestPH: number,
  made: Balance | null,
): Decision {
  const { lines } = formula;
  const borderline = lines.filter(({ ingredient }) => ingredient.acidClass === 'borderline');
  const empty = withoutLimit('fridge', reason('nothing', 'nothing is in the pan'));
  if (lines.length === 0 || !made) return empty;
  const mass_kg = made.massIn_kg.mid;
  const contents: Contents = {
    formula,
    lines,
    mass_kg,
    worstPH: highestPH,
    lowAcid: lines.filter((line) => acidClassOf(line, mass_kg, lines) === 'low-acid'),
    measured: checkMeasuredPH(measuredPH, formula, made, notUnderstood.length === 0),
    reading: measuredPH,
    isUnderstood:
      notUnderstood.length === 0 &&
      !lines.some(({ ingredient }) => ingredient.id === OWN_INGREDIENT),
    on,
    borderline,
    limitPH: borderline.length > 0 ? BORDERLINE_LIMIT : ACID_LIMIT,
  };
  for (const rule of KEEPING_RULES) {
    const decision = rule.decide(contents);
    if (decision) return decision;
  }
  return empty;
}

/** Whether rule 8 or 4 is met: by a published pattern, or by an acid that is known. */
export const isAcidEnough = (formula: PotFormula, limitPH: number): boolean =>
  publishedPatternOf(formula) !== undefined || worstPH(formula) <= limitPH;

/** How a line counts for keeping: a seasoning beyond its spoonfuls counts as low-acid. */
function acidClassOf(line: PotLine, pan_kg: number, lines: readonly PotLine[]): AcidClass {
  const { ingredient } = line;
  if (ingredient.id === OWN_INGREDIENT) return 'low-acid';
  if (ingredient.acidClass !== 'seasoning') return ingredient.acidClass;
  // Fats and drops of oil have a rule of their own, by the spoon.
  if (FATS.has(ingredient.id) || FLAVOURING_OILS.has(ingredient.id)) return 'seasoning';
  const together_kg = massOf_kg(lines.filter((other) => other.ingredient.id === ingredient.id));
  return together_kg > pan_kg * (ingredient.seasoningShare ?? 0) ? 'low-acid' : 'seasoning';
}
