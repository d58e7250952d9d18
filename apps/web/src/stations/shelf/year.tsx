import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
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
import { useGear } from '../../batch/use-gear.js';
import { Freezer } from './freezer.js';
import { YearBar, YearRing } from './year-ring.js';
import * as dates from '../../ui/dates.js';

const jars = (n: number): string => `${Math.round(n)} ${Math.round(n) === 1 ? 'jar' : 'jars'}`;

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
  const { gear } = useGear();
  const uses = useQuery({
    queryKey: [...keys.shelf, 'year'],
    queryFn: () => request<YearUseView[]>('GET', '/shelf/year'),
  });
  const all = (uses.data ?? []).map((use) => ({
    ...use,
    stated: gear.jarsWanted?.find(({ of }) => of === keyOf(use))?.jars,
  }));
  const rows = yearPlan(all, today().getMonth() + 1, southern);
  const toMake = rows
    .filter(({ batches }) => batches > 0)
    .map((row) => ({ ...row, formula: readFormula(row.document, kitchen).formula }));
  const { lids, sugar_kg, pectin } = yearNeeds(toMake);
  const batches = toMake.reduce((sum, row) => sum + row.batches, 0);
  return (
    <Page
      title="The year"
      isWide
      lead="Pale: when the fruit is there. Line: how long your jars last."
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
            <Link to="/formulas" className="btn btn-primary">
              What is in season?
            </Link>
          }
        >
          Once jars are made, eaten and given away, their year is shown here.
        </Empty>
      )}
      {rows.length > 0 && (
        <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(300px,360px)]">
          <div className="hidden min-w-0 items-start justify-center self-start md:flex lg:sticky lg:top-[calc(var(--head,0px)+8px)]">
            <YearRing
              rows={rows}
              southern={southern}
              middle={{
                large:
                  batches === 0 ? 'enough' : `${batches} ${batches === 1 ? 'batch' : 'batches'}`,
                small: 'to last the year',
              }}
            />
          </div>
          <div className="min-w-0">
            <section aria-label="To buy for all of it">
              {toMake.length > 0 && (
                <p className="border-b border-line pb-3">
                  <strong>
                    {batches} {batches === 1 ? 'batch' : 'batches'} to last the year:
                  </strong>{' '}
                  {lids} lids, {formats.mass(sugar_kg)} of sugar
                  {pectin
                    .map(({ name, mass_kg }) => `, ${formats.mass(mass_kg)} of ${name}`)
                    .join('')}
                  .
                </p>
              )}
            </section>
            <ul aria-label="By fruit">
              {rows.map((row) => (
                <Row key={row.batchId} row={row} southern={southern} />
              ))}
            </ul>
          </div>
        </div>
      )}
      <Freezer />
    </Page>
  );
}

/** What jars a year are stated of: kind and fruit. */
const keyOf = ({ document, fruit, title }: YearUseView): string =>
  `${document.kind} ${fruit ?? title}`.slice(0, 120);

/** How many batches to make of it and when, or why none. */
function makeWords({ batches, perBatch, now, from, aYear, days }: YearAhead & YearUseView): string {
  if (aYear === undefined)
    return `Its pace shows after two months; the first was made ${days} ${days === 1 ? 'day' : 'days'} ago.`;
  if (batches === 0) return 'Enough for the year.';
  const make = `Make ${batches} ${batches === 1 ? 'batch' : 'batches'} of ${perBatch}`;
  if (now) return `${make}, in season now.`;
  return from === undefined ? `${make}.` : `${make}, from ${dates.monthName(from)} on.`;
}

interface RowProps {
  readonly row: YearAhead & YearUseView;
  readonly southern: boolean;
}

function Row({ row, southern }: RowProps) {
  const theme = useTheme();
  const { title, fruit, left, lastsDays, batches, batchId } = row;
  return (
    <li style={fruitStyle(fruit, theme)} className="flex gap-3 border-b border-line py-2.5">
      <span
        aria-hidden="true"
        className="w-3 shrink-0 self-stretch rounded-full"
        style={{ background: 'var(--fruit)' }}
      />
      <div className="min-w-0 flex-1 leading-snug">
        <div className="flex items-start justify-between gap-2">
          <h2 className="font-sans text-base font-semibold">
            <Link to={`/batches/${batchId}/shelf`} className="hover:underline">
              {title}
            </Link>
          </h2>
          <JarsAYear row={row} />
        </div>
        <p className="text-soft">
          {left === 0 ? 'None left' : `${jars(left)} left`}
          {left > 0 && lastsDays !== undefined && `, ${lasts(lastsDays)}`}.{' '}
          <span className={batches > 0 ? 'font-semibold text-base-content' : ''}>
            {makeWords(row)}
          </span>
        </p>
        <YearBar row={row} southern={southern} />
      </div>
    </li>
  );
}

/** Jars a year, as stated here or learned from what was used. */
function JarsAYear({ row }: { readonly row: YearAhead & YearUseView }) {
  const { change } = useGear();
  const [text, setText] = useState<string>();
  const of = keyOf(row);
  const state = (count: number | undefined): void => {
    change((gear) => ({
      ...gear,
      jarsWanted: [
        ...(gear.jarsWanted ?? []).filter((each) => each.of !== of),
        ...(count === undefined ? [] : [{ of, jars: count }]),
      ],
    }));
    setText(undefined);
  };
  if (text === undefined)
    return (
      <button
        type="button"
        className="-mt-1.5 flex min-h-[44px] shrink-0 cursor-pointer flex-col items-end justify-center text-right text-sm leading-tight"
        onClick={() => setText(row.aYear === undefined ? '' : String(Math.round(row.aYear)))}
      >
        {row.aYear !== undefined && <strong className="text-base">{jars(row.aYear)}</strong>}
        <span className="text-soft underline">
          {row.aYear === undefined ? 'jars a year?' : 'a year'}
          {row.stated !== undefined && ', stated'}
        </span>
        <span className="sr-only">: change those of {row.title}</span>
      </button>
    );
  const isRight = /^\d{0,3}$/.test(text.trim());
  return (
    <form
      className="flex items-center gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (isRight) state(text.trim() === '' ? undefined : Number(text));
      }}
    >
      <input
        // Opened by a tap of the person, so the focus may follow.
        ref={(field) => field?.focus()}
        inputMode="numeric"
        aria-label={`Jars a year of ${row.title}; empty: as they are used`}
        aria-invalid={!isRight}
        className={`input w-16 text-center ${isRight ? '' : 'input-error'}`}
        maxLength={3}
        placeholder="auto"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={({ key }) => key === 'Escape' && setText(undefined)}
      />
      <button type="submit" className="btn btn-secondary px-3" disabled={!isRight}>
        Save
      </button>
    </form>
  );
}
