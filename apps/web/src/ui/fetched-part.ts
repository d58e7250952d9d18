import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/** A part that did not arrive is asked for again after so long, ms. */
const AGAIN_AFTER_MS = 3000;

/** Asks again until it arrives; never fails. */
export async function untilFetched<T>(fetchIt: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await fetchIt();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER_MS));
    }
  }
}

/** A screen that does not arrive is asked for again after each of these, ms; then it has failed. */
const SCREEN_AGAIN_AFTER_MS = [300, 1000, 2000, 3000] as const;

/**
 * The code of a screen: a network that is away for a moment is no reason to fail it. One that is not
 * there at all, as after an update, fails, so that the page can be loaded anew.
 */
export async function fetchedScreen<T>(fetchIt: () => Promise<T>): Promise<T> {
  for (const wait_ms of SCREEN_AGAIN_AFTER_MS)
    try {
      return await fetchIt();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, wait_ms));
    }
  return fetchIt();
}

/**
 * A part of a screen whose code is fetched when it is first drawn. With the network away it is asked
 * for until it arrives; the screen around it stays, and shows the fallback of its Suspense.
 */
export const fetchedPart = <Props extends object>(
  fetchIt: () => Promise<{ default: ComponentType<Props> }>,
): LazyExoticComponent<ComponentType<Props>> => lazy(() => untilFetched(fetchIt));
