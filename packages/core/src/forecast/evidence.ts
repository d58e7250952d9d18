import type { Boil, LogEntry, TestVerdict, TestWay } from '../boil-log/index.js';
import type { PotFormula } from '../formula/index.js';
import { MINUTE_MS } from '../quantity/index.js';
import { boilingPointAt } from '../water/index.js';
import type { WatchedBoil } from './watch-boil.js';

/** How far one piece of evidence says the pan is, from the least to the most. */
const DONENESS = ['not-yet', 'near', 'there', 'past'] as const;
export type Doneness = (typeof DONENESS)[number];
export type EvidenceSource = 'thermometer' | 'scale' | 'refractometer' | TestWay;

export interface Evidence {
  readonly source: EvidenceSource;
  readonly doneness: Doneness;
  /** Milliseconds since 1970. */
  readonly at: number;
  /** How far it is to be trusted against the others; greater is more. */
  readonly trust: number;
}

export interface CombinedEvidence {
  readonly evidence: readonly Evidence[];
  /** All of it together, by trust; undefined without any. */
  readonly doneness: Doneness | undefined;
  /** Which sources contradict each other, and which of them to believe. */
  readonly disagreement:
    | {
        readonly early: EvidenceSource;
        readonly late: EvidenceSource;
        readonly trust: EvidenceSource;
      }
    | undefined;
}

/**
 * The scale is surest, then the refractometer, then a thermometer boiled in water that day. Common
 * practice.
 */
const TRUST: Readonly<Record<EvidenceSource, number>> = {
  scale: 5,
  refractometer: 4,
  thermometer: 3,
  plate: 3,
  sheet: 2,
  finger: 2,
};
/** A thermometer that was not boiled in water that day. */
const TRUST_UNCHECKED_THERMOMETER = 1.5;

/** What a test of the set says; a cold plate runs a little behind the pan. Common practice. */
const DONENESS_BY_TEST: Readonly<Record<TestVerdict, Doneness>> = {
  runs: 'not-yet',
  'slowly closes': 'not-yet',
  'holds a line': 'near',
  wrinkles: 'there',
  stiff: 'past',
};

/** Evidence older than this no longer tells, ms. Common practice. */
const STALE_MS = 12 * MINUTE_MS;

/** How far short of the finish counts as near and as there, and how far beyond it as past. */
interface Bounds {
  readonly near: number;
  readonly there: number;
  readonly past: number;
}
/** Kelvin short of the setting point. Common practice. */
const BY_TEMPERATURE_K: Bounds = { near: 1, there: 0.15, past: 1.2 };
/** Share over the finish mass. Common practice. */
const BY_MASS_SHARE: Bounds = { near: 0.06, there: 0.01, past: 0.05 };
/** Per cent short of the solids. Common practice. */
const BY_SOLIDS_PERCENT: Bounds = { near: 2.5, there: 0.5, past: 2.5 };

function donenessAt(short: number, { near, there, past }: Bounds): Doneness {
  if (short > near) return 'not-yet';
  if (short > there) return 'near';
  return short > -past ? 'there' : 'past';
}

/** What evidence is taken from. */
interface EvidenceInput {
  readonly boil: Boil;
  readonly formula: PotFormula;
  readonly watched: WatchedBoil;
}
/** The last word of one source, however old. */
type EvidenceOf = (input: EvidenceInput) => Evidence | undefined;

const fromThermometer: EvidenceOf = ({ boil, formula }) => {
  const reading = boil.readings.at(-1);
  if (!reading || boil.gelTemperature_C === undefined || formula.finish.type !== 'gel-temperature')
    return undefined;
  return {
    source: 'thermometer',
    at: reading.at,
    doneness: donenessAt(boil.gelTemperature_C - reading.temperature_C, BY_TEMPERATURE_K),
    trust:
      boilingPointAt(formula.place).from === 'measured'
        ? TRUST.thermometer
        : TRUST_UNCHECKED_THERMOMETER,
  };
};

const fromScale: EvidenceOf = ({ boil, watched }) => {
  const weighing = boil.weighings.at(-1);
  return (
    weighing && {
      source: 'scale',
      at: weighing.at,
      doneness: donenessAt(weighing.value / watched.finishMass_kg - 1, BY_MASS_SHARE),
      trust: TRUST.scale,
    }
  );
};

const fromRefractometer: EvidenceOf = ({ boil, watched }) => {
  const brix = boil.brix.at(-1);
  return (
    brix && {
      source: 'refractometer',
      at: brix.at,
      doneness: donenessAt(watched.finishSolidsPercent - brix.value, BY_SOLIDS_PERCENT),
      trust: TRUST.refractometer,
    }
  );
};

const isTestBy =
  (way: TestWay) =>
  ({ event, undone }: LogEntry): boolean =>
    !undone && event.type === 'test' && event.body.way === way;

const fromTest =
  (way: TestWay): EvidenceOf =>
  ({ boil }) => {
    const test = boil.log.findLast(isTestBy(way));
    if (test?.event.type !== 'test') return undefined;
    const doneness = DONENESS_BY_TEST[test.event.body.verdict];
    return { source: way, at: test.at, doneness, trust: TRUST[way] };
  };

const SOURCES: readonly EvidenceOf[] = [
  fromThermometer,
  fromScale,
  fromRefractometer,
  fromTest('plate'),
  fromTest('sheet'),
  fromTest('finger'),
];

const rank = ({ doneness }: Evidence): number => DONENESS.indexOf(doneness);

/** The mean by trust, to the nearest step. */
function together(evidence: readonly Evidence[]): Doneness | undefined {
  const weight = evidence.reduce((sum, { trust }) => sum + trust, 0);
  const mean = evidence.reduce((sum, each) => sum + rank(each) * each.trust, 0) / weight;
  return weight > 0 ? DONENESS[Math.round(mean)] : undefined;
}

/** The two that are furthest apart, where they are two steps apart or more. */
function disagreementIn(evidence: readonly Evidence[]): CombinedEvidence['disagreement'] {
  const byDoneness = evidence.toSorted((a, b) => rank(a) - rank(b));
  const [early, late] = [byDoneness[0], byDoneness.at(-1)];
  if (!early || !late || rank(late) - rank(early) < 2) return undefined;
  const trusted = late.trust >= early.trust ? late : early;
  return { early: early.source, late: late.source, trust: trusted.source };
}

/**
 * What the thermometer, the scale, the refractometer and the tests say together, and whether they
 * contradict each other. The last of each counts, while it is fresh.
 *
 * @param now milliseconds since 1970
 */
export function weighEvidence(
  boil: Boil,
  formula: PotFormula,
  watched: WatchedBoil,
  now: number,
): CombinedEvidence {
  const evidence = SOURCES.flatMap((source) => {
    const found = source({ boil, formula, watched });
    return found && now - found.at <= STALE_MS ? [found] : [];
  });
  return { evidence, doneness: together(evidence), disagreement: disagreementIn(evidence) };
}
