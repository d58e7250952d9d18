import { removeTimer, ringDue, startTimer } from './timers.js';

test('a timer rings once, and stays until it is put away', () => {
  startTimer({ id: 'a', name: 'rest', endsAt: 1000 });
  startTimer({ id: 'b', name: 'jars', endsAt: 5000 });
  expect(ringDue(500)).toEqual([]);
  expect(ringDue(1000)).toEqual(['rest']);
  expect(ringDue(1500)).toEqual([]);
  removeTimer('a');
  expect(ringDue(6000)).toEqual(['jars']);
  removeTimer('b');
  expect(ringDue(9000)).toEqual([]);
});
