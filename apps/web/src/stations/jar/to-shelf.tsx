import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { jarsThatAre, sealsOf, UNSEALED_PLACES } from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { now } from '../../data/clock.js';
import { outbox } from '../../data/outbox.js';
import { jarsOf, partWords } from '../../ui/jar-picture.js';

/** Puts what was counted on the shelf, once. */
export function ToShelf({ filled }: { readonly filled: number }) {
  const { id, boil } = useBatch();
  const processed = boil.processed !== undefined;
  const seals = sealsOf(boil, useBatchNow());
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const put = async (): Promise<void> => {
    setBusy(true);
    const madeOn = new Date(boil.endedAt ?? now()).toISOString().slice(0, 10);
    for (const { size, full, part } of boil.jarred) {
      // What went into the cold for want of a seal is a lot of its own.
      let down = full;
      for (const keptIn of UNSEALED_PLACES) {
        const count = jarsThatAre(seals, size, keptIn).length;
        if (count > 0 && keptIn !== 'thrown-out')
          await outbox.addPut({
            id: crypto.randomUUID(),
            batchId: id,
            size,
            count,
            madeOn,
            keptIn,
          });
        down -= count;
      }
      if (down > 0)
        await outbox.addPut({ id: crypto.randomUUID(), batchId: id, size, count: down, madeOn });
      if (part > 0)
        await outbox.addPut({
          id: crypto.randomUUID(),
          batchId: id,
          size,
          count: 1,
          partFill: part,
          madeOn,
        });
    }
    toast.success(
      processed
        ? 'On the shelf list'
        : 'On the shelf list as fridge jars: no process is in the log',
    );
    await navigate('../shelf');
  };
  return (
    <>
      <button
        type="button"
        className="btn btn-primary h-[60px] w-full text-lg"
        disabled={filled === 0 || busy}
        onClick={() => void put()}
      >
        Put{' '}
        {filled === 0
          ? 'them'
          : boil.jarred
              .map((jar) =>
                [
                  jar.full > 0 && jarsOf(String(jar.full), jar.size, jar.full),
                  jar.part > 0 && `one ${partWords(jar.part)}`,
                ]
                  .filter(Boolean)
                  .join(' and '),
              )
              .join(', ')}{' '}
        on the shelf
      </button>
      {filled > 0 && !processed && (
        <p className="mt-2 text-sm text-soft">
          No process is in the log yet: jars put away now count as fridge jars until it is.
        </p>
      )}
      {seals.phase === 'cooling' && (
        <p className="mt-2 text-sm text-soft">
          They may go on the list now; their lids are still to be pressed.
        </p>
      )}
      {filled === 0 && <p className="mt-2 text-sm text-soft">Count the jars first.</p>}
    </>
  );
}
