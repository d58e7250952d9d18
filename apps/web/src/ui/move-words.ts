import type { MoveReason } from '@idle-kettle/contract';

/** Why jars came or went. */
export const MOVE_WORDS: Readonly<Record<MoveReason, string>> = {
  put: 'put on the shelf',
  eaten: 'eaten',
  given: 'given away',
  discarded: 'thrown away',
  remade: 'cooked again',
  counted: 'by the count',
  moved: 'moved',
};
