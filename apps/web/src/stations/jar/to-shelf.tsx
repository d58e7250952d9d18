import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import {
  jarsThatAre,
  KEEPING_ADVICE_WORDS,
  sealsOf,
  UNSEALED_PLACES,
  unprocessedJars,
  type Boil,
  type KeptIn,
  type Seals,
  type UnsealedPlace,
} from '@idle-kettle/core';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { now } from '../../data/clock.js';
import { outbox } from '../../data/outbox.js';
import { takeOffList, useLotsOf } from '../../data/shelf.js';
import { jarsOf, partWords } from '../../ui/jar-picture.js';
import { newId, sharedId } from '../../data/ids.js';
import { isoDay } from '../../data/iso-day.js';

const UNDO_MS = 8000;

/** Jars of one size that go to one place. */
interface Put {
  readonly size: string;
  readonly count: number;
  /** Which jars they are, so that two devices do not put the same ones away twice. */
  readonly jars: string[];
  readonly partFill?: number;
  readonly keptIn?: KeptIn;
}

/** Where the jars of a batch go: what did not seal, or was in no load, is a lot of its own. */
function putsOf(boil: Boil, seals: Seals): readonly Put[] {
  const unprocessed = boil.processRuns.length > 0 ? unprocessedJars(boil) : [];
  return boil.jarred.flatMap(({ size, part }): Put[] => {
    const ids = boil.jarTally.get(size)?.ids ?? [];
    const put = (jars: string[], more: Pick<Put, 'keptIn' | 'partFill'> = {}): Put[] =>
      jars.length > 0 ? [{ size, count: jars.length, jars, ...more }] : [];
    const inPlace = (place: UnsealedPlace): string[] =>
      ids.filter((_, i) => jarsThatAre(seals, size, place).includes(i + 1));
    const gone = new Set(UNSEALED_PLACES.flatMap(inPlace));
    const others = ids.filter((jar) => !gone.has(jar));
    const missed = unprocessed.find((jar) => jar.size === size)?.count ?? 0;
    const through = Math.max(others.length - missed, 0);
    return [
      ...UNSEALED_PLACES.flatMap((keptIn) =>
        keptIn === 'thrown-out' ? [] : put(inPlace(keptIn), { keptIn }),
      ),
      ...put(others.slice(through), { keptIn: 'fridge' }),
      ...put(others.slice(0, through)),
      ...(part > 0 ? put([`part/${size}`], { partFill: part }) : []),
    ];
  });
}

/** Puts what was counted on the shelf, once. */
export function ToShelf({ filled }: { readonly filled: number }) {
  const { id, boil, keeping } = useBatch();
  const isForShelf = keeping.verdict === 'shelf' && boil.processRuns.length > 0;
  const seals = sealsOf(boil, useBatchNow());
  const known = new Set(useLotsOf(id).lots.map((lot) => lot.id));
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const put = async (): Promise<void> => {
    setBusy(true);
    const madeOn = isoDay(boil.endedAt ?? now());
    const puts = putsOf(boil, seals).map((put) => ({
      // The same jars put away on two devices are one lot; put away again, they are another.
      id: known.has(sharedId(id, put.jars)) ? newId() : sharedId(id, put.jars),
      batchId: id,
      madeOn,
      ...put,
    }));
    for (const each of puts) await outbox.addPut(each);
    toast.success(isForShelf ? 'On the shelf list' : 'On the shelf list, as fridge jars', {
      action: { label: 'Undo', onClick: () => takeOffList(puts) },
      duration: UNDO_MS,
    });
    await navigate('../shelf');
  };
  if (keeping.verdict === 'stop')
    return (
      <p className="text-watch">
        These jars are not on the shelf yet: {KEEPING_ADVICE_WORDS['throw-away']}.
      </p>
    );
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
        {isForShelf ? 'on the shelf' : 'in the fridge'}
      </button>
      {filled > 0 && boil.processRuns.length === 0 && (
        <p className="mt-2 text-sm text-soft">
          No process is in the log yet: jars put on the shelf now count as refrigerated until it is.
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
