/** Why a batch keeps as it does, or what to know of its process. */
export type KeepingReasonCode =
  | 'nothing'
  | 'not-understood'
  | 'left-out'
  | 'under-oil'
  | 'published-curd'
  | 'curd'
  | 'not-for-the-shelf'
  | 'fat'
  | 'low-acid-butter'
  | 'published-pattern'
  | 'two-amounts'
  | 'tested-source'
  | 'attestation-void'
  | 'measured-pH'
  | 'measured-pH-void'
  | 'unknown-ingredient'
  | 'low-acid'
  | 'no-acid'
  | 'not-acid-enough'
  | 'acid-fruit'
  | 'no-row'
  | 'hot-fill'
  | 'no-process'
  | 'no-steam'
  | 'altitude-needed'
  | 'too-high'
  | 'short-process'
  | 'process-short'
  | 'process-late'
  | 'not-in-a-load'
  | 'stated-not-timed'
  | 'heat-unknown'
  | 'heat-not-reached'
  | 'stated-afterwards'
  | 'low-solids'
  | 'low-solids-process'
  | 'row'
  | 'one-piece-lid'
  | 'headspace';

export interface KeepingReason {
  readonly code: KeepingReasonCode;
  readonly text: string;
  readonly source: string;
}

/** Where a rule comes from, for the reason it gives. */
const RULES =
  'rules of safe home canning: USDA Complete Guide to Home Canning and the US National Center for Home Food Preservation, from memory';
export const ACIDIFIED = '21 CFR 114: pH 4.6 divides; 4.2 leaves the usual margin';
export const PATTERN_SOURCE =
  'USDA Complete Guide to Home Canning, Guide 7, and the US National Center for Home Food Preservation, from memory until checked against your tables';
export const PRACTICE = 'common practice, no source';

export const reason = (code: KeepingReasonCode, text: string, source = RULES): KeepingReason => ({
  code,
  text,
  source,
});
