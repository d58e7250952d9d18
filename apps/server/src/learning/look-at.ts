import {
  boilFrom,
  cameOf,
  evidenceOf,
  foretold,
  learnFrom,
  taught,
  type BatchEvent,
  type BoilEvidence,
  type FormulaDocument,
  type Hindsight,
  type Kitchen,
} from '@idle-kettle/core';

/** A boil that is done, and what was known before it. Plain data: it goes to another thread. */
export interface BoilToLookAt {
  readonly document: FormulaDocument;
  readonly events: readonly BatchEvent[];
  readonly kitchen: Kitchen;
  /** What earlier boils of the kitchen said; of those that ended later nothing is taken. */
  readonly known: readonly BoilEvidence[];
}

export interface LookedAt {
  /** Undefined where nothing can be learned from it. */
  readonly evidence: BoilEvidence | undefined;
  /** What would have been foretold of it with and without the boils before it. */
  readonly hindsight: Hindsight | null;
}

/** What a boil says of its kitchen. Takes some hundredths of a second. */
export function lookAt({ document, events, kitchen, known }: BoilToLookAt): LookedAt {
  const boil = boilFrom(events);
  const evidence = evidenceOf(document, boil, kitchen);
  const before = known.filter(({ at }) => at < (evidence?.at ?? 0));
  const hindsight =
    evidence?.logHeat_W && before.length > 0
      ? {
          came: cameOf(boil, document, kitchen),
          without: foretold(boil, document, kitchen),
          with: foretold(boil, document, taught(kitchen, learnFrom(before, kitchen))),
        }
      : null;
  return { evidence, hindsight };
}
