import type { Measures } from '@idle-kettle/core';

/** Whose cups, spoons and pints, as a person names them. */
export const MEASURES_WORDS: Readonly<Record<Measures, string>> = {
  us: 'US',
  uk: 'British',
  australian: 'Australian',
  metric: 'metric',
};
