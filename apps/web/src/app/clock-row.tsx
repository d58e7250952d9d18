import {
  Suspense,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type RefObject,
} from 'react';
import { useLocation } from 'react-router';
import type { BatchSummary } from '@idle-kettle/contract';
import { DAY_MS } from '@idle-kettle/core';
import { ClockBar, leftWords, useClocks } from '../batch/clock-bar.js';
import { bySoonest, newlyUp, type ClockKind, type RunningClock } from '../batch/running-clocks.js';
import { browserStore } from '../data/browser-store.js';
import { now as clockNow } from '../data/clock.js';
import { useBatches } from '../data/queries.js';
import { ring, say, useCall, useScreenAwake } from '../ui/attention.js';
import { useNow } from '../ui/now.js';
import { notify } from '../ui/notify.js';
import { setTitleClock } from '../ui/title.js';
import { fetchedPart } from '../ui/fetched-part.js';

const ClockKeeper = fetchedPart(() => import('../batch/clock-keeper.js'));

/** How often a clock sounds when its time is up. */
const SOUNDS: Readonly<Record<ClockKind, number>> = {
  minute: 3,
  processing: 3,
  rest: 3,
  timer: 3,
  lift: 0,
  lids: 1,
  stir: 1,
};

/** What is said when its time is up. */
const UP: Readonly<Record<ClockKind, string>> = {
  minute: 'the minute is up: off the heat',
  processing: 'processed: heat off, lid off away from your face',
  rest: 'rested: lift the jars straight up',
  timer: 'time is up',
  lift: '',
  lids: 'the lids can be checked',
  stir: 'stir the base',
};

/** Finished batches may still be processed, or have lids to press, for so long, ms. */
const IN_JARS_FOR_MS = 3 * DAY_MS;

/** A batch that may have a clock: cooking, in the canner, or with lids to press. */
function hasClocks({ phase, endedAt, sealsDueAt }: BatchSummary): boolean {
  if (phase === 'on-heat' || phase === 'off-heat' || sealsDueAt !== null) return true;
  return phase === 'done' && endedAt !== null && clockNow() - Date.parse(endedAt) < IN_JARS_FOR_MS;
}

/** The clocks that have sounded, the latest last; a reload does not sound them again. */
const sounded = browserStore<readonly string[]>({
  key: 'kettle.sounded',
  parse: (json) =>
    Array.isArray(json) ? json.filter((each) => typeof each === 'string') : undefined,
  otherwise: () => [],
});
const SOUNDED_KEPT = 40;

/** Sounds each clock once when its time is up, from any page, and notifies where that was allowed. */
function useAlarms(clocks: readonly RunningClock[], now: number): void {
  const call = useCall();
  const { pathname } = useLocation();
  useEffect(() => {
    const { up, toSound } = newlyUp(clocks, sounded.get(), now);
    if (up.length === 0) return;
    sounded.set([...sounded.get(), ...up.map(({ id }) => id)].slice(-SOUNDED_KEPT));
    for (const each of toSound) {
      // At the stove the advice calls for itself.
      if (each.kind === 'stir' && pathname === each.to) continue;
      const words = `${each.title}: ${UP[each.kind]}`;
      const times = SOUNDS[each.kind];
      if (times === 0) continue;
      if (call !== 'silent') ring(times);
      if (call === 'spoken') say(words);
      void notify(each.title, UP[each.kind]);
    }
  }, [clocks, now, call, pathname]);
}

/** What is counted down belongs in the title of the tab; a time of day does not. */
function useTitleOfFirst(clocks: readonly RunningClock[], now: number): void {
  const [first] = clocks.filter(({ at }) => at === undefined).sort(bySoonest(now));
  const words = first ? `${leftWords(first, now)} ${first.title}` : '';
  useEffect(() => {
    setTitleClock(words);
    return () => setTitleClock('');
  }, [words]);
}

/** There were clocks when the page was left. */
const hadClocks = browserStore<boolean>({
  key: 'kettle.had-clocks',
  parse: (json) => (typeof json === 'boolean' ? json : undefined),
  otherwise: () => false,
});
/** Clocks are known by then after the page is opened, ms. */
const KNOWN_AFTER_MS = 6000;

/** Whether room is left for clocks that are not known yet, so that nothing moves when they are. */
function useExpectedBar(hasClocks: boolean, isListKnown: boolean): boolean {
  const [isExpected, setExpected] = useState(hadClocks.get);
  useEffect(() => {
    if (hasClocks) hadClocks.set(true);
    if (!isListKnown) return undefined;
    const timer = setTimeout(() => {
      setExpected(false);
      hadClocks.set(hasClocks);
    }, KNOWN_AFTER_MS);
    return () => clearTimeout(timer);
  }, [hasClocks, isListKnown]);
  return isExpected;
}

/**
 * Tells the styles how much of the top of the screen the clocks take, so that what stays in view
 * stays under them, and what is scrolled to is not behind them.
 */
function useHeightOfHead(): RefObject<HTMLDivElement | null> {
  const row = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const { current } = row;
    if (!current) return undefined;
    const observer = new ResizeObserver(() =>
      document.documentElement.style.setProperty('--head', `${current.offsetHeight}px`),
    );
    observer.observe(current);
    return () => observer.disconnect();
  }, []);
  return row;
}

/** The clocks of the household on every screen: they show, sound and notify wherever one is. */
export function ClockRow() {
  const batches = useBatches().data;
  const withClocks = useMemo(() => (batches ?? []).filter(hasClocks), [batches]);
  const clocks = useClocks();
  const now = useNow();
  const call = useCall();
  useAlarms(clocks, now);
  useTitleOfFirst(clocks, now);
  const isExpected = useExpectedBar(clocks.length > 0, batches !== undefined);
  const row = useHeightOfHead();
  const isAwake = useScreenAwake(clocks.some(({ at }) => at === undefined));
  return (
    <>
      {withClocks.length > 0 && (
        <Suspense fallback={null}>
          <ClockKeeper batches={withClocks} />
        </Suspense>
      )}
      <div ref={row} className="sticky top-0 z-20 md:px-6 md:pt-2 print:hidden">
        {clocks.length === 0 && isExpected && <div className="min-h-[44px]" />}
        <ClockBar>
          <span className="hidden shrink-0 pr-4 text-sm md:inline">
            {call === 'silent' ? 'sound off' : 'sound on'}
            {isAwake && ', screen stays on'}
          </span>
          {!isAwake && call !== 'silent' && (
            <span className="shrink-0 pr-3 text-[13px] leading-tight pointer-fine:hidden">
              a locked phone
              <br />
              may not sound
            </span>
          )}
        </ClockBar>
      </div>
    </>
  );
}
