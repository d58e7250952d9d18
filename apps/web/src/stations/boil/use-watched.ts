import type { Asked, WatchedBoil } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useForecast } from '../../batch/use-forecast.js';

/**
 * The forecast of the boil on the bench, worked out beside the page; undefined while there is none.
 */
export function useWatched(): WatchedBoil | undefined {
  const { boil, document } = useBatch();
  return useForecast(boil, document);
}

/** The same boil with another question than its finish; undefined until it is answered. */
export function useAsked(asked: Asked): WatchedBoil | undefined {
  const { boil, document } = useBatch();
  return useForecast(boil, document, asked);
}
