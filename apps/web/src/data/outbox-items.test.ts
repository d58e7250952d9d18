/** @jest-environment jsdom */
import '../testing/missing-in-jsdom.js';
import 'fake-indexeddb/auto';
import { itemJournal } from './local-journal.js';
import { removeItems, storedItems, storeItems } from './outbox-items.js';
import type { OutboxItem } from './store.js';

/** A reading whose time the clock of the device told. */
const item = (at: string): OutboxItem => ({
  id: 'e1',
  order: 1,
  kind: 'event',
  batchId: 'b1',
  event: { id: 'e1', type: 'reading', at, device: 'bench', body: { temperature_C: 95 } },
});
const times = async (): Promise<string[]> =>
  (await storedItems()).map((each) => (each.kind === 'event' ? each.event.at : ''));

const TYPED = item('2026-11-28T12:00:00.000Z');
const CORRECTED = item('2026-11-27T12:00:00.000Z');

afterEach(() => removeItems([TYPED]));

test('a time that was corrected is not lost when the page closes before the database has it', async () => {
  await storeItems([TYPED]);
  // Jotted down, and the page is gone before the database answers.
  itemJournal.jot([CORRECTED]);
  expect(await times()).toEqual(['2026-11-27T12:00:00.000Z']);
});

test('the first version, stored late, does not take the corrected one out of the journal', () => {
  itemJournal.jot([CORRECTED]);
  itemJournal.forget([TYPED]);
  expect(itemJournal.all()).toEqual([CORRECTED]);
  itemJournal.forget([CORRECTED]);
  expect(itemJournal.all()).toEqual([]);
});

test('what the server has taken is in neither, whichever version it was', async () => {
  await storeItems([TYPED]);
  itemJournal.jot([CORRECTED]);
  await removeItems([TYPED]);
  expect(await storedItems()).toEqual([]);
});
