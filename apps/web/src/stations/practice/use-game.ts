import { useMemo, useSyncExternalStore } from 'react';
import type { PracticeScenario } from '@idle-kettle/core';
import { PracticeGame, type PracticeView } from './practice-game.js';

/** A run at a pan and how it looks now; another seed is another run. */
export function useGame(
  scenario: PracticeScenario,
  seed: number,
): { readonly game: PracticeGame; readonly view: PracticeView } {
  const game = useMemo(() => new PracticeGame(scenario, seed), [scenario, seed]);
  const view = useSyncExternalStore(game.watch, game.snapshot);
  return { game, view };
}
