import { useLayoutEffect, useMemo, type ReactNode } from 'react';
import { kitchenOf } from '@idle-kettle/contract';
import { useKitchenInUse } from '../data/kitchens.js';
import { useLessons, usePreparedWeights } from '../data/queries.js';
import { setDateStyle } from '../ui/dates.js';
import { useHour } from '../ui/now.js';
import { PreferencesContext, type Preferences } from '../ui/preferences.js';

/** Gives every screen the person's units, where the kettle stands, and what is known there. */
export function PreferencesProvider({ children }: { readonly children: ReactNode }) {
  const settings = useKitchenInUse();
  const prepared = usePreparedWeights().data;
  const learned = useLessons().data;
  // A barometer counts for a day, so an open page looks again now and then.
  const hour = useHour();
  const preferences = useMemo<Preferences>(() => {
    const lessons = learned?.kitchenId === settings?.id ? learned?.lessons : undefined;
    const kitchen = settings ? kitchenOf(settings, hour, prepared, lessons) : {};
    return {
      units: settings?.units ?? 'metric',
      temperatureUnit: settings?.temperatureUnit ?? 'C',
      kitchen,
      isPlaceKnown:
        kitchen.altitude_m !== undefined ||
        kitchen.boilingPoint_C !== undefined ||
        kitchen.pressure_kPa !== undefined,
      southern: settings?.southern ?? false,
      measures: settings?.gear?.writing?.measures,
      foodNames: settings?.gear?.writing?.names ?? [],
    };
  }, [settings, prepared, learned, hour]);
  const dateStyle = settings?.gear?.writing?.dates;
  const isRead = settings !== undefined;
  useLayoutEffect(() => {
    if (isRead) setDateStyle(dateStyle);
  }, [isRead, dateStyle]);
  return <PreferencesContext value={preferences}>{children}</PreferencesContext>;
}
