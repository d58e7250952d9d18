import * as fc from 'fast-check';
import { jarsAfter, jarsFilled, type JarTally } from './jar-tally.js';
import type { EventBodies } from './boil-events.js';

const EMPTY: JarTally = new Map();
type Body = EventBodies['jarred'];
/** The jars after events with ids 1, 2, 3 and on. */
const after = (...bodies: readonly Body[]): JarTally =>
  bodies.reduce((tally, body, i) => jarsAfter(tally, `e${i + 1}`, body), EMPTY);
const tap = (id: string, size = '340-g', full = 1): Body => ({
  jars: [{ size, full, part: 0, added: [id] }],
});

test('three taps here and four there are seven, whatever each device saw', () => {
  const here = ['a1', 'a2', 'a3'].map((id, i) => tap(id, '340-g', i + 1));
  const there = ['b1', 'b2', 'b3', 'b4'].map((id, i) => tap(id, '340-g', i + 1));
  const mixed = [here[0], there[0], there[1], here[1], here[2], there[2], there[3]] as Body[];
  expect(jarsFilled(after(...mixed))).toEqual([{ size: '340-g', full: 7, part: 0 }]);
});

test('one taken away is that one, and the other sizes stay', () => {
  const less: Body = { jars: [{ size: '340-g', full: 0, part: 0, removed: ['a1'] }] };
  expect(jarsFilled(after(tap('a1'), tap('b1', 'pint'), less, less))).toEqual([
    { size: 'pint', full: 1, part: 0 },
  ]);
});

test('a count in all replaces what was counted; a tap goes on from it', () => {
  const all: Body = { jars: [{ size: 'pint', full: 3, part: 0.5, net_g: 480 }] };
  expect(jarsFilled(after(tap('a1'), all))).toEqual(all.jars);
  const more: Body = { jars: [{ size: 'pint', full: 4, part: 0.5, net_g: 480, added: ['p4'] }] };
  const tally = after(all, more);
  expect(tally.get('pint')?.ids).toEqual(['e1/pint/1', 'e1/pint/2', 'e1/pint/3', 'p4']);
});

test('a part jar is no full one', () => {
  const part: Body = { jars: [{ size: 'pint', full: 0, part: 0.25, added: [] }] };
  expect(jarsFilled(after(tap('a1'), part))).toEqual([
    { size: '340-g', full: 1, part: 0 },
    { size: 'pint', full: 0, part: 0.25 },
  ]);
});

test('taps come to the same sum in any order', () => {
  const taps = fc.uniqueArray(fc.uuid(), { maxLength: 12 }).map((ids) => ids.map((id) => tap(id)));
  fc.assert(
    fc.property(taps, fc.infiniteStream(fc.nat()), (bodies, order) => {
      const keyed = bodies.map((body) => ({ body, key: order.next().value }));
      const shuffled = keyed.sort((a, b) => a.key - b.key).map(({ body }) => body);
      expect(after(...shuffled).get('340-g')?.ids.length ?? 0).toBe(bodies.length);
    }),
  );
});
