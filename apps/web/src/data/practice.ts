import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { PracticeRunView, PracticeScenarioView, SavePracticeRun } from '@idle-kettle/contract';
import { get, request, ApiProblem } from './api.js';
import { browserStore } from './browser-store.js';
import { keys, queryClient } from './queries.js';

/** Who stands at the practice pan in this browser. */
const player = browserStore<string>({
  key: 'kettle.player',
  parse: (json) => (typeof json === 'string' ? json : undefined),
  otherwise: () => '',
});
export const usePlayer = player.use;
export const setPlayer = player.set;

const isRun = (each: unknown): each is PracticeRunView =>
  typeof each === 'object' && each !== null && 'id' in each && 'scenario' in each;

/** Runs that the server has not taken yet. */
const unsent = browserStore<readonly PracticeRunView[]>({
  key: 'kettle.practice-unsent',
  parse: (json) => (Array.isArray(json) ? json.filter(isRun) : undefined),
  otherwise: () => [],
});

async function send({ id, ...run }: PracticeRunView): Promise<void> {
  try {
    await request('PUT', `/practice/runs/${id}`, run satisfies SavePracticeRun);
  } catch (error) {
    // What the server refuses would be refused again; what it did not hear of is sent later.
    if (!(error instanceof ApiProblem)) throw error;
  }
  unsent.set(unsent.get().filter((each) => each.id !== id));
}

/** Keeps a run here at once, and on the server as soon as it answers. */
export async function saveRun(run: PracticeRunView): Promise<void> {
  unsent.set([...unsent.get().filter(({ id }) => id !== run.id), run]);
  await sendUnsent();
}

async function sendUnsent(): Promise<void> {
  try {
    for (const run of unsent.get()) await send(run);
    await queryClient.invalidateQueries({ queryKey: keys.practiceRuns });
  } catch {
    // The server is away: they stay here, and go the next time the list is asked for.
  }
}

/** Takes a run off the list again. @throws ServerAway, ApiProblem as `request` does */
export async function removeRun(id: string): Promise<void> {
  const isHere = unsent.get().some((each) => each.id === id);
  unsent.set(unsent.get().filter((each) => each.id !== id));
  if (!isHere) await request('DELETE', `/practice/runs/${id}`);
  await queryClient.invalidateQueries({ queryKey: keys.practiceRuns });
}

/** Every run of the household, also those the server has not heard of; the earliest first. */
export function usePracticeRuns(): readonly PracticeRunView[] {
  const waiting = unsent.use();
  const { data = [] } = useQuery({
    queryKey: keys.practiceRuns,
    queryFn: async () => {
      if (unsent.get().length > 0) setTimeout(() => void sendUnsent(), 0);
      return get<PracticeRunView[]>('/practice/runs');
    },
  });
  const known = new Set(data.map(({ id }) => id));
  return [...data, ...waiting.filter(({ id }) => !known.has(id))];
}

/** Pans this household wrote or was given. */
export const useOwnScenarios = (): UseQueryResult<PracticeScenarioView[]> =>
  useQuery({
    queryKey: keys.practiceScenarios,
    queryFn: () => get<PracticeScenarioView[]>('/practice/scenarios'),
  });
