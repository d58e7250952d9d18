import { memo, useEffect, useRef, useState } from 'react';
import { PRACTICE_BEGINS_MS, type Deed, type PracticeScenario } from '@idle-kettle/core';
import { timeLeft } from '../../batch/time-left.js';
import { Readouts } from '../../batch/readouts.js';
import type { PracticeForecast } from '../../workers/practice.worker.js';
import type { PracticeView } from './practice-game.js';
import { practiceWorker } from './practice-worker.js';

/** Asked anew this often while the clock runs, seconds of the pan; and whenever something was done. */
const ASKED_EVERY_S = 30;

/** What the app says of the pan, from its log alone; undefined before the first answer. */
function usePracticeForecast(
  scenario: PracticeScenario,
  { log, time_s, checkedIn_C, isForecastShown }: PracticeView,
): PracticeForecast | undefined {
  const [answer, setAnswer] = useState<PracticeForecast>();
  const [isBusy, setBusy] = useState(false);
  const asked = useRef('');
  const key = `${log.length} ${checkedIn_C ?? ''} ${Math.floor(time_s / ASKED_EVERY_S)}`;
  useEffect(() => {
    // One question at a time: what happened meanwhile is asked of after it.
    if (!isForecastShown || isBusy || asked.current === key) return;
    asked.current = key;
    const kitchen = {
      altitude_m: scenario.altitude_m,
      ...(checkedIn_C !== undefined && { boilingPoint_C: checkedIn_C }),
    };
    const ask = async (): Promise<void> => {
      setBusy(true);
      try {
        const now = PRACTICE_BEGINS_MS + time_s * 1000;
        setAnswer(await practiceWorker().foretell(scenario.formula, log, kitchen, now));
      } finally {
        setBusy(false);
      }
    };
    void ask();
  }, [scenario, log, time_s, checkedIn_C, isForecastShown, isBusy, key]);
  return answer;
}

interface ForecastPanelProps {
  readonly scenario: PracticeScenario;
  readonly view: PracticeView;
  readonly onShow: (isShown: boolean) => void;
  readonly onAct: (deed: Deed) => void;
}

/** The app's own forecast, next step and panel, for whoever wants them: then the score is one with the forecast. */
export function ForecastPanel({ scenario, view, onShow, onAct }: ForecastPanelProps) {
  const answer = usePracticeForecast(scenario, view);
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
      {isForecastShown && answer === undefined && <p className="text-soft">Working it out…</p>}
      {isForecastShown && answer && <Foretold answer={answer} onAct={onAct} />}
    </aside>
  );
}

interface ForetoldProps {
  readonly answer: PracticeForecast;
  readonly onAct: (deed: Deed) => void;
}

/** Drawn anew only when there is another answer. */
const Foretold = memo(function Foretold({ answer, onAct }: ForetoldProps) {
  const { told, next, balance, keeping, formula } = answer;
  return (
    <>
      <p className="text-sm text-soft">Time left</p>
      <p className="display text-[30px] leading-tight" role="status">
        {timeLeft(told, told?.now ?? 0) ?? 'read the thermometer first'}
      </p>
      {next && <NextStep next={next} onAct={onAct} />}
      {balance && <Readouts balance={balance} keeping={keeping} formula={formula} />}
    </>
  );
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
