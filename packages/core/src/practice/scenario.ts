import type { FormulaDocument, FormulaLine } from '../formula/index.js';

export const SCENARIO_FORMAT = 'idle-kettle/practice-scenario';

/** From "hard to spoil" to "hard to save". */
export const SCENARIO_LEVELS = ['gentle', 'fair', 'hard', 'cruel'] as const;
export type ScenarioLevel = (typeof SCENARIO_LEVELS)[number];

/** Something that happens to the cook, whatever is done. Each happens once. */
export type Happening =
  /** The burner goes out when the pan is so near to its finish, K, for so long. */
  | { readonly type: 'power-cut'; readonly belowFinish_K: number; readonly minutes: number }
  /** A helper puts something in, so long after the pan went on. */
  | {
      readonly type: 'helper-adds';
      readonly afterMinutes: number;
      readonly amount: string;
      readonly ingredient: string;
    }
  /** The canner stops boiling when so much of its time is over, share. */
  | { readonly type: 'canner-stops'; readonly afterShare: number };

/**
 * A pan to practise with: an open format, described in docs/practice-scenario.md. Everything it does
 * not say is usual, or drawn from the seed.
 */
export interface PracticeScenario {
  readonly format: typeof SCENARIO_FORMAT;
  readonly version: 1;
  /** Kebab-case; results are kept by it. */
  readonly id: string;
  readonly title: string;
  readonly level: ScenarioLevel;
  /** What the cook is told before the pan goes on. */
  readonly story: string;
  /** What the pan teaches, said afterwards. */
  readonly learn: string;
  readonly formula: FormulaDocument;
  readonly altitude_m: number;
  readonly pan: {
    readonly volume_l: number;
    readonly diameter_m: number;
  };
  /** What the burner puts into the pan at full heat, W; the seed moves it. */
  readonly burner_W: number;
  /** What the recipe card says of the time, minutes from heat on to off. */
  readonly cardMinutes: number;
  /** What else is within reach; it may help, or not. */
  readonly within?: readonly FormulaLine[];
  /** How the fruit differs from the table's: factors on its pectin and its acid. */
  readonly fruit?: { readonly pectin?: number; readonly acid?: number };
  /** The thermometer errs by about so much, K, one way or the other. */
  readonly thermometerError_K?: number;
  readonly happenings?: readonly Happening[];
}
