import type { News } from '@idle-kettle/contract';
import { get } from './api.js';
import { setLive } from './refetch-interval.js';
import { forgetCursors, keys, queryClient } from './queries.js';
import { hasJars } from './shelf.js';

/** A stream the server refused is asked for again after this. */
const AGAIN_MS = 3000;

const KEY_OF: Readonly<Partial<Record<News['of'], readonly (readonly string[])[]>>> = {
  kitchens: [keys.kitchens, keys.lessons],
  formulas: [keys.formulas, ['formula-versions']],
  prepared_weights: [keys.prepared, keys.lessons],
  shelf_lots: [keys.shelf, keys.batches],
  shelf_moves: [keys.shelf],
  frozen_fruit: [keys.freezer],
  practice_runs: [keys.practiceRuns],
  practice_scenarios: [keys.practiceScenarios],
  boil_lessons: [keys.lessons],
  batch_photos: [['photos']],
  instruments: [keys.instruments],
  instrument_places: [keys.instruments],
};

/** Probes speak every second; the list of batches need not be asked for as often. */
const LIST_EVERY_MS = 2000;
let listDue: ReturnType<typeof setTimeout> | undefined;
const toldOf = new Set<string>();
const askForList = (batch: string): void => {
  toldOf.add(batch);
  listDue ??= setTimeout(() => {
    listDue = undefined;
    void queryClient.invalidateQueries({ queryKey: keys.batches });
    if ([...toldOf].some(hasJars)) void queryClient.invalidateQueries({ queryKey: keys.shelf });
    toldOf.clear();
  }, LIST_EVERY_MS);
};

function take({ of, batch }: News): void {
  if (of === 'everything') {
    forgetCursors();
    void queryClient.invalidateQueries();
  }
  for (const queryKey of KEY_OF[of] ?? []) void queryClient.invalidateQueries({ queryKey });
  if (batch === null || (of !== 'batches' && of !== 'batch_events')) return;
  void queryClient.invalidateQueries({
    queryKey: of === 'batches' ? keys.batch(batch) : keys.events(batch),
  });
  if (of === 'batch_events') askForList(batch);
  else void queryClient.invalidateQueries({ queryKey: keys.batches });
}

let wasCutOff = false;

/**
 * Hears from the server what other devices changed. It comes back by itself; until then lists are
 * asked for as before.
 */
export function startLive(): void {
  const source = new EventSource('/api/live');
  source.onopen = () => {
    setLive(true);
    // What was told in between was told to nobody.
    if (wasCutOff) take({ of: 'everything', batch: null });
    wasCutOff = false;
  };
  source.onmessage = ({ data }: MessageEvent<string>) => take(JSON.parse(data) as News);
  source.onerror = () => {
    setLive(false);
    // Whether it is the stream or the server that is away shows at once.
    if (!wasCutOff) void get('/health').catch(() => undefined);
    wasCutOff = true;
    if (source.readyState !== EventSource.CLOSED) return;
    source.close();
    setTimeout(startLive, AGAIN_MS);
  };
}
