import type { Balance } from '../balance/index.js';
import type { AddWhen, CookStage, PotFormula, StageWork } from '../formula/index.js';
import type { Process } from '../keeping/index.js';
import type { PreparationCode, preparationOf } from './preparation.js';

/** How much of the cook a step takes. */
export type Attention = 'hands-on' | 'hands-off' | 'needs-watching' | 'cannot-leave';

/** A step of an evening. Numbered ones come once a load of the pan or of the canner. */
export type StepCode =
  | PreparationCode
  | 'lay-out'
  | 'cook'
  | `cook-${number}`
  | `${StageWork}-${number}`
  | 'reheat'
  | 'sweeten'
  | 'soften'
  | 'pectin'
  | 'sugar'
  | 'warm-sugar'
  | 'bring-up'
  | 'boil'
  | 'test'
  | 'flavour'
  | 'rest'
  | 'fill'
  | `process-${number}`
  | 'lift'
  | 'clean-up'
  | 'cool'
  | 'seals'
  | `load-${number}`
  | 'canner'
  | 'kettle'
  | 'jars-hot'
  | 'plates';

/** One step of an evening. */
export interface PlanStep {
  readonly code: StepCode;
  readonly text: string;
  readonly attention: Attention;
  /** Whole minutes it takes, least and most. */
  readonly least: number;
  readonly most: number;
  /** Whole minutes the cook stirs, where that is not all of it. */
  readonly attended_min?: number;
  /** Lines of the document that go in with it. */
  readonly lines: readonly number[];
  readonly caution?: string;
  /** It may be ended whenever it suits the cook within its range: a soak, a drip. */
  readonly elastic?: boolean;
  /** What tells that it is done, beside the clock. */
  readonly cue?: string;
  /**
   * Beside the others: it begins so many minutes before the step named begins, so that it is ready
   * then; below zero, after it began. The others follow one on the other.
   */
  readonly before?: { readonly code: StepCode; readonly minutes: number };
}

export type Minutes = readonly [least: number, most: number];

/** How a batch is cooked, which decides its steps. */
export type Cooking = 'curd' | 'butter' | 'stages' | 'softened-boil' | 'plain-boil' | 'timed-boil';

/** What the steps of a batch are made from, worked out once. */
export interface PlannedBatch {
  readonly formula: PotFormula;
  readonly balance: Balance;
  readonly process: Process | null;
  /** It must not be made or kept this way. */
  readonly isStop: boolean;
  readonly people: number;
  readonly canner: number;
  readonly stages: readonly CookStage[];
  /** Document lines that go in when a stage begins. */
  readonly linesOfStage: (stage: number) => number[];
  readonly cooking: Cooking;
  /** The fruit stands in its sugar before it is cooked. */
  readonly macerated: boolean;
  readonly loads: number;
  /** Full jars that are expected. */
  readonly jars: number;
  readonly preparation: ReturnType<typeof preparationOf>;
  /** Document lines that go in at one of these times. */
  readonly linesAt: (...times: AddWhen[]) => number[];
  /** Document lines of fruit that go in first. */
  readonly fruitLines: readonly number[];
}

/** A step with its defaults left out: no lines, and minutes that may be fractions. */
export type StepDraft = Omit<PlanStep, 'lines' | 'least' | 'most'> & {
  readonly minutes: Minutes;
  readonly lines?: readonly number[];
};

/** One kind of step: those it makes in this batch, none where it is not wanted. */
export type StepRule = (batch: PlannedBatch) => readonly StepDraft[];
