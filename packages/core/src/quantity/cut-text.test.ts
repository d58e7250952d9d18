import * as fc from 'fast-check';
import { cutText } from './cut-text.js';

test.each([
  ['damson', 10, 'damson'],
  ['damson', 3, 'dam'],
  ['ab😀', 3, 'ab'],
  ['ab😀', 4, 'ab😀'],
  // A letter and its accent, a family joined to one picture, a flag of two letters.
  ['cre\u0300me', 3, 'cr'],
  ['x👩‍👩‍👧y', 5, 'x'],
  ['🇦🇹🇨🇭', 5, '🇦🇹'],
])('%s at %i is %s', (text, most, cut) => expect(cutText(text, most)).toBe(cut));

test('never longer than asked, never inside a character, always the beginning', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), fc.nat(40), (text, most) => {
      const cut = cutText(text, most);
      expect(cut.length).toBeLessThanOrEqual(most);
      expect(text.startsWith(cut)).toBe(true);
      expect(/\p{Surrogate}/u.test(cut)).toBe(false);
    }),
  );
});
