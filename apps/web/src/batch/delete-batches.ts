import { toast } from 'sonner';
import { ApiProblem, request } from '../data/api.js';
import { keys, queryClient } from '../data/queries.js';

/** Batches as they are deleted: one tap undoes it. */
interface Deleted {
  readonly id: string;
  readonly title: string;
}

const UNDO_MS = 10_000;

const askForList = (): Promise<void> => queryClient.invalidateQueries({ queryKey: keys.batches });

async function undoDelete(batches: readonly Deleted[]): Promise<void> {
  for (const { id } of batches) await request('POST', `/batches/${id}/back`);
  await askForList();
}

/** Deletes batches, one after the other; says what the server refused. */
export async function deleteBatches(batches: readonly Deleted[]): Promise<void> {
  const deleted: Deleted[] = [];
  try {
    for (const batch of batches) {
      await request('DELETE', `/batches/${batch.id}`);
      deleted.push(batch);
    }
  } catch (error) {
    toast.error(
      error instanceof ApiProblem
        ? error.message
        : 'The server does not answer; nothing more was deleted',
    );
  }
  await askForList();
  const [first] = deleted;
  if (!first) return;
  toast(deleted.length === 1 ? `“${first.title}” deleted` : `${deleted.length} batches deleted`, {
    action: { label: 'Undo', onClick: () => void undoDelete(deleted) },
    duration: UNDO_MS,
  });
}
