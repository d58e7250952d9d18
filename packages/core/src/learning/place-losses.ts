import { panOf, panOfStage } from '../balance/index.js';
import type { Boil } from '../boil-log/index.js';
import type { ModelledPot } from '../forecast/index.js';
import type { CookingPlace } from '../formula/index.js';
import { HOUR_S } from '../quantity/index.js';
import { growthAt, warmingTime_s } from '../thermal/index.js';
import type { Estimate } from './lesson.js';

/** What one cook says of the water lost at a place. */
export interface PlaceLossEvidence extends CookingPlace {
  /** Natural logarithm of kilograms an hour from hot contents, in a pan of ordinary size. */
  readonly logLoss: Estimate;
}

/** The pan was weighed, or the depth in it measured. */
interface Weighing {
  readonly time_s: number;
  readonly mass_kg: number;
  /** Standard deviation. */
  readonly sd_kg: number;
}

/** A batch at one place, s on the clock of its cooking. */
interface Stay {
  readonly place: CookingPlace;
  readonly from_s: number;
  readonly to_s: number;
}

/** A weight is read to this, kg, standard deviation. Common practice. */
const SCALE_SD_KG = 0.02;
/** Weights closer together than this say little of a loss, s. A guess. */
const SHORTEST_S = 0.75 * HOUR_S;
/** Nor does a loss with more doubt than this, share of it, standard deviation. A guess. */
const MOST_DOUBT = 0.5;

/** A fast boil on a burner is learned as the heat of that burner. */
const isOfTheBurner = ({ where, heat, lid }: CookingPlace): boolean =>
  where === 'burner' && heat === 'fast' && lid === 'off';

/**
 * Where the batch was for how long, as far as the log tells: each place that was logged, and the first
 * stage where no other can have been meant.
 */
function staysOf({ places }: Boil, { whole, clock }: ModelledPot): Stay[] {
  const { stages } = whole.rule.cook;
  const logged = places.map(({ at, ...place }) => ({
    place,
    from_s: Math.max(clock.seconds(at), 0),
  }));
  const [first] = stages;
  const isFirstKnown = logged.length === 0 ? stages.length === 1 : places[0]?.stage === 2;
  const stays = first && isFirstKnown ? [{ place: first, from_s: 0 }, ...logged] : logged;
  return stays.map((stay, i) => ({ ...stay, to_s: stays[i + 1]?.from_s ?? Infinity }));
}

/** Seconds after the start at which the pan is hot at the latest, as in the middle of its range. */
function hotAt_s({ whole: { contents, rule } }: ModelledPot): number {
  const { cook } = rule;
  const heat_W = cook.heatings[0]?.heat_W.mid ?? 0;
  return warmingTime_s(panOf(contents), heat_W, panOfStage(cook, 0));
}

/** What was lost from the first weighing of a stay to the last, kg an hour; undefined where it says little. */
function lossBetween(
  first: Weighing | undefined,
  last: Weighing | undefined,
): Estimate | undefined {
  if (!first || !last || last.time_s - first.time_s < SHORTEST_S) return undefined;
  const hours = (last.time_s - first.time_s) / HOUR_S;
  const mid = (first.mass_kg - last.mass_kg) / hours;
  const sd = Math.hypot(first.sd_kg, last.sd_kg) / hours;
  return mid > 0 && sd <= mid * MOST_DOUBT ? { mid, sd } : undefined;
}

/**
 * Water lost at each place where a cook was weighed, or its depth measured, twice while it was hot and
 * nothing was put in between.
 *
 * @param filled what was in the pan at the end as the jars tell it
 */
export function placeLosses(boil: Boil, pot: ModelledPot, filled?: Weighing): PlaceLossEvidence[] {
  const { whole, input } = pot;
  const weighings: Weighing[] = input.observations.flatMap((each) =>
    'mass_kg' in each ? { sd_kg: SCALE_SD_KG, ...each } : [],
  );
  if (filled) weighings.push(filled);
  weighings.sort((a, b) => a.time_s - b.time_s);
  const hot_s = hotAt_s(pot);
  const disturbed_s = (input.added ?? []).map(({ time_s }) => time_s);
  return staysOf(boil, pot).flatMap(({ place, from_s, to_s }): PlaceLossEvidence[] => {
    if (isOfTheBurner(place)) return [];
    const inside = weighings.filter(
      ({ time_s }) => time_s >= Math.max(from_s, hot_s) && time_s <= to_s,
    );
    const [first] = inside;
    const last = inside.at(-1);
    const isDisturbed = disturbed_s.some(
      (time_s) => first && last && time_s >= first.time_s && time_s <= last.time_s,
    );
    const loss = isDisturbed ? undefined : lossBetween(first, last);
    if (!loss) return [];
    const { where, lid, heat } = place;
    const mid = Math.log(loss.mid / growthAt(place, whole.contents.mass));
    return [{ where, lid, heat, logLoss: { mid, sd: loss.sd / loss.mid } }];
  });
}
