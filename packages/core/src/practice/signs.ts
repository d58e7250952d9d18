import type { PracticePan } from './practice-pan.js';

/** What a cook sees, hears and smells at a pan. */
export const SENSED = ['bubbles', 'foam', 'sugar', 'colour', 'smell'] as const;
export type Sensed = (typeof SENSED)[number];

/** One sign: when it is there, how it is said, and what a maker takes from it. Common practice, no source. */
interface SignRule {
  readonly code: string;
  readonly applies: (pan: PracticePan) => boolean;
  readonly says: string;
  readonly means: string;
}

/** The first that applies is seen; the last of each always does, and tells nothing. */
const SIGN_RULES: Readonly<Record<Sensed, readonly SignRule[]>> = {
  bubbles: [
    {
      code: 'glossy',
      applies: ({ isBoiling, solids }) => isBoiling && solids > 0.6,
      says: 'slow, large and glossy bubbles',
      means: 'little water is left: test now',
    },
    {
      code: 'rolling',
      applies: ({ isBoiling, boilsBy }) => isBoiling && boilsBy > 0.55,
      says: 'a full rolling boil that stirring does not stop',
      means: 'water leaves fast; a timed boil counts from here',
    },
    {
      code: 'boils',
      applies: ({ isBoiling }) => isBoiling,
      says: 'small bubbles over the whole pan',
      means: 'it boils, not hard yet',
    },
    {
      code: 'shivers',
      applies: ({ pot }) => pot.temperature_C > 80,
      says: 'bubbles at the rim',
      means: 'nearly at the boil',
    },
    { code: 'still', applies: () => true, says: 'still', means: 'it warms' },
  ],
  foam: [
    {
      code: 'over',
      applies: ({ foam }) => foam > 1,
      says: 'foam runs over the rim',
      means: 'heat down at once; what runs over is lost and burns',
    },
    {
      code: 'rim',
      applies: ({ foam }) => foam > 0.85,
      says: 'foam close to the rim',
      means: 'heat down, or a stir, before it runs over',
    },
    {
      code: 'rising',
      applies: ({ foam, fill }) => foam > fill * 1.5,
      says: 'foam stands high',
      means: 'it rises up to three times as high as the fruit stood',
    },
    { code: 'low', applies: () => true, says: 'no foam to speak of', means: 'room enough' },
  ],
  sugar: [
    {
      code: 'grains',
      applies: ({ grains_kg, mass_kg }) => grains_kg > 0.003 * mass_kg,
      says: 'grains on the spoon',
      means: 'sugar is not dissolved yet: stir over low heat before it boils hard',
    },
    { code: 'clear', applies: () => true, says: 'no grains on the spoon', means: 'dissolved' },
  ],
  colour: [
    {
      code: 'brown',
      applies: ({ darkened }) => darkened > 1.1,
      says: 'brown',
      means: 'it has boiled far too long',
    },
    {
      code: 'dark',
      applies: ({ darkened }) => darkened > 0.7,
      says: 'dark',
      means: 'a long boil has cost colour and pectin',
    },
    {
      code: 'deep',
      applies: ({ solids }) => solids > 0.55,
      says: 'deep and clear',
      means: 'much of the water is gone',
    },
    {
      code: 'bright',
      applies: () => true,
      says: 'bright and cloudy',
      means: 'much water is in it',
    },
  ],
  smell: [
    {
      code: 'burnt',
      applies: ({ caught }) => caught > 0.6,
      says: 'burnt',
      means: 'off the heat, do not scrape the base',
    },
    {
      code: 'caramel',
      applies: ({ caught }) => caught > 0.12,
      says: 'a whiff of caramel',
      means: 'it catches on the base: stir, heat down',
    },
    {
      code: 'curdled',
      applies: ({ curdled }) => curdled > 0.15,
      says: 'egg',
      means: 'it curdles: off the heat, into cold water, whisk',
    },
    { code: 'fruit', applies: () => true, says: 'fruit', means: 'all is well' },
  ],
};

/** One sign that is there. */
export interface PanSign {
  readonly of: Sensed;
  readonly code: string;
  readonly says: string;
  readonly means: string;
}

/** Whether a sign tells something: the last of its kind is how a pan begins. */
export const isTelling = ({ of, code }: PanSign): boolean => SIGN_RULES[of].at(-1)?.code !== code;

/** What there is to see, hear and smell now, one of each kind. */
export const signsOfPan = (pan: PracticePan): readonly PanSign[] =>
  SENSED.flatMap((of) => {
    const found = SIGN_RULES[of].find(({ applies }) => applies(pan));
    return found ? [{ of, code: found.code, says: found.says, means: found.means }] : [];
  });
