import { useState, type ReactNode } from 'react';
import { TriangleAlert } from 'lucide-react';
import { SPOILAGE_SIGNS, THROW_AWAY } from '@idle-kettle/core';
import { Answered } from './answered.js';
import { useOpenedFocus } from '../../ui/use-opened-focus.js';

/** Asks for signs of spoilage before anything else; one of them ends the talk. */
export function LookFirst({ children }: { readonly children: ReactNode }) {
  const [seen, setSeen] = useState<'spoiled' | 'none'>();
  if (seen === 'spoiled') return <ThrowAway onBack={() => setSeen(undefined)} />;
  return (
    <div className="flex flex-col gap-4">
      {seen === 'none' ? (
        <Answered
          text="No sign of spoilage"
          change="Look again"
          onChange={() => setSeen(undefined)}
        />
      ) : (
        <Signs onSeen={setSeen} />
      )}
      {seen === 'none' && children}
    </div>
  );
}

function Signs({ onSeen }: { readonly onSeen: (seen: 'spoiled' | 'none') => void }) {
  return (
    <section aria-label="Look first" className="panel p-5">
      <h2 className="text-xl">Look at the jar first. Is there any of this?</h2>
      <p className="text-soft">By eye. Do not open, smell or taste it to find out.</p>
      <ul className="mt-3 grid gap-2 sm:grid-cols-2">
        {SPOILAGE_SIGNS.map(({ code, text }) => (
          <li key={code}>
            <button
              type="button"
              className="btn h-auto min-h-[44px] w-full justify-start py-2 text-left leading-tight"
              onClick={() => onSeen('spoiled')}
            >
              <TriangleAlert aria-hidden="true" className="size-5 shrink-0 text-watch" />
              {text}
            </button>
          </li>
        ))}
        <li>
          <button type="button" className="btn btn-primary w-full" onClick={() => onSeen('none')}>
            None of these
          </button>
        </li>
      </ul>
    </section>
  );
}

/** What is done with a jar that has spoiled. */
function ThrowAway({ onBack }: { readonly onBack: () => void }) {
  const panel = useOpenedFocus<HTMLElement>();
  return (
    <section
      ref={panel}
      tabIndex={-1}
      aria-label={THROW_AWAY.title}
      className="rounded-[14px] border-2 border-bad bg-base-100 p-5 outline-none"
    >
      <h2 className="text-2xl text-bad">{THROW_AWAY.title}</h2>
      <ol className="mt-3 max-w-prose list-decimal space-y-2 pl-5">
        {THROW_AWAY.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <p className="mt-3 text-sm text-soft">
        Your extension service or food authority has the last word. Source: {THROW_AWAY.source}.
      </p>
      <button type="button" className="btn mt-3" onClick={onBack}>
        I tapped that by mistake
      </button>
    </section>
  );
}
