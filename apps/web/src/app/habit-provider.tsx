import { useMemo, type ReactNode } from 'react';
import { kitchenOf } from '@idle-kettle/contract';
import { useKitchens } from '../data/kitchens.js';
import { useLessons, usePreparedWeights } from '../data/queries.js';
import { useHour } from '../ui/now.js';
import { HabitContext, type Habit } from '../ui/habit.js';

/** Gives every screen the person's units, where the kettle stands, and what is known there. */
export function HabitProvider({ children }: { readonly children: ReactNode }) {
  const kitchen = useKitchens().data?.[0];
  const prepared = usePreparedWeights().data;
  const learned = useLessons().data;
  // A barometer counts for a day, so an open page looks again now and then.
  const hour = useHour();
  const habit = useMemo<Habit>(() => {
    const lessons = learned?.kitchenId === kitchen?.id ? learned?.lessons : undefined;
    const place = kitchen ? kitchenOf(kitchen, hour, prepared, lessons) : {};
    return {
      units: kitchen?.units ?? 'metric',
      temperatureUnit: kitchen?.temperatureUnit ?? 'C',
      place,
      placeKnown:
        place.altitude_m !== undefined ||
        place.boilingPoint_C !== undefined ||
        place.pressure_kPa !== undefined,
      southern: kitchen?.southern ?? false,
    };
  }, [kitchen, prepared, learned, hour]);
  return <HabitContext value={habit}>{children}</HabitContext>;
}
