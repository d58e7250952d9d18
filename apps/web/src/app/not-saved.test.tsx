/** @jest-environment jsdom */
import '../testing/missing-in-jsdom.js';
import 'fake-indexeddb/auto';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import type { OutboxItem } from '../data/store.js';
import { outbox } from '../data/outbox.js';
import { queryClient } from '../data/queries.js';
import { NotSaved } from './not-saved.js';
import { StatusRows } from './status-rows.js';

const note: OutboxItem = {
  id: 'e1',
  order: 1,
  kind: 'event',
  batchId: 'b1',
  event: {
    id: 'e1',
    type: 'note',
    at: '2026-09-12T18:00:00.000Z',
    device: 'bench',
    body: { text: 'too long a note' },
  },
  refused: {
    code: 'not-understood',
    reason: '1 thing needs correcting',
    errors: [{ path: 'body.text', message: 'write 1 to 2000 letters' }],
  },
};
const eaten: OutboxItem = {
  id: 'm1',
  order: 2,
  kind: 'move',
  lotId: 'l1',
  body: { id: 'm1', change: -3, reason: 'eaten', at: '2026-09-12T19:00:00.000Z' },
  refused: { code: 'not-now', reason: 'only 2 jars are left of this lot', errors: [] },
};

const shown = (path: string) =>
  render(
    <QueryClientProvider client={queryClient}>
      <MemoryRouter initialEntries={[path]}>
        <StatusRows />
        <NotSaved />
      </MemoryRouter>
    </QueryClientProvider>,
  );
const waiting = (): (string | undefined)[] =>
  outbox.snapshot().items.map(({ refused }) => refused?.code);

beforeAll(() => outbox.start({ onSaved: () => undefined, onTaken: () => undefined }));
beforeEach(async () => {
  // The server is away: nothing is asked of it that would be answered.
  globalThis.fetch = () => Promise.reject(new TypeError('failed to fetch'));
  for (const item of outbox.snapshot().items) await outbox.discard(item);
});
afterEach(cleanup);

test('while all is well there is nothing to see', () => {
  shown('/shelf');
  expect(screen.queryByText(/did not take/)).toBeNull();
});

test('what the server refused is announced on every screen, with the way to it', async () => {
  await outbox.putBack(note);
  await outbox.putBack(eaten);
  shown('/shelf');
  expect(screen.getByText(/The server did not take 2 entries/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Look' }).getAttribute('href')).toBe('/not-saved');
});

test('each says what it is and why; what is wrong is typed anew, and goes', async () => {
  await outbox.putBack(note);
  await outbox.putBack(eaten);
  shown('/not-saved');
  expect(screen.getByText(/only 2 jars are left of this lot/)).toBeTruthy();
  const field = screen.getByLabelText('Write 1 to 2000 letters');
  await userEvent.clear(field);
  await userEvent.type(field, 'a note');
  await userEvent.click(screen.getByRole('button', { name: 'Save and send' }));
  await waitFor(() => expect(waiting()).toEqual([undefined, 'not-now']));
  expect(outbox.snapshot().items[0]).toMatchObject({ event: { body: { text: 'a note' } } });
});

test('what is discarded is gone', async () => {
  await outbox.putBack(eaten);
  shown('/not-saved');
  await userEvent.click(screen.getByRole('button', { name: 'Discard' }));
  await waitFor(() => expect(waiting()).toEqual([]));
  expect(screen.getByText(/is listed here, with the reason/)).toBeTruthy();
});
