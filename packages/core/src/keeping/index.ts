export {
  KEEPING_ADVICE_WORDS,
  type KeepingAdvice,
  keepingAdviceOn,
  ALLOWED_ADVICE,
  KEEPING_PHASES,
  type KeepingPhase,
} from './advice.js';
export { assessKeeping, isStricter, type Keeping, madeStricter, processByTable } from './assess.js';
export { PROCESS_BANDS, processBand } from './band.js';
export { decidingPH } from './deciding-ph.js';
export { type Computed, computeFormula } from './compute.js';
export {
  canGo,
  type Kept,
  KEPT_IN,
  keptAsMade,
  type KeptIn,
  keptIn,
  lastDay,
  PART_JAR,
  withOpenLids,
} from './kept.js';
export { type KeepingReason, type KeepingReasonCode, reason } from './reason.js';
export { MEASURED_LIMIT, type PHReading } from './measured-ph.js';
export { PROCESS_ROWS, type ProcessRow, sterilisingMinutes } from './process-table.js';
export { type Process, shareOfFruit } from './row.js';
export { FAT_TRACE, isAcidEnough, type KeepingOptions } from './rules.js';
export { FILLED_STORAGE_SAID, STORAGE_SAID } from './storage-words.js';
export { KEEPING_VERDICTS, type KeepingVerdict } from './verdict.js';
export { type Best, bestWords, daysOf } from './storage.js';
