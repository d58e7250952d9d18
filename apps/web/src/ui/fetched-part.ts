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

/**
 * A part of a screen whose code is fetched when it is first drawn. With the network away it is asked
 * for until it arrives; the screen around it stays, and shows the fallback of its Suspense.
 */
export const fetchedPart = <Props extends object>(
  fetchIt: () => Promise<{ default: ComponentType<Props> }>,
): LazyExoticComponent<ComponentType<Props>> => lazy(() => untilFetched(fetchIt));
