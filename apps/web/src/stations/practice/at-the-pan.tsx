import { useMemo } from 'react';
import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import { firstFruit, readScenario, SCENARIOS, type PracticeScenario } from '@idle-kettle/core';
import { useOwnScenarios } from '../../data/practice.js';
import { Loading, Page } from '../../ui/page.js';
import { Notice } from '../../ui/notice.js';
import { Play } from './play.js';
import { anySeed, seedFrom } from './seeds.js';

/** A scenario by its id: one that ships, or one of the household's own. */
function useScenario(id: string): {
  readonly scenario: PracticeScenario | undefined;
  readonly isPending: boolean;
} {
  const shipped = SCENARIOS.find((each) => each.id === id);
  const own = useOwnScenarios();
  const found = own.data?.find(({ document }) => document.id === id)?.document;
  const scenario = useMemo(() => {
    if (shipped || !found) return shipped;
    const reading = readScenario(found);
    return reading.ok ? reading.scenario : undefined;
  }, [shipped, found]);
  return { scenario, isPending: !shipped && own.isPending };
}

/** One practice pan. */
export function AtThePan() {
  const { scenarioId = '' } = useParams();
  const { scenario, isPending } = useScenario(scenarioId);
  if (isPending) return <Loading />;
  if (!scenario)
    return (
      <Page title="Practice">
        <Notice title="There is no such pan" tone="care">
          <Link to="/practice" className="underline">
            All practice pans
          </Link>
        </Notice>
      </Page>
    );
  return <PanWithSeed scenario={scenario} />;
}

/** The seed is in the address, so that it can be sent to somebody. */
export function PanWithSeed({ scenario }: { readonly scenario: PracticeScenario }) {
  const [search] = useSearchParams();
  const seed = seedFrom(search.get('pan'));
  if (seed === undefined) return <Navigate to={`?pan=${anySeed()}`} replace />;
  return (
    <Play
      key={`${scenario.id} ${seed} ${search.get('go') ?? ''}`}
      scenario={scenario}
      seed={seed}
      fruit={firstFruit(scenario.formula)}
    />
  );
}
