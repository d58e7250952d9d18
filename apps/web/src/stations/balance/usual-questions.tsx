import { Fragment, useEffect, useState } from 'react';
import {
  USUAL_QUESTIONS,
  type Answer,
  type FormulaDocument,
  type Variant,
} from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';
import { adjust } from '../../batch/adjust-worker.js';
import { useBatch } from '../../batch/batch-context.js';
import { usePreferences } from '../../ui/preferences.js';
import { capital, sentence } from '../../ui/sentence.js';
import { useSame } from '../../ui/use-same.js';

/** What people ask of a batch, each answered by computing it on this one. */
export function UsualQuestions() {
  const { boil } = useBatch();
  const [asked, setAsked] = useState<string>();
  // What is in the pan already is no question of the formula any more.
  if (boil.startedAt !== undefined) return null;
  return (
    <details className="panel mt-4 p-4">
      <summary className="min-h-[44px] cursor-pointer text-xl">Can I…? Usual questions</summary>
      {/* What is opened follows its question, and later ones fill the row before it. */}
      <ul className="mt-2 grid grid-flow-dense gap-2 sm:grid-cols-2 xl:grid-cols-3">
        {USUAL_QUESTIONS.map(({ code, question }) => (
          <Fragment key={code}>
            <li className="flex">
              <button
                type="button"
                className={`btn h-auto min-h-[44px] w-full justify-start py-2 text-left leading-tight ${asked === code ? 'btn-secondary' : ''}`}
                aria-expanded={asked === code}
                onClick={() => setAsked((was) => (was === code ? undefined : code))}
              >
                {question}
              </button>
            </li>
            {asked === code && (
              <li className="col-span-full">
                <AnswerTo code={code} />
              </li>
            )}
          </Fragment>
        ))}
      </ul>
    </details>
  );
}

/** The answer for a document: undefined while it is computed, null where it does not arise. */
function useAnswer(code: string, asked: FormulaDocument): Answer | null | undefined {
  const { kitchen, units } = usePreferences();
  const document = useSame(asked);
  const [answer, setAnswer] = useState<{ to: FormulaDocument; answer: Answer | null }>();
  useEffect(() => {
    let wanted = true;
    void adjust()
      .answerTo(code, document, { kitchen, units })
      .then((found) => {
        if (wanted) setAnswer({ to: document, answer: found ?? null });
      });
    return () => {
      wanted = false;
    };
  }, [code, document, kitchen, units]);
  return answer?.answer;
}

function AnswerTo({ code }: { readonly code: string }) {
  const { document, change } = useBatch();
  const answer = useAnswer(code, document);
  return (
    <div role="status" className="min-h-[44px] py-2">
      {answer === undefined && <p className="text-soft">Working it out…</p>}
      {answer === null && <p>It does not arise with what is in this pan.</p>}
      {answer && (
        <>
          <p className="max-w-prose">{answer.text}</p>
          <ul className="mt-2">
            {answer.variants.map((variant) => (
              <VariantRow
                key={variant.name}
                variant={variant}
                onTry={() => change('', () => variant.document as FormulaBody)}
              />
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

const WORSE_WORDS = {
  storage: 'Not for storing as before',
  set: 'It will not set as before',
} as const;

function VariantRow({
  variant: { name, effect, worse },
  onTry,
}: {
  readonly variant: Variant;
  readonly onTry: () => void;
}) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
      <div className="min-w-[14rem] flex-1">
        <p className="font-semibold">{capital(name)}</p>
        <p>
          {worse && <strong className="text-bad">{WORSE_WORDS[worse]}: </strong>}
          {effect === '' ? 'Nothing much changes.' : sentence(effect)}
        </p>
      </div>
      <button type="button" className="btn" onClick={onTry}>
        Change it so
      </button>
    </li>
  );
}
