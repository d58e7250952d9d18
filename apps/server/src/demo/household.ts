import type { KitchenGear } from '@idle-kettle/contract';
import {
  STARTERS,
  type EventBodies,
  type FormulaDocument,
  type JarsFilled,
} from '@idle-kettle/core';

/** The demo household: invented people, an invented kitchen at 1,180 m, amounts of our own. */
export const DEMO_KITCHEN = {
  name: 'Hollow Lane',
  altitude_m: 1180,
  boilingPoint_C: 96.1,
  units: 'metric',
  temperatureUnit: 'C',
} as const;

const starter = (title: string): FormulaDocument => {
  const found = STARTERS.find((each) => each.title === title);
  if (!found) throw new Error(`no starter is called ${title}`);
  return found;
};
const DAMSON = starter('Damson jam');
const APRICOT = starter('Apricot jam with vanilla');
const REDCURRANT = starter('Redcurrant jelly');
const PEAR = starter('Pear butter');
const MARMALADE = starter('Bitter orange marmalade');
const BLACKCURRANT = starter('Blackcurrant jam');

/** Invented prices. */
const DEMO_SUPPLIES = [
  { of: 'white-sugar', stock: 6, price: 1.15, per: 1 },
  { of: 'lid', stock: 40, price: 3.6, per: 12 },
  { of: 'lemon-juice-bottled', stock: 0.4, price: 2.2, per: 0.5 },
  { of: 'pectin-powder', price: 2.9, per: 0.1 },
];

/** What stands in the kitchen of Hollow Lane. */
export const DEMO_GEAR: KitchenGear = {
  thermometers: [
    {
      id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e01',
      name: 'Long glass one',
      ice_C: 0.2,
      boiling_C: 96.1,
      expectedBoiling_C: 96.05,
      checkedAt: '2026-09-12T18:00:00.000Z',
    },
    {
      id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e02',
      name: 'Probe',
      ice_C: -0.4,
      boiling_C: 95.5,
      expectedBoiling_C: 96.05,
      checkedAt: '2026-09-12T18:00:00.000Z',
    },
  ],
  thermometerId: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e01',
  vessels: [
    {
      id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e11',
      name: 'Wide copper pan',
      kind: 'pan',
      capacity_l: 16,
      evaporation_kgPerH: 2.1,
    },
    { id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e12', name: 'Steel pan', kind: 'pan', capacity_l: 8 },
    {
      id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e13',
      name: 'Slow cooker',
      kind: 'slow-cooker',
      capacity_l: 6,
      evaporation_kgPerH: 0.2,
    },
  ],
  usualPanId: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e11',
  burners: [
    { id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e21', name: 'Big burner', kind: 'gas', power_kW: 3.5 },
    { id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e22', name: 'Left back', kind: 'gas', power_kW: 1.8 },
  ],
  canners: [
    {
      id: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e31',
      name: 'Enamel canner',
      method: 'boiling-water',
      loads: [
        { size: '340-g', jars: 8 },
        { size: '454-g', jars: 7 },
        { size: '190-ml', jars: 12 },
      ],
      marks: [],
    },
  ],
  pectins: [],
  jars: [
    { size: '340-g', stock: 24 },
    { size: '454-g', stock: 11 },
    { size: '190-ml', stock: 18 },
    { size: '125-ml', stock: 30 },
  ],
  currency: '€',
  supplies: DEMO_SUPPLIES,
};

/** The cupboard of Hollow Lane was counted so many days ago. */
export const DEMO_COUNTED_DAYS_AGO = 16;

/** Where sugar boils in it: the wide pan on the big burner. */
export const DEMO_STOVE = {
  pan: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e11',
  ring: '0d7c1a52-1f0e-4a47-9a1e-5b6f7c8d9e21',
} as const;

export interface DemoBatch {
  readonly document: FormulaDocument;
  /** How long ago the pan went on. */
  readonly minutesAgo: number;
  /** Minutes the fruit softened before the sugar, or the last of it, went in. */
  readonly softened: number;
  /** What the burner puts into the pan, W. */
  readonly heat_W: number;
  readonly minutesBetweenReadings: number;
  /** For a batch that is over. */
  readonly finished?: {
    readonly jars: readonly JarsFilled[];
    readonly eaten: number;
    /** Its part jar was eaten the same week. */
    readonly isPartEaten?: boolean;
    /** Its first load is in the canner now, since so many minutes. */
    readonly inCanner?: number;
    readonly note: string;
    readonly place: string;
    /** Lids that had not gone down, by jar; absent while they are still to be pressed. */
    readonly failed?: readonly number[];
    /** To whom some of them were given. */
    readonly given?: readonly (readonly [whom: string, count: number])[];
    /** Why what was left of them was thrown away. */
    readonly thrown?: string;
    /** How it had set and tasted. */
    readonly score?: readonly [set: number, taste: number];
    /** One of them stands opened. */
    readonly opened?: boolean;
    /** Pictures drawn for the demo, in the colour of what is in the jars. */
    readonly photos?: readonly {
      readonly note: string;
      readonly colour: string;
      readonly daysAfter: number;
    }[];
    /** Points on the judge's sheet, and a show it went to some days after. */
    readonly judged?: EventBodies['judged'];
    readonly shown?: Omit<EventBodies['shown'], 'on'> & { readonly daysAfter: number };
  };
}

const DAY = 24 * 60;

/** What is laid out for the days to come. */
export const DEMO_PLANNED: readonly FormulaDocument[] = [starter('Redcurrant and red wine jelly')];

/** What waits in the freezer of Hollow Lane, and for how many days. */
export const DEMO_FREEZER = [
  { ingredient: 'redcurrant', mass_kg: 1.4, note: 'on their stalks, top drawer', daysAgo: 131 },
  { ingredient: 'damson', mass_kg: 1.8, note: 'pitted', daysAgo: 64 },
] as const;

/** Who of Hollow Lane practised on what, how, and how many days ago. */
export const DEMO_PRACTICE = [
  {
    player: 'Marga',
    scenario: 'first-jam',
    seed: 204,
    mode: 'eye',
    score: 71,
    medals: [],
    daysAgo: 40,
  },
  {
    player: 'Marga',
    scenario: 'first-jam',
    seed: 204,
    mode: 'forecast',
    score: 98,
    medals: ['on-the-point', 'every-jar'],
    daysAgo: 39,
  },
  {
    player: 'Marga',
    scenario: 'lying-thermometer',
    seed: 91,
    mode: 'forecast',
    score: 94,
    medals: ['checked-first'],
    daysAgo: 21,
  },
  {
    player: 'Toivo',
    scenario: 'first-jam',
    seed: 204,
    mode: 'eye',
    score: 86,
    medals: ['by-eye', 'clean-base'],
    daysAgo: 38,
  },
  {
    player: 'Toivo',
    scenario: 'helper',
    seed: 5,
    mode: 'eye',
    score: 78,
    medals: ['safe-jars'],
    daysAgo: 12,
  },
] as const;

export const DEMO_BATCHES: readonly DemoBatch[] = [
  {
    document: MARMALADE,
    minutesAgo: 290 * DAY,
    softened: 90,
    heat_W: 2100,
    minutesBetweenReadings: 2,
    finished: {
      jars: [{ size: '454-g', full: 7, part: 0 }],
      eaten: 5,
      note: 'Peel cut finer this time.',
      place: 'Cellar',
      failed: [],
    },
  },
  {
    document: APRICOT,
    minutesAgo: 19 * DAY,
    softened: 12,
    heat_W: 2200,
    minutesBetweenReadings: 1.5,
    finished: {
      jars: [{ size: '340-g', full: 7, part: 0.75 }],
      eaten: 3,
      note: 'Foamed a lot at the start; the wider pan next time.',
      photos: [{ note: 'Specks of vanilla, well spread', colour: '#d9822b', daysAfter: 2 }],
      place: 'Larder, top',
      failed: [],
      opened: true,
    },
  },
  {
    document: REDCURRANT,
    minutesAgo: 12 * DAY,
    softened: 4,
    heat_W: 1650,
    minutesBetweenReadings: 1,
    finished: {
      jars: [{ size: '190-ml', full: 6, part: 0.5 }],
      eaten: 1,
      note: 'Dripped overnight, clear.',
      place: 'Cellar',
      failed: [],
      given: [['the neighbours', 2]],
      photos: [{ note: 'Clear against the window', colour: '#b3122b', daysAfter: 1 }],
      judged: { headspace: 9, jar: 10, clarity: 9, colour: 10, set: 8, flavour: 9 },
      shown: {
        show: 'Hill villages’ autumn table',
        class: 'Clear jellies',
        result: 'second',
        daysAfter: 6,
      },
    },
  },
  {
    document: PEAR,
    minutesAgo: 5 * DAY,
    softened: 25,
    heat_W: 620,
    minutesBetweenReadings: 30,
    finished: {
      jars: [{ size: '340-g', full: 6, part: 0.25 }],
      eaten: 1,
      note: 'Thickened more as it cooled.',
      place: 'Larder, top',
      failed: [4],
    },
  },
  {
    document: BLACKCURRANT,
    minutesAgo: 20 * 60,
    softened: 15,
    heat_W: 1750,
    minutesBetweenReadings: 1,
    finished: {
      jars: [{ size: '340-g', full: 6, part: 0.75 }],
      eaten: 0,
      note: 'Set quickly on the plate.',
      place: 'Larder, top',
    },
  },
  {
    document: starter('Cranberry and quince sauce'),
    minutesAgo: 70,
    softened: 15,
    heat_W: 1900,
    minutesBetweenReadings: 2,
    finished: {
      jars: [{ size: '250-ml', full: 4, part: 0 }],
      eaten: 0,
      inCanner: 6,
      note: 'Sieved once, back on the heat.',
      place: 'Cellar',
    },
  },
  { document: DAMSON, minutesAgo: 24, softened: 6, heat_W: 1900, minutesBetweenReadings: 1 },
];
