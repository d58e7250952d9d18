/** @jest-environment jsdom */
import '../../testing/missing-in-jsdom.js';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import {
  computeFormula,
  gelTemperature_C,
  PROCESS_ROWS,
  type FormulaDocument,
} from '@idle-kettle/core';
import { keys } from '../../data/queries.js';
import { PreferencesContext } from '../../ui/preferences.js';
import { WhereToStop } from './where-to-stop.js';

const PLACE = { altitude_m: 1180 };
const DAMSON: FormulaDocument = {
  format: 'idle-kettle/formula',
  version: 1,
  title: 'Damson jam',
  kind: 'jam',
  method: 'long-boil',
  finish: { type: 'gel-temperature' },
  jars: [{ size: 'half-pint' }],
  lines: [
    { ingredient: 'damson', amount: '2 kg' },
    { ingredient: 'white-sugar', amount: '1.8 kg' },
  ],
};

test('where to stop here is what a batch here is stopped at', () => {
  // A kitchen in which nobody signed a row.
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  client.setQueryData(keys.kitchens, []);
  render(
    <MemoryRouter>
      <QueryClientProvider client={client}>
        <PreferencesContext
          value={{
            units: 'metric',
            temperatureUnit: 'C',
            kitchen: PLACE,
            isPlaceKnown: true,
            southern: false,
            foodNames: [],
          }}
        >
          <WhereToStop />
        </PreferencesContext>
      </QueryClientProvider>
    </MemoryRouter>,
  );
  const { balance, keeping } = computeFormula(DAMSON, PLACE);
  const stop = balance?.finish.temperature_C?.mid ?? NaN;
  expect(stop).toBeCloseTo(gelTemperature_C(PLACE), 6);
  expect(screen.getByRole('row', { name: /^0 m .*not yet$/ })).toBeTruthy();
  const own = screen.getByRole('row', { name: /1180 m, here/ });
  expect(within(own).getByText(`${stop.toFixed(1)} °C`)).toBeTruthy();
  // And the minutes of the tables are those of the batch: the third band here.
  expect(PROCESS_ROWS.jam.minutes[2]).toBe(keeping.process?.minutes);
});
