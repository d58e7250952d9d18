import type { Advice, CombinedEvidence, Doneness, EvidenceSource } from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useCallOut } from '../../ui/attention.js';
import { logEvent } from '../../data/log-event.js';
import { useLogIn } from '../../batch/lines-due.js';
import { useTroubles } from '../../batch/use-advice.js';

const SOURCE_WORDS: Readonly<Record<EvidenceSource, string>> = {
  thermometer: 'the thermometer',
  scale: 'the scale',
  refractometer: 'the refractometer',
  plate: 'the cold plate',
  sheet: 'the spoon',
  finger: 'the finger line',
};
const DONENESS_WORDS: Readonly<Record<Doneness, string>> = {
  'not-yet': 'not yet',
  near: 'nearly',
  there: 'there',
  past: 'past it',
};

const TICK_WORDS = {
  note: 'Done',
  stirred: 'Stirred',
  'sugar-in': 'The sugar is in',
  added: 'It is in',
} as const;

interface NextStepProps {
  readonly next: Advice | undefined;
  readonly evidence: CombinedEvidence | undefined;
}

/** The one thing to do now, and what the evidence says when it contradicts itself. */
export function NextStep({ next, evidence }: NextStepProps) {
  const { id, boil } = useBatch();
  const [trouble] = useTroubles(boil);
  useCallOut(trouble ? { code: 'trouble', text: `The instrument: ${trouble.text}` } : next);
  const logIn = useLogIn();
  if (!next) return null;
  const says = (wanted: EvidenceSource): string => {
    const found = evidence?.evidence.find(({ source }) => source === wanted)?.doneness;
    return found === undefined ? '' : DONENESS_WORDS[found];
  };
  return (
    <section
      aria-label="What now"
      className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1.5 rounded-[14px] border-2 border-secondary px-4 py-2 sm:px-5"
      role="status"
    >
      <div className="min-w-[190px] flex-1">
        <p className="display text-[21px] leading-tight sm:text-[25px] in-data-big:sm:text-[34px]">
          {next.text}
        </p>
        <p className="leading-snug text-soft in-data-big:sm:text-[20px]">{next.why}</p>
        {trouble && <p className="mt-1 text-watch">The instrument: {trouble.text}.</p>}
        {evidence && evidence.evidence.length > 1 && (
          <p className="mt-1 text-sm text-soft">
            {evidence.evidence
              .map(({ source, doneness }) => `${SOURCE_WORDS[source]}: ${DONENESS_WORDS[doneness]}`)
              .join(' · ')}
          </p>
        )}
        {evidence?.disagreement && (
          <p className="mt-1 text-watch">
            {SOURCE_WORDS[evidence.disagreement.early]} says {says(evidence.disagreement.early)},{' '}
            {SOURCE_WORDS[evidence.disagreement.late]} {says(evidence.disagreement.late)}: believe{' '}
            {SOURCE_WORDS[evidence.disagreement.trust]}.
          </p>
        )}
      </div>
      {next.tick !== undefined && (
        <button
          type="button"
          className="btn btn-primary h-12 px-7 text-lg max-sm:flex-1 sm:h-14"
          onClick={() => {
            if (next.tick === 'stirred') logEvent(id, 'stirred', {});
            else if (next.tick === 'note') logEvent(id, 'note', { text: next.text });
            else logIn(next.tick === 'sugar-in', next.lines ?? []);
          }}
        >
          {TICK_WORDS[next.tick]}
        </button>
      )}
    </section>
  );
}
