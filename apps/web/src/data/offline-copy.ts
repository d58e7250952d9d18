import type { BatchSummary } from '@idle-kettle/contract';
import { get } from './api.js';
import { today } from './clock.js';
import { isoDay } from './iso-day.js';

/** What the rooms show first; see the queries of each. */
const roomPaths = (): readonly string[] => [
  '/kitchens',
  '/formulas',
  '/prepared-weights',
  '/lessons',
  '/instruments',
  '/freezer',
  '/practice/runs',
  '/practice/scenarios',
  '/batches?limit=40',
  '/shelf?limit=40&left=yes',
  '/shelf/moves',
  '/shelf/year',
  `/shelf/overview?today=${isoDay(today())}`,
];
const batchPaths = ({ id }: BatchSummary): readonly string[] => [
  `/batches/${id}`,
  `/batches/${id}/events`,
  `/shelf?batch=${id}`,
];

/** The page has drawn itself, and nobody waits for the network, after so long, ms. */
const AFTER_MS = 8000;

/**
 * Asks once for what every room shows, and for every batch that is not finished, one after the
 * other: the service worker keeps the answers, so that each screen opens while the server is away,
 * also one that was never looked at.
 */
export function keepOfflineCopy(): void {
  if (!('serviceWorker' in navigator)) return;
  setTimeout(() => void askForAll().catch(() => undefined), AFTER_MS);
}

async function askForAll(): Promise<void> {
  await navigator.serviceWorker.ready;
  const batches = await get<BatchSummary[]>('/batches');
  const unfinished = batches.filter(({ phase }) => phase !== 'done');
  for (const path of [...roomPaths(), ...unfinished.flatMap(batchPaths)]) await get(path);
}
