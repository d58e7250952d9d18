import { get } from './api.js';
import { outbox } from './outbox.js';
import { onReachability } from './reachability.js';
import { forgetCursors, queryClient } from './queries.js';

/** While the server is away it is asked so often whether it is back, ms. */
const ASK_MS = 4000;

/** Asks whether the server is back: to read from it, and to send what waits. */
export function askNow(): void {
  outbox.hurry();
  void get('/health').catch(() => undefined);
}

/** Asks for everything anew once the server is back, also on a screen that asks for nothing. */
export function watchServer(): void {
  let timer: ReturnType<typeof setInterval> | undefined;
  onReachability(({ away }) => {
    if (away !== undefined) {
      timer ??= setInterval(() => void get('/health').catch(() => undefined), ASK_MS);
      return;
    }
    if (timer === undefined) return;
    clearInterval(timer);
    timer = undefined;
    forgetCursors();
    void queryClient.invalidateQueries();
  });
}
