import { useMemo } from 'react';
import {
  batchNow,
  adviceFor,
  probeTroubles,
  weighEvidence,
  type Boil,
  type Advice,
  type PotFormula,
  type ProbeTrouble,
  type CombinedEvidence,
  type WatchedBoil,
} from '@idle-kettle/core';
import { useNow } from '../ui/now.js';

/** Ten seconds are near enough for advice. */
const TO_MS = 10_000;
const useAboutNow = (boil: Boil): number => Math.floor(batchNow(boil, useNow()) / TO_MS) * TO_MS;

/**
 * What to do now in a pot, and what the evidence says.
 * @param panFill how full its pan is, share of its depth
 */
export function useAdvice(
  boil: Boil,
  formula: PotFormula | undefined,
  watched: WatchedBoil | undefined,
  panFill?: number,
): { readonly next?: Advice | undefined; readonly evidence?: CombinedEvidence | undefined } {
  const now = useAboutNow(boil);
  return useMemo(() => {
    if (!formula) return {};
    const evidence = watched && weighEvidence(boil, formula, watched, now);
    const next = adviceFor({ boil, formula, watched, evidence, now, panFill });
    return { evidence, next };
  }, [boil, formula, watched, now, panFill]);
}

/** What is wrong with the instruments in a pot. */
export function useTroubles(boil: Boil): readonly ProbeTrouble[] {
  const now = useAboutNow(boil);
  return useMemo(() => probeTroubles(boil, now), [boil, now]);
}
