import type { Kind } from '../formula/index.js';

/** A sign that a jar has spoiled: it is thrown away without tasting, whatever else is seen. */
export interface SpoilageSign {
  readonly code: 'mould' | 'ferment' | 'moving-bubbles' | 'bulging-lid' | 'spurting';
  readonly text: string;
}

/**
 * Looked for by eye alone: nobody smells or tastes to find out. USDA Complete Guide to Home Canning,
 * Guide 1, from memory.
 */
export const SPOILAGE_SIGNS: readonly SpoilageSign[] = [
  { code: 'mould', text: 'mould, in any colour, or threads in it' },
  { code: 'bulging-lid', text: 'a lid that bulges, or lifted by itself' },
  { code: 'moving-bubbles', text: 'bubbles that rise while the jar stands still' },
  { code: 'spurting', text: 'it spurted or hissed when it was opened' },
  { code: 'ferment', text: 'it foams, or you noticed a smell that is not its own' },
];

/** What to do with jars that show any sign of spoilage. */
export const THROW_AWAY = {
  title: 'Throw it away, do not taste it',
  steps: [
    'Do not open, smell or taste it to find out more. Wear gloves.',
    'Low-acid produce, or a lid that bulged: put the jar, closed, in a bag in the waste. Ask your extension service or food authority first if the jar leaks.',
    'Anything else: bag it, jar and all, out of reach of children and animals.',
    'Wash hands, and everything it touched, with hot soapy water.',
    'Look at every other jar of the batch for the same signs. Do not use up those that look well without knowing why this one spoiled.',
  ],
  source: 'USDA Complete Guide to Home Canning, Guide 1, identifying spoiled food; from memory',
} as const;

/** What can be wrong with a batch that has not spoiled. */
export const SIGN_CODES = [
  'too-loose',
  'too-stiff',
  'thin-butter',
  'curdled',
  'floating-fruit',
  'weeping',
  'crystals',
  'cloudy',
  'bubbles',
  'faded',
  'scorched',
  'boiled-over',
  'not-sealed',
  'too-sour',
  'too-sweet',
] as const;
export type SignCode = (typeof SIGN_CODES)[number];

export interface Sign {
  readonly code: SignCode;
  readonly name: string;
  /** What is seen. */
  readonly text: string;
  /** The kinds it happens to; all of them unless given. */
  readonly kinds?: readonly Kind[];
}

/** What sets by pectin. */
export const GELS: readonly Kind[] = [
  'jam',
  'jelly',
  'marmalade',
  'conserve',
  'jellied-sauce',
  'savoury-jelly',
];
const WITH_PIECES: readonly Kind[] = ['jam', 'marmalade', 'conserve', 'savoury-jelly'];
const CLEAR: readonly Kind[] = ['jelly', 'savoury-jelly', 'syrup'];

/** In the order they are asked for. */
export const SIGNS: readonly Sign[] = [
  { code: 'too-loose', name: 'Too loose', text: 'it runs, or pours off the spoon', kinds: GELS },
  { code: 'too-stiff', name: 'Too stiff', text: 'it tears, or a spoon bends in it' },
  {
    code: 'thin-butter',
    name: 'Thin butter',
    text: 'a ring of water forms on a cold plate',
    kinds: ['fruit-butter'],
  },
  { code: 'curdled', name: 'Curdled', text: 'bits of egg in a thin liquid', kinds: ['curd'] },
  {
    code: 'floating-fruit',
    name: 'Floating fruit',
    text: 'the pieces are on top, clear below',
    kinds: WITH_PIECES,
  },
  { code: 'weeping', name: 'Weeping', text: 'liquid stands on a set spread', kinds: GELS },
  { code: 'crystals', name: 'Crystals', text: 'grains or needles in it' },
  { code: 'cloudy', name: 'Cloudy', text: 'it is not clear', kinds: CLEAR },
  { code: 'bubbles', name: 'Bubbles in it', text: 'they stand still; the lid is down' },
  { code: 'faded', name: 'Faded or dark', text: 'the top has browned or lost its colour' },
  {
    code: 'scorched',
    name: 'Scorched',
    text: 'dark flecks, or a brown layer on the base of the pan',
  },
  { code: 'boiled-over', name: 'Boil-over', text: 'it climbed out of the pan' },
  { code: 'not-sealed', name: 'Not sealed', text: 'a lid gives when pressed' },
  { code: 'too-sour', name: 'Too sour', text: 'sharper than wanted' },
  { code: 'too-sweet', name: 'Too sweet', text: 'flat, only sweet' },
];

/** What can be wrong with a kind of preserve. */
export const signsOf = (kind: Kind): readonly Sign[] =>
  SIGNS.filter(({ kinds }) => kinds === undefined || kinds.includes(kind));
