/** Short words that lead from a food to what is said of it, by what may follow them. */
const words = {
  /** A part that is left on, or a second food. */
  with: 'with, including, incl, inc, include, plus',
  /** A part that is not in it. */
  without: 'no, without, minus, excluding, not',
  /** A part that is taken out, or put by. */
  takeOut: 'reserve, reserving, keep, keeping, save, saving, discard, discarding, remove, removing',
  /** What fruit is taken from, after which "from" names a part: "stripped from the stalks". */
  takenFrom: 'stripped, picked, plucked, pulled, removed, separated',
  /** A tool. */
  using: 'with, using, in, on, through, by',
  /** How it is cut. */
  into: 'in, into, to',
  /** What a tin is filled up with. */
  tinnedIn: 'in, with',
  /** Where it is kept or was bought. */
  comingFrom: 'from, in, out of, off',
  from: 'from',
  /** What it is for. */
  purpose: 'for, to, as',
  /** A time. */
  lasting: 'for, about, at least, in',
  /** Between two numbers. */
  range: 'to, or, and',
  /** A number of a note or a step. */
  reference:
    'note, notes, tip, tips, step, page, photo, no, see note, see notes, see tip, see tips, see step, see page',
  /** Washed before, "dried" is dry outside. */
  washed: 'washed, rinsed, wiped, scrubbed, cleaned',
  or: 'or',
  dried: 'dried',
  /** Denials that put another food in its place, or leave it out. */
  replacing: 'instead of, rather than, except, excluding, exclude, omit, neither, nor',
} as const;
export type Link = keyof typeof words;

export const LINKS = Object.fromEntries(
  Object.entries(words).map(([link, list]) => [link, new Set(list.split(', '))]),
) as unknown as Readonly<Record<Link, ReadonlySet<string>>>;

/** What is left when one denies it; anything else that is denied is asked about. */
export const DENIED: Readonly<Record<string, readonly string[]>> = {
  ripe: ['under', 'ripe'],
  'too ripe': [],
  'very ripe': [],
  'quite ripe': ['under', 'ripe'],
  'fully ripe': ['under', 'ripe'],
  'over ripe': [],
  overripe: [],
  pitted: ['as', 'bought'],
  stoned: ['as', 'bought'],
};

/** Words that choose between two rows, as fresh and bottled lemon juice: "or" between them is asked. */
export const ROW_WORDS: ReadonlySet<string> = new Set(
  'fresh, freshly, bottled, dried, dry, white, red, black, sweet, sour, tart'.split(', '),
);

/** Words of preparation that are long enough to be known with a slip: "choped", "peled". */
export const KNOWN_WITH_A_SLIP: readonly string[] =
  'chopped, peeled, sliced, crushed, washed, hulled, pitted, stoned, grated, mashed, trimmed, halved, quartered, diced, finely, roughly, frozen, thinly, strained, unsalted, granulated, squeezed, medium, large, small, optional'.split(
    ', ',
  );
