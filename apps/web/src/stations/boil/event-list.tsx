import { format } from 'date-fns';
import { Undo2 } from 'lucide-react';
import { kitchenFraction, type BatchEvent, type Boil, type LogEntry } from '@idle-kettle/core';
import { PROCESS_WORDS } from '../../batch/words.js';
import { useOutbox } from '../../data/queries.js';
import { useFormats, type Formats } from '../../ui/habit.js';
import { jarsOf } from '../../ui/jar-picture.js';
import { clock } from '../../ui/now.js';

/** What happened, in words. */
export function eventWords(event: BatchEvent, formats: Formats): string {
  switch (event.type) {
    case 'planned':
      return `Planned: ${event.body.by === 'ready' ? 'jars on the counter' : 'begin'} ${format(new Date(event.body.at), 'd MMM HH:mm')}`;
    case 'step':
      return `Step done: ${event.body.code.replaceAll('-', ' ')}`;
    case 'light':
      return `On the heat; finish near ${formats.temperature(event.body.gelTemperature_C)}`;
    case 'reading':
      return formats.temperature(event.body.temperature_C);
    case 'weighed':
      return `On the scale ${formats.mass(event.body.mass_kg)}`;
    case 'brix':
      return `Refractometer ${event.body.percent.toFixed(1)} %`;
    case 'sugar-in':
      return 'The sugar is in';
    case 'heat':
      return event.body.turned === 'up' ? 'Flame turned up' : 'Flame turned down';
    case 'test':
      return `${{ plate: 'Plate', sheet: 'Sheet', finger: 'Finger' }[event.body.way]} test: ${event.body.verdict}`;
    case 'addition':
      return `Added: ${event.body.text}`;
    case 'note':
      return event.body.text;
    case 'minute':
      return 'The hard minute began';
    case 'off-heat':
      return 'Off the heat';
    case 'on-heat':
      return 'Back on the heat';
    case 'done':
      return 'It is done';
    case 'jarred':
      return `Jars counted: ${event.body.jars.map((jar) => jarsOf(kitchenFraction(jar.full + jar.part), jar.size)).join(', ')}`;
    case 'processed':
      return `Processed ${event.body.minutes} min ${PROCESS_WORDS[event.body.method]}`;
    case 'undo':
      return 'Taken back';
  }
}

interface EventListProps {
  readonly boil: Boil;
  readonly onUndo: (event: BatchEvent) => void;
}

/** Everything logged, newest first; a slip is taken back, never erased. */
export function EventList({ boil, onUndo }: EventListProps) {
  const { parcels } = useOutbox();
  const waiting = new Set(parcels.map((parcel) => parcel.id));
  const shown = boil.log.filter((entry) => entry.event.type !== 'undo').toReversed();
  if (shown.length === 0) return null;
  return (
    <section aria-label="Log" className="panel p-4">
      <h2 className="mb-1 text-xl">Log</h2>
      <ol>
        {shown.map((entry) => (
          <Entry
            key={entry.event.id}
            entry={entry}
            boil={boil}
            isWaiting={waiting.has(entry.event.id)}
            onUndo={onUndo}
          />
        ))}
      </ol>
    </section>
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
  const reason = boil.setApart.find((reading) => reading.id === event.id)?.reason;
  const since = boil.startedAt === undefined ? '' : clock(at - boil.startedAt);
  return (
    <li className="flex min-h-[48px] items-center gap-3 border-b border-line last:border-b-0">
      <span className="w-14 shrink-0 text-right text-sm text-soft">{since}</span>
      <span className="hidden w-14 shrink-0 text-sm text-soft sm:inline">{format(at, 'HH:mm')}</span>
      <span
        className={`min-w-0 flex-1 break-words ${undone ? 'text-soft line-through' : event.type === 'reading' ? 'font-semibold' : ''}`}
      >
        {eventWords(event, formats)}
        {reason !== undefined && (
          <span className="block text-sm font-normal text-watch">Set apart: {reason}</span>
        )}
      </span>
      {isWaiting && <span className="text-sm text-watch">kept here</span>}
      {undone ? (
        <span className="text-sm text-soft">taken back</span>
      ) : (
        <button
          type="button"
          className="btn btn-ghost btn-sm min-h-[44px]"
          aria-label={`Take back: ${eventWords(event, formats)}`}
          onClick={() => onUndo(event)}
        >
          <Undo2 aria-hidden="true" className="size-4" />
          <span className="hidden sm:inline">Take back</span>
        </button>
      )}
    </li>
  );
}
