import { replaceEqualDeep } from '@tanstack/react-query';
import type { FormulaBody } from '@idle-kettle/contract';
import { asJson } from './json.js';
import { draftJournal } from './local-journal.js';
import { attemptWrite, type Draft } from './store.js';

/**
 * Texts without an answer that a draft remembers; a guess: each is one the maker went on from while
 * the server was away.
 */
const MOST_UNANSWERED = 8;

/**
 * Writes a draft down: it is safe when this returns, and in the browser's database when the promise
 * resolves.
 */
export async function storeDraft(draft: Draft): Promise<void> {
  draftJournal.jot([draft]);
  if (await attemptWrite((db) => db.put('drafts', draft))) draftJournal.forget([draft]);
}

export async function removeDraft(draft: Draft): Promise<void> {
  draftJournal.forget([draft]);
  await attemptWrite((db) => db.delete('drafts', draft.batchId));
}

/** What earlier pages left behind, the latest edit of each batch. */
export async function storedDrafts(): Promise<Map<string, Draft>> {
  const stored: Draft[] = [];
  await attemptWrite(async (db) => stored.push(...(await db.getAll('drafts'))));
  const drafts = new Map(stored.map((draft) => [draft.batchId, draft]));
  for (const draft of draftJournal.all())
    if (draft.editedAt >= (drafts.get(draft.batchId)?.editedAt ?? 0))
      drafts.set(draft.batchId, draft);
  return drafts;
}

/**
 * The draft as it is sent: should no answer come, it is known that the server may have taken this
 * text.
 */
export const asSent = (draft: Draft): Draft =>
  // Tried again it is the same text, and must not push an earlier one out.
  wasSentHere(draft, draft.document)
    ? draft
    : {
        ...draft,
        unanswered: [...(draft.unanswered ?? []), draft.document].slice(-MOST_UNANSWERED),
      };

/**
 * Whether a text the server holds is one that was sent from here, whose answer was lost: what was
 * typed since builds on it.
 */
export function wasSentHere(draft: Draft, theirs: FormulaBody): boolean {
  const held = plain(theirs);
  return (draft.unanswered ?? []).some((sent) => replaceEqualDeep(held, plain(sent)) === held);
}

/** As it travels; the database gives its keys in another order. */
const plain = (document: FormulaBody): unknown => JSON.parse(asJson(document));
