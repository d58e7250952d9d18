import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import type { PracticeRunView } from '@idle-kettle/contract';
import {
  firstFruit,
  MEDALS,
  PRACTICE_MODES,
  readScenario,
  SCENARIOS,
  type PracticeScenario,
  type Problem,
} from '@idle-kettle/core';
import { ApiProblem, request } from '../../data/api.js';
import { newId } from '../../data/ids.js';
import { setPlayer, useOwnScenarios, usePlayer, usePracticeRuns } from '../../data/practice.js';
import { keys, queryClient, useBatches } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { Notice } from '../../ui/notice.js';
import { Page } from '../../ui/page.js';
import { saveFile } from '../../ui/save-file.js';
import { useTheme } from '../../ui/theme.js';
import { LEVEL_WORDS, MODE_WORDS } from './words.js';

/** Pans to practise with, and how far one has come. */
export function Practice() {
  const player = usePlayer();
  const runs = usePracticeRuns();
  const mine = runs.filter((run) => run.player === player);
  return (
    <Page
      title="Practice"
      lead="A simulated pan: learn the setting point before the fruit is in yours. Nothing here is logged, and no jar is counted."
    >
      <Who runs={runs} />
      <Medals runs={mine} />
      <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
        {SCENARIOS.map((scenario) => (
          <ScenarioCard key={scenario.id} scenario={scenario} runs={mine} />
        ))}
      </ul>
      <OwnScenarios runs={mine} />
      <FromBatches />
    </Page>
  );
}

/** Who cooks: every name that is known, or another. */
function Who({ runs }: { readonly runs: readonly PracticeRunView[] }) {
  const player = usePlayer();
  const known = [
    ...new Set([...runs.map((run) => run.player), ...(player ? [player] : [])]),
  ].sort();
  const [typed, setTyped] = useState('');
  return (
    <section aria-label="Who cooks" className="mb-4 flex flex-wrap items-end gap-3">
      {known.length > 0 && (
        <label className="flex flex-col gap-1 text-sm text-soft">
          Who cooks
          <select
            className="select text-base-content"
            value={player}
            onChange={({ target }) => setPlayer(target.value)}
          >
            <option value="">nobody yet</option>
            {known.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
      )}
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() === '') return;
          setPlayer(typed.trim());
          setTyped('');
        }}
      >
        <label className="flex flex-col gap-1 text-sm text-soft">
          {known.length > 0 ? 'Somebody new' : 'Who cooks'}
          <input
            className="input text-base-content"
            maxLength={40}
            placeholder="name"
            value={typed}
            onChange={({ target }) => setTyped(target.value)}
          />
        </label>
        <button type="submit" className="btn" disabled={typed.trim() === ''}>
          Cook as this person
        </button>
      </form>
    </section>
  );
}

/** The medals somebody has, and those still to be had. */
function Medals({ runs }: { readonly runs: readonly PracticeRunView[] }) {
  const earned = new Set(runs.flatMap(({ medals }) => medals));
  return (
    <details className="panel mb-4 px-4 py-3">
      <summary className="min-h-[28px] cursor-pointer text-lg">
        Medals: {MEDALS.filter(({ code }) => earned.has(code)).length} of {MEDALS.length}
      </summary>
      <ul className="mt-1 grid gap-x-6 sm:grid-cols-2">
        {MEDALS.map(({ code, title, why }) => (
          <li key={code} className="py-1">
            <strong>{title}</strong>
            {earned.has(code) ? ' (earned)' : ''}: <span className="text-soft">{why}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

interface ScenarioCardProps {
  readonly scenario: PracticeScenario;
  readonly runs: readonly PracticeRunView[];
}

/** The best score of each kind. */
function bestWords(runs: readonly PracticeRunView[]): string {
  const words = PRACTICE_MODES.flatMap((mode) => {
    const scores = runs.filter((run) => run.mode === mode).map(({ score }) => score);
    return scores.length > 0 ? [`best ${MODE_WORDS[mode]} ${Math.max(...scores)}`] : [];
  });
  return words.length > 0 ? words.join(', ') : 'not cooked yet';
}

function ScenarioCard({ scenario, runs }: ScenarioCardProps) {
  const theme = useTheme();
  const own = runs.filter((run) => run.scenario === scenario.id);
  return (
    <li
      className="panel flex flex-col overflow-hidden"
      style={fruitStyle(firstFruit(scenario.formula), theme)}
    >
      <div aria-hidden="true" className="h-2" style={{ background: 'var(--fruit)' }} />
      <div className="flex flex-1 flex-col gap-1 p-4">
        <p className="flex items-baseline justify-between gap-3">
          <Link
            to={`/practice/${scenario.id}`}
            className="display text-[22px] leading-tight underline-offset-4 hover:underline"
          >
            {scenario.title}
          </Link>
          <span className="text-sm text-soft">{LEVEL_WORDS[scenario.level]}</span>
        </p>
        <p className="line-clamp-3 text-soft">{scenario.story}</p>
        <p className="mt-auto flex items-center justify-between gap-3 pt-2 text-sm text-soft">
          {bestWords(own)}
          <Link
            to={`/practice/${scenario.id}`}
            className="btn btn-secondary"
            aria-label={`Cook: ${scenario.title}`}
          >
            Cook
          </Link>
        </p>
      </div>
    </li>
  );
}

/** A pan as a file. */
const saveScenario = (scenario: PracticeScenario): void =>
  saveFile(`${scenario.id}.practice.json`, 'application/json', JSON.stringify(scenario, null, 2));

type Import = { readonly name: string; readonly problems: readonly Problem[] };

/** Pans of one's own: written, or given by somebody. */
function OwnScenarios({ runs }: { readonly runs: readonly PracticeRunView[] }) {
  const { data: own = [] } = useOwnScenarios();
  const chooser = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<Import>();
  const take = async (file: File): Promise<void> => {
    setRefused(undefined);
    const problems = await takeIn(await file.text());
    if (problems.length > 0) setRefused({ name: file.name, problems });
  };
  const remove = async (id: string): Promise<void> => {
    await request('DELETE', `/practice/scenarios/${id}`);
    await queryClient.invalidateQueries({ queryKey: keys.practiceScenarios });
  };
  return (
    <section aria-label="Pans of your own" className="mt-6">
      <h2 className="text-2xl">Pans of your own</h2>
      <p className="text-soft">
        A pan is a file anybody can write: save one of those above, change it, bring it in.
      </p>
      {own.length > 0 && (
        <ul className="mt-2 grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
          {own.map(({ id, document }) => (
            <div key={id} className="contents">
              <ScenarioCard scenario={document} runs={runs} />
              <li className="flex items-center gap-2 sm:col-span-1">
                <button type="button" className="btn" onClick={() => saveScenario(document)}>
                  Save as a file
                </button>
                <button type="button" className="btn" onClick={() => void remove(id)}>
                  Delete
                </button>
              </li>
            </div>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <input
          ref={chooser}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          tabIndex={-1}
          aria-label="File of a practice pan"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) void take(file);
          }}
        />
        <button type="button" className="btn" onClick={() => chooser.current?.click()}>
          Bring in a pan
        </button>
        <SaveOne />
      </div>
      {refused && (
        <div className="mt-3">
          <Notice title={`${refused.name} is no practice pan yet`} tone="care">
            <ul>
              {refused.problems.map(({ path, message }) => (
                <li key={path + message}>
                  {path !== '' && <strong>{path}: </strong>}
                  {message}
                </li>
              ))}
            </ul>
          </Notice>
        </div>
      )}
    </section>
  );
}

/** Takes a text in as a pan. @returns what is wrong with it; nothing where it was taken */
async function takeIn(text: string): Promise<readonly Problem[]> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return [{ path: '', message: 'it is not JSON: choose a file of a practice pan' }];
  }
  const reading = readScenario(json);
  if (!reading.ok) return reading.problems;
  try {
    await request('PUT', `/practice/scenarios/${newId()}`, { document: reading.scenario });
    await queryClient.invalidateQueries({ queryKey: keys.practiceScenarios });
    toast.success(`${reading.scenario.title}: ready to cook`);
    return [];
  } catch (error) {
    if (!(error instanceof ApiProblem))
      return [{ path: '', message: 'the server does not answer; nothing was saved' }];
    return error.problem.errors ?? [{ path: '', message: error.message }];
  }
}

/** One of the pans that ship, as a file to begin with. */
function SaveOne() {
  return (
    <select
      aria-label="Save a pan as a file"
      className="select w-auto"
      value=""
      onChange={({ target }) => {
        const found = SCENARIOS.find(({ id }) => id === target.value);
        if (found) saveScenario(found);
      }}
    >
      <option value="">Save a pan as a file…</option>
      {SCENARIOS.map(({ id, title }) => (
        <option key={id} value={id}>
          {title}
        </option>
      ))}
    </select>
  );
}

/** At most so many batches to cook again. */
const BATCHES_SHOWN = 6;

/** Batches of one's own, as pans. */
function FromBatches() {
  const done = (useBatches().data ?? [])
    .filter(({ phase }) => phase === 'done')
    .slice(0, BATCHES_SHOWN);
  const navigate = useNavigate();
  if (done.length === 0) return null;
  return (
    <section aria-label="Your batches" className="mt-6">
      <h2 className="text-2xl">Your batches, once more</h2>
      <p className="text-soft">The same amounts and burner as that day; cook it again, better.</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {done.map(({ id, title }) => (
          <button
            key={id}
            type="button"
            className="btn h-auto min-h-[44px] py-2"
            onClick={() => void navigate(`/practice/again/${id}`)}
          >
            {title === '' ? 'Unnamed batch' : title}
          </button>
        ))}
      </div>
    </section>
  );
}
