import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { PracticeRunView } from '@idle-kettle/contract';
import { firstFruit, PRACTICE_MODES, type PracticeScenario } from '@idle-kettle/core';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useTheme } from '../../ui/theme.js';
import { LEVEL_WORDS, MODE_WORDS } from './words.js';

interface ScenarioCardProps {
  readonly scenario: PracticeScenario;
  readonly runs: readonly PracticeRunView[];
  /** What else can be done with it. */
  readonly children?: ReactNode;
}

/** The best score of each kind. */
function bestWords(runs: readonly PracticeRunView[]): string {
  const words = PRACTICE_MODES.flatMap((mode) => {
    const scores = runs.filter((run) => run.mode === mode).map(({ score }) => score);
    return scores.length > 0 ? [`best ${MODE_WORDS[mode]} ${Math.max(...scores)}`] : [];
  });
  return words.length > 0 ? words.join(', ') : 'not cooked yet';
}

/** One pan: its story, how well one has cooked it, and the way to it. */
export function ScenarioCard({ scenario, runs, children }: ScenarioCardProps) {
  const theme = useTheme();
  const own = runs.filter((run) => run.scenario === scenario.id);
  return (
    <li
      className="panel flex flex-col overflow-hidden"
      style={fruitStyle(firstFruit(scenario.formula), theme)}
    >
      <div aria-hidden="true" className="h-2" style={{ background: 'var(--fruit)' }} />
      <div className="flex flex-1 flex-col gap-1 p-4">
        <p className="flex items-baseline justify-between gap-3">
          <Link
            to={`/practice/${scenario.id}`}
            className="display text-[22px] leading-tight underline-offset-4 hover:underline"
          >
            {scenario.title}
          </Link>
          <span className="text-sm text-soft">{LEVEL_WORDS[scenario.level]}</span>
        </p>
        <p className="line-clamp-3 text-soft">{scenario.story}</p>
        <p className="mt-auto flex items-center justify-between gap-3 pt-2 text-sm text-soft">
          {bestWords(own)}
          <Link
            to={`/practice/${scenario.id}`}
            className="btn btn-secondary"
            aria-label={`Cook: ${scenario.title}`}
          >
            Cook
          </Link>
        </p>
        {children}
      </div>
    </li>
  );
}
