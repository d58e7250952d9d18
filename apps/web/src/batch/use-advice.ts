import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { FormulaDocument, Place, UnitSystem } from '@idle-kettle/core';
import type { Advice, Advise } from '../workers/advise.worker.js';

/** Typing is let finish before anything is tried. */
const PAUSE_MS = 250;

let worker: Remote<Advise> | undefined;
const advise = (): Remote<Advise> =>
  (worker ??= wrap<Advise>(
    new Worker(new URL('../workers/advise.worker.ts', import.meta.url), { type: 'module' }),
  ));

interface Question {
  readonly document: FormulaDocument;
  readonly kitchen: Place;
  readonly units: UnitSystem;
  readonly onHeat: boolean;
}

export type CurrentAdvice = Advice & {
  /** The formula has moved on since it was worked out. */
  readonly stale: boolean;
};

/** What to change and what to measure, worked out beside the page. */
export function useAdvice({ document, kitchen, units, onHeat }: Question): CurrentAdvice {
  const [answer, setAnswer] = useState<{ advice: Advice; to: FormulaDocument }>();
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(() => {
      void advise()(document, { kitchen, units, onHeat }).then((advice) => {
        if (wanted) setAnswer({ advice, to: document });
      });
    }, PAUSE_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [document, kitchen, units, onHeat]);
  return {
    remedies: answer?.advice.remedies ?? [],
    matters: answer?.advice.matters ?? [],
    stale: answer?.to !== document,
  };
}
