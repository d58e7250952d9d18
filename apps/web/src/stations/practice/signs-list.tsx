import { memo } from 'react';
import type { PanSign, Sensed } from '@idle-kettle/core';

const SENSED_WORDS: Readonly<Record<Sensed, string>> = {
  bubbles: 'Bubbles',
  foam: 'Foam',
  sugar: 'Sugar',
  colour: 'Colour',
  smell: 'Smell',
};
/** Signs that must not be missed. */
const ALARMING: ReadonlySet<string> = new Set([
  'over',
  'rim',
  'burnt',
  'caramel',
  'curdled',
  'brown',
]);

/** What there is to see, hear and smell, in words. */
export const SignsList = memo(function SignsList({
  signs,
}: {
  readonly signs: readonly PanSign[];
}) {
  const alarming = signs.filter(({ code }) => ALARMING.has(code));
  return (
    <>
      <dl
        aria-label="What you see and smell"
        className="grid grid-cols-[5.5rem_1fr] gap-x-3 gap-y-1"
      >
        {signs.map(({ of, code, says }) => (
          <div key={of} className="contents">
            <dt className="text-soft">{SENSED_WORDS[of]}</dt>
            <dd className={ALARMING.has(code) ? 'font-bold text-bad' : ''}>{says}</dd>
          </div>
        ))}
      </dl>
      {/* Who listens hears of what cannot wait, and not of every bubble. */}
      <p role="status" className="sr-only">
        {alarming.map(({ says, means }) => `${says}: ${means}`).join('. ')}
      </p>
    </>
  );
});
