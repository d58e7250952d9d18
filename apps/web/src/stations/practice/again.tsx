import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { boilFrom } from '@idle-kettle/core';
import { batchQuery, eventsQuery, queryClient } from '../../data/queries.js';
import { Notice } from '../../ui/notice.js';
import { Loading, Page } from '../../ui/page.js';
import { usePreferences } from '../../ui/preferences.js';
import { PanWithSeed } from './at-the-pan.js';
import { practiceWorker } from './practice-worker.js';

/** A batch of one's own, cooked again as a practice pan. */
export function PracticeAgain() {
  const { batchId = '' } = useParams();
  const { kitchen } = usePreferences();
  // Worked out once: a reading that comes in elsewhere must not begin the pan anew.
  const scenario = useQuery({
    queryKey: ['practice-again', batchId],
    staleTime: Infinity,
    queryFn: async () => {
      const [batch, { events }] = await Promise.all([
        queryClient.fetchQuery(batchQuery(batchId)),
        queryClient.fetchQuery(eventsQuery(batchId)),
      ]);
      const { document, id } = batch;
      return (
        (await practiceWorker().scenarioOfBatch({
          id,
          document,
          boil: boilFrom(events),
          kitchen,
        })) ?? null
      );
    },
  });
  if (scenario.isPending) return <Loading />;
  if (!scenario.data)
    return (
      <Page title="Practice">
        <Notice title="This batch cannot be cooked again" tone="care">
          It was never finished, is not there, or the server does not answer.{' '}
          <Link to="/practice" className="underline">
            All practice pans
          </Link>
        </Notice>
      </Page>
    );
  return <PanWithSeed scenario={scenario.data} />;
}
