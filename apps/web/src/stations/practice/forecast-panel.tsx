import { memo, startTransition, useEffect, useEffectEvent, useRef, useState } from 'react';
import { PRACTICE_BEGINS_MS, type Deed, type PracticeScenario } from '@idle-kettle/core';
import { timeLeft } from '../../batch/time-left.js';
import { Readouts } from '../../batch/readouts.js';
import type { PracticeForecast, PracticeOutlook } from '../../workers/practice.worker.js';
import type { PracticeView } from './practice-game.js';
import { practiceWorker } from './practice-worker.js';

/** Asked anew this often while the clock runs, seconds of the pan; and whenever something was done. */
const ASKED_EVERY_S = 30;

/** What the cook knows of the place of a pan. */
const kitchenOf = (
  { altitude_m }: PracticeScenario,
  checkedIn_C: number | undefined,
): { readonly altitude_m: number; readonly boilingPoint_C?: number } => ({
  altitude_m,
  ...(checkedIn_C !== undefined && { boilingPoint_C: checkedIn_C }),
});

/** Asks the worker again whenever the key is another; one question at a time. Drawn in slices. */
function useAsked<T>(key: string | undefined, ask: () => Promise<T>): T | undefined {
  const [answer, setAnswer] = useState<T>();
  const [isBusy, setBusy] = useState(false);
  const asked = useRef('');
  const question = useEffectEvent(ask);
  useEffect(() => {
    if (key === undefined || isBusy || asked.current === key) return;
    asked.current = key;
    const wait = async (): Promise<void> => {
      setBusy(true);
      try {
        const answered = await question();
        startTransition(() => setAnswer(answered));
      } finally {
        setBusy(false);
      }
    };
    void wait();
  }, [key, isBusy]);
  return answer;
}

/** Time left and next step, from the log alone; undefined before the first answer. */
function useForecast(
  scenario: PracticeScenario,
  { log, time_s, checkedIn_C, isForecastShown }: PracticeView,
): PracticeForecast | undefined {
  const key = `${log.length} ${checkedIn_C ?? ''} ${Math.floor(time_s / ASKED_EVERY_S)}`;
  return useAsked(isForecastShown ? key : undefined, () =>
    practiceWorker().forecast(
      scenario.formula,
      log,
      kitchenOf(scenario, checkedIn_C),
      PRACTICE_BEGINS_MS + time_s * 1000,
    ),
  );
}

/** Events that change what is in the pan, or what becomes of it. */
const CHANGING: ReadonlySet<string> = new Set(['addition', 'omission', 'done', 'jarred']);

/** The panel's readouts, anew when something went in. */
function useOutlook(
  scenario: PracticeScenario,
  { log, checkedIn_C, isForecastShown }: PracticeView,
): PracticeOutlook | undefined {
  const changes = log.filter(({ type }) => CHANGING.has(type)).length;
  return useAsked(isForecastShown ? `${changes} ${checkedIn_C ?? ''}` : undefined, () =>
    practiceWorker().outlook(scenario.formula, log, kitchenOf(scenario, checkedIn_C)),
  );
}

interface ForecastPanelProps {
  readonly scenario: PracticeScenario;
  readonly view: PracticeView;
  readonly onShow: (isShown: boolean) => void;
  readonly onAct: (deed: Deed) => void;
}

/** The app's own forecast, next step and panel, for whoever wants them: then the score is one with the forecast. */
export function ForecastPanel({ scenario, view, onShow, onAct }: ForecastPanelProps) {
  const forecast = useForecast(scenario, view);
  const outlook = useOutlook(scenario, view);
  const { isForecastShown } = view;
  return (
    <aside aria-label="Forecast" className="panel p-4">
      <label className="flex min-h-[44px] cursor-pointer items-center gap-3 text-lg">
        <input
          type="checkbox"
          className="toggle"
          checked={isForecastShown}
          onChange={({ target }) => onShow(target.checked)}
        />
        Show the forecast
      </label>
      {!isForecastShown && (
        <p className="text-soft">
          Without it you cook by eye, and the score is one by eye. With it you see what the app
          would tell you at the stove.
        </p>
      )}
      {isForecastShown && forecast === undefined && <p className="text-soft">Working it out…</p>}
      {isForecastShown && forecast && <Forecast forecast={forecast} onAct={onAct} />}
      {isForecastShown && outlook && <Outlook outlook={outlook} />}
    </aside>
  );
}

interface ForecastProps {
  readonly forecast: PracticeForecast;
  readonly onAct: (deed: Deed) => void;
}

/** Time left, and what to do now. */
const Forecast = memo(function Forecast({ forecast: { timeTold, next }, onAct }: ForecastProps) {
  return (
    <>
      <p className="text-sm text-soft">Time left</p>
      <p className="display text-[30px] leading-tight" role="status">
        {timeLeft(timeTold, timeTold?.now ?? 0) ?? 'read the thermometer first'}
      </p>
      {next && <NextStep next={next} onAct={onAct} />}
    </>
  );
});

/** The same readouts as beside a real batch. */
const Outlook = memo(function Outlook({
  outlook: { balance, keeping, formula },
}: {
  readonly outlook: PracticeOutlook;
}) {
  return balance && <Readouts balance={balance} keeping={keeping} formula={formula} />;
});

type Next = NonNullable<PracticeForecast['next']>;

const TICK_WORDS = {
  note: 'Done',
  stirred: 'Stir',
  'sugar-in': 'Put it in',
  added: 'Put it in',
} as const;

/** What one tap on an advice does at this pan. */
function deedsOf({ tick, text, lines = [] }: Next): readonly Deed[] {
  if (tick === 'note') return [{ type: 'note', text }];
  if (tick === 'stirred') return [{ type: 'stir' }];
  return lines.map((item) => ({ type: 'add', item }));
}

/** The same step the app would name at the stove. */
function NextStep({ next, onAct }: { readonly next: Next; readonly onAct: (deed: Deed) => void }) {
  const deeds = deedsOf(next);
  return (
    <section
      aria-label="What now"
      className="my-3 flex flex-wrap items-center justify-between gap-3 rounded-[14px] border-2 border-secondary px-4 py-2"
    >
      <div className="min-w-[190px] flex-1">
        <p className="display text-[21px] leading-tight">{next.text}</p>
        <p className="text-soft">{next.why}</p>
      </div>
      {next.tick !== undefined && deeds.length > 0 && (
        <button type="button" className="btn btn-primary" onClick={() => deeds.forEach(onAct)}>
          {TICK_WORDS[next.tick]}
        </button>
      )}
    </section>
  );
}
