export interface KeepingReason {
  readonly code: string;
  readonly text: string;
  readonly source: string;
}

/** Where a rule comes from, for the reason it gives. */
export const RULES =
  'rules of safe home canning: USDA Complete Guide to Home Canning and the US National Center for Home Food Preservation, from memory';
export const ACIDIFIED = '21 CFR 114: pH 4.6 divides; 4.2 leaves the usual margin';
export const PRACTICE = 'common practice, no source';

export const reason = (code: string, text: string, source = RULES): KeepingReason => ({
  code,
  text,
  source,
});
