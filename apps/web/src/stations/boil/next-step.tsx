import { useMemo } from 'react';
import { nextAction, weighEvidence, type Far, type Watched, type Witness } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { logEvent } from '../../data/log-event.js';
import { useNow } from '../../ui/now.js';

const WITNESS_WORDS: Readonly<Record<Witness, string>> = {
  thermometer: 'the thermometer',
  scale: 'the scale',
  refractometer: 'the refractometer',
  plate: 'the cold plate',
  sheet: 'the spoon',
  finger: 'the finger line',
};
const FAR_WORDS: Readonly<Record<Far, string>> = {
  'not-yet': 'not yet',
  near: 'nearly',
  there: 'there',
  past: 'past it',
};

/** The one thing to do now, and what the evidence says when it contradicts itself. */
export function NextStep({ watched }: { readonly watched: Watched | undefined }) {
  const { id, boil, formula } = useBatch();
  // Ten seconds are near enough for advice.
  const now = Math.floor(useNow() / 10_000) * 10_000;
  const { next, verdict } = useMemo(() => {
    const weighed = watched && weighEvidence(boil, formula, watched, now);
    return { verdict: weighed, next: nextAction(boil, formula, watched, weighed, now) };
  }, [boil, formula, watched, now]);
  if (!next) return null;
  const says = (who: Witness): string => {
    const found = verdict?.evidence.find(({ by }) => by === who)?.says;
    return found === undefined ? '' : FAR_WORDS[found];
  };
  return (
    <section
      aria-label="What now"
      className="flex flex-wrap items-center justify-between gap-3 rounded-[14px] border-2 border-secondary px-5 py-3"
      role="status"
    >
      <div className="min-w-0 flex-1">
        <p className="display text-[22px] leading-tight sm:text-[27px]">{next.text}</p>
        <p className="text-soft">{next.why}</p>
        {verdict && verdict.evidence.length > 1 && (
          <p className="mt-1 text-sm text-soft">
            {verdict.evidence.map(({ by, says: far }) => `${WITNESS_WORDS[by]}: ${FAR_WORDS[far]}`).join(' · ')}
          </p>
        )}
        {verdict?.disagreement && (
          <p className="mt-1 text-watch">
            {WITNESS_WORDS[verdict.disagreement.early]} says {says(verdict.disagreement.early)},{' '}
            {WITNESS_WORDS[verdict.disagreement.late]} {says(verdict.disagreement.late)}: believe{' '}
            {WITNESS_WORDS[verdict.disagreement.trust]}.
          </p>
        )}
      </div>
      {next.once && (
        <button
          type="button"
          className="btn btn-primary h-16 px-8 text-lg"
          onClick={() => logEvent(id, 'note', { text: next.text })}
        >
          Done
        </button>
      )}
    </section>
  );
} // prettier-ignore
