import { Link } from 'react-router';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import {
  boilingPointAt,
  CURDLES_ABOVE_FINISH_K,
  gelTemperature_C,
  timeOnHeat_ms,
  type BatchEvent,
  type WatchedBoil,
  MINUTE_MS,
  HOUR_MS,
} from '@idle-kettle/core';
import { useTheme, type Theme } from '../../ui/theme.js';
import { useBatch, useBatchNow } from '../../batch/batch-context.js';
import { CookingPlaceChoice, useIsLongCook } from '../../batch/cooking-place.js';
import { OffHeatDue } from '../../batch/lines-due.js';
import { MixtureField } from '../../batch/mixture-field.js';
import { NewTimer } from '../../batch/new-timer.js';
import { finishLineName, isByTemperature, stopWords } from '../../batch/words.js';
import { logEvent } from '../../data/log-event.js';
import { useNoDoubleTouch } from '../../ui/double-touch.js';
import { useShortcuts } from '../../ui/shortcuts.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { useScreenAwake } from '../../ui/attention.js';
import { ClockBar } from '../../batch/clock-bar.js';
import { advisedAction } from './advised-action.js';
import { AskAhead } from './ask-ahead.js';
import { BeforeTheHeat } from './before-the-heat.js';
import { BigView } from './big-view.js';
import { CallChoice } from './call-choice.js';
import { FlameRow, MeasureRow, TestRow, TextRow } from './entry-row.js';
import { CookReadouts } from './cook-readouts.js';
import { DepthRow } from './depth-row.js';
import { EventList } from './event-list.js';
import { eventWords } from './event-words.js';
import { Instruments } from './instruments.js';
import { NextStep } from './next-step.js';
import { OpenedPanel } from './opened-panel.js';
import { OtherBatches } from './other-batches.js';
import { PauseRow } from './pause-row.js';
import { AdditionRow } from './addition-row.js';
import { BoilActions, type Opened } from './boil-actions.js';
import { ReadingEntry } from './reading-entry.js';
import { Readouts } from './readouts.js';
import { SugarSoFar } from './sugar-so-far.js';
import { ThicknessRow } from './thickness-row.js';
import { useAdvice } from '../../batch/use-advice.js';
import { useWatched } from './use-watched.js';
import { fetchedPart, untilFetched } from '../../ui/fetched-part.js';

// Fetched while the log is: a fallback that was on the screen once stays there for a third of a
// second.
const curve = untilFetched(() => import('../../batch/boil-curve.js'));
const Curve = lazy(() => curve);
const CookCurve = fetchedPart(() => import('./cook-curve.js'));

/** The boil: how far, how long, what now. */
export function Boil() {
  const { boil } = useBatch();
  if (boil.startedAt === undefined) return <BeforeTheHeat />;
  return <AtTheStove />;
}

function AtTheStove() {
  const { id, boil, document, formula, balance } = useBatch();
  const { kitchen } = usePreferences();
  const formats = useFormats();
  const pageTheme = useTheme();
  const [open, setOpen] = useState<Opened | null>(null);
  const [big, setBig] = useState(false);
  const [bigTheme, setBigTheme] = useState<Theme>('night');
  const gel_C =
    boil.gelTemperature_C ?? balance?.finish.temperature_C?.mid ?? gelTemperature_C(kitchen);
  const boilingPoint_C = boil.boilingPoint_C ?? boilingPointAt(kitchen).boilingPoint_C.mid;
  const byTemperature = isByTemperature(formula.finish);
  const stop = balance
    ? stopWords(formula, balance, formats)
    : { lead: 'stop at', words: formats.temperature(gel_C) };
  const watched = useWatched();
  const isLongCook = useIsLongCook();
  const { next, evidence } = useAdvice(boil, formula, watched, usePanFill());
  const onClickCapture = useNoDoubleTouch();

  const undo = (event: BatchEvent): void => void logEvent(id, 'undo', { eventId: event.id });
  const log: typeof logEvent = (batchId, type, body) => {
    const event = logEvent(batchId, type, body);
    setOpen(null);
    toast(eventWords(event, formats), {
      action: { label: 'Undo', onClick: () => undo(event) },
      duration: UNDO_MS,
      // One message at a time: the last thing that was logged.
      id: 'logged',
    });
    return event;
  };
  const toggle = (which: Opened): void => setOpen((was) => (was === which ? null : which));
  const paused = boil.phase === 'paused';
  const curdles_C =
    formula.finish.type === 'curd'
      ? formula.finish.temperature_C + CURDLES_ABOVE_FINISH_K
      : undefined;
  const awake = useScreenAwake(!['done', 'cold', 'paused'].includes(boil.phase));
  const done = boil.phase === 'done';
  useShortcuts({
    test: () => toggle('test'),
    addition: () => toggle('addition'),
    note: () => toggle('note'),
    measure: () => toggle('measure'),
    heat: () => toggle('flame'),
    close: () => (open ? setOpen(null) : setBig(false)),
  });

  const reading = (
    <ReadingEntry
      near_C={boil.readings.at(-1)?.temperature_C ?? boilingPoint_C}
      gel_C={gel_C}
      onReading={(temperature_C) =>
        void log(id, 'reading', { temperature_C: Math.round(temperature_C * 100) / 100 })
      }
    />
  );
  const opened = open && (
    <OpenedPanel key={open} onClose={() => setOpen(null)}>
      <OpenedRow open={open} watched={watched} reading={reading} onLog={log} />
    </OpenedPanel>
  );
  const actions = (
    <BoilActions onLog={log} onOpen={toggle} advised={advisedAction(next)} isBig={big} />
  );
  const nextStep = !done && <NextStep next={next} evidence={evidence} />;
  const calls = done ? null : <CallChoice awake={awake} />;
  if (big)
    return (
      <div onClickCapture={onClickCapture}>
        <BigView
          theme={bigTheme}
          title={document.title}
          watched={watched}
          line={{ at_C: gel_C, name: byTemperature ? 'setting point' : 'finish' }}
          head={
            <>
              <ClockBar />
              <OtherBatches compact />
            </>
          }
          beside={calls}
          nextStep={nextStep}
          opened={opened}
          actions={actions}
          onLeave={() => setBig(false)}
          onTheme={setBigTheme}
        />
      </div>
    );
  return (
    <div className="flex flex-col gap-2.5 sm:gap-3" onClickCapture={onClickCapture}>
      {/* On a phone the figures and the keys come first, the curve after them. */}
      <div className="contents lg:grid lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] lg:gap-3">
        <section
          aria-label={isLongCook ? 'The cook' : 'The boil'}
          className="panel relative order-2 h-[240px] sm:h-[280px] lg:order-1 lg:h-auto lg:min-h-[200px]"
        >
          {/* Out of the flow: a drawing that fits itself to a place that fits itself to the drawing
             never comes to rest. */}
          <div className="absolute inset-3">
            <Suspense fallback={<p className="p-4 text-soft">Drawing the curve…</p>}>
              {isLongCook ? (
                <CookCurveNow watched={watched} theme={pageTheme} />
              ) : (
                <CurveNow
                  gel_C={gel_C}
                  boilingPoint_C={boilingPoint_C}
                  theme={pageTheme}
                  watched={boil.phase === 'on-heat' ? watched : undefined}
                  curdles_C={curdles_C}
                />
              )}
            </Suspense>
          </div>
        </section>
        <div className="-order-1 lg:order-2">
          {isLongCook ? (
            <CookReadouts watched={watched} onBig={() => setBig(true)} />
          ) : (
            <Readouts
              boil={boil}
              gel_C={gel_C}
              stop={stop}
              byTemperature={byTemperature}
              watched={watched}
              curdles_C={curdles_C}
              onBig={() => setBig(true)}
            />
          )}
        </div>
      </div>
      {nextStep}
      <OffHeatDue />
      {opened ?? (!done && !paused && (isLongCook ? <Depth onLog={log} /> : reading))}
      {actions}
      {!done && (
        <SugarSoFar
          onPart={(text, planned) => log(id, 'addition', { text, planned })}
          onAllIn={() => log(id, 'sugar-in', {})}
        />
      )}
      {!done && <CookingPlaceChoice />}
      {!done && boil.sugarInAt === undefined && <MixtureField />}
      <OtherBatches />
      <div className="order-3 flex flex-col gap-3">
        {!done && !paused && isLongCook && <AskAhead />}
        <div className="flex flex-wrap items-center gap-2">{calls}</div>
        <NewTimer />
        <Instruments />
        <EventList boil={boil} onUndo={undo} />
        <Link to={`/rescue/${id}`} className="inline-flex min-h-[44px] items-center underline">
          Scorched, a boil-over, no set: rescue it
        </Link>
      </div>
    </div>
  );
}

/** So long a slip is one tap to undo from the message of what was logged, ms. */
const UNDO_MS = 10_000;

/** How full the pan is as it goes on the heat, share of its depth; undefined while that is not known. */
function usePanFill(): number | undefined {
  const { formula, balance } = useBatch();
  const capacity_l = formula.pan?.capacity_l;
  return balance && capacity_l !== undefined ? balance.pot_l.fill / capacity_l : undefined;
}

type OnLog = typeof logEvent;

const Depth = ({ onLog }: { readonly onLog: OnLog }) => {
  const { id } = useBatch();
  return <DepthRow onDepth={(left) => onLog(id, 'depth', { left })} />;
};

interface OpenedRowProps {
  readonly open: Opened;
  readonly watched: WatchedBoil | undefined;
  readonly reading: ReactNode;
  readonly onLog: OnLog;
}

/** What a tap on an action opened, to be filled in. */
function OpenedRow({ open, watched, reading, onLog }: OpenedRowProps) {
  const { id } = useBatch();
  const formats = useFormats();
  const isLongCook = useIsLongCook();
  switch (open) {
    case 'reading':
      return isLongCook ? <Depth onLog={onLog} /> : reading;
    case 'measure':
      return (
        <MeasureRow
          finish={
            watched
              ? `The finish is near ${formats.mass(watched.finishMass_kg)} and ${watched.finishSolidsPercent.toFixed(0)} %.`
              : ''
          }
          onWeight={(mass_kg) => onLog(id, 'weighed', { mass_kg })}
          onBrix={(percent) => onLog(id, 'brix', { percent })}
        />
      );
    case 'pause':
      return <PauseRow onPause={(kept) => onLog(id, 'paused', { kept })} />;
    case 'flame':
      return <FlameRow onTurn={(turned) => onLog(id, 'heat', { turned })} />;
    case 'test':
      return isLongCook ? (
        <ThicknessRow onTest={(verdict) => onLog(id, 'test', { way: 'plate', verdict })} />
      ) : (
        <TestRow onTest={(way, verdict) => onLog(id, 'test', { way, verdict })} />
      );
    case 'addition':
      return (
        <AdditionRow
          onAddition={(text, planned) =>
            onLog(id, 'addition', { text, ...(planned !== undefined && { planned }) })
          }
          onLeftOut={(ingredient, line) => onLog(id, 'omission', { ingredient, line })}
        />
      );
    case 'note':
      return (
        <TextRow
          title="Note"
          hint="Anything worth knowing next time."
          placeholder="skins soft, sugar dissolved"
          onText={(text) => onLog(id, 'note', { text })}
        />
      );
  }
}

function CookCurveNow({
  watched,
  theme,
}: {
  readonly watched: WatchedBoil | undefined;
  readonly theme: Theme;
}) {
  const { boil, formula } = useBatch();
  if (!watched || boil.startedAt === undefined)
    return <p className="p-4 text-soft">The curve is drawn while it cooks.</p>;
  const isByClock = formula.stages.at(-1)?.end.type === 'time';
  return (
    <CookCurve
      startedAt={boil.startedAt}
      watched={watched}
      finish_kg={isByClock ? undefined : watched.finishMass_kg}
      theme={theme}
    />
  );
}

function CurveNow({
  gel_C,
  boilingPoint_C,
  theme,
  watched,
  curdles_C,
}: {
  readonly gel_C: number;
  readonly boilingPoint_C: number;
  readonly theme: Theme;
  readonly watched: WatchedBoil | undefined;
  readonly curdles_C: number | undefined;
}) {
  const { boil, formula } = useBatch();
  const now = useBatchNow();
  // A minute at a time, so that the chart is not drawn anew twice a second.
  const lastAt = boil.readings.at(-1)?.at ?? boil.startedAt ?? 0;
  const shownUntil =
    boil.phase === 'done' ? (boil.endedAt ?? lastAt) : Math.min(now, lastAt + HOUR_MS);
  const leftMinutes = watched ? Math.min(watched.forecast.left_s.high / 60, 60) : 0;
  const minutes =
    leftMinutes +
    Math.ceil(
      Math.max(shownUntil - (boil.startedAt ?? shownUntil), timeOnHeat_ms(boil, shownUntil)) /
        MINUTE_MS,
    );
  return (
    <Curve
      boil={boil}
      gel_C={gel_C}
      boilingPoint_C={boilingPoint_C}
      minutes={minutes}
      lineName={finishLineName(formula.finish, 'here')}
      theme={theme}
      watched={watched}
      curdles_C={curdles_C}
    />
  );
}
