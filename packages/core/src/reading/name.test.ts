import {
  displayName,
  INGREDIENTS,
  knownForms,
  namesOf,
  VARIETIES,
  ingredientById,
} from '../produce/index.js';
import { readName, stricterKind } from './index.js';

const idOf = (text: string): string | undefined => {
  const name = readName(text);
  return name.ok ? name.ingredient.id : undefined;
};

test('every word for an ingredient finds it, singular, plural, synonym or id', () => {
  for (const { id, name, synonyms } of INGREDIENTS)
    for (const word of [id.replaceAll('-', ' '), ...name, ...synonyms])
      expect([word, idOf(word)]).toEqual([word, id]);
});

test('every variety is found by what a card calls it', () => {
  for (const { of, name } of VARIETIES) {
    const ingredient = ingredientById(of);
    if (!ingredient) throw new Error(of);
    for (const called of namesOf(ingredient, name))
      expect([called, idOf(called)]).toEqual([called, of]);
  }
});

test.each([
  ['damsons, pitted', 'damson', 'pitted'],
  ['Crushed blackberries', 'blackberry', 'crushed'],
  ['pears, peeled and cored', 'pear', 'peeled-cored'],
  ['juice of redcurrants', 'redcurrant', 'juice'],
  ['quinces (as bought)', 'quince', 'as-bought'],
  ['washed, hulled and quartered strawberries', 'strawberry', 'hulled'],
  ['finely chopped apples', 'apple', 'crushed'],
  ['lemon, sliced', 'lemon', 'sliced'],
  ['canned peaches', 'peach', 'drained'],
])('%s is %s, %s', (text, id, form) => {
  expect(readName(text)).toMatchObject({ ok: true, ingredient: { id }, form });
});

/** Juices, zests and dried fruits that are ingredients of their own. */
const OWN_ROWS =
  /^(?:(?:lemon|apple|orange|grape|cranberry|pineapple|grapefruit|pomegranate)-juice(?:-fresh)?|lemon-zest|dried-.*|raisin|prune|candied-peel|ground-spice)$/;

test('what the screen calls an ingredient in any form is read back', () => {
  for (const ingredient of INGREDIENTS)
    for (const form of knownForms(ingredient)) {
      const called = displayName(ingredient, form);
      const id = idOf(called);
      if (id !== undefined && OWN_ROWS.test(id)) continue;
      expect([called, id]).toEqual([called, ingredient.id]);
    }
});

test.each([
  ['rasberries', 'raspberry'],
  ['blackcurrents', 'blackcurrant'],
  ['black berries', 'blackberry'],
  ['crabapple', 'crab-apple'],
  ['peeches', 'peach'],
  ['vanila extract', 'vanilla'],
  ['choped rhubarb', 'rhubarb'],
])('the slip in "%s" is taken for %s', (text, id) => expect(idOf(text)).toBe(id));

test.each(['custard apple', 'love apple', 'sweet lime', 'white nectarines', 'garden huckleberry'])(
  '"%s" is never the acid fruit of its last word',
  (text) => {
    const name = readName(text);
    expect(name.ok && name.ingredient.acidClass).toBe('low-acid');
  },
);

test.each([
  'moonfruit',
  'strawberry jam',
  'apple butter',
  'lemon curd',
  'melon seedlings',
  'qqqqq',
  'strawberry tree fruit',
])('"%s" is not understood', (text) => expect(readName(text)).toMatchObject({ ok: false }));

test('a name of a maker beside a pectin or sugar says nothing of what it is', () => {
  expect(idOf('Acme Farm powdered pectin')).toBe('pectin-powder');
  expect(idOf('Acme plums')).toBeUndefined();
});

test('a word elsewhere in the line can name another row', () => {
  expect(idOf('peaches (white)')).toBe('white-peach');
  expect(idOf('pears, Asian')).toBe('asian-pear');
  expect(idOf('sour cherries (Morello), stoned')).toBe('sour-cherry');
  expect(idOf('oranges, Seville')).toBe('bitter-orange');
});

test.each([
  ['nectarine', 'white', 'white-nectarine'],
  ['pear', 'Asian (nashi)', 'asian-pear'],
  ['bilberry', 'garden huckleberry', 'garden-huckleberry'],
  ['orange', 'acidless / Vaniglia', 'acidless-orange'],
  ['lemon', 'sweet lemon (limetta)', 'sweet-lemon'],
  ['apple', 'Cox', 'apple'],
  ['fig', 'sour cherry', 'fig'],
])('the variety of %s called "%s" goes by the row of %s', (id, variety, row) => {
  const ingredient = ingredientById(id);
  if (!ingredient) throw new Error(id);
  expect(stricterKind(ingredient, variety).id).toBe(row);
});

test('an unknown name offers the nearest, and nonsense offers help', () => {
  expect(readName('blakcurant jam')).toMatchObject({
    ok: false,
    message: expect.stringContaining('blackcurrant') as string,
  });
  expect(readName('qqqqq')).toMatchObject({ ok: false, guesses: [] });
});

test('what may be meant is offered only where it can be', () => {
  const offered = (text: string): string[] => {
    const name = readName(text);
    return name.ok ? [] : name.guesses.map(({ id }) => id);
  };
  expect(offered('peaches or bananas')).toEqual(['peach', 'banana']);
  expect(offered('peach pits')).toEqual([]);
  expect(offered('rhubarb leaves')).toEqual([]);
  expect(offered('lemon juice, diluted')).toEqual([]);
});
