import { highMethoxylLimit } from '../pectin/index.js';
import type { SetModel } from './evaluate.js';
import type { PreparedPot } from './prepare.js';

/** What limits a set, or says how it sets. */
export type SetReasonCode =
  | 'few-solids'
  | 'little-acid'
  | 'much-acid'
  | 'little-pectin'
  | 'no-added-pectin'
  | 'no-calcium-pectin'
  | 'little-calcium'
  | 'much-calcium'
  | 'much-sugar'
  | 'by-consistency'
  | 'no-egg'
  | 'no-gel';

/** Why the set is what it is. */
export interface SetReason {
  readonly code: SetReasonCode;
  readonly text: string;
}

type ReasonsOf = (pot: PreparedPot) => SetReason[];

/** Free calcium a gram of calcium pectin wants, mg, and where its set turns grainy. Common practice. */
const CALCIUM_MG_PER_G = { least: 8, most: 60 } as const;
/** Calcium pectin dissolves badly beyond this, per cent of solids. Common practice. */
const MOST_SOLIDS_FOR_CALCIUM = 65;

const ofHighMethoxyl: ReasonsOf = ({ outcome: { solids, pH, pectinPercent, invertShare } }) => {
  switch (highMethoxylLimit({ solidsPercent: solids, pH, pectinPercent, invertShare })) {
    case 'solids':
      return [
        {
          code: 'few-solids',
          text: `${solids.toFixed(0)} % sugar and fruit solids: fruit pectin sets from about 60 %`,
        },
      ];
    case 'too-little-acid':
      return [
        { code: 'little-acid', text: `pH ${pH.toFixed(1)}: pectin sets best from 2.8 to 3.4` },
      ];
    case 'too-much-acid':
      return [{ code: 'much-acid', text: `pH ${pH.toFixed(1)}: so sharp that the gel may weep` }];
    case 'pectin':
      return [
        {
          code: 'little-pectin',
          text: `${pectinPercent.toFixed(1)} % pectin is little for the sugar it has to carry`,
        },
      ];
    case undefined:
      return [];
  }
};

const ofCalcium: ReasonsOf = ({ contents: { lowMethoxyl, freeCalcium_mg } }) => {
  if (lowMethoxyl <= 0)
    return [{ code: 'no-calcium-pectin', text: 'no low-methoxyl pectin is in the pan' }];
  const calcium = freeCalcium_mg / (lowMethoxyl * 1000);
  if (calcium < CALCIUM_MG_PER_G.least)
    return [
      {
        code: 'little-calcium',
        text: `${calcium.toFixed(0)} mg of free calcium a gram of pectin: it wants 10 to 40; add calcium water`,
      },
    ];
  return calcium > CALCIUM_MG_PER_G.most
    ? [
        {
          code: 'much-calcium',
          text: 'more calcium than the pectin wants: the set may turn grainy',
        },
      ]
    : [];
};

const ofMuchSugar: ReasonsOf = ({ outcome: { solids } }) =>
  solids > MOST_SOLIDS_FOR_CALCIUM
    ? [
        {
          code: 'much-sugar',
          text: `${solids.toFixed(0)} % solids: calcium pectin dissolves and sets badly in so much sugar`,
        },
      ]
    : [];

/** What each kind of set is limited by. */
const REASONS_OF_MODEL: Readonly<Record<SetModel, ReasonsOf>> = {
  'high-methoxyl': ofHighMethoxyl,
  'low-methoxyl': (pot) => [...ofCalcium(pot), ...ofMuchSugar(pot)],
  consistency: () => [
    {
      code: 'by-consistency',
      text: 'a butter is done when it mounds on the spoon and no water ring forms on a cold plate',
    },
  ],
  egg: ({ contents }) =>
    contents.egg <= 0
      ? [{ code: 'no-egg', text: 'no egg is in the pan: a curd sets by its eggs' }]
      : [],
  none: () => [{ code: 'no-gel', text: 'a syrup is meant to pour' }],
};

const noAddedPectin: ReasonsOf = ({ formula: { method }, contents }) =>
  (method === 'powdered-pectin' || method === 'liquid-pectin') &&
  contents.highMethoxyl + contents.lowMethoxyl <= 0
    ? [{ code: 'no-added-pectin', text: 'the method adds pectin, but none is in the pan' }]
    : [];

/** What limits the set of a pan, the most important first; empty where nothing does. */
export const setReasons: ReasonsOf = (pot) => [
  ...noAddedPectin(pot),
  ...REASONS_OF_MODEL[pot.rules.model](pot),
];
