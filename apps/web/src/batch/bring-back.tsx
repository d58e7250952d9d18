import { toast } from 'sonner';
import { outbox } from '../data/outbox.js';

/** Brings a deleted batch back, with everything of it that waits here. */
export function BringBack({ batchId }: { readonly batchId: string }) {
  const bringBack = (): void =>
    void outbox
      .bringBack(batchId)
      .catch((error: unknown) =>
        toast.error('The batch is not restored yet', { description: (error as Error).message }),
      );
  return (
    <button type="button" className="btn btn-primary" onClick={bringBack}>
      Undo the deletion
    </button>
  );
}
