import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Asked, Boil, FormulaDocument, WatchedBoil } from '@idle-kettle/core';
import { timeOfBatch } from './batch-context.js';
import { usePreferences } from '../ui/preferences.js';
import type { WatchBoil } from '../workers/forecast.worker.js';

/**
 * The clock goes on between readings, so it is worked out anew this often; in a fast simulation the
 * more.
 */
const EVERY_MS = 10_000;
const FAST_MS = 2000;

let worker: Remote<WatchBoil> | undefined;
const watch = (): Remote<WatchBoil> =>
  (worker ??= wrap<WatchBoil>(
    new Worker(new URL('../workers/forecast.worker.ts', import.meta.url), { type: 'module' }),
  ));

const NOTHING_ASKED: Asked = {};

/** The forecast of any boil. */
export function useForecast(
  boil: Boil,
  document: FormulaDocument | undefined,
  wanted: Asked = NOTHING_ASKED,
): WatchedBoil | undefined {
  const { kitchen } = usePreferences();
  const [watched, setWatched] = useState<{ readonly of: Asked; readonly answer?: WatchedBoil }>();
  const [round, setRound] = useState(0);
  const asked = useRef({ question: 0, busy: false });
  const fast = (boil.simulated?.speed ?? 1) > 1;
  useEffect(() => {
    const timer = setInterval(() => setRound((was) => was + 1), fast ? FAST_MS : EVERY_MS);
    return () => clearInterval(timer);
  }, [fast]);
  useEffect(() => {
    if (!document) return;
    const state = asked.current;
    // Only the newest question counts: an answer to an older one would jump back.
    const question = ++state.question;
    // Readings come every second from a probe; the worker is asked again when it has answered.
    const ask = async (): Promise<void> => {
      if (state.busy) return;
      state.busy = true;
      // The readings themselves are in the boil; its log need not carry them over a second time.
      const lean: Boil = { ...boil, log: boil.log.filter(({ event }) => event.type !== 'reading') };
      try {
        const answer = await watch()(lean, document, kitchen, timeOfBatch(boil), wanted);
        setWatched({ of: wanted, ...(answer && { answer }) });
      } finally {
        state.busy = false;
        if (question !== state.question) setRound((was) => was + 1);
      }
    };
    void ask();
  }, [boil, document, kitchen, wanted, round]);
  // An answer to another question is none.
  return boil.phase === 'done' || watched?.of !== wanted ? undefined : watched.answer;
}
