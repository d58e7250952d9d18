import type { PotFormula, PotLine } from '../formula/index.js';
import { isProduce, settlesOvernight, type Form, type JuiceMethod } from '../produce/index.js';
import { DAY_MIN, HOUR_MIN } from '../quantity/index.js';

/** What is done before cooking; preparing and thawing are of one ingredient. */
export type PreparationCode =
  | `prepare-${string}`
  | `thaw-${string}`
  | 'simmer'
  | 'steam-juice'
  | 'grind'
  | 'drip'
  | 'press'
  | 'simmer-again'
  | 'drip-again'
  | 'settle'
  | 'soak'
  | 'soften-peel'
  | 'infuse'
  | 'eggs'
  | 'macerate';

/** Something to be done before the pan goes on the heat. */
export interface PreparationStep {
  readonly code: PreparationCode;
  readonly text: string;
  /** Least and most minutes it takes. */
  readonly minutes: { readonly least: number; readonly most: number };
  /** It stands unattended meanwhile. */
  readonly handsOff: boolean;
  /** May be left out. */
  readonly optional: boolean;
  readonly caution?: string;
}

/**
 * Minutes one person takes for a kilogram, least and most, by what is done to it. Common practice,
 * no source.
 */
const PER_KG_MIN: Readonly<Partial<Record<Form, readonly [number, number]>>> = {
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
/** For a form without a figure of its own. */
const USUAL_PER_KG_MIN = [8, 15] as const;
/** Nothing is prepared quicker than this, minutes. */
const SHORTEST_MIN = 2;

/** What is done to the fruit, as a cook says it. */
const FORM_WORK: Readonly<Partial<Record<Form, string>>> = {
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

/** What is asked of a formula to know whether a step is wanted. */
interface Prepared {
  readonly formula: PotFormula;
  /** Lines of fruit and vegetables. */
  readonly produce: readonly PotLine[];
}

/** One step that is wanted where `needed` holds. */
interface PreparationRule extends PreparationStep {
  readonly needed: (prepared: Prepared) => boolean;
}

const has = ({ formula }: Prepared, ...ids: readonly string[]): boolean =>
  formula.lines.some(({ ingredient }) => ids.includes(ingredient.id));
/** Their juice is squeezed out in the hand, with no cooking and no cloth. */
const SQUEEZED: ReadonlySet<string> = new Set([
  'lemon',
  'lime',
  'orange',
  'bitter-orange',
  'mandarin',
  'grapefruit',
]);
/** Fruit gives its juice, and by one of these. */
const isJuicedBy = (
  { produce, formula: { juiceBy } }: Prepared,
  ...methods: readonly JuiceMethod[]
): boolean =>
  methods.includes(juiceBy) &&
  produce.some(({ form, ingredient: { id } }) => form === 'juice' && !SQUEEZED.has(id));
/** Fruit that is left whole, or nearly: it stays whole in its sugar. */
const WHOLE_FORMS: ReadonlySet<Form> = new Set<Form>(['hulled', 'pitted', 'whole']);

/** After the fruit is prepared, in this order. Common practice, no source. */
const PREPARATION_RULES: readonly PreparationRule[] = [
  {
    code: 'simmer',
    text: 'simmer the fruit with just enough water, hard fruit covered, and mash it',
    minutes: { least: 15, most: 40 },
    handsOff: false,
    optional: false,
    needed: (prepared) => isJuicedBy(prepared, 'drip', 'drip-twice', 'press'),
  },
  {
    code: 'steam-juice',
    text: 'steam the fruit until its juice has run',
    minutes: { least: 45, most: 90 },
    handsOff: false,
    optional: false,
    caution: 'steam burns, and so does the juice; a pan that boils dry is ruined: top up its water',
    needed: (prepared) => isJuicedBy(prepared, 'steam'),
  },
  {
    code: 'grind',
    text: 'grind the fruit raw',
    minutes: { least: 10, most: 25 },
    handsOff: false,
    optional: false,
    needed: (prepared) => isJuicedBy(prepared, 'raw'),
  },
  {
    code: 'press',
    text: 'press it through the cloth: more juice, and cloudy',
    minutes: { least: 10, most: 25 },
    handsOff: false,
    optional: false,
    caution: 'hot pulp scalds: let it cool until it can be held',
    needed: (prepared) => isJuicedBy(prepared, 'press'),
  },
  {
    code: 'drip',
    text: 'let it drip through a cloth; do not squeeze if it is to be clear',
    minutes: { least: 2 * HOUR_MIN, most: 12 * HOUR_MIN },
    handsOff: true,
    optional: false,
    needed: (prepared) => isJuicedBy(prepared, 'drip', 'drip-twice', 'raw'),
  },
  {
    code: 'simmer-again',
    text: 'put the pulp back in the pan with the last third of the water, and simmer it again',
    minutes: { least: 20, most: 30 },
    handsOff: false,
    optional: false,
    needed: (prepared) => isJuicedBy(prepared, 'drip-twice'),
  },
  {
    code: 'drip-again',
    text: 'let it drip a second time, and add that juice to the first',
    minutes: { least: 2 * HOUR_MIN, most: 12 * HOUR_MIN },
    handsOff: true,
    optional: false,
    needed: (prepared) => isJuicedBy(prepared, 'drip-twice'),
  },
  {
    code: 'settle',
    text: 'let the juice settle overnight in the cold, and pour it off its crystals; a little stays behind',
    minutes: { least: 12 * HOUR_MIN, most: DAY_MIN },
    handsOff: true,
    optional: false,
    needed: ({ produce }) =>
      produce.some(({ form, ingredient }) => form === 'juice' && settlesOvernight(ingredient)),
  },
  {
    code: 'soak',
    text: 'soak the sliced peel in its water: it softens and gives its pectin',
    minutes: { least: 12 * HOUR_MIN, most: 18 * HOUR_MIN },
    handsOff: true,
    optional: true,
    needed: ({ formula }) => formula.kind === 'marmalade',
  },
  {
    code: 'soften-peel',
    text: 'simmer the peel until it is crushed between two fingers',
    minutes: { least: HOUR_MIN, most: 2 * HOUR_MIN },
    handsOff: false,
    optional: false,
    needed: ({ formula }) => formula.kind === 'marmalade',
  },
  {
    code: 'infuse',
    text: 'draw the infusion, then strain it',
    minutes: { least: 15 * HOUR_MIN, most: DAY_MIN },
    handsOff: true,
    optional: false,
    caution: 'it is low in acid: it stands in the fridge, never on the counter',
    needed: (prepared) => has(prepared, 'flower-infusion', 'herb-infusion'),
  },
  {
    code: 'eggs',
    text: 'let the eggs come to room temperature',
    minutes: { least: 30, most: 60 },
    handsOff: true,
    optional: false,
    needed: ({ formula }) => formula.kind === 'curd',
  },
  {
    code: 'macerate',
    text: 'let the fruit stand in its sugar, covered and cool, to draw juice and stay whole; in glass, enamel or stainless steel, for acid takes up copper and aluminium',
    minutes: { least: 4 * HOUR_MIN, most: DAY_MIN },
    handsOff: true,
    optional: true,
    needed: ({ formula: { kind, lines }, produce }) =>
      (kind === 'jam' || kind === 'conserve') &&
      lines.some(({ ingredient }) => ingredient.category === 'sweetener') &&
      produce.some(({ form }) => WHOLE_FORMS.has(form)),
  },
];

/**
 * What is done before the pan goes on the heat, in order, with the time it takes one person:
 * preparing the fruit, winning the juice of a jelly, soaking peel, drawing an infusion. Common
 * practice, no source.
 */
export function preparationOf(formula: PotFormula): PreparationStep[] {
  const produce = formula.lines.filter(({ ingredient }) => isProduce(ingredient));
  return [
    ...produce.flatMap(preparingOf),
    ...PREPARATION_RULES.filter(({ needed }) => needed({ formula, produce })).map(
      ({ needed: _, ...step }) => step,
    ),
  ];
}

/** Dried fruit and bought purée need none; frozen fruit thaws. */
function preparingOf(line: PotLine): PreparationStep[] {
  const { ingredient, form, label, fruit_kg } = line;
  const mass_kg = fruit_kg ?? line.mass_kg;
  if (form === 'dried' || ingredient.usualForm === 'dried' || ingredient.id === 'applesauce')
    return [];
  if (form === 'frozen')
    return [
      {
        code: `thaw-${ingredient.id}`,
        text: `let the ${label} thaw half-way, and keep the drip`,
        minutes: { least: 2 * HOUR_MIN, most: 5 * HOUR_MIN },
        handsOff: true,
        optional: false,
      },
    ];
  const [least, most] = PER_KG_MIN[form] ?? USUAL_PER_KG_MIN;
  const minutes = (perKg: number): number => Math.max(Math.ceil(perKg * mass_kg.mid), SHORTEST_MIN);
  return [
    {
      code: `prepare-${ingredient.id}`,
      text: `${FORM_WORK[form] ?? 'prepare'} the ${label}`,
      minutes: { least: minutes(least), most: minutes(most) },
      handsOff: false,
      optional: false,
      ...(ingredient.cautions.includes('hot-pepper') && {
        caution: 'gloves on, and hands away from the eyes',
      }),
    },
  ];
}
