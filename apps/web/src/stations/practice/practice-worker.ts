import { wrap, type Remote } from 'comlink';
import type { Practice } from '../../workers/practice.worker.js';

let worker: Remote<Practice> | undefined;

/** Forecasts and reviews of practice pans, beside the page. */
export const practiceWorker = (): Remote<Practice> =>
  (worker ??= wrap<Practice>(
    new Worker(new URL('../../workers/practice.worker.ts', import.meta.url), { type: 'module' }),
  ));
