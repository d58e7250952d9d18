import { Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { type BatchEvent, type Boil, type LogEntry } from '@idle-kettle/core';
import { useOutbox } from '../../data/queries.js';
import { useFormats } from '../../ui/preferences.js';
import { eventWords } from './event-words.js';
import { clock } from '../../ui/now.js';
import * as dates from '../../ui/dates.js';

interface EventListProps {
  readonly boil: Boil;
  readonly onUndo: (event: BatchEvent) => void;
}

/** What an instrument said between two other things, as one line. */
interface Run {
  readonly first: LogEntry;
  readonly last: LogEntry;
  readonly count: number;
  /** Of its temperatures; undefined while it gave none. */
  readonly low: number | undefined;
  readonly high: number | undefined;
}

const SPOKEN: ReadonlySet<string> = new Set(['reading', 'weighed', 'brix']);

/** Newest first; values of one instrument that follow each other are one line. */
function lines(boil: Boil): (LogEntry | Run)[] {
  const apart = new Set(boil.rejectedReadings.map(({ id }) => id));
  const shown: (LogEntry | Run)[] = [];
  for (const entry of boil.log) {
    const { event, undone } = entry;
    if (event.type === 'undo') continue;
    if (!SPOKEN.has(event.type) || !('instrument' in event.body) || undone || apart.has(event.id)) {
      shown.push(entry);
      continue;
    }
    const value = event.type === 'reading' ? event.body.temperature_C : undefined;
    const before = shown.at(-1);
    if (before && 'count' in before && before.last.event.device === event.device)
      shown[shown.length - 1] = {
        ...before,
        last: entry,
        count: before.count + 1,
        low: value === undefined ? before.low : Math.min(before.low ?? value, value),
        high: value === undefined ? before.high : Math.max(before.high ?? value, value),
      };
    else shown.push({ first: entry, last: entry, count: 1, low: value, high: value });
  }
  return shown.reverse();
}

/** Folded under these; then so many at a time. */
const LATEST_SHOWN = 5;
const MORE_SHOWN = 100;

/** Everything logged, newest first; a slip is taken back, never erased. */
export function EventList({ boil, onUndo }: EventListProps) {
  const { items } = useOutbox();
  const waiting = useMemo(() => new Set(items.map((item) => item.id)), [items]);
  const shown = useMemo(() => lines(boil), [boil]);
  const [most, setMost] = useState(LATEST_SHOWN);
  if (shown.length === 0) return null;
  return (
    <section aria-label="Log" className="panel p-4">
      <h2 className="mb-1 text-xl">Log</h2>
      <ol>
        {shown
          .slice(0, most)
          .map((line) =>
            'count' in line ? (
              <Spoken key={line.first.event.id} run={line} boil={boil} />
            ) : (
              <Entry
                key={line.event.id}
                entry={line}
                boil={boil}
                isWaiting={waiting.has(line.event.id)}
                onUndo={onUndo}
              />
            ),
          )}
      </ol>
      {shown.length > most && (
        <button
          type="button"
          className="btn btn-ghost mt-2 w-full"
          onClick={() => setMost((was) => was + MORE_SHOWN)}
        >
          Show {shown.length - most} older entries
        </button>
      )}
    </section>
  );
}

function Spoken({
  run: { first, last, count, low, high },
  boil,
}: {
  readonly run: Run;
  readonly boil: Boil;
}) {
  const formats = useFormats();
  let said = eventWords(last.event, formats);
  if (low !== undefined && high !== undefined)
    said =
      count === 1
        ? formats.temperature(low)
        : `${formats.degrees(low)} to ${formats.temperature(high)}`;
  return (
    <li className="flex min-h-[48px] items-center gap-3 border-b border-line last:border-b-0">
      <span className="w-14 shrink-0 text-right text-sm text-soft">
        {boil.startedAt === undefined ? '' : clock(last.at - boil.startedAt)}
      </span>
      <span className="hidden w-14 shrink-0 text-sm text-soft sm:inline">
        {dates.time(last.at)}
      </span>
      <span className="min-w-0 flex-1 break-words">
        <span className="font-semibold">{said}</span>{' '}
        <span className="text-soft">
          {first.event.device}
          {count > 1 && `, ${count} readings`}
        </span>
      </span>
    </li>
  );
}

interface EntryProps {
  readonly entry: LogEntry;
  readonly boil: Boil;
  readonly isWaiting: boolean;
  readonly onUndo: (event: BatchEvent) => void;
}

function Entry({ entry: { event, at, undone }, boil, isWaiting, onUndo }: EntryProps) {
  const formats = useFormats();
  const reason = boil.rejectedReadings.find((reading) => reading.id === event.id)?.reason;
  const since = boil.startedAt === undefined ? '' : clock(at - boil.startedAt);
  const weight = event.type === 'reading' ? 'font-semibold' : '';
  return (
    <li className="flex min-h-[48px] items-center gap-3 border-b border-line last:border-b-0">
      <span className="w-14 shrink-0 text-right text-sm text-soft">{since}</span>
      <span className="hidden w-14 shrink-0 text-sm text-soft sm:inline">{dates.time(at)}</span>
      <span className={`min-w-0 flex-1 break-words ${undone ? 'text-soft line-through' : weight}`}>
        {eventWords(event, formats)}
        {reason !== undefined && (
          <span className="block text-sm font-normal text-watch">Not counted: {reason}</span>
        )}
      </span>
      {isWaiting && <span className="text-sm text-watch">saved here</span>}
      {undone ? (
        <span className="text-sm text-soft">undone</span>
      ) : (
        <button
          type="button"
          className="btn btn-ghost btn-sm min-h-[44px]"
          aria-label={`Undo: ${eventWords(event, formats)}`}
          onClick={() => onUndo(event)}
        >
          <Undo2 aria-hidden="true" className="size-4" />
          <span className="hidden sm:inline">Undo</span>
        </button>
      )}
    </li>
  );
}
