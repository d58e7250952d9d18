import type { Boil, LoggedReading, RejectedReading } from '../boil-log/index.js';
import { MINUTE_MS, SECOND_MS } from '../quantity/index.js';

/** What is wrong with an instrument in the pan. */
export interface ProbeTrouble {
  readonly instrument: string;
  readonly code: 'silent' | 'sticks' | 'out' | 'drifts';
  /** In words, for the person at the stove. */
  readonly text: string;
}

/** As many usual gaps without a word, and at least so long, are silence. Common practice. */
const SILENT_GAPS = 6;
const SILENT_MS = 45 * SECOND_MS;
/** The usual gap is the median of the last so many. */
const GAPS_LOOKED_AT = 60;
/**
 * The very same figure for so long, with so many readings, is a probe that sticks; a coarse one may
 * show it longer. Common practice.
 */
const STICKS = { fine: 2 * MINUTE_MS, coarse: 12 * MINUTE_MS, readings: 10 } as const;
/** Off from what a hand read beside it, twice in a row, K. Common practice. */
const DRIFTS_K = 1.5;
const COMPARED_WITH_HAND = 2;
/** Readings this near in time are of one moment. */
const BESIDE_MS = 45 * SECOND_MS;
/** Older readings by hand no longer tell. */
const LATELY_MS = 15 * MINUTE_MS;
/** A rejected reading that is older than this is not told of any more. */
const JUST_REJECTED_MS = MINUTE_MS;

/** What is known of one probe since the pan went on the heat. */
interface ProbeLog {
  readonly readings: readonly LoggedReading[];
  readonly last: LoggedReading | undefined;
  readonly lastRejected: RejectedReading | undefined;
  /** Lately read by hand. */
  readonly byHand: readonly LoggedReading[];
  readonly now: number;
}

/** One way in which a probe may be wrong: the text where it is, undefined where it is not. */
interface TroubleRule {
  readonly code: ProbeTrouble['code'];
  readonly text: (probe: ProbeLog) => string | undefined;
}

const slippedOut: TroubleRule = {
  code: 'out',
  text: ({ lastRejected, last, now }) =>
    lastRejected && lastRejected.at > (last?.at ?? 0) && now - lastRejected.at < JUST_REJECTED_MS
      ? lastRejected.reason
      : undefined,
};

const fellSilent: TroubleRule = {
  code: 'silent',
  text: ({ readings, last, now }) => {
    if (!last || readings.length < 2) return undefined;
    const quiet_ms = now - last.at;
    return quiet_ms > Math.max(SILENT_GAPS * usualGap_ms(readings), SILENT_MS)
      ? `nothing heard for ${Math.round(quiet_ms / SECOND_MS)} s: is it on, and in reach?`
      : undefined;
  },
};

const sticks: TroubleRule = {
  code: 'sticks',
  text: ({ readings, last }) => {
    if (!last) return undefined;
    const from =
      readings.findLastIndex(({ temperature_C }) => temperature_C !== last.temperature_C) + 1;
    const same_ms = last.at - (readings[from]?.at ?? last.at);
    const isCoarse = readings.every(({ temperature_C }) => Number.isInteger(temperature_C * 2));
    return readings.length - from >= STICKS.readings &&
      same_ms > (isCoarse ? STICKS.coarse : STICKS.fine)
      ? `it has said ${last.temperature_C.toFixed(1)} °C for ${Math.round(same_ms / MINUTE_MS)} min: does it stick? Read another one beside it`
      : undefined;
  },
};

const drifts: TroubleRule = {
  code: 'drifts',
  text: ({ readings, byHand }) => {
    const off_K = byHand
      .flatMap((hand) => {
        const beside = readings.filter(({ at }) => Math.abs(at - hand.at) <= BESIDE_MS);
        if (beside.length === 0) return [];
        return [mean(beside.map((each) => each.temperature_C)) - hand.temperature_C];
      })
      .slice(-COMPARED_WITH_HAND);
    if (off_K.length < COMPARED_WITH_HAND) return undefined;
    const by_K = mean(off_K);
    return Math.abs(by_K) > DRIFTS_K
      ? `it shows ${Math.abs(by_K).toFixed(1)} °C ${by_K > 0 ? 'more' : 'less'} than what was read by hand: check it in boiling water`
      : undefined;
  },
};

/** The first that applies is told. */
const TROUBLE_RULES: readonly TroubleRule[] = [slippedOut, fellSilent, sticks, drifts];

const mean = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / values.length;

/** Readings of each probe since the pan went on the heat. */
function byProbe(
  { readings, rejectedReadings, heat }: Boil,
  now: number,
): Map<string, LoggedReading[]> {
  const since = heat.at(-1)?.from ?? 0;
  const probes = new Map<string, LoggedReading[]>();
  for (const reading of readings) {
    if (reading.instrument === undefined || reading.at < since) continue;
    const own = probes.get(reading.instrument);
    if (own) own.push(reading);
    else probes.set(reading.instrument, [reading]);
  }
  // One that slipped out may have said nothing else since the pan went on.
  for (const { instrument, at } of rejectedReadings)
    if (instrument !== undefined && now - at < JUST_REJECTED_MS && !probes.has(instrument))
      probes.set(instrument, []);
  return probes;
}

/**
 * Instruments in a pan on the heat that have gone silent, stick, have slipped out or have drifted
 * from what was read by hand.
 *
 * @param now milliseconds since 1970
 */
export function probeTroubles(boil: Boil, now: number): ProbeTrouble[] {
  if (boil.phase !== 'on-heat') return [];
  const byHand = boil.readings.filter(
    ({ instrument, at }) => instrument === undefined && now - at < LATELY_MS,
  );
  return [...byProbe(boil, now)].flatMap(([instrument, readings]) => {
    const probe: ProbeLog = {
      readings,
      last: readings.at(-1),
      lastRejected: boil.rejectedReadings.findLast((each) => each.instrument === instrument),
      byHand,
      now,
    };
    for (const { code, text } of TROUBLE_RULES) {
      const found = text(probe);
      if (found !== undefined) return [{ instrument, code, text: found }];
    }
    return [];
  });
}

/** Median of the gaps between readings, ms. */
function usualGap_ms(readings: readonly LoggedReading[]): number {
  const gaps = readings
    .slice(-GAPS_LOOKED_AT)
    .map(({ at }, i, all) => at - (all[i - 1]?.at ?? at))
    .slice(1)
    .sort((a, b) => a - b);
  return gaps[Math.floor(gaps.length / 2)] ?? 0;
}
