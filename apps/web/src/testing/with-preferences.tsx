import { render, type RenderResult } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { PreferencesContext, type Preferences } from '../ui/preferences.js';

const METRIC: Preferences = {
  units: 'metric',
  temperatureUnit: 'C',
  kitchen: { altitude_m: 1180 },
  isPlaceKnown: true,
  southern: false,
  foodNames: [],
};
export const US: Partial<Preferences> = { units: 'us', temperatureUnit: 'F' };

/** Shows a component to a person with these preferences; metric in a known kitchen unless given. */
export function show(
  element: ReactElement,
  preferences: Partial<Preferences> = {},
): RenderResult & { readonly user: UserEvent } {
  const user = userEvent.setup();
  const shown = render(
    <PreferencesContext value={{ ...METRIC, ...preferences }}>{element}</PreferencesContext>,
  );
  return { ...shown, user };
}
