import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Watched } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useHabit } from '../../ui/habit.js';
import type { WatchBoil } from '../../workers/forecast.worker.js';

/** The clock goes on between readings, so it is worked out anew this often. */
const EVERY_MS = 10_000;

let worker: Remote<WatchBoil> | undefined;
const watch = (): Remote<WatchBoil> =>
  (worker ??= wrap<WatchBoil>(
    new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' }),
  ));

/** The forecast of the boil on the heat, worked out beside the page; undefined while there is none. */
export function useWatched(): Watched | undefined {
  const { boil, document } = useBatch();
  const { place } = useHabit();
  const [watched, setWatched] = useState<Watched>();
  const [round, setRound] = useState(0);
  const asked = useRef(0);
  useEffect(() => {
    const timer = setInterval(() => setRound((was) => was + 1), EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    // Only the newest question counts: an answer to an older one would jump back.
    const question = ++asked.current;
    void watch()(boil, document, place, Date.now()).then((answer) => {
      if (question === asked.current) setWatched(answer);
    });
  }, [boil, document, place, round]);
  return boil.phase === 'done' ? undefined : watched;
}
