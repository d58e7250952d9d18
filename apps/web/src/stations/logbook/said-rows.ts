import { format } from 'date-fns';
import { SET_WORDS } from '../../batch/words.js';
import type { BatchStory } from './use-batch-story.js';

/** What was judged and said of it. */
export const saidRows = ({
  outcome: { tests, notes, score },
}: BatchStory): { readonly name: string; readonly text: string }[] => [
  ...tests.map(({ at, way, verdict }) => ({
    name: `${format(at, 'HH:mm')}, ${way}`,
    text: verdict,
  })),
  ...notes.map(({ at, text }) => ({ name: format(at, 'd MMM, HH:mm'), text })),
  ...(score
    ? [{ name: 'opened', text: `set ${SET_WORDS[score.set + 2] ?? ''}, taste ${score.taste} of 5` }]
    : []),
];
