import { Link } from 'react-router';
import type { PracticeRunView } from '@idle-kettle/contract';
import { MEDALS, SCENARIOS } from '@idle-kettle/core';
import { usePlayer, usePracticeRuns } from '../../data/practice.js';
import { useBatches } from '../../data/queries.js';
import { Page } from '../../ui/page.js';
import { OwnScenarios } from './own-scenarios.js';
import { ScenarioCard } from './scenario-card.js';
import { Who } from './who.js';

/** Pans to practise with, and how far one has come. */
export function Practice() {
  const player = usePlayer();
  const runs = usePracticeRuns();
  const mine = runs.filter((run) => run.player === player);
  return (
    <Page
      title="Practice"
      lead="A simulated pan: learn the setting point before the fruit is in yours. Nothing here is logged, and no jar is counted."
    >
      <Who runs={runs} />
      <Medals runs={mine} />
      <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
        {SCENARIOS.map((scenario) => (
          <ScenarioCard key={scenario.id} scenario={scenario} runs={mine} />
        ))}
      </ul>
      <OwnScenarios runs={mine} />
      <FromBatches />
    </Page>
  );
}

/** The medals somebody has, and those still to be had. */
function Medals({ runs }: { readonly runs: readonly PracticeRunView[] }) {
  const earned = new Set(runs.flatMap(({ medals }) => medals));
  return (
    <details className="panel mb-4 px-4 py-3">
      <summary className="min-h-[28px] cursor-pointer text-lg">
        Medals: {MEDALS.filter(({ code }) => earned.has(code)).length} of {MEDALS.length}
      </summary>
      <ul className="mt-1 grid gap-x-6 sm:grid-cols-2">
        {MEDALS.map(({ code, title, why }) => (
          <li key={code} className="py-1">
            <strong>{title}</strong>
            {earned.has(code) ? ' (earned)' : ''}: <span className="text-soft">{why}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** At most so many batches to cook again. */
const BATCHES_SHOWN = 6;

/** Batches of one's own, as pans. */
function FromBatches() {
  const done = (useBatches().data ?? [])
    .filter(({ phase }) => phase === 'done')
    .slice(0, BATCHES_SHOWN);
  if (done.length === 0) return null;
  return (
    <section aria-label="Your batches" className="mt-6">
      <h2 className="text-2xl">Your batches, once more</h2>
      <p className="text-soft">The same amounts and burner as that day; cook it again, better.</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {done.map(({ id, title }) => (
          <Link key={id} to={`/practice/again/${id}`} className="btn h-auto min-h-[44px] py-2">
            {title === '' ? 'Unnamed batch' : title}
          </Link>
        ))}
      </div>
    </section>
  );
}
