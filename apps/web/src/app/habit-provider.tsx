import { useMemo, type ReactNode } from 'react';
import type { KitchenView } from '@idle-kettle/contract';
import type { Place } from '@idle-kettle/core';
import { useKitchens } from '../data/queries.js';
import { HabitContext, type Habit } from '../ui/habit.js';

export const placeOf = ({
  altitude_m,
  boilingPoint_C,
}: Pick<KitchenView, 'altitude_m' | 'boilingPoint_C'>): Place => ({
  ...(altitude_m !== null && { altitude_m }),
  ...(boilingPoint_C !== null && { boilingPoint_C }),
});

/** Gives every screen the person's units and where the kettle stands. */
export function HabitProvider({ children }: { readonly children: ReactNode }) {
  const kitchen = useKitchens().data?.[0];
  const habit = useMemo<Habit>(() => {
    const place = kitchen ? placeOf(kitchen) : {};
    return {
      units: kitchen?.units ?? 'metric',
      temperatureUnit: kitchen?.temperatureUnit ?? 'C',
      place,
      placeKnown: Object.keys(place).length > 0,
    };
  }, [kitchen]);
  return <HabitContext value={habit}>{children}</HabitContext>;
}
