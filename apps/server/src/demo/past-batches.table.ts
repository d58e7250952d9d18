import { emptyFormula, type EventBodies, type FormulaDocument } from '@idle-kettle/core';

/*
 * Two years of an invented household: amounts, dates, people and shows are made up.
 */

const lines = (
  ...of: readonly (readonly [amount: string, ingredient: string])[]
): FormulaDocument['lines'] => of.map(([amount, ingredient]) => ({ amount, ingredient }));

/** Formulas of the household's own, beside the starters. */
export const OWN_FORMULAS: readonly FormulaDocument[] = [
  {
    ...emptyFormula('Rhubarb and strawberry jam', '340-g'),
    lines: lines(
      ['1.1 kg', 'rhubarb'],
      ['700 g', 'strawberry'],
      ['300 g', 'tart-apple'],
      ['1.5 kg', 'white-sugar'],
      ['60 ml', 'lemon-juice-bottled'],
    ),
  },
  {
    ...emptyFormula('Plum jam', '454-g'),
    lines: lines(['2.3 kg', 'plum'], ['250 ml', 'water'], ['1.8 kg', 'white-sugar']),
  },
  {
    ...emptyFormula('Crab apple jelly', '190-ml'),
    kind: 'jelly',
    lines: [
      { amount: '1.4 l', ingredient: 'crab-apple', form: 'juice' },
      { amount: '1.05 kg', ingredient: 'white-sugar' },
    ],
  },
  {
    ...emptyFormula('Tomato and ginger jam', '250-ml'),
    notes: 'For the fridge: tomatoes are too near the limit for the shelf.',
    lines: lines(
      ['1.5 kg', 'tomato'],
      ['400 g', 'tart-apple'],
      ['950 g', 'white-sugar'],
      ['25 g', 'ginger'],
    ),
  },
];

type Shown = Omit<EventBodies['shown'], 'on'> & { readonly daysAfter: number };

/** A batch of the last two years and what became of it. */
export interface PastBatch {
  /** Title of its formula. */
  readonly formula: string;
  /** When it was made: the last such day before now, and so many years before that. */
  readonly on: readonly [yearsBefore: 0 | 1, month: number, day: number];
  readonly note: string;
  readonly place: string;
  /** Full jars that are left of it. */
  readonly left: number;
  /** What came of it, as a share of what was forecast. @default 1 */
  readonly came?: number;
  readonly failed?: readonly number[];
  readonly given?: readonly (readonly [whom: string, count: number])[];
  /** Why what was left was thrown away. */
  readonly thrown?: string;
  readonly score?: readonly [set: number, taste: number];
  readonly judged?: EventBodies['judged'];
  readonly shown?: Shown;
  /** A picture drawn for the demo, in this colour. */
  readonly photo?: readonly [note: string, colour: string];
}

const SPRING = 'Lower valley spring fair';
const AUTUMN = 'Hill villages’ autumn table';

/** The oldest first. */
// prettier-ignore
export const PAST_BATCHES: readonly PastBatch[] = [
  { formula: 'Bitter orange marmalade', on: [1, 1, 24], place: 'Cellar', left: 0, came: 0.95, score: [1, 3], note: 'Peel too thick, and boiled a little long.' },
  { formula: 'Light grapefruit marmalade', on: [1, 2, 8], place: 'Cellar', left: 0, score: [-1, 3], note: 'A little loose: stir the pectin into the sugar better.' },
  { formula: 'Passion fruit and apple jam', on: [1, 3, 15], place: 'Larder, top', left: 0, given: [['Ines', 3]], score: [0, 5], note: 'The seeds stay crisp.' },
  { formula: 'Rhubarb and strawberry jam', on: [1, 5, 11], place: 'Larder, top', left: 0, came: 1.08, score: [-2, 4], note: 'Did not set: the old thermometer read a degree high. Eaten over pancakes.' },
  { formula: 'Gooseberry jam, jam sugar', on: [1, 6, 20], place: 'Larder, top', left: 0, score: [0, 4], note: 'Quick, and a good green.' },
  { formula: 'Gooseberry jelly, powdered pectin', on: [1, 6, 29], place: 'Larder, top', left: 0, score: [-1, 3], note: 'Lumps of pectin: it went in after the sugar.' },
  { formula: 'Redcurrant jelly', on: [1, 7, 6], place: 'Cellar', left: 1, given: [['the neighbours', 2]], score: [0, 5], note: 'Dripped overnight, not squeezed.', judged: { headspace: 8, jar: 9, clarity: 10, colour: 10, set: 9, flavour: 9 }, shown: { show: AUTUMN, class: 'Clear jellies', result: 'first', daysAfter: 82 } },
  { formula: 'Blackcurrant jam', on: [1, 7, 9], place: 'Cellar', left: 0, score: [1, 4], note: 'Skins a little tough: soften longer.' },
  { formula: 'Sour cherry jam, powdered pectin', on: [1, 7, 14], place: 'Larder, top', left: 0, score: [0, 4], note: 'Foam skimmed once, off the heat.' },
  { formula: 'Apricot jam with vanilla', on: [1, 7, 22], place: 'Larder, top', left: 0, came: 0.93, score: [1, 2], note: 'Caught on the base while the telephone rang: it tastes of it.' },
  { formula: 'Light apricot jam', on: [1, 7, 30], place: 'Cellar', left: 0, score: [0, 4], note: 'Opened jars are gone in a week.' },
  { formula: 'Blackcurrant syrup', on: [1, 8, 12], place: 'Cellar', left: 0, score: [0, 5], note: 'For the winter.' },
  { formula: 'Plum jam', on: [1, 8, 24], place: 'Cellar', left: 1, came: 1.03, score: [0, 4], note: 'The stones counted out again: forty-one.' },
  { formula: 'Damson jam', on: [1, 9, 9], place: 'Cellar', left: 0, given: [['Ines', 1], ['the school fête', 2]], score: [0, 5], note: 'The tree behind the barn.' },
  { formula: 'Crab apple jelly', on: [1, 9, 20], place: 'Cellar', left: 0, failed: [3], score: [0, 4], note: 'One lid up: a seed on the rim.' },
  { formula: 'Pear and ginger jam, liquid pectin', on: [1, 10, 3], place: 'Larder, top', left: 0, score: [-1, 4], note: 'Softer than last time.' },
  { formula: 'Pear butter', on: [1, 10, 11], place: 'Larder, top', left: 0, failed: [2, 5], score: [0, 5], note: 'Filled too cool: two lids did not seal.' },
  { formula: 'Quince conserve with ginger', on: [1, 10, 25], place: 'Cellar', left: 0, given: [['Tomas', 2]], score: [0, 5], note: 'Red by the third hour.' },
  { formula: 'Quince butter', on: [1, 11, 2], place: 'Larder, top', left: 0, score: [1, 4], note: 'Very thick.' },
  { formula: 'Cranberry and quince sauce', on: [1, 11, 15], place: 'Cellar', left: 0, score: [0, 4], note: 'For the roast.' },
  { formula: 'Redcurrant and red wine jelly', on: [1, 12, 5], place: 'Cellar', left: 2, given: [['Ines', 2], ['Tomas', 2]], score: [0, 5], note: 'Presents.' },
  { formula: 'Bitter orange marmalade', on: [0, 1, 19], place: 'Cellar', left: 1, came: 1.02, given: [['the neighbours', 1]], score: [0, 5], note: 'Peel by hand, two millimetres.', judged: { headspace: 10, jar: 9, clarity: 9, colour: 9, set: 9, flavour: 10 }, shown: { show: SPRING, class: 'Marmalades', result: 'first', daysAfter: 74 }, photo: ['The prize jar', '#c4560d'] },
  { formula: 'Light grapefruit marmalade', on: [0, 2, 16], place: 'Cellar', left: 1, score: [0, 4], note: 'Set this time.' },
  { formula: 'Passion fruit curd', on: [0, 3, 10], place: 'Fridge', left: 0, score: [0, 5], note: 'Whisked all the way, sieved.' },
  { formula: 'Passion fruit curd', on: [0, 3, 24], place: 'Fridge', left: 0, thrown: 'it had curdled: too hot, too fast', note: 'Curdled at 82 °C: lower heat, and watch the last five degrees.' },
  { formula: 'Rhubarb and strawberry jam', on: [0, 5, 3], place: 'Larder, top', left: 2, score: [0, 4], note: 'Checked the thermometer first. It set.' },
  { formula: 'Gooseberry jam, jam sugar', on: [0, 6, 18], place: 'Larder, top', left: 2, score: [0, 4], note: 'Four minutes by the clock.' },
  { formula: 'Redcurrant jelly', on: [0, 7, 4], place: 'Cellar', left: 3, given: [['Ines', 1]], score: [0, 5], note: 'The bushes by the wall.' },
  { formula: 'Blackcurrant jam', on: [0, 7, 7], place: 'Cellar', left: 2, score: [0, 5], note: 'Softened twenty minutes before the sugar.' },
  { formula: 'Sour cherry jam, powdered pectin', on: [0, 7, 11], place: 'Larder, top', left: 2, score: [0, 5], note: 'Butter against the foam.' },
  { formula: 'Apricot jam with vanilla', on: [0, 7, 19], place: 'Larder, top', left: 2, came: 0.97, score: [0, 5], note: 'The wide pan, and nobody called.' },
  { formula: 'Light apricot jam', on: [0, 7, 26], place: 'Cellar', left: 3, score: [-1, 4], note: 'Soft, good on yoghurt.' },
  { formula: 'Blackcurrant syrup', on: [0, 8, 8], place: 'Cellar', left: 4, score: [0, 5], note: 'Six bottles would be better than jars.' },
  { formula: 'Plum jam', on: [0, 8, 20], place: 'Cellar', left: 5, score: [0, 4], note: 'It boiled over: the steel pan was too small.' },
  { formula: 'Tomato and ginger jam', on: [0, 8, 30], place: 'Fridge', left: 0, score: [0, 3], note: 'For the cheese.' },
  { formula: 'Damson jam', on: [0, 9, 6], place: 'Cellar', left: 6, given: [['the neighbours', 1]], score: [0, 5], note: 'Stones skimmed as they rose.', photo: ['Dark, and clear at the edge', '#5b2a55'] },
  { formula: 'Crab apple jelly', on: [0, 9, 27], place: 'Cellar', left: 5, score: [0, 5], note: 'Rosy.', judged: { headspace: 9, jar: 9, clarity: 10, colour: 10, set: 10, flavour: 9 }, shown: { show: AUTUMN, class: 'Clear jellies', result: 'first', daysAfter: 5 } },
  { formula: 'Pear and ginger jam, liquid pectin', on: [0, 10, 9], place: 'Larder, top', left: 5, score: [0, 4], note: 'One more pouch than last year.' },
  { formula: 'Quince conserve with ginger', on: [0, 10, 18], place: 'Cellar', left: 4, score: [0, 5], note: 'The tree bore forty kilos.' },
  { formula: 'Quince butter', on: [0, 10, 25], place: 'Larder, top', left: 4, failed: [1], score: [0, 4], note: 'Oven, lid ajar.' },
];
