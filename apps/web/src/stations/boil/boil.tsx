import { Maximize2, Minimize2, Moon, Sun } from 'lucide-react';
import { lazy, Suspense, useLayoutEffect, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { boilingPointAt, gelTemperature_C, laterSugar, timeOnHeat_ms, type BatchEvent, type Watched } from '@idle-kettle/core'; // prettier-ignore
import { useTheme, type Theme } from '../../app/theme.js';
import { useBatch } from '../../batch/batch-context.js';
import { stopWords } from '../../batch/words.js';
import { logEvent } from '../../data/log-event.js';
import { useFormats, useHabit } from '../../ui/habit.js';
import { useNow } from '../../ui/now.js';
import { BeforeTheHeat } from './before-the-heat.js';
import { FlameRow, MeasureRow, TestRow, TextRow } from './entry-row.js';
import { EventList, eventWords } from './event-list.js';
import { NextStep } from './next-step.js';
import { ReadingEntry } from './reading-entry.js';
import { Readouts } from './readouts.js';
import { useWatched } from './use-watched.js';

const Curve = lazy(() => import('./curve.js'));

type Open = 'test' | 'addition' | 'measure' | 'flame' | 'note' | null;

/** The boil: how far, how long, what now. */
export function Boil() {
  const { boil } = useBatch();
  if (boil.startedAt === undefined) return <BeforeTheHeat />;
  return <AtTheStove />;
}

function AtTheStove() {
  const { id, boil, document, formula, balance } = useBatch();
  const { place } = useHabit();
  const formats = useFormats();
  const pageTheme = useTheme();
  const [open, setOpen] = useState<Open>(null);
  const [big, setBig] = useState(false);
  const [bigTheme, setBigTheme] = useState<Theme>('night');
  const gel_C = boil.gelTemperature_C ?? balance?.finish.temperature_C.mid ?? gelTemperature_C(place);
  const boilingPoint_C = boil.boilingPoint_C ?? boilingPointAt(place).boilingPoint_C.mid;
  const byTemperature = formula.finish.type === 'gel-temperature';
  const stop = balance
    ? stopWords(formula, balance, formats)
    : { lead: 'stop at', words: formats.temperature(gel_C) };
  const last = boil.readings.at(-1);
  const watched = useWatched();

  const undo = (event: BatchEvent): void => void logEvent(id, 'undo', { eventId: event.id });
  const log: typeof logEvent = (batchId, type, body) => {
    const event = logEvent(batchId, type, body);
    setOpen(null);
    toast(eventWords(event, formats), {
      action: { label: 'Take back', onClick: () => undo(event) },
      duration: 6000,
    });
    return event;
  };
  const reading = (temperature_C: number): void =>
    void log(id, 'reading', { temperature_C: Math.round(temperature_C * 100) / 100 });
  const toggle = (which: Open): void => setOpen((was) => (was === which ? null : which));
  const off = boil.phase === 'off-heat';
  const done = boil.phase === 'done';
  useBoilKeys({
    t: () => toggle('test'),
    a: () => toggle('addition'),
    n: () => toggle('note'),
    w: () => toggle('measure'),
    f: () => toggle('flame'),
    Escape: () => (open ? setOpen(null) : setBig(false)),
  });

  const bench = (
    <div className="flex flex-col gap-3">
      {/* On a phone the figures and the keys come first, the curve after them. */}
      <div className="contents lg:grid lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] lg:gap-3">
        <section
          aria-label="The boil"
          className="panel order-2 h-[240px] p-3 sm:h-[280px] lg:order-1 lg:h-auto lg:min-h-[280px]"
        >
          <Suspense fallback={<p className="p-4 text-soft">Drawing the curve…</p>}>
            <CurveNow
              gel_C={gel_C}
              boilingPoint_C={boilingPoint_C}
              theme={big ? bigTheme : pageTheme}
              watched={boil.phase === 'on-heat' ? watched : undefined}
            />
          </Suspense>
        </section>
        <div className="-order-1 lg:order-2">
          <Readouts
            boil={boil}
            gel_C={gel_C}
            stop={stop}
            byTemperature={byTemperature}
            left={
              watched && {
                low: watched.forecast.left_s.low / 60,
                high: watched.forecast.left_s.high / 60,
              }
            }
          />
        </div>
      </div>
      {!done && <NextStep watched={watched} />}
      {open === 'measure' && (
        <MeasureRow
          finish={
            watched
              ? `The finish is near ${formats.mass(watched.finishMass_kg)} and ${watched.finishSolidsPercent.toFixed(0)} %.`
              : ''
          }
          onWeight={(mass_kg) => log(id, 'weighed', { mass_kg })}
          onBrix={(percent) => log(id, 'brix', { percent })}
        />
      )}
      {open === 'flame' && <FlameRow onTurn={(turned) => log(id, 'heat', { turned })} />}
      {open === 'test' && <TestRow onTest={(way, verdict) => log(id, 'test', { way, verdict })} />}
      {open === 'addition' && (
        <TextRow
          title="I added…"
          hint="What went in, as you would write it. It changes what comes out, so it belongs in the log."
          placeholder="1 tbsp lemon juice"
          onText={(text) => log(id, 'addition', { text })}
        />
      )}
      {open === 'note' && (
        <TextRow
          title="A note"
          hint="Anything worth knowing next time."
          placeholder="skins soft, sugar dissolved"
          onText={(text) => log(id, 'note', { text })}
        />
      )}
      {!done && (
        <ReadingEntry near_C={last?.temperature_C ?? boilingPoint_C} gel_C={gel_C} onReading={reading} />
      )}
      {done ? (
        <div className="flex flex-wrap gap-2">
          <Link to="../jar" className="btn btn-primary h-[68px] flex-1 text-xl">
            To the jars
          </Link>
          <button type="button" className="btn h-[68px] text-lg" onClick={() => log(id, 'on-heat', {})}>
            Back on the heat
          </button>
          <button type="button" className="btn h-[68px] text-lg" onClick={() => toggle('note')}>
            Note
          </button>
        </div>
      ) : (
        <>
          <div className="grid grid-cols-3 gap-2 sm:gap-3 lg:grid-cols-6">
            <Act name="Set test" hint="T" onClick={() => toggle('test')} />
            <Act name="I added…" hint="A" onClick={() => toggle('addition')} />
            <Act name="Weight, Brix" hint="W" onClick={() => toggle('measure')} />
            <Act name="Flame turned" hint="F" onClick={() => toggle('flame')} />
            <Act
              name={off ? 'Back on' : 'Off the heat'}
              hint={off ? 'starts the clock' : 'stops the clock'}
              onClick={() => log(id, off ? 'on-heat' : 'off-heat', {})}
            />
            <Act name="It is done" hint="ends the boil" primary onClick={() => log(id, 'done', {})} />
          </div>
          <div className="flex flex-wrap gap-2">
            {boil.sugarInAt === undefined && laterSugar(formula).length > 0 && (
              <button
                type="button"
                className="btn h-14 flex-1 text-lg"
                onClick={() => log(id, 'sugar-in', {})}
              >
                The sugar is in
              </button>
            )}
            <button type="button" className="btn h-14 flex-1 text-lg" onClick={() => log(id, 'minute', {})}>
              One minute of hard boil
            </button>
            <button type="button" className="btn h-14 flex-1 text-lg" onClick={() => toggle('note')}>
              Note
            </button>
          </div>
        </>
      )}
      <div className="order-3">
        <EventList boil={boil} onUndo={undo} />
      </div>
    </div>
  );

  if (!big) {
    return (
      <>
        <div className="mb-2 flex justify-end">
          <button type="button" className="btn btn-ghost" onClick={() => setBig(true)}>
            <Maximize2 aria-hidden="true" className="size-5" /> Big view for the stove
          </button>
        </div>
        {bench}
      </>
    );
  }
  return (
    <div
      data-theme={bigTheme}
      className="fixed inset-0 z-40 overflow-y-auto bg-base-200 p-3 text-base-content sm:p-6"
    >
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-[26px]">{document.title}</h2>
        <div className="flex gap-2">
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => setBigTheme((was) => (was === 'night' ? 'day' : 'night'))}
          >
            {bigTheme === 'night' ? (
              <Sun aria-hidden="true" className="size-5" />
            ) : (
              <Moon aria-hidden="true" className="size-5" />
            )}
            {bigTheme === 'night' ? 'Bright' : 'Dark'}
          </button>
          <button type="button" className="btn" onClick={() => setBig(false)}>
            <Minimize2 aria-hidden="true" className="size-5" /> Leave big view
          </button>
        </div>
      </div>
      {bench}
    </div>
  );
}

function CurveNow({
  gel_C,
  boilingPoint_C,
  theme,
  watched,
}: {
  readonly gel_C: number;
  readonly boilingPoint_C: number;
  readonly theme: Theme;
  readonly watched: Watched | undefined;
}) {
  const { boil, formula } = useBatch();
  const now = useNow();
  // A minute at a time, so that the chart is not drawn anew twice a second.
  const lastAt = boil.readings.at(-1)?.at ?? boil.startedAt ?? 0;
  const shownUntil = boil.phase === 'done' ? (boil.endedAt ?? lastAt) : Math.min(now, lastAt + 3_600_000);
  const leftMinutes = watched ? Math.min(watched.forecast.left_s.high / 60, 60) : 0;
  const minutes =
    leftMinutes +
    Math.ceil(
      Math.max(shownUntil - (boil.startedAt ?? shownUntil), timeOnHeat_ms(boil, shownUntil)) / 60_000,
    );
  return (
    <Curve
      boil={boil}
      gel_C={gel_C}
      boilingPoint_C={boilingPoint_C}
      minutes={minutes}
      lineName={formula.finish.type === 'gel-temperature' ? 'gel line here' : 'finish near'}
      theme={theme}
      watched={watched}
    />
  );
}

function Act({
  name,
  hint,
  primary = false,
  onClick,
}: {
  readonly name: string;
  readonly hint: string;
  readonly primary?: boolean;
  readonly onClick: () => void;
}) {
  return (
    <button
      type="button"
      className={`btn h-[84px] flex-col gap-0.5 px-1 text-[17px] sm:h-[92px] sm:text-[19px] ${primary ? 'btn-primary' : ''}`}
      onClick={onClick}
    >
      {name}
      <span className={`text-[13px] font-normal ${primary ? '' : 'text-soft'}`}>{hint}</span>
    </button>
  );
}

/** Single letters, when no field is being typed in; R goes to the reading. */
function useBoilKeys(acts: Readonly<Record<string, () => void>>): void {
  // At the stove a key counts from the moment the screen is there.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.target instanceof HTMLInputElement && event.key !== 'Escape') return;
      if (event.key === 'r') {
        event.preventDefault();
        window.document.querySelector<HTMLInputElement>('[data-key="r"]')?.focus();
        return;
      }
      const act = acts[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [acts]);
}
