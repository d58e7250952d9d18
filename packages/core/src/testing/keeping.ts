import { fingerprint, type FormulaDocument } from '../formula/index.js';
import { assessKeeping, type Keeping, type KeepingOptions } from '../keeping/index.js';
import { documentOf, pot, type Lines } from './formula.js';

/** A formula for the keeping rules, at 300 m unless it says where; `{}` is nowhere. */
export type Case = readonly [
  name: string,
  lines: Lines,
  rest?: Partial<FormulaDocument>,
  place?: object,
];
export const TODAY = '2026-11-23';
export const keep = (
  [, lines, rest = {}, place = { altitude_m: 300 }]: Case,
  options: KeepingOptions = {},
): Keeping => assessKeeping(pot(documentOf(lines, rest), place), { on: TODAY, ...options });

export const SUGAR = ['900 g', 'white-sugar'] as const;
/** A whole attestation of a made-up source. */
export const TESTED = {
  kind: 'extension-service',
  title: 'Fig preserves of a state extension service',
  year: 2015,
  page: 'p. 12',
  jar: 'half-pint',
  minutes: 10,
  method: 'boiling-water',
  unchanged: true,
} as const;
/** A pH that a document tells of: it can only refuse. */
export const MEASURED = { value: 3.9, meterCalibratedOn: TODAY, measuredOn: TODAY } as const;
export const LEMON_CURD: Lines = [
  ['2 1/2 cups', 'caster-sugar'],
  ['1/2 cup', 'lemon-zest'],
  ['1 cup', 'lemon-juice-bottled'],
  ['3/4 cup', 'butter'],
  ['7 each', 'egg-yolk'],
  ['4 each', 'egg'],
];
export const FIGS: Lines = [
  ['2 kg', 'fig'],
  ['1.4 kg', 'white-sugar'],
  ['120 ml', 'lemon-juice-bottled'],
];

/** Fingerprint of the pot of a document, at 300 m. */
export const fingerprintOf = (document: FormulaDocument): string => fingerprint(pot(document));
