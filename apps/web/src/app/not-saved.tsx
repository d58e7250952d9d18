import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { BatchEvent } from '@idle-kettle/core';
import { today } from '../data/clock.js';
import { batchIdOf, isWaiting, outbox } from '../data/outbox.js';
import { useBatches, useOutbox } from '../data/queries.js';
import type { Draft, OutboxItem, Refusal } from '../data/store.js';
import { eventWords } from '../stations/boil/event-words.js';
import { jarsOf } from '../ui/jar-picture.js';
import { capital } from '../ui/sentence.js';
import { Empty, Page } from '../ui/page.js';
import { useFormats, type Formats } from '../ui/preferences.js';
import { saveFile } from '../ui/save-file.js';
import { fieldsToMend, mended, sentOf } from './mend.js';
import { BringBack } from '../batch/bring-back.js';
import { MOVE_WORDS } from '../ui/move-words.js';
import * as dates from '../ui/dates.js';
import { isoDay } from '../data/iso-day.js';

const UNDO_MS = 10_000;

const when = (at: string): string => {
  const date = new Date(at);
  return Number.isNaN(date.getTime()) ? at : dates.dayAndTime(date);
};

/** An event in words; one whose body is not as it should be only by its type. */
function wordsOf(event: BatchEvent, formats: Formats): string {
  try {
    return eventWords(event, formats);
  } catch {
    return event.type;
  }
}

/** What an item says happened. */
function title(item: OutboxItem, formats: Formats): string {
  switch (item.kind) {
    case 'event':
      return `${wordsOf(item.event, formats)} · ${when(item.event.at)}`;
    case 'put':
      return `${jarsOf(String(item.body.count), item.body.size, item.body.count)} put on the shelf · ${item.body.madeOn}`;
    case 'move':
      return `${Math.abs(item.body.change)} × ${MOVE_WORDS[item.body.reason]} · ${when(item.body.at)}`;
    case 'transfer':
      return `${item.body.count} × moved to ${item.body.keptIn ?? item.body.place} · ${when(item.body.at)}`;
  }
}

/** The batch something is about, as a way to it. */
function OfBatch({ id }: { readonly id: string | undefined }) {
  const titles = new Map(useBatches().data?.map((batch) => [batch.id, batch.title]));
  if (id === undefined) return null;
  return (
    <Link className="link" to={`/batches/${id}/balance`}>
      {titles.get(id) ?? 'its batch'}
    </Link>
  );
}

function Entry({
  title: heading,
  batchId,
  why,
  children,
  actions,
}: {
  readonly title: string;
  readonly batchId: string | undefined;
  readonly why: Refusal;
  readonly children?: ReactNode;
  readonly actions: ReactNode;
}) {
  return (
    <li className="panel p-4">
      <h2 className="text-lg">{heading}</h2>
      <p className="text-soft">
        <OfBatch id={batchId} />
      </p>
      <p className="mt-1">The server says: {why.reason}.</p>
      {children}
      <div className="mt-3 flex flex-wrap gap-2">{actions}</div>
    </li>
  );
}

/** An entry of the log, or jars: mended in place, tried again, or discarded. */
function ItemEntry({ item, why }: { readonly item: OutboxItem; readonly why: Refusal }) {
  const formats = useFormats();
  const fields = fieldsToMend(item);
  const [typed, setTyped] = useState<ReadonlyMap<string, string>>(new Map());
  const batchId = batchIdOf(item);
  const discard = (): void => {
    void outbox.discard(item);
    toast('Discarded', {
      action: { label: 'Undo', onClick: () => void outbox.putBack(item) },
      duration: UNDO_MS,
    });
  };
  const isRemoved = why.code === 'removed' && batchId !== undefined;
  return (
    <Entry
      title={title(item, formats)}
      batchId={batchId}
      why={why}
      actions={
        <>
          {isRemoved ? (
            <BringBack batchId={batchId} />
          ) : (
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => void outbox.retry(mended(item, typed))}
            >
              {fields.length > 0 ? 'Save and send' : 'Try again'}
            </button>
          )}
          <button type="button" className="btn" onClick={discard}>
            Discard
          </button>
        </>
      }
    >
      {fields.map(({ path, value, message }) => (
        <label key={path} className="mt-2 flex flex-col gap-1">
          <span>{capital(message)}</span>
          <input
            className="input w-full max-w-xl"
            value={typed.get(path) ?? String(value)}
            onChange={(event) => setTyped(new Map(typed).set(path, event.target.value))}
          />
        </label>
      ))}
    </Entry>
  );
}

/** A formula: edited at Balance, tried again, or discarded. */
function DraftEntry({ draft, why }: { readonly draft: Draft; readonly why: Refusal }) {
  const discard = (): void => {
    void outbox.discardDraft(draft);
    toast('Discarded', {
      action: { label: 'Undo', onClick: () => void outbox.putDraftBack(draft) },
      duration: UNDO_MS,
    });
  };
  return (
    <Entry
      title={`The formula of “${draft.document.title || 'Unnamed batch'}”`}
      batchId={draft.batchId}
      why={why}
      actions={
        <>
          {why.code === 'removed' ? (
            <BringBack batchId={draft.batchId} />
          ) : (
            <>
              <Link className="btn btn-primary" to={`/batches/${draft.batchId}/balance`}>
                Edit the formula
              </Link>
              <button type="button" className="btn" onClick={() => void outbox.retryDraft(draft)}>
                Try again
              </button>
            </>
          )}
          <button type="button" className="btn" onClick={discard}>
            Discard
          </button>
        </>
      }
    >
      <ul className="mt-1 list-disc pl-5">
        {why.errors.map(({ path, message }) => (
          <li key={path}>
            {path}: {message}
          </li>
        ))}
      </ul>
    </Entry>
  );
}

/** What the server refused, whole: why, and what can be done with it. */
export function NotSaved() {
  const { items, drafts, ready } = useOutbox();
  const refusedItems = items.filter((item) => !isWaiting(item));
  const refusedDrafts = [...drafts.values()].filter((draft) => !isWaiting(draft));
  const save = (): void =>
    saveFile(
      `not-saved-${isoDay(today())}.json`,
      'application/json',
      JSON.stringify(
        {
          entries: refusedItems.map((item) => ({ of: batchIdOf(item), sent: sentOf(item) })),
          formulas: refusedDrafts.map(({ batchId, document }) => ({ of: batchId, document })),
        },
        null,
        2,
      ),
    );
  const isEmpty = refusedItems.length + refusedDrafts.length === 0;
  return (
    <Page
      title="Not saved on the server"
      lead="Each is saved on this device until it is corrected or discarded. Nothing else waits for it."
      actions={
        isEmpty ? undefined : (
          <button type="button" className="btn" onClick={save}>
            Export all
          </button>
        )
      }
    >
      {isEmpty && ready && (
        <Empty title="Everything is saved">
          What the server does not take is listed here, with the reason.
        </Empty>
      )}
      <ul className="flex flex-col gap-3">
        {refusedDrafts.map(
          (draft) =>
            draft.refused && <DraftEntry key={draft.batchId} draft={draft} why={draft.refused} />,
        )}
        {refusedItems.map(
          (item) => item.refused && <ItemEntry key={item.id} item={item} why={item.refused} />,
        )}
      </ul>
    </Page>
  );
}
