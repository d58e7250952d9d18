import { useEffect, useState } from 'react';
import type { FormulaDocument, Place, Remedy, UnitSystem } from '@idle-kettle/core';
import { useSame } from '../ui/use-same.js';
import { adjust } from './adjust-worker.js';

/** Typing is let finish before anything is tried. */
const PAUSE_MS = 250;

interface Question {
  readonly document: FormulaDocument;
  readonly kitchen: Place;
  readonly units: UnitSystem;
  readonly onHeat: boolean;
}

interface CurrentRemedies {
  readonly remedies: readonly Remedy[];
  /** The formula has moved on since they were worked out. */
  readonly stale: boolean;
}

/** What to change, the most useful first, worked out beside the page. */
export function useRemedies({
  document: asked,
  kitchen,
  units,
  onHeat,
}: Question): CurrentRemedies {
  const document = useSame(asked);
  const [answer, setAnswer] = useState<{ remedies: readonly Remedy[]; to: FormulaDocument }>();
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(() => {
      void adjust()
        .remedies(document, { kitchen, units, onHeat })
        .then((remedies) => {
          if (wanted) setAnswer({ remedies, to: document });
        });
    }, PAUSE_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [document, kitchen, units, onHeat]);
  return { remedies: answer?.remedies ?? [], stale: answer?.to !== document };
}
