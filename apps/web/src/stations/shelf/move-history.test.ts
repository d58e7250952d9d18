import type { MoveView } from '@idle-kettle/contract';
import { historyOf } from './move-history.js';

let made = 0;
const move = (reason: MoveView['reason'], change: number): MoveView => ({
  id: String((made += 1)),
  lotId: 'lot',
  title: 'Damson jam',
  change,
  reason,
  whom: '',
  note: '',
  at: '2026-11-20T10:00:00.000Z',
});
/** Given in the order they happened; the latest comes first. */
const told = (...moves: readonly MoveView[]) =>
  historyOf(moves.toReversed()).map(({ move: { reason, change }, isUndone, canUndo }) => [
    reason,
    change,
    isUndone ? 'undone' : canUndo,
  ]);

test('what was eaten, given or thrown away can be undone, whenever it was; what was put there cannot', () =>
  expect(told(move('put', 8), move('eaten', -1), move('given', -2))).toEqual([
    ['given', -2, true],
    ['eaten', -1, true],
    ['put', 8, false],
  ]));

test('a move and what put it back are one entry', () =>
  expect(told(move('put', 8), move('eaten', -1), move('eaten', 1), move('eaten', -1))).toEqual([
    ['eaten', -1, true],
    ['eaten', -1, 'undone'],
    ['put', 8, false],
  ]));

test('each of two is undone by one of its own', () =>
  expect(told(move('given', -1), move('given', -1), move('given', 1), move('given', 1))).toEqual([
    ['given', -1, 'undone'],
    ['given', -1, 'undone'],
  ]));

test('jars that moved elsewhere are told, not undone here', () =>
  expect(told(move('moved', -1))).toEqual([['moved', -1, false]]));
