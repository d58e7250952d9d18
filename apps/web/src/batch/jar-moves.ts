import { toast } from 'sonner';
import type { LotView, MoveReason, MoveView } from '@idle-kettle/contract';
import type { KeptIn } from '@idle-kettle/core';
import { today } from '../data/clock.js';
import { outbox } from '../data/outbox.js';
import { newId } from '../data/ids.js';
import { MOVE_WORDS } from '../ui/move-words.js';
import { counted } from '../ui/sentence.js';

const UNDO_MS = 8000;
const at = (): string => today().toISOString();
const jars = (count: number, title: string): string =>
  `${counted(count, 'jar')}${title === '' ? '' : ` of ${title}`}`;

const move = (
  lot: LotView,
  change: number,
  reason: MoveReason,
  words: { whom?: string; note?: string; seen?: number } = {},
): void => void outbox.addMove(lot.id, { id: newId(), change, reason, ...words, at: at() });

/** Jars leave the shelf for good; one tap undoes it. */
export function take(
  lot: LotView,
  count: number,
  reason: 'eaten' | 'given' | 'discarded',
  words: { whom?: string; note?: string } = {},
): void {
  move(lot, -count, reason, words);
  toast(`${jars(count, lot.title)} ${MOVE_WORDS[reason]}${words.whom ? ` to ${words.whom}` : ''}`, {
    action: { label: 'Undo', onClick: () => move(lot, count, reason) },
    duration: UNDO_MS,
  });
}

/** Jars of a lot that are opened to be cooked again. */
export interface OpenedJars {
  readonly lot: LotView;
  readonly count: number;
}

/** Jars leave the shelf for the pan they are cooked again in; one tap undoes it. */
export function takeToRemake(opened: readonly OpenedJars[]): void {
  for (const { lot, count } of opened) move(lot, -count, 'remade');
  const [first] = opened;
  if (!first) return;
  const sum = opened.reduce((all, { count }) => all + count, 0);
  toast(`${jars(sum, first.lot.title)} taken off the shelf`, {
    action: {
      label: 'Undo',
      onClick: () => opened.forEach(({ lot, count }) => move(lot, count, 'remade')),
    },
    duration: UNDO_MS,
  });
}

/** A move of a lot is undone, whenever it was: as many go back for the same reason. */
export function putBack(lot: LotView, moved: Pick<MoveView, 'change' | 'reason'>): void {
  move(lot, -moved.change, moved.reason);
}

/**
 * Jars are opened, chilled, frozen or put in another cupboard: a lot of their own from then on; one
 * tap undoes it.
 */
export function transfer(lot: LotView, count: number, keptIn: KeptIn | null, place: string): void {
  const to = newId();
  const send = (from: string, target: string, kept: KeptIn | null, where: string): void =>
    void outbox.addTransfer(from, {
      id: newId(),
      arrivalId: newId(),
      to: target,
      count,
      keptIn: kept,
      place: where,
      at: at(),
    });
  send(lot.id, to, keptIn, place);
  const where =
    keptIn === 'opened' ? 'opened' : `moved to ${keptIn === null ? place : `the ${keptIn}`}`;
  toast(`${jars(count, lot.title)} ${where}`, {
    action: { label: 'Undo', onClick: () => send(to, lot.id, lot.keptIn, lot.place) },
    duration: UNDO_MS,
  });
}

/** What was counted replaces what the list says. */
export function recount(lot: LotView, counted: number): void {
  if (counted === lot.count) return;
  const change = counted - lot.count;
  move(lot, change, 'counted', { seen: lot.count });
  toast(`${lot.title}: ${counted} there, not ${lot.count}`, {
    action: { label: 'Undo', onClick: () => move(lot, -change, 'counted') },
    duration: UNDO_MS,
  });
}
