import { Redo2, TriangleAlert, Undo2 } from 'lucide-react';
import { memo, useDeferredValue, type ReactNode } from 'react';
import { Link } from 'react-router';
import { asMadeOf, cautionsOf, firstFilledAt } from '@idle-kettle/core';
import { BatchContext, useBatch } from '../../batch/batch-context.js';
import { JarWall } from '../../batch/jar-wall.js';
import { Notice } from '../../ui/notice.js';
import { sentence } from '../../ui/sentence.js';
import { Compare } from './compare.js';
import { GelMap } from './gel-map.js';
import { HowSure } from './how-sure.js';
import { JarSlider } from './jar-slider.js';
import { AfterFilling, JarSizes } from './jar-sizes.js';
import { nameOfLine } from '../../batch/line-edit.js';
import { SaveFormula } from './save-formula.js';
import { Lines } from './lines.js';
import { MakeItFit } from './make-it-fit.js';
import { Stages } from './stages.js';
import { Steering } from './steering.js';
import { KindAndMethod } from './kind-and-method.js';
import { UsualQuestions } from './usual-questions.js';
import { WaysToTheShelf } from './ways-to-the-shelf.js';
import { Tabs } from '../../ui/tabs.js';
import { WhatGoesWhere } from './what-goes-where.js';
import { shortcutTarget, useShortcuts } from '../../ui/shortcuts.js';
import * as dates from '../../ui/dates.js';
import { useGear } from '../../batch/use-gear.js';
import { CostLine } from '../../batch/cost-line.js';
import { useCost } from '../../batch/use-supplies.js';

/** Fruit, sugar, acid and pectin in proportion, and at once what they will give. */
export function Balance() {
  const { boil, undo, redo } = useBatch();
  const filledAt = firstFilledAt(boil);
  useShortcuts({ 'undo-typed': undo, 'redo-typed': redo, 'redo-shift': redo });
  return (
    <>
      {filledAt === undefined && boil.startedAt !== undefined && (
        <p className="mb-3 text-sm text-soft">
          This batch has been on the heat. What you change here changes what is expected; the log of
          the boil stays as it is.
        </p>
      )}
      {filledAt !== undefined && (
        <div className="mb-3">
          <Notice title="Its jars are filled">
            They hold what was in the pan at {dates.time(filledAt)}, with the storage beside. What
            you change here is a new version, for the next batch. What went in or was left out
            belongs in the log, at Boil.
          </Notice>
        </div>
      )}
      <CookedAgain />
      <KindAndMethod />
      <Lines />
      <Stages />
      <FromTheBoil />
      {boil.startedAt === undefined && <MakeItFit />}
      <Cautions />
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-ghost"
          {...shortcutTarget('undo')}
          disabled={!undo}
          onClick={undo}
        >
          <Undo2 aria-hidden="true" className="size-5" /> Undo
        </button>
        <button type="button" className="btn btn-ghost" disabled={!redo} onClick={redo}>
          <Redo2 aria-hidden="true" className="size-5" /> Redo
        </button>
        <SaveFormula />
        <Link to="../plan" className="btn ml-auto">
          Plan it
        </Link>
        <Link to="../boil" className="btn btn-primary" {...shortcutTarget('start')}>
          Start cooking
        </Link>
      </div>
      <Compare />
      <WaysToTheShelf />
      <UsualQuestions />
      <Later>
        <Pictures />
      </Later>
    </>
  );
}

/** Which batch its spread was, where it is one that is cooked again. */
function CookedAgain() {
  const { document } = useBatch();
  const spread = document.lines.find(({ madeOf }) => madeOf?.batch !== undefined);
  if (!spread) return null;
  return (
    <div className="mb-3">
      <Notice title="Cooked again">
        <Link to={`/logbook/${spread.madeOf?.batch ?? ''}`} className="underline">
          The batch it was
        </Link>
        . Only from jars that were sealed until now, or refrigerated in time. Clean hot jars, new
        lids, full processing; and take the jars you open off the shelf. How it stores goes by what
        was in them.
      </Notice>
    </div>
  );
}

/**
 * The batch a moment later: what is typed and what comes of it are shown first, the pictures
 * follow.
 */
function Later({ children }: { readonly children: ReactNode }) {
  return <BatchContext value={useDeferredValue(useBatch())}>{children}</BatchContext>;
}

const Pictures = memo(function Pictures() {
  const { balance, boil, keeping } = useBatch();
  const isGel = balance?.set.model === 'high-methoxyl';
  const tabs = balance
    ? [
        ...(isGel ? [{ name: 'Gel map', shown: <GelMap balance={balance} /> }] : []),
        { name: 'Where the weight goes', shown: <WhatGoesWhere balance={balance} /> },
        ...(boil.startedAt === undefined ? [{ name: 'Steer it', shown: <Steering /> }] : []),
        { name: 'Confidence', shown: <HowSure balance={balance} /> },
      ]
    : [];
  return (
    <div className="mt-4 grid gap-4 lg:grid-cols-2">
      <section aria-label="Jars" className="panel p-4">
        <div className="mb-3 flex items-center justify-between gap-3">
          <h2 className="text-xl">Jar wall</h2>
          {balance && balance.readyJars > 0 && (
            <span className="rounded-full border border-line px-3 py-1 text-sm">
              heat {balance.readyJars} jars
            </span>
          )}
        </div>
        {balance && (
          <div className="mb-4">
            <JarWall balance={balance} verdict={keeping.verdict} />
          </div>
        )}
        <Cost />
        {boil.startedAt === undefined && <JarSlider />}
        <JarSizes />
        <AfterFilling />
      </section>
      {tabs.length > 0 && (
        <div className="panel min-h-[430px] p-3 [&_section.panel]:border-0 [&_section.panel]:p-2">
          <Tabs label="Pictures of the batch" tabs={tabs} />
        </div>
      )}
    </div>
  );
});

/** What a jar costs, where the household gave prices. */
function Cost() {
  const { formula, balance } = useBatch();
  const { gear } = useGear();
  const cost = useCost(formula, balance);
  if (!cost) return null;
  return (
    <div className="mb-3">
      <CostLine cost={cost} currency={gear.currency} />
    </div>
  );
}

/** What the log of the boil added; it counts, but is changed there and not here. */
function FromTheBoil() {
  const { document, asMade } = useBatch();
  const added = asMade.lines.slice(document.lines.length);
  if (added.length === 0) return null;
  return (
    <p className="mt-2 px-2 text-sm text-soft">
      Also in the pan, from the log of the boil:{' '}
      {added.map((line) => `${line.amount} ${nameOfLine(line)}`).join(', ')}.
    </p>
  );
}

const HOT_BLENDING = {
  code: 'hot-blending',
  text: 'blending it hot: vent the lid under a towel, a third full at most, in batches; it splatters',
} as const;

/** What to mind with what is in the pan. */
function Cautions() {
  const { formula } = useBatch();
  const cautions = [
    ...cautionsOf(asMadeOf(formula).lines.map(({ ingredient }) => ingredient)).filter(
      ({ atWork }) => atWork,
    ),
    ...(formula.kind === 'fruit-butter' ? [HOT_BLENDING] : []),
  ];
  if (cautions.length === 0) return null;
  return (
    <ul
      aria-label="Cautions"
      className="mt-2 flex flex-wrap gap-x-5 gap-y-1 px-2 text-sm text-soft"
    >
      {cautions.map(({ code, text }) => (
        <li key={code} className="flex items-center gap-1.5">
          <TriangleAlert aria-hidden="true" className="size-4 shrink-0 text-watch" />
          {sentence(text)}
        </li>
      ))}
    </ul>
  );
}
