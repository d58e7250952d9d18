import {
  cookOf,
  HEATS,
  LIDS,
  WHERE_COOKED,
  type CookingPlace,
  type CookStage,
} from '@idle-kettle/core';
import { logEvent } from '../data/log-event.js';
import { useBatch } from './batch-context.js';
import { HEAT_WORDS, LID_WORDS, placeWords, WHERE_WORDS, WORK_WORDS } from './words.js';

interface PlaceFieldsProps {
  readonly place: CookingPlace;
  readonly onChange: (place: CookingPlace) => void;
}

/** Where it stands, how hot, and how its lid lies: three choices in a row. */
export function PlaceFields({ place, onChange }: PlaceFieldsProps) {
  return (
    <span className="flex flex-wrap gap-2">
      <select
        aria-label="Cooks in"
        className="select w-48"
        value={place.where}
        onChange={(event) =>
          onChange({ ...place, where: event.target.value as CookingPlace['where'] })
        }
      >
        {WHERE_COOKED.map((where) => (
          <option key={where} value={where}>
            {WHERE_WORDS[where]}
          </option>
        ))}
      </select>
      <select
        aria-label="Heat"
        className="select w-32"
        value={place.heat}
        onChange={(event) =>
          onChange({ ...place, heat: event.target.value as CookingPlace['heat'] })
        }
      >
        {HEATS.map((heat) => (
          <option key={heat} value={heat}>
            {HEAT_WORDS[heat]}
          </option>
        ))}
      </select>
      <select
        aria-label="Lid"
        className="select w-32"
        value={place.lid}
        onChange={(event) => onChange({ ...place, lid: event.target.value as CookingPlace['lid'] })}
      >
        {LIDS.map((lid) => (
          <option key={lid} value={lid}>
            {LID_WORDS[lid]}
          </option>
        ))}
      </select>
    </span>
  );
}

/** Where the batch cooks now, and the stage of its formula that comes next. */
export function useCookingPlace(): {
  readonly now: CookingPlace;
  readonly next: { readonly stage: CookStage; readonly number: number } | undefined;
} {
  const { boil, formula } = useBatch();
  const stages = cookOf(formula);
  const logged = boil.places.at(-1);
  const number = boil.places.findLast(({ stage }) => stage !== undefined)?.stage ?? 1;
  const { where, lid, heat } = logged ?? stages[0] ?? PLACE_UNKNOWN;
  const stage = stages[number];
  return { now: { where, lid, heat }, next: stage && { stage, number: number + 1 } };
}
const PLACE_UNKNOWN: CookingPlace = { where: 'burner', lid: 'off', heat: 'simmer' };

/** Whether a batch cooks by hours and looks, not to a setting point. */
export function useIsLongCook(): boolean {
  const { formula } = useBatch();
  return formula.finish.type === 'consistency' || formula.stages.length > 0;
}

/**
 * Where a butter cooks, and how its lid lies: it decides the hours. Changed whenever the lid or the heat
 * is; the next stage of the formula is one tap.
 */
export function CookingPlaceChoice() {
  const { id, boil } = useBatch();
  const isLongCook = useIsLongCook();
  const { now, next } = useCookingPlace();
  if (!isLongCook) return null;
  return (
    <section aria-label="Where it cooks" className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <span className="text-soft">cooks in</span>
      <PlaceFields place={now} onChange={(place) => logEvent(id, 'cooking', place)} />
      {next && boil.startedAt !== undefined && (
        <button
          type="button"
          className="btn btn-secondary h-auto min-h-14 max-w-full grow py-2 text-left text-lg leading-tight whitespace-normal sm:grow-0"
          onClick={() => {
            const { where, lid, heat } = next.stage;
            logEvent(id, 'cooking', { where, lid, heat, stage: next.number });
          }}
        >
          Start stage {next.number}: {next.stage.work && `${WORK_WORDS[next.stage.work]}, `}
          {placeWords(next.stage)}
        </button>
      )}
    </section>
  );
}
