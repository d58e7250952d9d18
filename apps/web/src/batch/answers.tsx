import { ChevronUp, X } from 'lucide-react';
import { useState } from 'react';
import { useLocation } from 'react-router';
import {
  firmnessSaid,
  jarsExpected,
  jarWords,
  kitchenFraction,
  tasteWord,
} from '@idle-kettle/core';
import { useLotsOf } from '../data/shelf.js';
import { useFormats } from '../ui/preferences.js';
import { useMedia } from '../ui/use-media.js';
import { capital } from '../ui/sentence.js';
import { useBatch } from './batch-context.js';
import { useIsFinished } from './finished-batch.js';
import { Apply } from './main-problem.js';
import { FIRMNESS_TONE, STORAGE_WORDS } from './readouts.js';
import { TONE_TEXT, type Tone } from '../ui/range-bar.js';
import { useMainProblem, type MainProblem } from './use-main-problem.js';
import { VerdictPanel } from './verdict-panel.js';
import { stopWords } from './words.js';

/** From this width on the panel stands beside the station; the same as `xl`. */
const TWO_COLUMNS = '(min-width: 80rem)';

/**
 * What will come out, beside every station. Where the screen is too narrow for two columns a strip
 * stays in view and opens it; at the end of the page it is too.
 */
export function Answers() {
  const problem = useMainProblem();
  const [isOpen, setOpen] = useState(false);
  const isBeside = useMedia(TWO_COLUMNS);
  return (
    <>
      <div className="border-line xl:border-l xl:bg-base-100">
        {/* In its place however far the station beside it is scrolled. */}
        <div
          className={`xl:static xl:sticky xl:top-(--head,0px) xl:max-h-[calc(100dvh-var(--head,0px))] xl:overflow-y-auto print:static ${isOpen ? 'max-xl:fixed max-xl:inset-x-0 max-xl:bottom-[120px] max-xl:z-30 max-xl:max-h-[70dvh] max-xl:overflow-y-auto max-xl:border-t max-xl:border-line max-xl:bg-base-100 md:max-xl:bottom-[64px] md:max-xl:left-[88px]' : ''}`}
        >
          <VerdictPanel problem={problem} />
        </div>
      </div>
      {!isBeside && <Strip problem={problem} isOpen={isOpen} onToggle={() => setOpen(!isOpen)} />}
    </>
  );
}

interface StripProps {
  readonly problem: MainProblem | undefined;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
}

/** The answer in one line: the problem and its remedy on a phone, the five readouts on a tablet. */
function Strip({ problem, isOpen, onToggle }: StripProps) {
  const { balance } = useBatch();
  const isFinished = useIsFinished();
  // The boil has larger figures of its own, and needs the room of a phone.
  const atBoil = useLocation().pathname.endsWith('/boil');
  if (!balance && !problem) return null;
  const Icon = isOpen ? X : ChevronUp;
  return (
    <div
      className={`fixed inset-x-0 bottom-[66px] z-30 flex min-h-[52px] items-center gap-2 border-t border-line bg-base-100 px-2 py-1 md:bottom-0 md:left-[88px] md:min-h-[64px] md:px-4 xl:hidden print:hidden ${atBoil ? 'max-md:hidden' : ''}`}
    >
      <button
        type="button"
        aria-expanded={isOpen}
        className="flex min-h-[44px] min-w-0 flex-1 cursor-pointer items-center gap-2 text-left"
        onClick={onToggle}
      >
        <Icon aria-hidden="true" className="size-5 shrink-0" />
        <span className="sr-only">What will come out: </span>
        <span className="min-w-0 flex-1 md:hidden">
          {problem && !isFinished ? (
            <strong className="line-clamp-2 leading-tight text-watch">{problem.title}</strong>
          ) : (
            <Shortest isFinished={isFinished} />
          )}
        </span>
        <span className="hidden min-w-0 flex-1 md:block">
          {isFinished ? <Shortest isFinished /> : <Five />}
        </span>
      </button>
      {problem?.remedy && !isFinished && (
        <span className="max-w-[46%] shrink-0 md:max-w-[30%]">
          <Apply remedy={problem.remedy} isStrip disabled={problem.stale} />
        </span>
      )}
    </div>
  );
}

/** Where to stop, or how many were made; how many jars; how it is stored. */
function Shortest({ isFinished }: { readonly isFinished: boolean }) {
  const { id, boil, balance, formula, keeping } = useBatch();
  const formats = useFormats();
  const { lots } = useLotsOf(id);
  if (!balance) return null;
  const stop = stopWords(formula, balance, formats);
  const forecast = jarsExpected(balance);
  const made = boil.jarred.reduce((sum, { full, part }) => sum + full + part, 0);
  const left = lots.reduce((sum, { count, partFill }) => sum + count * (partFill ?? 1), 0);
  return (
    <span className="flex justify-between gap-2 text-sm leading-tight md:max-w-xl">
      <span>
        {isFinished ? 'made' : stop.lead}{' '}
        <strong>{isFinished ? kitchenFraction(made) : stop.words}</strong>
      </span>
      <span>
        <strong>{isFinished ? kitchenFraction(left) : jarWords(forecast)}</strong>{' '}
        {isFinished ? 'left' : 'jars'}
      </span>
      <span className={TONE_TEXT[STORAGE_WORDS[keeping.verdict].tone]}>
        {STORAGE_WORDS[keeping.verdict].word}
        {keeping.process && ` ${keeping.process.minutes} min`}
      </span>
    </span>
  );
}

/** The five readouts in a word each. */
function Five() {
  const { balance, keeping } = useBatch();
  if (!balance) return null;
  const { set, titratableAcidityPercent, finish } = balance;
  const count = jarsExpected(balance);
  const storage = STORAGE_WORDS[keeping.verdict];
  return (
    <span className="grid grid-cols-5 gap-3">
      <Readout
        name="Firmness"
        tone={set.model === 'none' ? 'plain' : FIRMNESS_TONE[set.verdict]}
        word={set.model === 'none' ? 'Pours' : capital(firmnessSaid(set.verdict, set.model))}
      />
      <Readout name="Acidity" word={`Tastes ${tasteWord(titratableAcidityPercent.mid)}`} />
      <Readout name="Concentration" word={`${finish.solubleSolidsPercent.mid.toFixed(0)} °Brix`} />
      <Readout name="Yield" word={`${jarWords(count)} jars`} />
      <Readout
        name="Storage"
        tone={storage.tone}
        word={`${storage.word}${keeping.process ? ` ${keeping.process.minutes} min` : ''}`}
      />
    </span>
  );
}

function Readout({
  name,
  word,
  tone = 'plain',
}: {
  readonly name: string;
  readonly word: string;
  readonly tone?: Tone;
}) {
  return (
    <span className="min-w-0 leading-tight">
      <span className="block text-[13px] text-soft">{name}</span>
      <span className={`display block text-[17px] ${TONE_TEXT[tone]}`}>{word}</span>
    </span>
  );
}
