import * as dates from '../ui/dates.js';
import { isToday } from 'date-fns/isToday';
import { CloudOff, Clock, HardDrive, TriangleAlert, type LucideIcon } from 'lucide-react';
import { useEffect, type ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { browserStore } from '../data/browser-store.js';
import { useClockDifference } from '../data/clock.js';
import { isWaiting } from '../data/outbox.js';
import { useOutbox } from '../data/queries.js';
import { askNow } from '../data/watch-server.js';
import { counted } from '../ui/sentence.js';
import { forgetSince, useReachability, type AwayReason } from '../data/reachability.js';
import { useBrowserKeeps } from '../data/store.js';
import { clockWords, isSameClock } from './clock-words.js';

/** A line across the top of every screen; there is none while all is well. */
function Row({
  Icon,
  children,
  action,
}: {
  readonly Icon: LucideIcon;
  readonly children: ReactNode;
  readonly action?: ReactNode;
}) {
  return (
    <div
      role="status"
      className="flex items-center justify-center gap-3 border-b border-line px-4 py-2"
      style={{ background: 'var(--notice)' }}
    >
      <Icon aria-hidden="true" className="size-5 shrink-0 text-watch" />
      <span className="min-w-0 flex-1 leading-snug sm:flex-none">{children}</span>
      {action}
    </div>
  );
}

function RowButton(props: { readonly onClick: () => void; readonly children: ReactNode }) {
  return <button type="button" className="btn btn-sm min-h-[44px] shrink-0" {...props} />;
}

const AWAY_WORDS: Readonly<Record<AwayReason, string>> = {
  'no-answer': 'Offline: the server does not answer.',
  stranger: 'Offline: something else answers in place of the server, such as a login page.',
  database: 'Offline: the server cannot reach its database.',
  'no-space': 'The disk of the server is full: it can save nothing.',
};

/** A moment as short as it can be said. */
const moment = (at: number): string => (isToday(at) ? dates.time(at) : dates.dayAndTime(at));

/** The server is away: how old what is shown is, and what waits here. */
function OfflineRow() {
  const { away: asking, since } = useReachability();
  const { away: sending, items, drafts } = useOutbox();
  const { pathname } = useLocation();
  useEffect(forgetSince, [pathname]);
  const away = sending ?? asking;
  if (away === undefined) return null;
  const [entries, formulas] = [items, [...drafts.values()]].map(
    (all) => all.filter(isWaiting).length,
  );
  const waiting = [
    entries ? counted(entries, 'entry', 'entries') : [],
    formulas ? counted(formulas, 'formula') : [],
  ].flat();
  return (
    <Row Icon={CloudOff} action={<RowButton onClick={askNow}>Try now</RowButton>}>
      <strong>{AWAY_WORDS[away]}</strong>
      {asking !== undefined && since !== undefined && ` What is shown is from ${moment(since)}.`}
      {waiting.length > 0 &&
        ` ${waiting.join(' and ')} saved on this device; sent when the server is back.`}
    </Row>
  );
}

/** The server refused something: it is set aside until the person has looked at it. */
function NotSavedRow() {
  const { items, drafts } = useOutbox();
  const { pathname } = useLocation();
  const count = [...items, ...drafts.values()].filter((each) => !isWaiting(each)).length;
  if (count === 0 || pathname === '/not-saved') return null;
  return (
    <Row
      Icon={TriangleAlert}
      action={
        <Link to="/not-saved" className="btn btn-sm min-h-[44px] shrink-0">
          Look
        </Link>
      }
    >
      <strong>The server did not take {counted(count, 'entry', 'entries')}.</strong> Saved on this
      device.
    </Row>
  );
}

/** The browser keeps nothing, or no more: what that means for what is typed now. */
function StorageRow() {
  const keeps = useBrowserKeeps();
  if (keeps === 'everything') return null;
  return (
    <Row Icon={HardDrive}>
      <strong>
        {keeps === 'nothing'
          ? 'This browser saves nothing for this page.'
          : 'The storage of this browser is full.'}
      </strong>{' '}
      What the server has not taken yet is lost when the page is closed.
    </Row>
  );
}

const understood = browserStore<boolean>({
  key: 'kettle.no-offline-copy',
  parse: (json) => (typeof json === 'boolean' ? json : undefined),
  otherwise: () => false,
});

/** Without a service worker the app does not open while the server is away: said once. */
function NoOfflineCopyRow() {
  const isUnderstood = understood.use();
  if ('serviceWorker' in navigator || isUnderstood) return null;
  return (
    <Row
      Icon={HardDrive}
      action={<RowButton onClick={() => understood.set(true)}>Understood</RowButton>}
    >
      At this address the browser saves no offline copy: while the server does not answer, do not
      reload or close this page. Over https, or on the server’s own machine, it does.
    </Row>
  );
}

/** The difference the person has been told of, ms. */
const told = browserStore<number>({
  key: 'kettle.clock-told',
  parse: (json) => (typeof json === 'number' ? json : undefined),
  otherwise: () => 0,
});

/** The clock of this device is wrong: said once for each difference. */
function ClockRow() {
  const difference_ms = useClockDifference();
  const told_ms = told.use();
  if (difference_ms === 0 || isSameClock(told_ms, difference_ms)) return null;
  return (
    <Row
      Icon={Clock}
      action={<RowButton onClick={() => told.set(difference_ms)}>Understood</RowButton>}
    >
      <strong>{clockWords(difference_ms)}</strong> Times are corrected here; set the clock of this
      device right.
    </Row>
  );
}

/** What is wrong with the server, the browser or the clock. Silent when all is well. */
export function StatusRows() {
  return (
    <div className="sticky top-0 z-20 print:hidden">
      <OfflineRow />
      <NotSavedRow />
      <StorageRow />
      <NoOfflineCopyRow />
      <ClockRow />
    </div>
  );
}
