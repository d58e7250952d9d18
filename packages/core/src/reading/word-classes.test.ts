import { HARMLESS, WORD_CLASSES } from './english/word-classes.js';
import { isUnderstood, readLine } from './index.js';

/** Names that are another food, part, strength or amount, one of each kind. */
const POISONED = [
  'rhubarb leaves',
  'peach pits',
  'peaches or bananas',
  'raspberries in cream',
  'plums with walnuts',
  'mouldy plums',
  'diluted lemon juice',
  'imitation cider vinegar',
  'plum jam',
  'vorzim plums',
  'plums 50:50',
  'anything but plums',
] as const;

test.each([...HARMLESS])('no word of the class "%s" hides what is wrong with a line', (name) => {
  const understood = WORD_CLASSES[name].flatMap((phrase) =>
    POISONED.flatMap((poison) =>
      [
        `1 kg ${phrase} ${poison}`,
        `1 kg ${poison}, ${phrase}`,
        `1 kg ${poison} (${phrase})`,
      ].filter((text) => isUnderstood(readLine(text))),
    ),
  );
  expect(understood).toEqual([]);
});

test('a phrase stands once in its class', () => {
  for (const [name, phrases] of Object.entries(WORD_CLASSES))
    expect([name, phrases.length]).toEqual([name, new Set(phrases).size]);
});
