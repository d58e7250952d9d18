import { format } from 'date-fns';
import { Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import {
  JUDGED,
  kitchenFraction,
  MOST_POINTS,
  type BatchEvent,
  type Boil,
  type LogEntry,
} from '@idle-kettle/core';
import { nameOfLine } from '../../batch/line-edit.js';
import { VESSEL_WORDS } from '../../batch/vessel-choice.js';
import { PROCESS_WORDS, RESULT_WORDS, SET_WORDS } from '../../batch/words.js';
import { useOutbox } from '../../data/queries.js';
import { useFormats, type Formats } from '../../ui/preferences.js';
import { jarName, jarsOf } from '../../ui/jar-picture.js';
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
    case 'omission':
      return `Left out: ${nameOfLine({ ingredient: event.body.ingredient, amount: '' })}`;
    case 'note':
      return event.body.text;
    case 'minute':
      return 'The hard minute began';
    case 'vessel':
      return `In ${VESSEL_WORDS[event.body.vessel]}`;
    case 'stirred':
      return 'Stirred';
    case 'paused':
      return event.body.kept === 'fridge' ? 'Put off, in the fridge' : 'Put off, covered';
    case 'simulated':
      return event.body.speed === 1
        ? 'Simulated instruments'
        : `Simulated instruments, ${event.body.speed} times as fast`;
    case 'off-heat':
      return 'Off the heat';
    case 'on-heat':
      return 'Back on the heat';
    case 'done':
      return 'It is done';
    case 'jarred':
      return `Jars counted: ${event.body.jars.map((jar) => jarsOf(kitchenFraction(jar.full + jar.part), jar.size)).join(', ')}`;
    case 'process-begun':
      return `The process began: ${event.body.minutes} min`;
    case 'process-lost':
      return 'The boil was lost; the process counts from zero again';
    case 'processed':
      return event.body.again
        ? `Processed again, with new lids: ${jarsOf(String(event.body.again.jars.length), event.body.again.size, event.body.again.jars.length)}, ${event.body.minutes} min`
        : `Processed ${event.body.minutes} min ${PROCESS_WORDS[event.body.method]}`;
    case 'lids':
      return `Lids: ${event.body.out} laid out, ${event.body.left} left`;
    case 'seals':
      return event.body.failed.length === 0
        ? `Lids pressed, ${jarName(event.body.size, 2)}: all down`
        : `Lids pressed: ${jarsOf(String(event.body.failed.length), event.body.size, event.body.failed.length)} not sealed`;
    case 'scored':
      return `Opened and tasted: set ${SET_WORDS[event.body.set + 2] ?? ''}, taste ${event.body.taste} of 5`;
    case 'judged':
      return `Judged: ${JUDGED.reduce((sum, each) => sum + event.body[each], 0)} of ${JUDGED.length * MOST_POINTS} points`;
    case 'shown':
      return `At ${event.body.show}, ${event.body.class}: ${RESULT_WORDS[event.body.result]}`;
    case 'unsealed':
      return `Not sealed, ${event.body.kept === 'thrown-out' ? 'thrown out' : `into the ${event.body.kept}`}: ${jarsOf(String(event.body.jars.length), event.body.size, event.body.jars.length)}`;
    case 'undo':
      return 'Taken back';
  }
}

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

const FIRST_SHOWN = 80;

/** Everything logged, newest first; a slip is taken back, never erased. */
export function EventList({ boil, onUndo }: EventListProps) {
  const { items } = useOutbox();
  const waiting = useMemo(() => new Set(items.map((item) => item.id)), [items]);
  const shown = useMemo(() => lines(boil), [boil]);
  const [most, setMost] = useState(FIRST_SHOWN);
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
          onClick={() => setMost((was) => was * 4)}
        >
          {shown.length - most} older ones
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
  const said =
    low === undefined || high === undefined
      ? eventWords(last.event, formats)
      : count === 1
        ? formats.temperature(low)
        : `${formats.degrees(low)} to ${formats.temperature(high)}`;
  return (
    <li className="flex min-h-[48px] items-center gap-3 border-b border-line last:border-b-0">
      <span className="w-14 shrink-0 text-right text-sm text-soft">
        {boil.startedAt === undefined ? '' : clock(last.at - boil.startedAt)}
      </span>
      <span className="hidden w-14 shrink-0 text-sm text-soft sm:inline">
        {format(last.at, 'HH:mm')}
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
  return (
    <li className="flex min-h-[48px] items-center gap-3 border-b border-line last:border-b-0">
      <span className="w-14 shrink-0 text-right text-sm text-soft">{since}</span>
      <span className="hidden w-14 shrink-0 text-sm text-soft sm:inline">
        {format(at, 'HH:mm')}
      </span>
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
