import { useCallback, useState } from 'react';
import { Link } from 'react-router';
import type { Deed, PracticeScenario } from '@idle-kettle/core';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { Page } from '../../ui/page.js';
import { useFormats } from '../../ui/preferences.js';
import { shortcutTarget } from '../../ui/shortcuts.js';
import { useTheme } from '../../ui/theme.js';
import { AfterTheHeat } from './after-the-heat.js';
import { HeatChoice, LidChoice, Looking, OnTheTable } from './deeds.js';
import { ForecastPanel } from './forecast-panel.js';
import { PanPicture } from './pan-picture.js';
import { Plate } from './plate.js';
import type { PracticeView } from './practice-game.js';
import { Review } from './review.js';
import { seedWords } from './seeds.js';
import { SignsList } from './signs-list.js';
import { TimeControls } from './time-controls.js';
import { useGame } from './use-game.js';
import { LEVEL_WORDS, NOTICE_WORDS } from './words.js';

interface PlayProps {
  readonly scenario: PracticeScenario;
  readonly seed: number;
  readonly fruit: string | undefined;
}

/** A practice pan, from the cold stove to the jars and what came of it. */
export function Play({ scenario, seed, fruit }: PlayProps) {
  const { game, view } = useGame(scenario, seed);
  const theme = useTheme();
  const { act } = game;
  return (
    <div style={fruitStyle(fruit, theme)}>
      <Page
        title={scenario.title}
        isWide
        lead={`${LEVEL_WORDS[scenario.level]} · pan ${seedWords(seed)}: the same number is the same pan`}
        actions={
          <Link to="/practice" className="btn">
            All practice pans
          </Link>
        }
      >
        {view.phase === 'over' ? (
          <Review game={game} />
        ) : (
          <div className="grid items-start gap-4 xl:grid-cols-[minmax(0,1fr)_380px]">
            <div className="flex min-w-0 flex-col gap-4">
              <Told scenario={scenario} view={view} />
              <NoticeRow view={view} />
              <section className="panel p-4">
                <TimeControls
                  time_s={view.time_s}
                  speed={view.speed}
                  isGentle={view.isGentle && view.phase === 'stove'}
                  onSpeed={game.setSpeed}
                  onSkip={game.skip}
                />
              </section>
              {(view.phase === 'stove' || view.phase === 'rest') && (
                <Stove view={view} scenario={scenario} onAct={act} />
              )}
              <AfterTheHeat view={view} onAct={act} />
            </div>
            <ForecastPanel scenario={scenario} view={view} onShow={game.showForecast} onAct={act} />
          </div>
        )}
      </Page>
    </div>
  );
}

/** What the cook is told before, and what the card says. */
function Told({
  scenario,
  view,
}: {
  readonly scenario: PracticeScenario;
  readonly view: PracticeView;
}) {
  const formats = useFormats();
  const begun = view.time_s > 0;
  const hours = scenario.cardMinutes >= 120;
  return (
    <details className="panel px-4 py-3" open={!begun || undefined}>
      <summary className="min-h-[28px] cursor-pointer text-lg font-semibold">The story</summary>
      <p className="mt-1 max-w-prose">{scenario.story}</p>
      <p className="mt-1 text-soft">
        {formats.altitude(scenario.altitude_m)}. The card says:{' '}
        {hours
          ? `${(scenario.cardMinutes / 60).toFixed(0)} hours`
          : `${scenario.cardMinutes} minutes`}
        , all in all.
      </p>
    </details>
  );
}

/** The last thing that happened by itself. */
function NoticeRow({ view: { notices, items } }: { readonly view: PracticeView }) {
  const last = notices.at(-1);
  const item = items.find(({ index }) => index === last?.item);
  return (
    <div role="status" aria-live="assertive" className={last ? '' : 'sr-only'}>
      {last && (
        <p className="rounded-[14px] border-2 border-secondary bg-base-100 px-4 py-2 text-lg">
          {NOTICE_WORDS[last.code]} {item?.text}
        </p>
      )}
    </div>
  );
}

interface StoveProps {
  readonly view: PracticeView;
  readonly scenario: PracticeScenario;
  readonly onAct: (deed: Deed) => void;
}

function Stove({ view, scenario, onAct }: StoveProps) {
  const isOnStove = view.phase === 'stove';
  const canCook = view.lid === 'on';
  return (
    <section
      aria-label="At the pan"
      className="panel grid gap-5 p-4 lg:grid-cols-[300px_minmax(0,1fr)]"
    >
      <div>
        <PanPicture
          heat={view.heat}
          hasPower={view.hasPower}
          fill={view.fill}
          foam={view.foam}
          boilsBy={view.boilsBy}
          thickness={view.thickness}
          darkness={view.darkness}
          isSteaming={view.isSteaming}
          signs={view.signs}
          isLidded={canCook}
        />
        <SignsList signs={view.signs} />
      </div>
      <div className="flex min-w-0 flex-col gap-4">
        {isOnStove && <HeatChoice heat={view.heat} isGentle={view.isGentle} onAct={onAct} />}
        {isOnStove && view.isGentle && <LidChoice lid={view.lid} onAct={onAct} />}
        <OnTheTable items={view.items} isOpen onAct={onAct} />
        <div className="flex flex-wrap items-center gap-3">
          <button
            type="button"
            className="btn btn-secondary h-14 px-7 text-lg"
            onClick={() => onAct({ type: 'stir' })}
            {...shortcutTarget('stir')}
          >
            Stir
          </button>
          <p className="text-soft">Last stirred {minutesAgo(view.stirred_s)}.</p>
        </div>
        <Looking
          lastReading_C={view.lastReading_C}
          lastWeighing_kg={view.lastWeighing_kg}
          checkedIn_C={view.checkedIn_C}
          timed_s={view.timed_s}
          isTimed={isOnStove && scenario.formula.finish.type === 'hard-boil'}
          isOpen
          onAct={onAct}
        />
        <Plate
          onPlate_s={view.onPlate_s}
          shows={view.plateShows}
          last={view.lastTest}
          canTake={isOnStove}
          onAct={onAct}
        />
        {isOnStove && (
          <div className="mt-2 border-t border-line pt-4">
            <FinishButton onAct={onAct} begun={view.time_s > 0} />
          </div>
        )}
      </div>
    </section>
  );
}

const minutesAgo = (seconds: number): string => {
  if (seconds < 60) return 'just now';
  const minutes = Math.floor(seconds / 60);
  return minutes === 1 ? 'a minute ago' : `${minutes} minutes ago`;
};

/** Off the heat for good. */
function FinishButton({
  onAct,
  begun,
}: {
  readonly onAct: (deed: Deed) => void;
  readonly begun: boolean;
}) {
  const finish = useCallback(() => onAct({ type: 'finish' }), [onAct]);
  const [asked, setAsked] = useState(false);
  if (!asked)
    return (
      <button
        type="button"
        className="btn btn-primary h-14 px-7 text-lg"
        disabled={!begun}
        onClick={() => setAsked(true)}
      >
        Finish cooking
      </button>
    );
  return (
    <div role="group" aria-label="Finish cooking" className="flex flex-wrap items-center gap-3">
      <p>Off the heat for good? The pan does not go back on.</p>
      <button type="button" className="btn btn-primary h-14 px-6" onClick={finish}>
        Yes, it is done
      </button>
      <button type="button" className="btn h-14 px-6" onClick={() => setAsked(false)}>
        Cook on
      </button>
    </div>
  );
}
