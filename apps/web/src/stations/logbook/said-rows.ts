import { SET_WORDS } from '../../batch/words.js';
import type { BatchStory } from './use-batch-story.js';
import * as dates from '../../ui/dates.js';

/** What was judged and said of it. */
export const saidRows = ({
  outcome: { tests, notes, score },
}: BatchStory): { readonly name: string; readonly text: string }[] => [
  ...tests.map(({ at, way, verdict }) => ({
    name: `${dates.time(at)}, ${way}`,
    text: verdict,
  })),
  ...notes.map(({ at, text }) => ({ name: dates.dayAndTime(at), text })),
  ...(score
    ? [{ name: 'opened', text: `set ${SET_WORDS[score.set + 2] ?? ''}, taste ${score.taste} of 5` }]
    : []),
];
