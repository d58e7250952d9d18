import { Suspense, type ReactNode } from 'react';
import type { BatchSummary, KitchenView } from '@idle-kettle/contract';
import { useClocks } from '../../batch/clock-bar.js';
import { clockOfCanner } from '../../batch/running-clocks.js';
import { FreeBurner } from '../../ui/stove-pictures.js';
import { Slot } from './stove-slot.js';
import { fetchedPart } from '../../ui/fetched-part.js';

const OnStove = fetchedPart(() => import('./on-burner.js'));

interface StoveTopProps {
  /** What is cooking, or paused off the heat. */
  readonly cooking: readonly BatchSummary[];
  /** What may be in the canner: finished, not on the shelf yet. */
  readonly toJar: readonly BatchSummary[];
  readonly kitchen: KitchenView | undefined;
  /** What starts a batch on a free burner. */
  readonly start: ReactNode;
}

/** At most so many free burners are drawn: one is enough to start on. */
const FREE_SHOWN = 1;

/** The stove as it stands: what is on each burner, how long still, and what comes next. */
export function StoveTop({ cooking, toJar, kitchen, start }: StoveTopProps) {
  const clocks = useClocks();
  const inCanner = toJar.filter(({ id }) => clockOfCanner(clocks, id) !== undefined);
  const burners = Math.max(kitchen?.gear.burners.length ?? 0, 1);
  const free = Math.min(
    Math.max(burners - cooking.length - inCanner.length, cooking.length > 0 ? 0 : 1),
    FREE_SHOWN,
  );
  return (
    <section aria-label="On the stove">
      <h2 className="sr-only">On the stove</h2>
      <ul className="grid gap-x-4 sm:grid-cols-[repeat(auto-fit,minmax(300px,1fr))]">
        {cooking.length + inCanner.length > 0 && (
          <Suspense
            fallback={[...cooking, ...inCanner].map(({ id }) => (
              <li key={id} className="min-h-[166px] lg:min-h-[236px]" />
            ))}
          >
            <OnStove cooking={cooking} inCanner={inCanner} />
          </Suspense>
        )}
        {Array.from({ length: free }, (_, i) => (
          <Slot key={i} picture={<FreeBurner />}>
            <span className="block pb-2 text-soft">
              {cooking.length + inCanner.length === 0 ? 'The stove is free.' : 'A burner is free.'}
            </span>
            {start}
          </Slot>
        ))}
      </ul>
    </section>
  );
}
