import type {
  Aspect,
  PracticeNotice,
  PracticeMode,
  PracticeResult,
  ScenarioLevel,
  ScorePart,
  TestVerdict,
} from '@idle-kettle/core';

export const LEVEL_WORDS: Readonly<Record<ScenarioLevel, string>> = {
  gentle: 'gentle',
  fair: 'fair',
  hard: 'hard',
  cruel: 'cruel',
};
export const MODE_WORDS: Readonly<Record<PracticeMode, string>> = {
  eye: 'by eye',
  forecast: 'with the forecast',
};
export const HEAT_WORDS = ['off', 'low', 'medium', 'high', 'full'] as const;

export const PART_WORDS: Readonly<Record<ScorePart, string>> = {
  set: 'Firmness',
  finish: 'Stopped in time',
  jars: 'Jars',
  taste: 'Taste and looks',
  storage: 'Storage',
};

/** What each choice is called afterwards. */
export const CHOICE_WORDS: Readonly<Record<Aspect, string>> = {
  add: 'What went in, and when',
  heat: 'The heat',
  stir: 'Stirring',
  look: 'Looking',
  finish: 'When you stopped',
  fill: 'Resting and filling',
  storage: 'Where the jars went',
};

/** What is said the moment it happens; a helper's own words are added by what it put in. */
export const NOTICE_WORDS: Readonly<Record<PracticeNotice['code'], string>> = {
  'power-off': 'The power is out: the burner is dark.',
  'power-on': 'The power is back. Turn the heat up again.',
  'helper-added': 'Your helper has put something in:',
  'runs-over': 'It runs over! Turn the heat down.',
  'canner-stopped': 'The canner has stopped boiling.',
  'canner-boils': 'The canner boils again. Restart the timer.',
};

/** How a pushed spoonful looks. */
export const PLATE_WORDS: Readonly<Record<TestVerdict, string>> = {
  runs: 'It runs',
  'slowly closes': 'It closes slowly',
  'holds a line': 'It holds a line',
  wrinkles: 'It wrinkles',
  stiff: 'It is stiff',
};

const STORED_WORDS = { shelf: 'on the shelf', fridge: 'refrigerated', freezer: 'frozen' } as const;
const ALLOWED_WORDS = {
  shelf: 'Processed in full, they could stand on the shelf.',
  fridge: 'They belong in the refrigerator.',
  freezer: 'They belong in the freezer.',
  stop: 'They have to be thrown away, untasted.',
} as const;

/** Where the jars went, beside where they may go. */
export const storageSentence = ({ storedIn, allowed }: PracticeResult): string =>
  storedIn === allowed
    ? `The jars are ${STORED_WORDS[storedIn]}, as this batch allows.`
    : `The jars are ${STORED_WORDS[storedIn]}. ${ALLOWED_WORDS[allowed]}`;
