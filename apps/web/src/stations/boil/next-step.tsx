import type { Doneness, WatchedBoil, EvidenceSource } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useCallOut } from '../../ui/attention.js';
import { logEvent } from '../../data/log-event.js';
import { useAdvice, useTroubles } from './use-advice.js';

const WITNESS_WORDS: Readonly<Record<EvidenceSource, string>> = {
  thermometer: 'the thermometer',
  scale: 'the scale',
  refractometer: 'the refractometer',
  plate: 'the cold plate',
  sheet: 'the spoon',
  finger: 'the finger line',
};
const FAR_WORDS: Readonly<Record<Doneness, string>> = {
  'not-yet': 'not yet',
  near: 'nearly',
  there: 'there',
  past: 'past it',
};

/** The one thing to do now, and what the evidence says when it contradicts itself. */
export function NextStep({ watched }: { readonly watched: WatchedBoil | undefined }) {
  const { id, boil, formula, balance } = useBatch();
  const capacity_l = formula.pan?.capacity_l;
  const fill = balance && capacity_l !== undefined ? balance.pot_l.fill / capacity_l : undefined;
  const { next, verdict } = useAdvice(boil, formula, watched, fill);
  const [trouble] = useTroubles(boil);
  useCallOut(trouble ? { code: 'trouble', text: `The instrument: ${trouble.text}` } : next);
  if (!next) return null;
  const says = (who: EvidenceSource): string => {
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
        {trouble && <p className="mt-1 text-watch">The instrument: {trouble.text}.</p>}
        {verdict && verdict.evidence.length > 1 && (
          <p className="mt-1 text-sm text-soft">
            {verdict.evidence
              .map(({ by, says: far }) => `${WITNESS_WORDS[by]}: ${FAR_WORDS[far]}`)
              .join(' · ')}
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
      {next.tick !== undefined && (
        <button
          type="button"
          className="btn btn-primary h-16 px-8 text-lg"
          onClick={() =>
            next.tick === 'stirred'
              ? logEvent(id, 'stirred', {})
              : logEvent(id, 'note', { text: next.text })
          }
        >
          Done
        </button>
      )}
    </section>
  );
}
