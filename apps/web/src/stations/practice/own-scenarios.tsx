import { useState } from 'react';
import { toast } from 'sonner';
import type { PracticeRunView, PracticeScenarioView } from '@idle-kettle/contract';
import { readScenario, SCENARIOS, type PracticeScenario, type Problem } from '@idle-kettle/core';
import { ApiProblem, request } from '../../data/api.js';
import { newId } from '../../data/ids.js';
import { useOwnScenarios } from '../../data/practice.js';
import { keys, queryClient } from '../../data/queries.js';
import { FileButton } from '../../ui/file-button.js';
import { Notice } from '../../ui/notice.js';
import { saveFile } from '../../ui/save-file.js';
import { ScenarioCard } from './scenario-card.js';

/** A pan as a file. */
const exportScenario = (scenario: PracticeScenario): void =>
  saveFile(`${scenario.id}.practice.json`, 'application/json', JSON.stringify(scenario, null, 2));

type Import = { readonly name: string; readonly problems: readonly Problem[] };

/** Pans of one's own: written, or given by somebody. */
export function OwnScenarios({ runs }: { readonly runs: readonly PracticeRunView[] }) {
  const { data: own = [] } = useOwnScenarios();
  const [refused, setRefused] = useState<Import>();
  const read = async (file: File): Promise<void> => {
    setRefused(undefined);
    const problems = await importScenario(await file.text());
    if (problems.length > 0) setRefused({ name: file.name, problems });
  };
  return (
    <section aria-label="Pans of your own" className="mt-6">
      <h2 className="text-2xl">Pans of your own</h2>
      <p className="text-soft">
        A pan is a file anybody can write: export one of those above, change it, import it.
      </p>
      {own.length > 0 && (
        <ul className="mt-2 grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
          {own.map((each) => (
            <ScenarioCard key={each.id} scenario={each.document} runs={runs}>
              <p className="flex gap-2 pt-1">
                <button type="button" className="btn" onClick={() => exportScenario(each.document)}>
                  Export
                </button>
                <button type="button" className="btn" onClick={() => void removeScenario(each)}>
                  Delete
                </button>
              </p>
            </ScenarioCard>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <FileButton
          label="File of a practice pan"
          accept=".json,application/json"
          onChoose={([file]) => file && void read(file)}
        >
          Import a pan
        </FileButton>
        <ExportOne />
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

/** Deletes a pan of one's own; it can be had back for a while. */
async function removeScenario({ id, document }: PracticeScenarioView): Promise<void> {
  const ask = (): Promise<void> =>
    queryClient.invalidateQueries({ queryKey: keys.practiceScenarios });
  try {
    await request('DELETE', `/practice/scenarios/${id}`);
    await ask();
    toast(`${document.title}: deleted`, {
      action: {
        label: 'Undo',
        onClick: () => void request('PUT', `/practice/scenarios/${id}`, { document }).then(ask),
      },
      duration: 8000,
    });
  } catch {
    toast.error('The server does not answer; nothing was deleted');
  }
}

/** Saves the text of a file as a pan. @returns what is wrong with it; nothing where it was saved */
async function importScenario(text: string): Promise<readonly Problem[]> {
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
function ExportOne() {
  return (
    <select
      aria-label="Export a pan"
      className="select w-auto"
      value=""
      onChange={({ target }) => {
        const found = SCENARIOS.find(({ id }) => id === target.value);
        if (found) exportScenario(found);
      }}
    >
      <option value="">Export a pan…</option>
      {SCENARIOS.map(({ id, title }) => (
        <option key={id} value={id}>
          {title}
        </option>
      ))}
    </select>
  );
}
