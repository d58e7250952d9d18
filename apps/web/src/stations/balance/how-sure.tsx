import { useCallback, useEffect, useRef, useState } from 'react';
import {
  FIRMNESS_WORDS,
  worthMeasuring,
  type Balance,
  firmnessSaid,
  type FirmnessWord,
  type Sampled,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { usePreferences } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';
import type { SampleQuestion, SampleReport } from '../../workers/sample.worker.js';

/** Pots drawn as soon as typing rests, and on asking. */
const AT_ONCE = 2000;
const MANY = 100_000;
const PAUSE_MS = 500;

type Run =
  | { readonly share: number }
  | { readonly stopped: true }
  | { readonly result: Sampled; readonly pots: number };

/** Draws many such pots beside the page. Typing starts anew, and a long run can be stopped. */
function useDraws(): { run: Run | undefined; draw: (pots: number) => void; stop: () => void } {
  const { asMade } = useBatch();
  const { kitchen } = usePreferences();
  const worker = useRef<Worker>(undefined);
  const [run, setRun] = useState<Run>();
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setRun({ stopped: true });
  }, []);
  const draw = useCallback(
    (pots: number) => {
      worker.current?.terminate();
      const mine = new Worker(new URL('../../workers/sample.worker.ts', import.meta.url), {
        type: 'module',
      });
      worker.current = mine;
      mine.onmessage = ({ data }: MessageEvent<SampleReport>) => {
        if (worker.current !== mine) return;
        if ('share' in data) setRun({ share: data.share });
        else {
          setRun(data.result ? { result: data.result, pots } : undefined);
          mine.terminate();
        }
      };
      mine.postMessage({
        document: asMade,
        place: kitchen,
        samples: pots,
      } satisfies SampleQuestion);
    },
    [asMade, kitchen],
  );
  useEffect(() => {
    const timer = setTimeout(() => draw(AT_ONCE), PAUSE_MS);
    return () => {
      clearTimeout(timer);
      worker.current?.terminate();
      worker.current = undefined;
    };
  }, [draw]);
  return { run, draw, stop };
}

const SHADES: Readonly<Record<FirmnessWord, number>> = {
  none: 0.15,
  soft: 0.35,
  good: 1,
  firm: 0.7,
  stiff: 0.5,
};
const MOST_MATTERS = 4;

/** How a hundred such pots would come out, and what would narrow it most. */
export function HowSure({ balance }: { readonly balance: Balance }) {
  const { formula } = useBatch();
  const { run, draw, stop } = useDraws();
  const matters = worthMeasuring(formula, balance).slice(0, MOST_MATTERS);
  const result = run && 'result' in run ? run.result : undefined;
  return (
    <section aria-label="Confidence" className="panel p-4">
      <h2 className="text-xl">Confidence</h2>
      {run && 'share' in run && (
        <div className="mt-2 flex items-center gap-3">
          <progress aria-label="Pans drawn" className="progress flex-1" value={run.share} max={1} />
          <button type="button" className="btn" onClick={stop}>
            Stop
          </button>
        </div>
      )}
      {run && 'stopped' in run && <p className="mt-2 text-soft">Stopped.</p>}
      {result && run && 'pots' in run && (
        <>
          <p className="mt-1">Of a hundred such pans:</p>
          <div aria-hidden="true" className="mt-2 flex h-5 gap-[3px]">
            {FIRMNESS_WORDS.filter((word) => result.setShares[word] >= 0.005).map((word) => (
              <span
                key={word}
                className="rounded border border-line"
                style={{
                  flex: `${result.setShares[word]} 0 0`,
                  background: `color-mix(in oklab, var(--fruit) ${SHADES[word] * 100}%, var(--color-base-300))`,
                }}
              />
            ))}
          </div>
          <p className="mt-1.5">
            {FIRMNESS_WORDS.filter((word) => result.setShares[word] >= 0.005)
              .map((word) => `${Math.round(result.setShares[word] * 100)} ${firmnessSaid(word)}`)
              .join(', ')}
            . {result.readyJars} jars hot are enough in 95 of them, one of them a spare.
          </p>
          <p className="mt-1 text-sm text-soft">
            {run.pots.toLocaleString('en-GB')} simulations, each with everything uncertain at once.{' '}
            {run.pots < MANY && (
              <button type="button" className="link min-h-[44px]" onClick={() => draw(MANY)}>
                Run {MANY.toLocaleString('en-GB')} simulations
              </button>
            )}
          </p>
        </>
      )}
      {matters.length > 0 && (
        <>
          <h3 className="mt-3 font-semibold">What matters most</h3>
          <ul className="mt-1">
            {matters.map(({ code, of, text, narrows }) => (
              <li
                key={code + of}
                className="flex items-center gap-3 border-b border-line py-2 last:border-b-0"
              >
                <span className="flex-1">{capital(text)}</span>
                <span className="text-sm text-soft">
                  {of} −{Math.round(narrows * 100)} %
                </span>
                <span aria-hidden="true" className="h-2 w-20 rounded-full bg-base-300">
                  <span
                    className="block h-2 rounded-full"
                    style={{ width: `${Math.round(narrows * 100)}%`, background: 'var(--fruit)' }}
                  />
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
