import { wrap, type Remote } from 'comlink';
import type { Adjust } from '../workers/adjust.worker.js';

let worker: Remote<Adjust> | undefined;

/** Changes of a formula, tried beside the page; one worker for all who ask. */
export const adjust = (): Remote<Adjust> =>
  (worker ??= wrap<Adjust>(
    new Worker(new URL('../workers/adjust.worker.ts', import.meta.url), { type: 'module' }),
  ));
