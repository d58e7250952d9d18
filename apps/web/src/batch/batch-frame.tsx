import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { Link, Outlet, useLocation, useParams } from 'react-router';
import {
  boilFrom,
  computeFormula,
  firstFilledAt,
  firstFruit,
  madeBatch,
  type JarsAhead,
  withoutPlace,
} from '@idle-kettle/core';
import { useTheme } from '../ui/theme.js';
import { ApiProblem } from '../data/api.js';
import { outbox } from '../data/outbox.js';
import { useEvents, useOutbox } from '../data/queries.js';
import { useLotsOf } from '../data/shelf.js';
import { fruitStyle } from '../ui/fruit-colour.js';
import { useFormats, usePreferences } from '../ui/preferences.js';
import { Notice } from '../ui/notice.js';
import { Loading, Page, useTitle } from '../ui/page.js';
import { BatchContext, useBatch, type BenchBatch } from './batch-context.js';
import { BringBack } from './bring-back.js';
import { Rail } from './rail.js';
import { STORAGE_WORDS } from './readouts.js';
import { useDocument } from './use-document.js';
import { useSimulatedStove } from './use-simulated-stove.js';
import { VerdictPanel } from './verdict-panel.js';
import { METHOD_WORDS, stopWords } from './words.js';
import { now } from '../data/clock.js';

/** The bench of the batch in the address; another batch is another bench. */
export function BatchFrame() {
  const { batchId = '' } = useParams();
  return <Bench key={batchId} batchId={batchId} />;
}

/** The batch's name, its rail, the open station, and what will come out. */
function Bench({ batchId }: { readonly batchId: string }) {
  const { document, formulaId, belongTo, error, change, undo, redo } = useDocument(batchId);
  const { events, isKnown: isLogKnown } = useEvents(batchId);
  const { kitchen } = usePreferences();
  const boil = useMemo(() => boilFrom(events), [events]);
  const [today] = useState(() => format(now(), 'yyyy-MM-dd'));
  const jarsPutAway = useLotsOf(batchId).lots.length > 0;
  const made = useMemo(() => {
    if (!document) return undefined;
    const on = boil.endedAt === undefined ? today : format(boil.endedAt, 'yyyy-MM-dd');
    return madeBatch(document, boil, kitchen, { on, planned: !jarsPutAway });
  }, [document, boil, kitchen, jarsPutAway, today]);
  // Once jars are filled they keep what was in the pan; Balance shows the formula as it is edited
  // for the next batch, and the jars' own storage.
  const isNext = useLocation().pathname.endsWith('/balance') && firstFilledAt(boil) !== undefined;
  const next = useMemo(
    () => (document && isNext ? computeFormula(withoutPlace(document), kitchen) : undefined),
    [document, isNext, kitchen],
  );
  const [jarsNow, tellJarsNow] = useState<JarsAhead>();
  const theme = useTheme();
  useSimulatedStove(batchId, boil, document, kitchen);

  if (!document || !made) {
    if (error instanceof ApiProblem && error.code === 'removed') {
      return (
        <Page title="This batch was deleted" lead="Somebody deleted it, here or on another device.">
          <div className="flex gap-2">
            <BringBack batchId={batchId} />
            <Link to="/" className="btn">
              Back to today
            </Link>
          </div>
        </Page>
      );
    }
    if (error instanceof ApiProblem && error.code === 'not-found') {
      return (
        <Page title="No such batch" lead="It may have been removed, or the link is incomplete.">
          <Link to="/" className="btn btn-primary">
            Back to today
          </Link>
        </Page>
      );
    }
    if (error) {
      return (
        <Page
          title="The batch cannot be fetched"
          lead="The server does not answer. What you logged on this device is kept."
        >
          <button
            type="button"
            className="btn btn-primary"
            onClick={() => window.location.reload()}
          >
            Try again
          </button>
        </Page>
      );
    }
    return <Loading />;
  }
  const batch: BenchBatch = {
    id: batchId,
    document,
    formulaId,
    belongTo,
    asMade: next ? document : made.document,
    formula: next?.formula ?? made.formula,
    problems: next?.problems ?? made.problems,
    balance: next ? next.balance : made.balance,
    asWeighed: next ? undefined : made.asWeighed,
    jarsNow,
    tellJarsNow,
    keeping: made.keeping,
    events,
    isLogKnown,
    boil,
    change,
    undo,
    redo,
  };
  const fruit = firstFruit(document);
  return (
    <BatchContext value={batch}>
      <div
        style={fruitStyle(fruit, theme)}
        className="xl:grid xl:min-h-dvh xl:grid-cols-[minmax(0,1fr)_316px]"
      >
        <div className="min-w-0 px-4 py-4 sm:px-6">
          <Header />
          <Rail />
          <Conflict />
          <div className="mt-4">
            <Outlet />
          </div>
        </div>
        <div className="border-line xl:border-l xl:bg-base-100">
          {/* In its place however far the station beside it is scrolled. */}
          <div className="xl:sticky xl:top-0 xl:max-h-dvh xl:overflow-y-auto print:static">
            <VerdictPanel />
          </div>
        </div>
        <PhoneStrip />
      </div>
    </BatchContext>
  );
}

const TITLE_HINT = 'Name this batch';

function Header() {
  const { document, formula, balance, change } = useBatch();
  const formats = useFormats();
  const { altitude_m } = formula.place;
  useTitle(document.title === '' ? 'Batch' : document.title);
  const stop = balance && stopWords(formula, balance, formats);
  const meta = [
    METHOD_WORDS[document.method],
    altitude_m !== undefined ? formats.altitude(altitude_m) : 'altitude not stated',
  ];
  return (
    <header className="mb-3 flex flex-wrap items-baseline gap-x-4">
      <h1 className="min-w-0 max-w-full text-3xl sm:text-[34px]">
        {/* The hidden text gives the field its width; the browser's own sizing measures display
           faces short. */}
        <span className="-ml-2 inline-grid max-w-full">
          <span
            aria-hidden="true"
            className="invisible col-start-1 row-start-1 overflow-hidden px-3 whitespace-pre"
          >
            {document.title === '' ? TITLE_HINT : document.title}
          </span>
          <input
            aria-label="Name of the batch"
            value={document.title}
            placeholder={TITLE_HINT}
            size={1}
            maxLength={120}
            onChange={(event) => change('title', (was) => ({ ...was, title: event.target.value }))}
            className="col-start-1 row-start-1 min-h-[44px] w-full min-w-0 rounded-lg border border-transparent bg-transparent px-2 hover:border-line"
          />
        </span>
      </h1>
      <p className="text-soft">
        {meta.join(' · ')}
        {stop && (
          <>
            {` · ${stop.lead} `}
            <strong className="text-base-content">{stop.words}</strong>
          </>
        )}
      </p>
    </header>
  );
}

/** Two devices changed the same formula: nothing is lost until the person chooses. */
function Conflict() {
  const { id } = useBatch();
  const conflict = useOutbox().conflicts.get(id);
  if (!conflict) return null;
  return (
    <div className="mt-4">
      <Notice
        tone="care"
        title="This formula was also changed on another device"
        actions={
          <>
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => void outbox.settle(id, 'mine')}
            >
              Keep what I have here
            </button>
            <button type="button" className="btn" onClick={() => void outbox.settle(id, 'theirs')}>
              Take the other one
            </button>
          </>
        }
      >
        The other one is “{conflict.theirs.document.title}” with{' '}
        {conflict.theirs.document.lines.length} lines. Readings and other entries are not affected.
      </Notice>
    </div>
  );
}

/**
 * On a phone the panel is below the fold, so its three numbers stay at hand. The boil has larger
 * ones of its own.
 */
function PhoneStrip() {
  const { balance, formula, keeping } = useBatch();
  const formats = useFormats();
  const atBoil = useLocation().pathname.endsWith('/boil');
  if (!balance || !keeping || atBoil) return null;
  const stop = stopWords(formula, balance, formats);
  const jars = balance.jars.reduce((sum, jar) => sum + jar.count.mid, 0);
  return (
    <div
      aria-hidden="true"
      className="fixed inset-x-0 bottom-[66px] z-20 flex justify-around border-t border-line bg-base-100 px-2 py-1.5 text-sm md:hidden"
    >
      <span>
        {stop.lead} <strong>{stop.words}</strong>
      </span>
      <span>
        <strong>{jars.toFixed(1)}</strong> jars, <strong>{balance.readyJars}</strong> hot
      </span>
      <span className={keeping.verdict === 'shelf' ? 'text-good' : 'text-watch'}>
        {STORAGE_WORDS[keeping.verdict].word.toLowerCase()}
        {keeping.process && ` ${keeping.process.minutes} min`}
      </span>
    </div>
  );
}
