import { useQuery } from '@tanstack/react-query';
import type { CSSProperties, ReactNode } from 'react';
import { Link } from 'react-router';
import type { BatchSummary, LotView, YearUseView } from '@idle-kettle/contract';
import { kitchenFraction, yearPlan, type YearAhead } from '@idle-kettle/core';
import { take, transfer } from '../../batch/jar-moves.js';
import { daysLeft } from '../../batch/days-left.js';
import { drawnFill, isBegun } from '../../batch/lot-state.js';
import { useNewBatch } from '../../batch/new-batch.js';
import { request } from '../../data/api.js';
import { today } from '../../data/clock.js';
import { keys } from '../../data/queries.js';
import { useShelfOverview } from '../../data/shelf.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { JarPicture } from '../../ui/jar-picture.js';
import { useNow } from '../../ui/now.js';
import { usePreferences } from '../../ui/preferences.js';
import { useTheme } from '../../ui/theme.js';
import * as dates from '../../ui/dates.js';

/** Something Today asks for; there is no card without. */
export function Card({ title, note, children }: CardProps) {
  return (
    <section aria-label={title} className="panel mb-4 break-inside-avoid p-4">
      <h2 className="text-lg">
        {title}
        {note !== undefined && <span className="ml-2 font-sans text-sm text-soft">{note}</span>}
      </h2>
      {children}
    </section>
  );
}
interface CardProps {
  readonly title: string;
  readonly note?: string;
  readonly children: ReactNode;
}

/** One thing of a card, with what to do about it. */
function Row({
  style,
  picture,
  title,
  note,
  children,
}: {
  readonly style: CSSProperties;
  readonly picture: ReactNode;
  readonly title: ReactNode;
  readonly note: ReactNode;
  readonly children?: ReactNode;
}) {
  return (
    <li
      style={style}
      className="flex items-center gap-3 border-b border-line py-2.5 last:border-b-0 last:pb-0"
    >
      {picture}
      <span className="min-w-0 flex-1 leading-tight">
        <span className="block font-semibold">{title}</span>
        <span className="block text-sm text-soft">{note}</span>
      </span>
      {children}
    </li>
  );
}

/** Jars drawn in a card, at most. */
const MOST_DRAWN = 8;

/** Lids that are to be pressed, or will be: never before the jars have cooled. */
export function LidsToCheck({ batch }: { readonly batch: BatchSummary }) {
  const theme = useTheme();
  const due = batch.sealsDueAt === null ? 0 : Date.parse(batch.sealsDueAt);
  const isDue = due <= useNow();
  const count = Math.floor(batch.jarsFilled);
  return (
    <div style={fruitStyle(batch.fruit, theme)}>
      <Card
        title={isDue ? 'Lids to check' : 'Cooling'}
        note={`${batch.title}, ${isDue ? 'since' : 'lids from'} ${dates.weekdayAndTime(due)}`}
      >
        <div aria-hidden="true" className="mt-2 flex flex-wrap items-end gap-1">
          {Array.from({ length: Math.min(count, MOST_DRAWN) }, (_, i) => (
            <JarPicture key={i} size="340-g" fill={1} scale={58} />
          ))}
          {count > MOST_DRAWN && <span className="pl-1 text-lg">× {count}</span>}
        </div>
        <Link to={`/batches/${batch.id}/jar`} className={`btn mt-3 ${isDue ? 'btn-primary' : ''}`}>
          {isDue ? `Check ${count} lids` : 'See the jars'}
        </Link>
      </Card>
    </div>
  );
}

const FIRST_SHOWN = 4;

/** "4 days left", "past its best", "opened". */
function untilWords(lot: LotView, on: Date): string {
  const days = daysLeft(lot, on);
  if (days === Infinity) return lot.place;
  if (days < 0) return 'past its best';
  if (days === 0) return 'today is its last day';
  return days > 60 ? 'use within its year' : `${days} ${days === 1 ? 'day' : 'days'} left`;
}

const KEPT_WORDS = {
  opened: 'opened',
  fridge: 'refrigerated',
  freezer: 'frozen',
} as const;

/** Where jars stand that nobody moved. */
const placeWords = ({ keeping, place }: LotView): string => {
  if (keeping.verdict !== 'shelf') return 'refrigerate';
  return place === '' ? 'on the shelf' : place;
};

/** What is opened or soon over. */
export function UseFirst() {
  const theme = useTheme();
  const { overview } = useShelfOverview();
  const first = (overview?.eatFirst ?? []).slice(0, FIRST_SHOWN);
  if (first.length === 0) return null;
  return (
    <Card title="Use first">
      <ul>
        {first.map((lot) => {
          const begun = isBegun(lot);
          const kept = lot.keptIn === null ? placeWords(lot) : KEPT_WORDS[lot.keptIn];
          return (
            <Row
              key={lot.id}
              style={fruitStyle(lot.fruit, theme)}
              picture={<JarPicture size={lot.size} fill={drawnFill(lot)} scale={44} />}
              title={`${lot.title}${lot.count > 1 ? `, ${lot.count}` : ''}`}
              note={`${lot.partFill !== null ? 'part jar, ' : ''}${kept}, ${untilWords(lot, today())}`}
            >
              <button
                type="button"
                className="btn"
                aria-label={`${begun ? 'Finished' : 'Open one'}: ${lot.title}`}
                onClick={() => (begun ? take(lot, 1, 'eaten') : transfer(lot, 1, 'opened', ''))}
              >
                {begun ? 'Finished' : 'Open one'}
              </button>
            </Row>
          );
        })}
      </ul>
      <Link to="/shelf" className="mt-1 flex min-h-[44px] items-center underline">
        The whole shelf
      </Link>
    </Card>
  );
}

const AHEAD_SHOWN = 4;

function shortWords({ left, aYear, from, now }: YearAhead & YearUseView): string {
  const used = aYear === undefined ? '' : `, ${Math.round(aYear)} used a year`;
  const season = now || from === undefined ? '' : `; fruit from ${dates.monthName(from)}`;
  return `${left === 0 ? 'none' : left} left${used}${season}`;
}

/** What runs short, what is in season first: made again in one tap. */
export function RunningLow() {
  const theme = useTheme();
  const { southern } = usePreferences();
  const newBatch = useNewBatch();
  const { data } = useQuery({
    queryKey: [...keys.shelf, 'year'],
    queryFn: () => request<YearUseView[]>('GET', '/shelf/year'),
  });
  const short = yearPlan(data ?? [], today().getMonth() + 1, southern)
    .filter(({ batches }) => batches > 0)
    .toSorted((a, b) => Number(b.now) - Number(a.now) || a.left - b.left)
    .slice(0, AHEAD_SHOWN);
  if (short.length === 0) return null;
  return (
    <Card title="Running low" note={short.some(({ now }) => now) ? 'in season first' : ''}>
      <ul>
        {short.map((row) => (
          <Row
            key={row.batchId}
            style={fruitStyle(row.fruit, theme)}
            picture={
              <span
                aria-hidden="true"
                className="size-7 shrink-0 rounded-full"
                style={{ background: 'var(--fruit)' }}
              />
            }
            title={row.title}
            note={shortWords(row)}
          >
            <button
              type="button"
              className="btn"
              aria-label={`Make again: ${row.title}`}
              onClick={() => void newBatch({ document: row.document })}
            >
              Make again
            </button>
          </Row>
        ))}
      </ul>
      <Link to="/shelf/year" className="mt-1 flex min-h-[44px] items-center underline">
        The year
      </Link>
    </Card>
  );
}

/** Jars of a batch, in words: "6¾ jars", "no jars counted yet". */
export const jarsFilledWords = ({ jarsFilled }: BatchSummary): string =>
  jarsFilled > 0 ? `${kitchenFraction(jarsFilled)} jars counted` : 'no jars counted yet';
