import { cookBatch, type PreparedPot } from '../balance/index.js';
import type { Boil, CookingClock } from '../boil-log/index.js';
import { heatingOf, LONGEST_COOK_S, type Heating } from '../thermal/index.js';

/** Where a batch cooks from a time on, s on the clock of its cooking. */
export interface PlaceInTime {
  readonly time_s: number;
  readonly heating: Heating;
}

/** How long each stage of a formula is expected to take, s. */
const stageLengths_s = ({ contents, outcome, rule: { cook } }: PreparedPot): readonly number[] =>
  cookBatch(cook, contents, 0, outcome.finished).stretches.map(({ seconds }) =>
    Math.min(seconds, LONGEST_COOK_S),
  );

/**
 * Where a batch has cooked so far, as logged. The first place holds from the beginning; before a
 * later stage of the formula that was logged, the stages before it do.
 */
export function placesSoFar(
  { places }: Boil,
  pot: PreparedPot,
  { seconds }: CookingClock,
): readonly PlaceInTime[] {
  const { formula, contents, rule } = pot;
  const logged = places.map(({ at, ...place }) => ({
    time_s: Math.max(seconds(at), 0),
    heating: heatingOf(formula, place, contents.mass),
  }));
  const from_s = logged[0]?.time_s ?? Infinity;
  const before: PlaceInTime[] = [];
  const skipped = logged.length === 0 ? 1 : (places[0]?.stage ?? 1) - 1;
  const lengths_s = stageLengths_s(pot);
  let time_s = 0;
  rule.cook.heatings.slice(0, skipped).forEach((heating, i) => {
    if (time_s < from_s) before.push({ time_s, heating });
    time_s += lengths_s[i] ?? 0;
  });
  if (before.length > 0) return [...before, ...logged];
  return logged.map((place, i) => (i === 0 ? { ...place, time_s: 0 } : place));
}

/** What is still to come of a cook by its stages. */
export interface PlannedPlaces {
  readonly places: readonly PlaceInTime[];
  /** When the last stage is over, s. */
  readonly endsAt_s: number;
}

/**
 * The stages of a formula that are still to come. One that ends at what is seen is taken to end when
 * the balance expects it; a place in the log that is no stage of a formula with several stays.
 */
export function placesToCome(
  { places }: Boil,
  pot: PreparedPot,
  { seconds }: CookingClock,
): PlannedPlaces {
  const { heatings } = pot.rule.cook;
  const numbered = places.findLast(({ stage }) => stage !== undefined);
  const isElsewhere = places.length > 0 && !numbered && heatings.length > 1;
  const reached = numbered?.stage ?? 1;
  const planned: PlaceInTime[] = [];
  let time_s = numbered ? Math.max(seconds(numbered.at), 0) : 0;
  stageLengths_s(pot).forEach((length_s, i) => {
    const heating = heatings[i];
    if (!heating || i + 1 < reached) return;
    if (i + 1 > reached && !isElsewhere) planned.push({ time_s, heating });
    time_s += length_s;
  });
  return { places: planned, endsAt_s: time_s };
}
