import type { WarningCode } from '../formula/index.js';
import type { BatchRecord } from './batch-record.js';
import type { SignCode } from './signs.js';

/** How figures are written where they are shown; the household has its habit. */
export interface FigureWriter {
  readonly temperature: (celsius: number) => string;
  /** A difference of temperatures, K. */
  readonly difference: (kelvin: number) => string;
}

/** What the record has for a cause. */
export interface Support {
  /**
   * 0 (no more than a hint) to 1 (it explains all of it); a choice of ours where it is not computed
   * from the set.
   */
  readonly strength: number;
  /** The figures of the record that say so. */
  readonly because: (write: FigureWriter) => string;
}

export type CauseCode =
  | 'stopped-early'
  | 'boiled-too-far'
  | 'thermometer-high'
  | 'few-solids'
  | 'little-acid'
  | 'much-acid'
  | 'little-pectin'
  | 'much-pectin'
  | 'no-added-pectin'
  | 'pectin-boiled-away'
  | 'pectin-out-of-order'
  | 'calcium'
  | 'batch-doubled'
  | 'over-ripe'
  | 'lid-on'
  | 'thin-by-formula'
  | 'too-hot'
  | 'filled-at-once'
  | 'large-pieces'
  | 'firm-with-invert'
  | 'stored-warm'
  | 'stored-in-light'
  | 'stored-long'
  | 'sugar-not-inverted'
  | 'grape-tartrate'
  | 'juice-pressed'
  | 'under-ripe'
  | 'filled-late'
  | 'not-stirred'
  | 'heated-up-late'
  | 'pan-too-full'
  | 'process-fell-short'
  | 'boil-lost'
  | 'sharp'
  | 'flat';

/** What a record can lack, and how it is said. */
export const LACKS = {
  record: 'a batch with its log',
  finish: 'temperature, weight or degrees Brix in the last minutes of the cook',
  'boil-time': 'the time from the full boil to the end',
  temperatures: 'temperatures',
  rest: 'the time from the end of the cook to the first jar',
  stirring: 'stirring',
  heat: 'changes of the heat',
  pan: 'the size of the pan',
  warmth: 'how warm the jars stood',
  light: 'whether the jars stood in light',
} as const;
export type Lack = keyof typeof LACKS;

/** One cause: the signs it explains, what the record must have for it, and what to change. */
export interface CauseRule {
  readonly code: CauseCode;
  readonly signs: readonly SignCode[];
  readonly name: string;
  /** Undefined where the record has nothing for it. */
  readonly support: (record: BatchRecord) => Support | undefined;
  /** What would have told, where the record lacks it. */
  readonly lacks?: (record: BatchRecord) => Lack | undefined;
  /** What to do the next time. */
  readonly nextTime: string;
  readonly source: string;
}

export const GUIDE =
  'USDA Complete Guide to Home Canning, Guide 7, causes and possible solutions; from memory';
export const PRACTICE = 'common practice, no source';

/** Under this a cause explains too little to be named, share of the set or the like. A choice of ours. */
export const LEAST_SUPPORT = 0.08;

export const percent = (value: number): string => `${value.toFixed(0)} %`;
export const minutes = (value: number): string => `${value.toFixed(value < 9.5 ? 1 : 0)} min`;
export const atLeast = (strength: number, because: Support['because']): Support | undefined =>
  strength >= LEAST_SUPPORT ? { strength: Math.min(strength, 1), because } : undefined;

const hasWarning =
  (...codes: readonly WarningCode[]) =>
  ({ madeBalance }: BatchRecord) =>
    madeBalance.warnings.find(({ code }) => codes.includes(code));

/** Told by a warning of the balance; how much it takes of the set is not known. Common practice. */
export const ofWarning =
  (strength: number, ...codes: readonly WarningCode[]): CauseRule['support'] =>
  (record) => {
    const warning = hasWarning(...codes)(record);
    return warning && { strength, because: () => warning.text };
  };

/** Fruit that is over-ripe, or under-ripe, does about this much of the fault. A guess. */
export const RIPENESS_COUNTS = 0.3;
