/** From the kindest to the strictest. */
export const KEEPING_VERDICTS = ['shelf', 'fridge', 'freezer', 'stop'] as const;
export type KeepingVerdict = (typeof KEEPING_VERDICTS)[number];
