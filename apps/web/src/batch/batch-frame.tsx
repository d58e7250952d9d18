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
import { Loading, Page } from '../ui/page.js';
import { useTitle } from '../ui/title.js';
import { Answers } from './answers.js';
import { BatchContext, useBatch, type BenchBatch } from './batch-context.js';
import { BringBack } from './bring-back.js';
import { Rail } from './rail.js';
import { useDocument } from './use-document.js';
import { useSimulatedStove } from './use-simulated-stove.js';
import { METHOD_WORDS, stopWords } from './words.js';
import { now } from '../data/clock.js';
import { isoDay } from '../data/iso-day.js';
import { useKitchens } from '../data/kitchens.js';

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
  const kitchens = useKitchens();
  // Without its place it would show another temperature, and other minutes, for a moment.
  const isPlaceComing = kitchens.isPending && kitchens.fetchStatus === 'fetching';
  const boil = useMemo(() => boilFrom(events), [events]);
  const [today] = useState(() => isoDay(now()));
  const jarsPutAway = useLotsOf(batchId).lots.length > 0;
  const made = useMemo(() => {
    if (!document) return undefined;
    const on = boil.endedAt === undefined ? today : isoDay(boil.endedAt);
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
          lead="The server does not answer. What you logged is saved on this device."
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
  if (isPlaceComing) return <Loading />;
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
        <div className="min-w-0 px-4 py-2 sm:px-6 sm:py-3">
          <Header />
          <Rail />
          <Conflict />
          {/* Where the panel is below, it stays below the fold however short the station is. */}
          <div className="mt-2 sm:mt-3 max-xl:min-h-dvh">
            <Outlet />
          </div>
        </div>
        <Answers />
      </div>
    </BatchContext>
  );
}

/** The stations in the title of the tab. */
const STATION_NAMES: Readonly<Record<string, string>> = {
  fruit: 'Fruit',
  balance: 'Balance',
  plan: 'Plan',
  boil: 'Boil',
  jar: 'Jar',
  shelf: 'Shelf',
  labels: 'Labels',
};

const TITLE_HINT = 'Name this batch';

function Header() {
  const { document, formula, balance, change } = useBatch();
  const formats = useFormats();
  const { altitude_m } = formula.place;
  const station = STATION_NAMES[useLocation().pathname.split('/').at(-1) ?? ''];
  useTitle([document.title === '' ? 'Batch' : document.title, station].filter(Boolean).join(': '));
  const atBoil = useLocation().pathname.endsWith('/boil');
  const stop = balance && stopWords(formula, balance, formats);
  const meta = [
    METHOD_WORDS[document.method],
    altitude_m !== undefined ? formats.altitude(altitude_m) : 'altitude not entered',
  ];
  return (
    <header className="flex flex-wrap items-baseline gap-x-4 sm:mb-2">
      <h1 className="max-w-full shrink-0 text-[27px] sm:text-[34px]">
        {/* The hidden text gives the field its width; the browser's own sizing measures display
           faces short. */}
        <span className="-ml-2 inline-grid max-w-[calc(100%+8px)]">
          <span
            aria-hidden="true"
            className="invisible col-start-1 row-start-1 min-h-[44px] overflow-hidden px-3 break-words whitespace-pre-wrap"
          >
            {document.title === '' ? TITLE_HINT : document.title}
          </span>
          <textarea
            aria-label="Name of the batch"
            value={document.title}
            placeholder={TITLE_HINT}
            rows={1}
            maxLength={120}
            onChange={({ target }) =>
              change('title', (was) => ({ ...was, title: target.value.replace(/\n/g, ' ') }))
            }
            onKeyDown={(event) => {
              if (event.key === 'Enter') event.preventDefault();
            }}
            className="col-start-1 row-start-1 block h-full w-full min-w-0 resize-none overflow-hidden rounded-lg border border-transparent bg-transparent px-2 hover:border-line"
          />
        </span>
      </h1>
      <p className={`text-soft ${atBoil ? 'max-sm:hidden' : ''}`}>
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
              Save mine
            </button>
            <button type="button" className="btn" onClick={() => void outbox.settle(id, 'theirs')}>
              Use the other one
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
