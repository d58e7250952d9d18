import type { Keeping } from './assess.js';
import type { KeepingReasonCode } from './reason.js';
import type { KeepingVerdict } from './verdict.js';

/** Where the jars are: nothing filled yet, filled, through the canner, put away. */
export const KEEPING_PHASES = ['formula', 'filled', 'processed', 'shelved'] as const;
export type KeepingPhase = (typeof KEEPING_PHASES)[number];

/** The one thing to do about how a batch keeps. */
export type KeepingAdvice =
  | 'process'
  | 'store'
  | 'refrigerate'
  | 'enter-altitude'
  | 'choose-process'
  | 'smaller-jars'
  | 'boiling-water'
  | 'add-acid'
  | 'tested-or-measured'
  | 'process-meanwhile'
  | 'measure-ph'
  | 'say-heat'
  | 'process-again'
  | 'do-not-make'
  | 'throw-away';

/**
 * Every advice that may stand beside a verdict, by phase; nothing else is ever shown. An advice is
 * here only where following it leads to a better verdict, or keeps the one there is.
 */
export const ALLOWED_ADVICE: Readonly<
  Record<KeepingVerdict, Readonly<Record<KeepingPhase, readonly KeepingAdvice[]>>>
> = {
  shelf: { formula: ['process'], filled: ['process'], processed: ['store'], shelved: ['store'] },
  fridge: {
    formula: [
      'refrigerate',
      'enter-altitude',
      'choose-process',
      'smaller-jars',
      'boiling-water',
      'add-acid',
      'tested-or-measured',
    ],
    filled: ['refrigerate', 'enter-altitude', 'boiling-water', 'process-meanwhile', 'say-heat'],
    processed: ['refrigerate', 'measure-ph', 'say-heat', 'process-again'],
    shelved: ['refrigerate', 'measure-ph', 'say-heat', 'process-again'],
  },
  freezer: {
    formula: ['refrigerate'],
    filled: ['refrigerate'],
    processed: ['refrigerate'],
    shelved: ['refrigerate'],
  },
  stop: {
    formula: ['do-not-make'],
    filled: ['throw-away'],
    processed: ['throw-away'],
    shelved: ['throw-away'],
  },
};

/** What to do about what decides, by phase; refrigerate where nothing is said. */
const BY_REASON: Readonly<
  Partial<Record<KeepingReasonCode, Partial<Record<KeepingPhase, KeepingAdvice>>>>
> = {
  'altitude-needed': { formula: 'enter-altitude', filled: 'enter-altitude' },
  'no-process': { formula: 'choose-process' },
  'hot-fill': { formula: 'choose-process' },
  'no-row': { formula: 'smaller-jars' },
  'no-steam': { formula: 'boiling-water', filled: 'boiling-water' },
  'not-acid-enough': {
    formula: 'add-acid',
    filled: 'process-meanwhile',
    processed: 'measure-ph',
    shelved: 'measure-ph',
  },
  'low-acid': {
    formula: 'tested-or-measured',
    filled: 'process-meanwhile',
    processed: 'measure-ph',
    shelved: 'measure-ph',
  },
  'heat-unknown': { filled: 'say-heat', processed: 'say-heat', shelved: 'say-heat' },
  'process-short': { processed: 'process-again', shelved: 'process-again' },
  'process-late': { processed: 'process-again', shelved: 'process-again' },
  'not-in-a-load': { processed: 'process-again', shelved: 'process-again' },
};

/** Whether an advice that goes by a meter can still be followed. */
const MEETS_A_METER: ReadonlySet<KeepingAdvice> = new Set<KeepingAdvice>([
  'process-meanwhile',
  'measure-ph',
]);

/**
 * The one advice for a verdict in a phase.
 *
 * @param canBeMeasured a pH can still count: within two days of filling, and none was refused
 * @param canBeMadeGood a process that failed can still be run again: within a day of filling
 */
export function keepingAdviceOn(
  { verdict, reasons, processMeanwhile }: Keeping,
  phase: KeepingPhase,
  { canBeMeasured = true, canBeMadeGood = true } = {},
): KeepingAdvice {
  if (verdict === 'stop') return phase === 'formula' ? 'do-not-make' : 'throw-away';
  if (verdict === 'freezer') return 'refrigerate';
  if (verdict === 'shelf') return phase === 'formula' || phase === 'filled' ? 'process' : 'store';
  const [first] = reasons;
  const advice = (first && BY_REASON[first.code]?.[phase]) ?? 'refrigerate';
  const isVain =
    (MEETS_A_METER.has(advice) && (!canBeMeasured || processMeanwhile === null)) ||
    (advice === 'process-again' && !canBeMadeGood);
  return isVain ? 'refrigerate' : advice;
}

/** Each advice in words, as it stands on the screen. */
export const KEEPING_ADVICE_WORDS: Readonly<Record<KeepingAdvice, string>> = {
  process: 'Process them for the whole time, then store them cool, dark and dry',
  store: 'Store them cool, dark and dry; in the fridge once opened',
  refrigerate: 'Refrigerate or freeze them',
  'enter-altitude': 'Enter the altitude: then there is a time for these jars',
  'choose-process': 'For the shelf, choose boiling water or steam after filling',
  'smaller-jars': 'Use a jar the tables have a time for',
  'boiling-water': 'Process it in boiling water instead of steam',
  'add-acid': 'Add the bottled lemon juice that is missing, or refrigerate',
  'tested-or-measured':
    'Refrigerate or freeze it. For the shelf: a tested formula made unchanged, or a pH measured in this batch after filling',
  'process-meanwhile':
    'Process them now, then refrigerate until a pH of 4.20 or less is measured in this batch',
  'measure-ph': 'Refrigerate until a pH of 4.20 or less is measured in this batch',
  'say-heat': 'Say whether it boiled and was filled hot; until then refrigerate',
  'process-again': 'Within 24 hours of filling: refrigerate, or process again in full',
  'do-not-make': 'Do not make it this way',
  'throw-away': 'Throw it away without tasting',
};
