import { useMemo } from 'react';
import { Link } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { boilFrom } from '@idle-kettle/core';
import { batchQuery, useEvents } from '../../data/queries.js';
import { useLotsOf } from '../../data/shelf.js';
import { Loading } from '../../ui/page.js';
import { Notice } from '../../ui/notice.js';
import * as dates from '../../ui/dates.js';
import { likelyJars } from './affected-jars.js';
import { Findings } from './findings.js';

/** A batch of which there is a record. */
export function BatchRescue({ id }: { readonly id: string }) {
  const batch = useQuery(batchQuery(id));
  const { events, isPending } = useEvents(id);
  const { lots, isPending: lotsArePending } = useLotsOf(id);
  const boil = useMemo(() => boilFrom(events), [events]);
  if (batch.isError && !batch.data)
    return (
      <Notice title="This batch cannot be fetched" tone="care">
        It is not there, or the server does not answer.
      </Notice>
    );
  if (!batch.data || isPending || lotsArePending) return <Loading />;
  const { document, formulaId, createdAt } = batch.data;
  const { endedAt, startedAt } = boil;
  return (
    <>
      <p className="text-lg">
        <Link to={`/logbook/${id}`} className="inline-flex min-h-[44px] items-center underline">
          {document.title === '' ? 'Unnamed batch' : document.title}
        </Link>
        , {dates.longDayAndYear(endedAt ?? startedAt ?? new Date(createdAt))}
      </p>
      <Findings
        kind={document.kind}
        batch={{ id, document, boil, formulaId, lots }}
        likely={likelyJars(
          lots,
          document.jars.map(({ size }) => size),
        )}
      />
    </>
  );
}
