import type { FormulaDocument } from '../formula/index.js';
import { assessKeeping, type Keeping } from '../keeping/index.js';
import { documentOf, pot, type Lines } from './formula.js';

/** A formula for the keeping rules, at 300 m unless it says where; `{}` is nowhere. */
export type Case = readonly [
  name: string,
  lines: Lines,
  rest?: Partial<FormulaDocument>,
  place?: object,
];
export const TODAY = '2026-11-23';
export const keep = ([, lines, rest = {}, place = { altitude_m: 300 }]: Case): Keeping =>
  assessKeeping(pot(documentOf(lines, rest), place), { on: TODAY });

export const SUGAR = ['900 g', 'white-sugar'] as const;
export const TESTED = {
  publisher: 'State extension service',
  year: 2015,
  unchanged: true,
} as const;
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
