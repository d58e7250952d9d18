import type { PotFormula } from '../formula/index.js';
import { boilingPointAt } from '../water/index.js';
import type { Boil, TestVerdict } from '../boil-log/index.js';
import type { WatchedBoil } from './watch-boil.js';
import { MINUTE_MS } from '../quantity/index.js';

/** How far one piece of evidence says the pot is. */
export const DONENESS = ['not-yet', 'near', 'there', 'past'] as const;
export type Doneness = (typeof DONENESS)[number];
export type EvidenceSource =
  'thermometer' | 'scale' | 'refractometer' | 'plate' | 'sheet' | 'finger';

export interface Evidence {
  readonly by: EvidenceSource;
  readonly says: Doneness;
  /** Milliseconds since 1970. */
  readonly at: number;
  /** How far it is to be trusted against the others; greater is more. */
  readonly trust: number;
}

export interface CombinedEvidence {
  readonly evidence: readonly Evidence[];
  /** All of it together, by trust; undefined without any. */
  readonly says: Doneness | undefined;
  /** Which witnesses contradict each other, and which of them to believe. */
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
const TRUST_UNCHECKED = 1.5;

/** What a test of the set says; a cold plate runs a little behind the pot. Common practice. */
const BY_VERDICT: Readonly<Record<TestVerdict, Doneness>> = {
  runs: 'not-yet',
  'slowly closes': 'not-yet',
  'holds a line': 'near',
  wrinkles: 'there',
  stiff: 'past',
};

/** Evidence older than this is of another pot, ms. Common practice. */
const STALE_MS = 12 * MINUTE_MS;
/**
 * Kelvin short of the line, share over the finish mass, and per cent short of the solids, that
 * count as near and as there.
 */
const NEAR = { K: 1, mass: 0.06, percent: 2.5 } as const;
const THERE = { K: 0.15, mass: 0.01, percent: 0.5 } as const;
const PAST = { K: 1.2, mass: 0.05, percent: 2.5 } as const;

const far = (short: number, near: number, there: number, past: number): Doneness =>
  short > near ? 'not-yet' : short > there ? 'near' : short > -past ? 'there' : 'past';

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
  const evidence: Evidence[] = [];
  const fresh = <T extends { readonly at: number }>(entry: T | undefined): T | undefined =>
    entry && now - entry.at <= STALE_MS ? entry : undefined;
  const reading = fresh(boil.readings.at(-1));
  if (reading && boil.gelTemperature_C !== undefined && formula.finish.type === 'gel-temperature')
    evidence.push({
      by: 'thermometer',
      at: reading.at,
      says: far(boil.gelTemperature_C - reading.temperature_C, NEAR.K, THERE.K, PAST.K),
      trust:
        boilingPointAt(formula.place).from === 'measured' ? TRUST.thermometer : TRUST_UNCHECKED,
    });
  const weighing = fresh(boil.weighings.at(-1));
  if (weighing)
    evidence.push({
      by: 'scale',
      at: weighing.at,
      says: far(weighing.value / watched.finishMass_kg - 1, NEAR.mass, THERE.mass, PAST.mass),
      trust: TRUST.scale,
    });
  const brix = fresh(boil.brix.at(-1));
  if (brix)
    evidence.push({
      by: 'refractometer',
      at: brix.at,
      says: far(
        watched.finishSolidsPercent - brix.value,
        NEAR.percent,
        THERE.percent,
        PAST.percent,
      ),
      trust: TRUST.refractometer,
    });
  for (const way of ['plate', 'sheet', 'finger'] as const) {
    const test = boil.log.findLast(
      ({ event, undone }) => !undone && event.type === 'test' && event.body.way === way,
    );
    if (test?.event.type === 'test' && fresh(test))
      evidence.push({
        by: way,
        at: test.at,
        says: BY_VERDICT[test.event.body.verdict],
        trust: TRUST[way],
      });
  }
  const weight = evidence.reduce((sum, { trust }) => sum + trust, 0);
  const mean =
    evidence.reduce((sum, { says, trust }) => sum + DONENESS.indexOf(says) * trust, 0) / weight;
  const bySide = [...evidence].sort((a, b) => DONENESS.indexOf(a.says) - DONENESS.indexOf(b.says));
  const [early, late] = [bySide[0], bySide.at(-1)];
  return {
    evidence,
    says: weight > 0 ? DONENESS[Math.round(mean)] : undefined,
    disagreement:
      early && late && DONENESS.indexOf(late.says) - DONENESS.indexOf(early.says) >= 2
        ? { early: early.by, late: late.by, trust: late.trust >= early.trust ? late.by : early.by }
        : undefined,
  };
}
