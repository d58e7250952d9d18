import { Suspense } from 'react';
import { Link, useParams } from 'react-router';
import { costOf, firstFruit, MINUTE_MS, outcomeRows } from '@idle-kettle/core';
import { useTheme } from '../../ui/theme.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { useMakeAgain } from '../../batch/new-batch.js';
import { OutcomeTable } from '../../batch/outcome-table.js';
import { finishLineName, KIND_WORDS, SET_WORDS } from '../../batch/words.js';
import { logEvent } from '../../data/log-event.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { Loading, Page } from '../../ui/page.js';
import { ShowSheet } from './show-sheet.js';
import { Photos } from './photos.js';
import { saidRows } from './said-rows.js';
import { useBatchStory, type BatchStory } from './use-batch-story.js';
import { useGear } from '../../batch/use-gear.js';
import { CostLine } from '../../batch/cost-line.js';
import { needsOfBatch, useSupplies } from '../../batch/use-supplies.js';
import { fetchedPart } from '../../ui/fetched-part.js';
import * as dates from '../../ui/dates.js';

const Curve = fetchedPart(() => import('../../batch/boil-curve.js'));

/** One batch as a story, or several side by side. */
export function Story() {
  const ids = (useParams().ids ?? '')
    .split(',')
    .filter((id) => id !== '')
    .slice(0, 4);
  return (
    <Page
      title={ids.length > 1 ? 'Side by side' : 'How it went'}
      actions={
        <Link to="/logbook" className="btn">
          To the logbook
        </Link>
      }
    >
      <div
        className={`grid items-start gap-4 ${ids.length > 1 ? 'md:grid-cols-2 xl:grid-cols-3' : ''}`}
      >
        {ids.map((id) => (
          <One key={id} id={id} alone={ids.length === 1} />
        ))}
      </div>
    </Page>
  );
}

function One({ id, alone }: { readonly id: string; readonly alone: boolean }) {
  const { told, failed } = useBatchStory(id);
  const theme = useTheme();
  if (failed && !told)
    return (
      <Notice title="This batch cannot be fetched" tone="care">
        It is not there, or the server does not answer.
      </Notice>
    );
  if (!told) return <Loading />;
  const { batch, boil } = told;
  const { document } = batch;
  return (
    <article
      aria-label={document.title}
      style={fruitStyle(firstFruit(document), theme)}
      className="panel overflow-hidden"
    >
      <div aria-hidden="true" className="h-2" style={{ background: 'var(--fruit)' }} />
      <div className="flex flex-col gap-4 p-4">
        <header>
          <h2 className="display text-2xl">
            {document.title === '' ? 'Unnamed batch' : document.title}
          </h2>
          <p className="text-soft">
            {KIND_WORDS[document.kind]},{' '}
            {dates.longDayAndYear(boil.endedAt ?? boil.startedAt ?? new Date(batch.createdAt))}
          </p>
        </header>
        <Ingredients told={told} />
        <Cost told={told} />
        <Planned told={told} />
        {alone && boil.readings.length > 1 && (
          <div className="h-[280px]">
            <Suspense fallback={<p className="text-soft">Drawing the curve…</p>}>
              <Curve
                boil={boil}
                gel_C={boil.gelTemperature_C ?? 0}
                boilingPoint_C={boil.boilingPoint_C ?? 100}
                minutes={
                  Math.ceil(
                    ((boil.endedAt ?? boil.readings.at(-1)?.at ?? 0) - (boil.startedAt ?? 0)) /
                      MINUTE_MS,
                  ) + 2
                }
                lineName={finishLineName(document.finish, 'then')}
                theme={theme}
                watched={undefined}
                curdles_C={undefined}
              />
            </Suspense>
          </div>
        )}
        <Said told={told} />
        <Photos batchId={id} title={document.title} alone={alone} />
        <Score told={told} />
        {alone && <ShowSheet told={told} />}
        <p className="flex flex-wrap gap-x-5">
          {boil.endedAt !== undefined && (
            <Link to={`/practice/again/${id}`} className="flex min-h-[44px] items-center underline">
              Practise with it
            </Link>
          )}
          {(['boil', 'jar', 'shelf'] as const).map((station) => (
            <Link
              key={station}
              to={`/batches/${id}/${station}`}
              className="flex min-h-[44px] items-center underline"
            >
              {{ boil: 'Its whole log', jar: 'Its jars', shelf: 'On the shelf' }[station]}
            </Link>
          ))}
        </p>
      </div>
    </article>
  );
}

/** What went in, and the same again in one tap. */
function Ingredients({ told: { batch } }: { readonly told: BatchStory }) {
  const again = useMakeAgain();
  return (
    <div className="flex flex-wrap items-end justify-between gap-3">
      <ul aria-label="What went in" className="leading-snug">
        {batch.document.lines.map((line, i) => (
          <li key={i}>
            <strong>{line.amount}</strong> {nameOfLine(line)}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2 print:hidden">
        <Link to={`/rescue/${batch.id}`} className="btn btn-ghost">
          Something is wrong with it
        </Link>
        <button type="button" className="btn" onClick={() => void again(batch.id)}>
          Make again
        </button>
      </div>
    </div>
  );
}

/** What a jar cost, by the prices of today, where the household gave some. */
function Cost({ told: { batch, boil } }: { readonly told: BatchStory }) {
  const { kitchen } = usePreferences();
  const { gear } = useGear();
  const filled = boil.jarred.reduce((sum, { full, part }) => sum + full + part, 0);
  const cost = costOf(needsOfBatch(batch, kitchen, filled), filled, useSupplies());
  return cost ? <CostLine cost={cost} currency={gear.currency} /> : null;
}

function Planned({ told }: { readonly told: BatchStory }) {
  return <OutcomeTable rows={outcomeRows(told.outcome, useFormats())} />;
}

function Said({ told }: { readonly told: BatchStory }) {
  const rows = saidRows(told);
  if (rows.length === 0) return null;
  return (
    <ul aria-label="Tests and notes">
      {rows.map(({ name, text }, i) => (
        <li key={i} className="flex gap-3 border-t border-line py-2">
          <span className="w-28 shrink-0 text-sm text-soft">{name}</span>
          <span>{text}</span>
        </li>
      ))}
    </ul>
  );
}

/** How it had set and tasted once a jar was opened; a tap, and another tap changes it. */
function Score({ told: { batch, outcome } }: { readonly told: BatchStory }) {
  const { set, taste } = outcome.score ?? { set: undefined, taste: undefined };
  const score = (change: { set?: number; taste?: number }): void =>
    void logEvent(batch.id, 'scored', { set: set ?? 0, taste: taste ?? 3, ...change });
  if (outcome.yield_ml.actual === undefined) return null;
  return (
    <section aria-label="Opened and tasted">
      <h3 className="text-lg">Opened and tasted</h3>
      <RadioButtons
        name="Set"
        options={SET_WORDS.map((word, i) => [String(i - 2), word])}
        value={set === undefined ? undefined : String(set)}
        className="mt-1"
        onChange={(value) => score({ set: Number(value) })}
      />
      <div className="mt-2 flex flex-wrap items-center gap-1.5">
        <span className="mr-1 text-soft">taste</span>
        <RadioButtons
          name="Taste, of 5"
          options={['1', '2', '3', '4', '5'].map((value) => [value, value])}
          value={taste === undefined ? undefined : String(taste)}
          onChange={(value) => score({ taste: Number(value) })}
        />
      </div>
      {set !== undefined && set !== 0 && (
        <p className="mt-2 text-soft">
          {set < 0
            ? 'Softer than wanted: next time stop a little later, or look at pectin and acid at the Balance station.'
            : 'Firmer than wanted: next time stop a little sooner.'}
        </p>
      )}
    </section>
  );
}
