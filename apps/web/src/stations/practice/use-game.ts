import { startTransition, useEffect, useMemo, useState } from 'react';
import type { Keeping, PracticeRun, PracticeScenario } from '@idle-kettle/core';
import { practiceWorker } from './practice-worker.js';
import { PracticeGame, type PracticeView } from './practice-game.js';

/** How the filled jars of a run keep. */
async function keepingOf({ document, log, kitchen }: PracticeRun): Promise<Keeping> {
  return (await practiceWorker().outlook(document, log, kitchen)).keeping;
}

/**
 * A run at a pan and how it looks now; another seed is another run. What was done is drawn at once;
 * what only time did is drawn in slices, so that no tap waits for it.
 */
export function useGame(
  scenario: PracticeScenario,
  seed: number,
): { readonly game: PracticeGame; readonly view: PracticeView } {
  const game = useMemo(() => new PracticeGame(scenario, seed, keepingOf), [scenario, seed]);
  const [view, setView] = useState(game.snapshot);
  useEffect(
    () =>
      game.watch((by) => {
        const show = (): void => setView(game.snapshot());
        if (by === 'time') startTransition(show);
        else show();
      }),
    [game],
  );
  return { game, view };
}
