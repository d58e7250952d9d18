import { useQuery } from '@tanstack/react-query';
import { format, setMonth } from 'date-fns';
import { Link } from 'react-router';
import type { YearUseView } from '@idle-kettle/contract';
import { readFormula, yearNeeds, yearPlan, type YearAhead } from '@idle-kettle/core';
import { useTheme } from '../../ui/theme.js';
import { request } from '../../data/api.js';
import { today } from '../../data/clock.js';
import { keys } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { Freezer } from './freezer.js';

const jars = (n: number): string => `${Math.round(n)} ${Math.round(n) === 1 ? 'jar' : 'jars'}`;
const monthName = (month: number): string =>
  format(setMonth(new Date(2026, 0, 1), month - 1), 'MMMM');

/** How long what is left will last, in words. */
function lasts(days: number): string {
  if (days < 14) return 'for days';
  if (days < 60) return `for ${Math.round(days / 7)} weeks`;
  return days < 700 ? `for ${Math.round(days / 30)} months` : 'for years';
}

/** What the household gets through, and what to make of it when. */
export function Year() {
  const { southern, kitchen } = usePreferences();
  const formats = useFormats();
  const uses = useQuery({
    queryKey: [...keys.shelf, 'year'],
    queryFn: () => request<YearUseView[]>('GET', '/shelf/year'),
  });
  const all = uses.data ?? [];
  const rows = yearPlan(all, today().getMonth() + 1, southern);
  const toMake = rows
    .filter(({ batches }) => batches > 0)
    .map((row) => ({ ...row, formula: readFormula(row.document, kitchen).formula }));
  const { lids, sugar_kg, pectin } = yearNeeds(toMake);
  return (
    <Page
      title="The year"
      lead="What this household gets through, what is left of it, and what to make in which season so that it lasts."
      actions={
        <Link to="/shelf" className="btn">
          To the shelf
        </Link>
      }
    >
      {uses.isPending && !uses.isError && <Loading />}
      {uses.isError && all.length === 0 && (
        <Notice title="The year cannot be fetched" tone="care">
          The server does not answer. It is tried again when you come back to this page.
        </Notice>
      )}
      {uses.isSuccess && all.length === 0 && (
        <Empty
          title="No jars yet"
          action={
            <Link to="/" className="btn btn-primary">
              To today
            </Link>
          }
        >
          Once jars are put up, eaten and given away, their year is told here.
        </Empty>
      )}
      {toMake.length > 0 && (
        <section aria-label="To have ready" className="panel mb-4 p-4">
          <h2 className="text-xl">For all of it</h2>
          <p>
            {lids} lids (and a band for each jar that has none), {formats.mass(sugar_kg)} of sugar
            {pectin.map(({ name, mass_kg }) => `, ${formats.mass(mass_kg)} of ${name}`).join('')}.
          </p>
        </section>
      )}
      {rows.length > 0 && (
        <ul aria-label="By fruit" className="grid gap-3 md:grid-cols-2">
          {rows.map((row) => (
            <Row key={row.batchId} row={row} />
          ))}
        </ul>
      )}
      <Freezer />
    </Page>
  );
}

/** How many batches to make of it and when, or why none. */
function makeWords({ batches, perBatch, now, from, aYear }: YearAhead & YearUseView): string {
  if (batches === 0)
    return aYear === undefined
      ? 'Available after two months.'
      : 'What is left is enough for the year.';
  const make = `Make ${batches} ${batches === 1 ? 'batch' : 'batches'} of ${perBatch}`;
  if (now) return `${make}, its fruit is in season now.`;
  return from === undefined ? `${make}.` : `${make}, from ${monthName(from)} on.`;
}

function Row({ row }: { readonly row: YearAhead & YearUseView }) {
  const theme = useTheme();
  const { title, fruit, aYear, left, lastsDays, batches, days, batchId } = row;
  const share = aYear === undefined || aYear === 0 ? 1 : Math.min(left / aYear, 1);
  return (
    <li style={fruitStyle(fruit, theme)} className="panel overflow-hidden">
      <div className="flex h-full">
        <span aria-hidden="true" className="w-2 shrink-0" style={{ background: 'var(--fruit)' }} />
        <div className="min-w-0 flex-1 p-4">
          <h2 className="display truncate text-lg">{title}</h2>
          {aYear === undefined ? (
            <p className="text-soft">
              {jars(left)} left. Too early to tell: the first of it was made {days}{' '}
              {days === 1 ? 'day' : 'days'} ago.
            </p>
          ) : (
            <p>
              <strong>{jars(aYear)} a year</strong>, {left} left
              {lastsDays !== undefined && `, ${lasts(lastsDays)}`}.
            </p>
          )}
          {aYear !== undefined && (
            <div aria-hidden="true" className="mt-2 h-2 rounded-full bg-base-300">
              <div
                className="h-2 rounded-full"
                style={{ width: `${share * 100}%`, background: 'var(--fruit)' }}
              />
            </div>
          )}
          <p className={`mt-2 ${batches > 0 ? 'font-semibold' : 'text-soft'}`}>{makeWords(row)}</p>
          <p className="mt-1 text-sm">
            <Link to={`/batches/${batchId}/shelf`} className="underline">
              The latest batch of it
            </Link>
          </p>
        </div>
      </div>
    </li>
  );
}
