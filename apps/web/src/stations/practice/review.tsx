import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import {
  MOST_POINTS_FOR,
  SCORE_PARTS,
  type ChoiceCost,
  type FinishError,
  type PracticeMode,
  type PracticeReview,
} from '@idle-kettle/core';
import { today } from '../../data/clock.js';
import { newId } from '../../data/ids.js';
import { removeRun, saveRun, setPlayer, usePlayer, usePracticeRuns } from '../../data/practice.js';
import { clock } from '../../ui/now.js';
import { useFormats } from '../../ui/preferences.js';
import { counted } from '../../ui/sentence.js';
import { useDrawnParts } from '../../ui/use-drawn-parts.js';
import { Curves } from './curves.js';
import type { PracticeGame } from './practice-game.js';
import { practiceWorker } from './practice-worker.js';
import { anySeed, seedWords } from './seeds.js';
import { CHOICE_WORDS, MODE_WORDS, PART_WORDS, storageSentence } from './words.js';

/** A run that is over, worked out beside the page. */
function useReview({ scenario, seed, run, hasSeenForecast }: PracticeGame) {
  const mode: PracticeMode = hasSeenForecast ? 'forecast' : 'eye';
  const [review, setReview] = useState<PracticeReview>();
  useEffect(() => {
    void practiceWorker().reviewRun(scenario, seed, run.actions, mode).then(setReview);
  }, [scenario, seed, run, mode]);
  return { review, mode };
}

/** The result: points, the curve, what each choice cost, what to try next. */
export function Review({ game }: { readonly game: PracticeGame }) {
  const { review, mode } = useReview(game);
  if (!review)
    return (
      <p role="status" className="py-10 text-center text-soft">
        Playing it again to see what each choice did…
      </p>
    );
  return <Reviewed game={game} review={review} mode={mode} />;
}

interface ReviewedProps {
  readonly game: PracticeGame;
  readonly review: PracticeReview;
  readonly mode: PracticeMode;
}

/** The sections of a review; they are much to draw at once. */
const SECTIONS = 7;

function Reviewed({ game, review, mode }: ReviewedProps) {
  const { result, costs, medals, signs } = review;
  const drawn = useDrawnParts(SECTIONS);
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_380px]">
      <div className="flex min-w-0 flex-col gap-4">
        <section aria-label="Result" className="panel p-5">
          <h2 className="display text-[40px] leading-none">{result.score} of 100</h2>
          <p className="text-lg text-soft">{MODE_WORDS[mode]}</p>
          <Points review={review} />
          <p className="mt-2">{storageSentence(result)}</p>
        </section>
        {drawn > 1 && (
          <section aria-label="Your curve" className="panel p-5">
            <h2 className="text-xl">Your curve, beside the best one</h2>
            <Curves {...review} />
          </section>
        )}
        {drawn > 2 && <SignsSeen signs={signs} />}
        {drawn > 3 && <Costs costs={costs} finish={result.finish} />}
      </div>
      <div className="flex flex-col gap-4">
        {drawn > 4 && <TryNext game={game} dearest={costs[0]} />}
        {drawn > 5 && <Medals medals={medals} />}
        {drawn > 6 && <SavedRun game={game} review={review} mode={mode} />}
      </div>
    </div>
  );
}

interface CostsProps {
  readonly costs: readonly ChoiceCost[];
  readonly finish: FinishError;
}

function Costs({ costs, finish }: CostsProps) {
  return (
    <section aria-label="What each choice cost" className="panel p-5">
      <h2 className="text-xl">What each choice cost</h2>
      <p className="text-soft">
        Your run, played again with this one thing done as well as it could be.
      </p>
      {costs.length === 0 && <p className="mt-2">No choice cost a point.</p>}
      <ul className="mt-1">
        {costs.map((cost) => (
          <Cost key={cost.aspect} cost={cost} finish={finish} />
        ))}
      </ul>
    </section>
  );
}

interface TryNextProps {
  readonly game: PracticeGame;
  /** What cost most, where anything did. */
  readonly dearest: ChoiceCost | undefined;
}

function TryNext({ game, dearest }: TryNextProps) {
  return (
    <section aria-label="One thing to try next" className="panel p-5">
      <h2 className="text-xl">One thing to try next</h2>
      <p>{dearest?.tryNext ?? 'Try the next pan, or this one by eye.'}</p>
      <p className="mt-2 text-soft">{game.scenario.learn}</p>
      <p className="mt-3 flex flex-wrap gap-2">
        <Link to={`?pan=${game.seed}&go=${newId()}`} replace className="btn btn-primary">
          The same pan again
        </Link>
        <Link to={`?pan=${anySeed()}`} className="btn">
          Another pan
        </Link>
      </p>
    </section>
  );
}

function Points({ review: { result, best } }: { readonly review: PracticeReview }) {
  return (
    <table className="mt-3 w-full max-w-xl">
      <thead className="sr-only">
        <tr>
          <th>For</th>
          <th>Yours</th>
          <th>The best cook of this pan</th>
        </tr>
      </thead>
      <tbody>
        {SCORE_PARTS.map((part) => (
          <tr key={part} className="border-b border-line">
            <th scope="row" className="py-1.5 text-left font-normal">
              {PART_WORDS[part]}
            </th>
            <td className="text-right font-semibold">
              {result.points[part].toFixed(0)} of {MOST_POINTS_FOR[part]}
            </td>
            <td className="pl-4 text-right text-sm text-soft">
              best {best.points[part].toFixed(0)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The signs of this pan as they came, and what a maker takes from each. */
function SignsSeen({ signs }: Pick<PracticeReview, 'signs'>) {
  return (
    <section aria-label="What to look for" className="panel p-5">
      <h2 className="text-xl">What to look for</h2>
      <p className="text-soft">The signs of this pan, when they came, and what they mean.</p>
      <ul className="mt-1">
        {signs.map(({ time_s, sign }) => (
          <li
            key={sign.code}
            className="grid grid-cols-[4.5rem_1fr] gap-x-3 border-b border-line py-1.5 last:border-0"
          >
            <span className="text-soft">{clock(time_s * 1000)}</span>
            <span>
              <strong>{sign.says}</strong>: {sign.means}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** "+0.6 jars"; undefined where it is next to nothing. */
function difference(
  value: number,
  least: number,
  places: number,
  unit: string,
): string | undefined {
  if (Math.abs(value) < least) return undefined;
  return `${value > 0 ? '+' : '−'}${Math.abs(value).toFixed(places)} ${unit}`;
}

/** How far from its finish it was stopped, in words. */
function finishWords({ unit, by }: FinishError, kelvin: (k: number) => string): string {
  const side = by < 0 ? 'short of' : 'past';
  switch (unit) {
    case 'K':
      return `${kelvin(Math.abs(by))} ${side} where it should stop`;
    case 'minutes':
      return `${Math.abs(by).toFixed(1)} min ${by < 0 ? 'short of' : 'over'} its time at the boil`;
    case 'percent':
      return `${Math.abs(by).toFixed(0)} % ${side} the concentration wanted`;
  }
}

function Cost({ cost, finish }: { readonly cost: ChoiceCost; readonly finish: FinishError }) {
  const formats = useFormats();
  const with_ = [
    difference(cost.jars, 0.05, 1, 'jars'),
    difference(cost.firmness, 0.05, 2, 'firmness'),
    difference(cost.minutes, 0.5, 0, 'min'),
  ].filter((each) => each !== undefined);
  return (
    <li className="border-b border-line py-2 last:border-0">
      <p className="flex justify-between gap-3">
        <strong>{CHOICE_WORDS[cost.aspect]}</strong>
        <span className="whitespace-nowrap">{counted(cost.points, 'point')}</span>
      </p>
      {cost.aspect === 'finish' && <p>{finishWords(finish, formats.difference)}.</p>}
      {with_.length > 0 && <p className="text-soft">Done well: {with_.join(', ')}.</p>}
    </li>
  );
}

function Medals({ medals }: Pick<PracticeReview, 'medals'>) {
  return (
    <section aria-label="Medals" className="panel p-5">
      <h2 className="text-xl">Medals</h2>
      {medals.length === 0 && <p className="text-soft">None this time.</p>}
      <ul>
        {medals.map(({ code, title, why }) => (
          <li key={code} className="flex gap-3 py-1.5">
            <span aria-hidden="true" className="text-2xl leading-tight text-secondary">
              ✶
            </span>
            <span>
              <strong>{title}</strong>
              <br />
              <span className="text-soft">{why}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The run is saved for whoever cooked, beside what others made of the same pan. */
function SavedRun({ game, review, mode }: ReviewedProps) {
  const player = usePlayer();
  const [id] = useState(newId);
  const [name, setName] = useState(player);
  const [isSaved, setSaved] = useState(false);
  const hasBegun = useRef(false);
  const save = (who: string): void => {
    setPlayer(who);
    setSaved(true);
    void saveRun({
      id,
      player: who,
      scenario: game.scenario.id,
      seed: game.seed,
      mode,
      score: review.result.score,
      medals: review.medals.map(({ code }) => code),
      at: today().toISOString(),
    });
  };
  useEffect(() => {
    // Who is known cooks on: nothing has to be typed again.
    if (hasBegun.current || player === '') return;
    hasBegun.current = true;
    save(player);
  });
  const remove = async (): Promise<void> => {
    try {
      await removeRun(id);
      setSaved(false);
    } catch {
      toast.error('The server does not answer; the run is still in the list');
    }
  };
  return (
    <section aria-label="Saved for" className="panel p-5">
      <h2 className="text-xl">Saved for</h2>
      {isSaved ? (
        <p className="flex flex-wrap items-center gap-3">
          <strong>{name}</strong>
          <button type="button" className="btn btn-sm min-h-[44px]" onClick={() => void remove()}>
            Delete this run
          </button>
        </p>
      ) : (
        <form
          className="flex flex-wrap gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') save(name.trim());
          }}
        >
          <input
            className="input"
            aria-label="Your name"
            placeholder="your name"
            maxLength={40}
            value={name}
            onChange={({ target }) => setName(target.value)}
          />
          <button type="submit" className="btn btn-secondary" disabled={name.trim() === ''}>
            Save
          </button>
        </form>
      )}
      <SamePan game={game} />
    </section>
  );
}

/** Who cooked this very pan, and how. */
function SamePan({ game: { scenario, seed } }: { readonly game: PracticeGame }) {
  const runs = usePracticeRuns().filter((run) => run.scenario === scenario.id && run.seed === seed);
  return (
    <>
      <h3 className="mt-3">Pan {seedWords(seed)}</h3>
      <p className="text-sm text-soft">Whoever opens the same address cooks the same pan.</p>
      <ul>
        {runs.map(({ id, player, score, mode }) => (
          <li key={id} className="flex justify-between border-b border-line py-1.5">
            <span>{player}</span>
            <span>
              {score}, {MODE_WORDS[mode]}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
