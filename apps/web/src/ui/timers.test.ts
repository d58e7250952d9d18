import { removeTimer, startTimer, timersNow } from './timers.js';

test('timers stay until they are deleted, the soonest first', () => {
  startTimer({ id: 'b', name: 'jars', endsAt: 5000 });
  startTimer({ id: 'a', name: 'rest', endsAt: 1000 });
  expect(timersNow().map(({ name }) => name)).toEqual(['rest', 'jars']);
  removeTimer('a');
  expect(timersNow().map(({ name }) => name)).toEqual(['jars']);
  removeTimer('b');
  expect(timersNow()).toEqual([]);
});
