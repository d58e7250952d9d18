import type { MoveView } from '@idle-kettle/contract';

/** A move with whether it was undone, and whether it can be. */
export interface HistoryEntry {
  readonly move: MoveView;
  readonly isUndone: boolean;
  readonly canUndo: boolean;
}

/** What is put back by a later move of the same reason. Jars that were put on the shelf, or moved to another place, are not. */
const CAN_GO_BACK: ReadonlySet<MoveView['reason']> = new Set([
  'eaten',
  'given',
  'discarded',
  'remade',
  'counted',
]);

/**
 * Moves of a lot as its maker sees them: a move and the move that put it back are one
 * entry, struck through.
 * @param moves the latest first
 */
export function historyOf(moves: readonly MoveView[]): readonly HistoryEntry[] {
  const putBack = new Set<string>();
  const undone = new Set<string>();
  // From the latest on: each one that puts back takes the move just before it of its reason.
  for (const [i, later] of moves.entries()) {
    if (!CAN_GO_BACK.has(later.reason) || undone.has(later.id)) continue;
    if (later.reason !== 'counted' && later.change < 0) continue;
    const earlier = moves
      .slice(i + 1)
      .find(
        ({ id, reason, change }) =>
          reason === later.reason && change === -later.change && !undone.has(id),
      );
    if (!earlier) continue;
    putBack.add(later.id);
    undone.add(earlier.id);
  }
  return moves
    .filter(({ id }) => !putBack.has(id))
    .map((move) => ({
      move,
      isUndone: undone.has(move.id),
      canUndo: CAN_GO_BACK.has(move.reason) && !undone.has(move.id),
    }));
}
