import { Suspense } from 'react';
import { Plus, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import type { BatchSummary } from '@idle-kettle/contract';
import { boilingPointAt, kitchenFraction, DAY_MS } from '@idle-kettle/core';
import { useTheme } from '../../ui/theme.js';
import { useNewBatch } from '../../batch/new-batch.js';
import { deleteBatches } from '../../batch/delete-batches.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { useBatches } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { Loading, Page } from '../../ui/page.js';
import { now as clockNow } from '../../data/clock.js';
import { StoveTop } from './stove-top.js';
import { Card, jarsFilledWords, LidsToCheck, RunningLow, UseFirst } from './today-cards.js';
import { fetchedPart } from '../../ui/fetched-part.js';
import * as dates from '../../ui/dates.js';

// The starters are many; a household that has made something needs none of them here.
const FirstSteps = fetchedPart(() => import('./first-steps.js'));

const SHOWN_FINISHED = 5;
/** So long Today asks for lids to be pressed; the shelf says it for ever. */
const ASKED_FOR_MS = 14 * DAY_MS;

/** The day, and where the kitchen stands. */
function Where() {
  const { kitchen, isPlaceKnown } = usePreferences();
  const formats = useFormats();
  const { altitude_m } = kitchen;
  return (
    <>
      {dates.longDay(clockNow())}
      {isPlaceKnown &&
        altitude_m !== undefined &&
        `, ${formats.altitude(altitude_m)}, water boils at ${formats.temperature(boilingPointAt(kitchen).boilingPoint_C.mid)}`}
    </>
  );
}

/** What is on the stove, what wants doing, and lately finished. */
export function Today() {
  const batches = useBatches();
  const kitchen = useKitchenInUse();
  const newBatch = useNewBatch();
  const all = batches.data ?? [];
  const withPanAndBurner = all.filter(
    (batch) => batch.phase === 'on-heat' || batch.phase === 'off-heat',
  );
  const onBench = all.filter((batch) => batch.phase === 'cold');
  // Lids are pressed the day after, wherever the jars stand on the list.
  const pressFor = ({ sealsDueAt }: BatchSummary): number =>
    sealsDueAt === null ? -1 : clockNow() - Date.parse(sealsDueAt);
  const toPress = all.filter((batch) => pressFor(batch) >= 0 && pressFor(batch) < ASKED_FOR_MS);
  const cooling = all.filter((batch) => batch.sealsDueAt !== null && pressFor(batch) < 0);
  const over = all.filter((batch) => batch.phase === 'done' && !toPress.includes(batch));
  const toJar = over.filter((batch) => !batch.onShelf);
  const finished = over.filter((batch) => batch.onShelf);
  const start = (
    <button type="button" className="btn btn-primary h-14 text-lg" onClick={() => void newBatch()}>
      <Plus aria-hidden="true" className="size-5" /> New batch
    </button>
  );
  const startHere = (
    <button type="button" className="btn" onClick={() => void newBatch()}>
      Start cooking
    </button>
  );
  return (
    <Page title="Today" lead={<Where />} actions={start} isWide>
      {batches.isPending && !batches.isError && <Loading />}
      {batches.isError && all.length === 0 && (
        <Notice title="The batches cannot be fetched" tone="care">
          The server does not answer. You can start a new batch; it is sent when the server is back.
        </Notice>
      )}
      {kitchen?.altitude_m === null && all.length > 0 && (
        <div className="mb-5">
          <Notice
            title="No altitude yet"
            actions={
              <Link to="/kitchen" className="btn btn-secondary">
                Enter your altitude
              </Link>
            }
          >
            Until you enter it, sea level is assumed and the temperature to stop at may be too high.
          </Notice>
        </div>
      )}
      {batches.isSuccess && all.length === 0 && kitchen && (
        <Suspense fallback={<Loading />}>
          <FirstSteps kitchen={kitchen} />
        </Suspense>
      )}
      {all.length > 0 && (
        <StoveTop cooking={withPanAndBurner} toJar={over} kitchen={kitchen} start={startHere} />
      )}
      <div className={`mt-2 gap-4 md:columns-2 lg:columns-3 ${batches.isLoading ? 'hidden' : ''}`}>
        {toPress.map((batch) => (
          <LidsToCheck key={batch.id} batch={batch} />
        ))}
        {toJar.length > 0 && (
          <Card title="To be jarred">
            {toJar.map((batch) => (
              <LineOf key={batch.id} batch={batch} to="jar" note={jarsFilledWords(batch)} />
            ))}
          </Card>
        )}
        <UseFirst />
        <RunningLow />
        {onBench.length > 0 && (
          <Card title="Planned">
            {onBench.map((batch) => (
              <LineOf
                key={batch.id}
                batch={batch}
                to="balance"
                note={plannedWords(batch)}
                removable
              />
            ))}
          </Card>
        )}
        {cooling.map((batch) => (
          <LidsToCheck key={batch.id} batch={batch} />
        ))}
        {finished.length > 0 && (
          <Card title="Lately finished">
            {finished.slice(0, SHOWN_FINISHED).map((batch) => (
              <LineOf
                key={batch.id}
                batch={batch}
                to="shelf"
                note={`${kitchenFraction(batch.jarsFilled)} jars${batch.endedAt ? `, ${dates.day(batch.endedAt)}` : ''}`}
              />
            ))}
            <Link to="/logbook" className="mt-1 flex min-h-[44px] items-center underline">
              The logbook
            </Link>
          </Card>
        )}
      </div>
    </Page>
  );
}

/** When it is to be ready or begun; when it was laid out where that was not said. */
function plannedWords({ planned, createdAt }: BatchSummary): string {
  if (planned)
    return `${planned.by === 'ready' ? 'ready' : 'start'} ${dates.weekdayDayAndTime(planned.at)}`;
  return `laid out ${dates.dayAndMonth(createdAt)}`;
}

/** A batch in a card: its colour, its name, and one tap to it. */
function LineOf({
  batch,
  to,
  note,
  removable = false,
}: {
  readonly batch: BatchSummary;
  readonly to: string;
  readonly note: string;
  readonly removable?: boolean;
}) {
  const theme = useTheme();
  return (
    <div
      style={fruitStyle(batch.fruit, theme)}
      className="flex items-center border-b border-line last:border-b-0"
    >
      <span
        aria-hidden="true"
        className="h-9 w-2 shrink-0 rounded-full"
        style={{ background: 'var(--fruit)' }}
      />
      <Link
        to={`/batches/${batch.id}/${to}`}
        className="min-w-0 flex-1 px-3 py-2.5 leading-tight hover:underline"
      >
        <span className="block font-semibold">
          {batch.title === '' ? 'Unnamed batch' : batch.title}
        </span>
        <span className="text-sm text-soft">{note}</span>
      </Link>
      {removable && (
        <button
          type="button"
          aria-label={`Delete ${batch.title}`}
          className="btn btn-ghost btn-square"
          onClick={() => void deleteBatches([batch])}
        >
          <Trash2 aria-hidden="true" className="size-5" />
        </button>
      )}
    </div>
  );
}
