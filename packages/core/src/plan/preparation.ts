import { isProduce, type Form } from '../produce/index.js';
import type { PotFormula, PotLine } from '../formula/index.js';

/** Something to be done before the pot goes on. */
export interface PreparationStep {
  readonly code: string;
  readonly text: string;
  /** Least and most minutes it takes. */
  readonly minutes: { readonly least: number; readonly most: number };
  /** It stands by itself meanwhile. */
  readonly handsOff: boolean;
  /** May be left out. */
  readonly optional: boolean;
  readonly caution?: string;
}

/**
 * Minutes of one pair of hands for a kilogram, least and most, by what is done to it. Common
 * practice, no source.
 */
const HANDS_PER_KG: Readonly<Partial<Record<Form, readonly [number, number]>>> = {
  whole: [4, 8],
  hulled: [6, 12],
  pitted: [8, 16],
  'peeled-cored': [10, 20],
  chopped: [8, 15],
  sliced: [12, 25],
  crushed: [6, 12],
  puree: [12, 25],
  grated: [8, 15],
  peel: [10, 20],
  zest: [30, 60],
  juice: [8, 15],
  'as-bought': [8, 16],
  drained: [8, 15],
  stored: [8, 15],
};
const HOUR = 60;

/** What is done to the fruit, as a cook says it. */
const DONE: Readonly<Partial<Record<Form, string>>> = {
  whole: 'sort, wash and stem',
  hulled: 'sort, wash and hull',
  pitted: 'wash and pit',
  'peeled-cored': 'peel and core',
  chopped: 'wash and chop',
  sliced: 'wash and slice',
  crushed: 'sort, wash and crush',
  puree: 'cook soft and sieve',
  grated: 'wash and grate',
  peel: 'scrub and pare',
  zest: 'scrub and grate the zest of',
  juice: 'sort and wash',
  'as-bought': 'wash and prepare',
  drained: 'chop, salt and drain',
  stored: 'look over, wash and chop',
};

const step = (
  code: string,
  text: string,
  least: number,
  most: number,
  more: Partial<PreparationStep> = {},
): PreparationStep => ({
  code,
  text,
  minutes: { least, most },
  handsOff: false,
  optional: false,
  ...more,
});

/**
 * What is done before the pot goes on, in order, with the time it takes one pair of hands:
 * preparing the fruit, winning the juice of a jelly, soaking peel, drawing an infusion. Common
 * practice, no source.
 */
export function preparationOf({ kind, lines }: PotFormula): PreparationStep[] {
  const fruit = lines.filter(({ ingredient }) => isProduce(ingredient));
  const has = (id: string): boolean => lines.some(({ ingredient }) => ingredient.id === id);
  const steps: PreparationStep[] = fruit.flatMap((line) => ofFruit(line));
  const jelly = fruit.filter(({ form }) => form === 'juice');
  if (jelly.length > 0) {
    steps.push(
      step(
        'simmer',
        'simmer the fruit with just enough water, hard fruit covered, and mash it',
        15,
        40,
      ),
      step(
        'drip',
        'let it drip through a cloth; do not squeeze if it is to be clear',
        2 * HOUR,
        12 * HOUR,
        {
          handsOff: true,
        },
      ),
    );
    if (jelly.some(({ ingredient }) => ['grape', 'slip-skin-grape'].includes(ingredient.id)))
      steps.push(
        step(
          'settle',
          'let grape juice settle in the cold, and pour it off its crystals',
          12 * HOUR,
          24 * HOUR,
          {
            handsOff: true,
          },
        ),
      );
  }
  if (kind === 'marmalade')
    steps.push(
      step(
        'soak',
        'soak the sliced peel in its water: it softens and gives its pectin',
        12 * HOUR,
        18 * HOUR,
        {
          handsOff: true,
          optional: true,
        },
      ),
      step(
        'soften-peel',
        'simmer the peel until it is crushed between two fingers',
        HOUR,
        2 * HOUR,
      ),
    );
  if (has('flower-infusion') || has('herb-infusion'))
    steps.push(
      step('infuse', 'draw the infusion, then strain it', 15 * HOUR, 24 * HOUR, {
        handsOff: true,
        caution: 'it is low in acid: it stands in the fridge, never on the counter',
      }),
    );
  if (kind === 'curd')
    steps.push(step('eggs', 'let the eggs come to room temperature', 30, 60, { handsOff: true }));
  if (
    (kind === 'jam' || kind === 'conserve') &&
    lines.some(({ ingredient }) => ingredient.category === 'sweetener') &&
    fruit.some(({ form }) => form === 'hulled' || form === 'pitted' || form === 'whole')
  )
    steps.push(
      step(
        'macerate',
        'let the fruit stand in its sugar, covered and cool, to draw juice and stay whole',
        4 * HOUR,
        24 * HOUR,
        {
          handsOff: true,
          optional: true,
        },
      ),
    );
  return steps;
}

function ofFruit({ ingredient, form, label, mass_kg }: PotLine): PreparationStep[] {
  if (form === 'dried' || ingredient.usualForm === 'dried' || ingredient.id === 'applesauce')
    return [];
  if (form === 'frozen')
    return [
      step(
        `thaw-${ingredient.id}`,
        `let the ${label} thaw half-way, and keep the drip`,
        2 * HOUR,
        5 * HOUR,
        {
          handsOff: true,
        },
      ),
    ];
  const [least, most] = HANDS_PER_KG[form] ?? [8, 15];
  const round = (minutes: number): number => Math.max(Math.ceil(minutes), 2);
  return [
    step(
      `prepare-${ingredient.id}`,
      `${DONE[form] ?? 'prepare'} the ${label}`,
      round(least * mass_kg.mid),
      round(most * mass_kg.mid),
      ingredient.cautions.includes('hot-pepper')
        ? { caution: 'gloves on, and hands away from the eyes' }
        : {},
    ),
  ];
}
