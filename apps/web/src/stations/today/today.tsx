import { format } from 'date-fns';
import { Plus, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { BatchSummary } from '@idle-kettle/contract';
import { kitchenFraction, DAY_MS } from '@idle-kettle/core';
import { useTheme } from '../../ui/theme.js';
import { useNewBatch } from '../../batch/new-batch.js';
import { KIND_WORDS } from '../../batch/words.js';
import { ApiProblem, request } from '../../data/api.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { keys, queryClient, useBatches } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats } from '../../ui/preferences.js';
import { Notice } from '../../ui/notice.js';
import { clock, useNow } from '../../ui/now.js';
import { Empty, Loading, Page } from '../../ui/page.js';
import { now as clockNow } from '../../data/clock.js';

const SHOWN_FINISHED = 8;
/** So long Today asks for lids to be pressed; the shelf says it for ever. */
const ASKED_FOR_MS = 14 * DAY_MS;

/** What is on the stove, on the bench, and lately finished. */
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
  const over = all.filter((batch) => batch.phase === 'done' && !toPress.includes(batch));
  const toJar = over.filter((batch) => !batch.onShelf);
  const finished = over.filter((batch) => batch.onShelf);
  const start = (
    <button type="button" className="btn btn-primary h-14 text-lg" onClick={() => void newBatch()}>
      <Plus aria-hidden="true" className="size-5" /> New batch
    </button>
  );
  return (
    <Page title="Today" lead={format(clockNow(), 'EEEE d MMMM')} actions={start}>
      {batches.isPending && !batches.isError && <Loading />}
      {batches.isError && all.length === 0 && (
        <Notice title="The batches cannot be fetched" tone="care">
          The server does not answer. You can lay out a new batch; it is sent when the server is
          back.
        </Notice>
      )}
      {kitchen?.altitude_m === null && (
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
      {batches.isSuccess && all.length === 0 && (
        <Empty title="The stove is cold" action={start}>
          Weigh your fruit, lay out a batch, and see the sugar, the temperature to stop at and the
          jars to have hot.
        </Empty>
      )}
      <div className="flex flex-col gap-7">
        <Group title="On the stove" batches={withPanAndBurner}>
          {(batch) => <StoveCard key={batch.id} batch={batch} />}
        </Group>
        <Group title="Done, to be jarred" batches={toJar}>
          {(batch) => (
            <LineCard
              key={batch.id}
              batch={batch}
              to="jar"
              note={
                batch.jarsFilled > 0
                  ? `${kitchenFraction(batch.jarsFilled)} jars counted`
                  : 'no jars counted yet'
              }
            />
          )}
        </Group>
        <Group title="Lids to press" batches={toPress}>
          {(batch) => (
            <LineCard
              key={batch.id}
              batch={batch}
              to="jar"
              note={`${kitchenFraction(batch.jarsFilled)} jars have cooled`}
            />
          )}
        </Group>
        <Group title="On the bench" batches={onBench}>
          {(batch) => (
            <LineCard
              key={batch.id}
              batch={batch}
              to="balance"
              note={`laid out ${format(new Date(batch.createdAt), 'd MMM')}`}
              removable
            />
          )}
        </Group>
        <Group title="Lately finished" batches={finished.slice(0, SHOWN_FINISHED)}>
          {(batch) => (
            <LineCard
              key={batch.id}
              batch={batch}
              to="shelf"
              note={`${kitchenFraction(batch.jarsFilled)} jars${batch.endedAt ? `, ${format(new Date(batch.endedAt), 'd MMM yyyy')}` : ''}`}
            />
          )}
        </Group>
      </div>
    </Page>
  );
}

function Group({
  title,
  batches,
  children,
}: {
  readonly title: string;
  readonly batches: readonly BatchSummary[];
  readonly children: (batch: BatchSummary) => React.ReactNode;
}) {
  if (batches.length === 0) return null;
  return (
    <section aria-label={title}>
      <h2 className="mb-2 text-xl">{title}</h2>
      <div className="grid gap-3 md:grid-cols-2">{batches.map(children)}</div>
    </section>
  );
}

function StoveCard({ batch }: { readonly batch: BatchSummary }) {
  const theme = useTheme();
  const now = useNow();
  const formats = useFormats();
  const started = batch.startedAt === null ? now : Date.parse(batch.startedAt);
  const missing =
    batch.lastReading && batch.gelTemperature_C !== null
      ? batch.gelTemperature_C - batch.lastReading.temperature_C
      : null;
  return (
    <Link
      to={`/batches/${batch.id}/boil`}
      style={fruitStyle(batch.fruit, theme)}
      className="panel flex gap-4 overflow-hidden hover:border-secondary md:col-span-2"
    >
      <span aria-hidden="true" className="w-3 shrink-0" style={{ background: 'var(--fruit)' }} />
      <span className="flex flex-1 flex-wrap items-center gap-x-8 gap-y-2 py-4 pr-4">
        <span className="min-w-[12rem] flex-1">
          <span className="display block text-2xl">{batch.title}</span>
          <span className="text-soft">
            {batch.phase === 'off-heat'
              ? 'off the heat, waiting'
              : `on the heat since ${format(started, now - started > DAY_MS ? 'd MMM HH:mm' : 'HH:mm')}`}
          </span>
        </span>
        {now - started < DAY_MS && <Figure name="since it was lit">{clock(now - started)}</Figure>}
        {batch.lastReading && (
          <Figure name={`at ${format(new Date(batch.lastReading.at), 'HH:mm')}`}>
            {formats.degrees(batch.lastReading.temperature_C)}
          </Figure>
        )}
        {missing !== null && (
          <Figure name="to the finish">
            {missing <= 0.05 ? 'reached' : formats.difference(missing)}
          </Figure>
        )}
      </span>
    </Link>
  );
}

const Figure = ({
  name,
  children,
}: {
  readonly name: string;
  readonly children: React.ReactNode;
}) => (
  <span>
    <span className="block text-sm text-soft">{name}</span>
    <span className="text-[26px] font-bold">{children}</span>
  </span>
);

function LineCard({
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
  const remove = async (): Promise<void> => {
    try {
      await request('DELETE', `/batches/${batch.id}`);
      await queryClient.invalidateQueries({ queryKey: keys.batches });
      const bringBack = async (): Promise<void> => {
        await request('POST', `/batches/${batch.id}/back`);
        await queryClient.invalidateQueries({ queryKey: keys.batches });
      };
      toast(`“${batch.title}” is off the bench`, {
        action: { label: 'Bring it back', onClick: () => void bringBack() },
        duration: 10_000,
      });
    } catch (error) {
      toast.error(
        error instanceof ApiProblem
          ? error.message
          : 'The server does not answer; nothing was removed',
      );
    }
  };
  return (
    <div
      style={fruitStyle(batch.fruit, theme)}
      className="panel flex items-stretch overflow-hidden hover:border-secondary"
    >
      <span aria-hidden="true" className="w-2 shrink-0" style={{ background: 'var(--fruit)' }} />
      <Link to={`/batches/${batch.id}/${to}`} className="min-w-0 flex-1 px-4 py-3">
        <span className="display block truncate text-lg">
          {batch.title === '' ? 'Unnamed batch' : batch.title}
        </span>
        <span className="text-sm text-soft">
          {KIND_WORDS[batch.kind as keyof typeof KIND_WORDS] ?? batch.kind} · {note}
        </span>
      </Link>
      {removable && (
        <button
          type="button"
          aria-label={`Take ${batch.title} off the bench`}
          className="btn btn-ghost btn-square h-auto w-12"
          onClick={() => void remove()}
        >
          <Trash2 aria-hidden="true" className="size-5" />
        </button>
      )}
    </div>
  );
}
