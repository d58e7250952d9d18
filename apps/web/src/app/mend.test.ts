import type { OutboxItem } from '../data/store.js';
import { fieldsToMend, mended, valueAt, withValueAt } from './mend.js';

const jarred: OutboxItem = {
  id: 'e1',
  order: 1,
  kind: 'event',
  batchId: 'b1',
  event: {
    id: 'e1',
    type: 'jarred',
    at: '2026-09-12T18:00:00.000Z',
    device: 'bench',
    body: { jars: [{ size: 'bucket', full: 6000, part: 0 }] },
  },
  refused: {
    code: 'not-understood',
    reason: '3 things need mending',
    errors: [
      { path: 'body.jars[0].size', message: 'write a jar size' },
      { path: 'body.jars[0].full', message: 'write at most 1000 jars' },
      { path: 'body.jars[0].lid', message: 'is not known here; leave it out' },
    ],
  },
};

test('what can be typed anew is offered, with the words of the server', () =>
  expect(fieldsToMend(jarred)).toEqual([
    { path: 'body.jars[0].size', value: 'bucket', message: 'write a jar size' },
    { path: 'body.jars[0].full', value: 6000, message: 'write at most 1000 jars' },
  ]));

test('what was typed is in its place, a number as a number; the rest is as it was', () => {
  const next = mended(jarred, new Map([['body.jars[0].full', ' 6 ']]));
  expect(next).toMatchObject({
    event: { body: { jars: [{ size: 'bucket', full: 6, part: 0 }] }, device: 'bench' },
  });
  expect(mended(jarred, new Map([['body.jars[0].full', 'six']]))).toMatchObject({
    event: { body: { jars: [{ full: 'six' }] } },
  });
  expect(jarred.kind === 'event' && valueAt(jarred.event, 'body.jars[0].full')).toBe(6000);
});

test('a path that is not there changes nothing', () =>
  expect(withValueAt({ a: 1 }, 'b.c', 2)).toEqual({ a: 1 }));
