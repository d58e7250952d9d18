/** A screen one can go to by its name. */
interface Screen {
  readonly to: string;
  readonly name: string;
  /** Other words somebody may look for. */
  readonly also?: string;
}

/** Every screen outside a batch, the most used first. */
export const SCREENS: readonly Screen[] = [
  { to: '/', name: 'Today', also: 'stove home' },
  { to: '/quick', name: 'Quick', also: 'recipe paste answer' },
  { to: '/formulas', name: 'Formulas', also: 'recipes starters' },
  { to: '/logbook', name: 'Logbook', also: 'batches history diary' },
  { to: '/shelf', name: 'Shelf', also: 'jars stock pantry' },
  {
    to: '/tables/stop',
    name: 'Where to stop',
    also: 'table altitude setting gel point temperature',
  },
  { to: '/tables/minutes', name: 'Processing minutes', also: 'table canner altitude time' },
  { to: '/tables/fruit', name: 'Fruit table', also: 'acid ph pectin season loss cup' },
  { to: '/tables/convert', name: 'Convert', also: 'table cups grams ounces spoons' },
  { to: '/tables/sugars', name: 'Sugars and pectins', also: 'table honey swap sweetener' },
  { to: '/tables/cautions', name: 'Cautions', also: 'table burns allergens botulism safety glass' },
  { to: '/tables/jars', name: 'Jars and headspace', also: 'table sizes ounces canner' },
  { to: '/practice', name: 'Practice', also: 'learn train simulate pan play game' },
  {
    to: '/rescue',
    name: 'Rescue',
    also: 'did not set runny loose stiff weeping mould spoiled failed',
  },
  { to: '/shopping', name: 'Shopping list', also: 'buy sugar pectin lids costs' },
  { to: '/shelf/labels', name: 'Labels', also: 'print sheet roll jars' },
  { to: '/shelf/year', name: 'The year', also: 'season plan shopping' },
  { to: '/glossary', name: 'Glossary', also: 'words terms help explain' },
  { to: '/kitchen/place', name: 'Place and units', also: 'altitude kitchen pressure settings' },
  { to: '/kitchen/thermometers', name: 'Thermometers', also: 'kitchen calibrate' },
  { to: '/kitchen/pans', name: 'Pans and burners', also: 'kitchen stove cooker' },
  { to: '/kitchen/jars', name: 'Jars and canners', also: 'kitchen stock lids' },
  { to: '/kitchen/pectin', name: 'Pectin', also: 'kitchen box grade' },
  { to: '/kitchen/instruments', name: 'Instruments', also: 'kitchen probe scale refractometer' },
  { to: '/kitchen/learned', name: 'Learned from your boils', also: 'kitchen learning' },
  { to: '/kitchen/data', name: 'Your data', also: 'kitchen export import backup book calendar' },
  { to: '/kitchen/tables', name: 'Check sheet', also: 'kitchen process tables' },
  { to: '/notices', name: 'Made with', also: 'licences notices libraries fonts typefaces about' },
  { to: '/kitchen/screen', name: 'Keys and theme', also: 'kitchen shortcuts night day' },
];
